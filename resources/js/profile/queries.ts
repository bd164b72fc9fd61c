import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, bodyOf } from '../api/client';
import type { Question } from './question';

/** The words of the basis line come from the core and never change while the page is open. */
export function useConventions() {
    return useQuery({ queryKey: ['conventions'], queryFn: async () => bodyOf(await api.GET('/conventions')), staleTime: Infinity });
}

/** The last answer stays on screen while the next is on its way, so nothing jumps when the basis changes. */
export function useProfile(dataset: number, revision: number | undefined, keys: string[], question: Question) {
    const { by, as, quartiles } = question;
    return useQuery({
        queryKey: ['profile', dataset, revision, keys, by, as, quartiles],
        queryFn: async ({ signal }) =>
            bodyOf(
                await api.GET('/datasets/{dataset}/profile', {
                    params: { path: { dataset }, query: { of: keys.join(','), ...(by === null ? {} : { by }), as, quartiles } },
                    signal,
                }),
            ),
        enabled: revision !== undefined && keys.length > 0,
        placeholderData: keepPreviousData,
        staleTime: Infinity,
    });
}
