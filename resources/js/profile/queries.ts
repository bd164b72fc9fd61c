import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { api, bodyOf, type Dataset } from '../api/client';
import type { Question } from './question';

export function useDataset(id: number) {
    return useQuery({
        queryKey: ['dataset', id],
        queryFn: async () => bodyOf(await api.GET('/datasets/{dataset}', { params: { path: { dataset: id } } })),
        // Micro-plots of variables with very many values follow a little after the import.
        refetchInterval: ({ state }) => (state.data !== undefined && sketchesToCome(state.data) ? 2000 : false),
    });
}

function sketchesToCome(dataset: Dataset): boolean {
    return dataset.variables.some(
        (variable) => variable.type === 'number' && variable.sketch.length === 0 && variable.missing < dataset.rows,
    );
}

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
