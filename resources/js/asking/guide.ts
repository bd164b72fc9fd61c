import { useQuery } from '@tanstack/react-query';
import { api, bodyOf, type Topic } from '../api/client';
import type { About } from '../ui/about';

/** The whole guide: it is small, and searched here. */
export function useGuide() {
    return useQuery({ queryKey: ['guide'], queryFn: async () => bodyOf(await api.GET('/guide')), staleTime: Infinity });
}

/** The pages about something; of a percentile that of all percentiles. */
export function topicsAbout(topics: Topic[], { kind, of }: About): Topic[] {
    const key = of?.replace(/^percentile_.*/, 'percentile') ?? null;
    return topics.filter((topic) => topic.kind === kind && (key === null || topic.of.includes(key)));
}

/** Those that have every word, those with it in their title first. */
export function found(topics: Topic[], typed: string): Topic[] {
    const words = typed
        .toLocaleLowerCase()
        .split(/\s+/)
        .filter((word) => word !== '');
    const text = (topic: Topic) =>
        [topic.what, ...topic.parts.map(({ text }) => text), ...topic.choices.flatMap(({ words, sentence }) => [words, sentence])]
            .join(' ')
            .toLocaleLowerCase();
    const title = (topic: Topic) => `${topic.title} ${topic.symbol}`.toLocaleLowerCase();
    const has = (text: string) => words.every((word) => text.includes(word));
    const inTitle = topics.filter((topic) => has(title(topic)));
    return [...inTitle, ...topics.filter((topic) => !has(title(topic)) && has(`${title(topic)} ${text(topic)}`))];
}
