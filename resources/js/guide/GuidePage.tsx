import { useEffect, useRef, useState } from 'react';
import { Link, useParams } from 'wouter';
import { Account } from '../account/Account';
import type { Topic } from '../api/client';
import { found, useGuide } from '../asking/guide';
import { LookAround } from '../asking/LookAround';
import { TopicText, TopicTitle } from '../asking/TopicText';
import { counted } from '../ui/format';
import { Notice } from '../ui/Notice';
import { TopBar } from '../ui/TopBar';
import { Waiting } from '../ui/Waiting';

/** Where the list stands above the page, it stays folded: the page is what was asked for. */
const isNarrow = () => !window.matchMedia('(min-width: 48rem)').matches;

const intoSight = (link: HTMLAnchorElement | null) => link?.scrollIntoView({ block: 'nearest' });

/** A short page of everything that is shown, found by search, and a way through the work. */
export function GuidePage() {
    const guide = useGuide();
    const { topic: key } = useParams();
    const [typed, setTyped] = useState('');
    const topic = guide.data?.topics.find((one) => one.key === key);
    useEffect(() => {
        document.title = `${topic?.title ?? 'Guide'} · Row Tally`;
    }, [topic]);
    const listed = guide.data === undefined ? [] : found(guide.data.topics, typed);
    return (
        <div className="flex h-full flex-col">
            <TopBar account={<Account />}>
                <h1 className="text-base">Guide</h1>
            </TopBar>
            <main className="min-h-0 flex-1 overflow-y-auto px-6 pb-16">
                <div className="mx-auto max-w-5xl pt-6">
                    {guide.isError && <Notice onRetry={() => void guide.refetch()}>{guide.error.message}</Notice>}
                    {guide.isPending && <Waiting what="Opening the guide" />}
                    {guide.data !== undefined && (
                        <div className="flex items-start gap-10 max-md:flex-col">
                            <nav
                                aria-label="Pages of the guide"
                                className="w-72 shrink-0 max-md:w-full md:sticky md:top-6 md:max-h-[calc(100vh-7rem)] md:overflow-y-auto md:pr-2"
                            >
                                <label className="block">
                                    <span className="text-small text-soft">Search the guide</span>
                                    <input
                                        type="search"
                                        value={typed}
                                        onChange={(event) => setTyped(event.target.value)}
                                        placeholder="such as quartile, tail, divisor"
                                        className="mt-1 w-full rounded-md border border-hair-strong bg-surface px-2.5 py-1.5"
                                    />
                                </label>
                                <p role="status" className="mt-1 min-h-6 text-small text-soft">
                                    {typed.trim() !== '' &&
                                        (listed.length === 0 ? 'No page has these words.' : counted(listed.length, 'page'))}
                                </p>
                                {guide.data.kinds.map(({ kind, words }) => {
                                    const own = listed.filter((one) => one.kind === kind);
                                    return (
                                        own.length > 0 && (
                                            <details
                                                key={kind}
                                                open={typed.trim() !== '' || (topic?.kind === kind && !isNarrow()) || undefined}
                                                className="mt-2"
                                            >
                                                <summary className="min-h-6 cursor-pointer font-semibold">{words}</summary>
                                                <ul className="mt-1 border-l border-hair pl-3">
                                                    {own.map((one) => (
                                                        <li key={one.key}>
                                                            <Link
                                                                to={`/guide/${one.key}`}
                                                                ref={one.key === key ? intoSight : undefined}
                                                                aria-current={one.key === key ? 'page' : undefined}
                                                                className="block min-h-6 py-1 text-small underline-offset-4 hover:underline aria-[current=page]:font-semibold aria-[current=page]:text-accent"
                                                            >
                                                                {one.title}
                                                            </Link>
                                                        </li>
                                                    ))}
                                                </ul>
                                            </details>
                                        )
                                    );
                                })}
                            </nav>
                            <div className="min-w-0 flex-1">
                                {topic === undefined ? <Opening isLost={key !== undefined} /> : <Page key={topic.key} topic={topic} />}
                            </div>
                        </div>
                    )}
                </div>
            </main>
        </div>
    );
}

function Page({ topic }: { topic: Topic }) {
    const head = useRef<HTMLHeadingElement>(null);
    // Whoever has chosen a page reads it next.
    useEffect(() => head.current?.focus(), []);
    return (
        <article>
            <h2 ref={head} tabIndex={-1} className="mb-3 text-title outline-none">
                <TopicTitle topic={topic} />
            </h2>
            <TopicText topic={topic} />
        </article>
    );
}

function Opening({ isLost }: { isLost: boolean }) {
    return (
        <>
            {isLost && <Notice>There is no such page. Search for it, or choose one from the list.</Notice>}
            <h2 className="mb-3 text-title">A short page of everything that is shown</h2>
            <p className="max-w-prose">
                What it is, when to use it, how it misleads, its formula and where that comes from. <b>About it</b> beside a figure, a
                picture or a sentence opens its page where you are.
            </p>
            <h3 className="mt-8 mb-2 text-base">Five steps through the work</h3>
            <LookAround words="Look around" />
        </>
    );
}
