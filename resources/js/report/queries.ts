import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, bodyOf, type Dataset, type Kept, type OwnWords } from '../api/client';

/** What is held for the report of a dataset, in order. */
export function useKept(dataset: number) {
    return useQuery({
        queryKey: ['kept', dataset],
        queryFn: async () => bodyOf(await api.GET('/datasets/{dataset}/kept', { params: { path: { dataset } } })),
    });
}

/** So many rows that are set aside are listed. */
export const ASIDE_SHOWN = 100;

/** The rows that are set aside, with their reasons. */
export function useAsideRows({ id, revision }: Dataset, of: string[]) {
    return useQuery({
        queryKey: ['aside', id, revision, of],
        queryFn: async ({ signal }) =>
            bodyOf(
                await api.GET('/datasets/{dataset}/rows', {
                    params: {
                        path: { dataset: id },
                        query: { of: of.join(','), where: 'not missing("Set aside")', from: 0, count: ASIDE_SHOWN },
                    },
                    signal,
                }),
            ),
        staleTime: Infinity,
    });
}

export function useKeptChanges(dataset: number) {
    const queries = useQueryClient();
    const kept = ['kept', dataset];
    const onSuccess = () => queries.invalidateQueries({ queryKey: kept });
    return {
        describe: useMutation({
            mutationFn: async ({ id, ...words }: { id: number; title?: string; note?: OwnWords | null; sentence?: string }) =>
                bodyOf(await api.PATCH('/kept/{keptItem}', { params: { path: { keptItem: id } }, body: words })),
            onSuccess,
        }),
        arrange: useMutation({
            // One after the other, so that the last order that was asked for is the one that stays.
            scope: { id: `order-${dataset}` },
            mutationKey: ['order', dataset],
            mutationFn: (ids: number[]) => api.PUT('/datasets/{dataset}/kept/order', { params: { path: { dataset } }, body: { ids } }),
            // The next press counts from where the item stands by now, not from what the server last told.
            onMutate: async (ids) => {
                await queries.cancelQueries({ queryKey: kept });
                queries.setQueryData<Kept[]>(kept, (items) => inOrder(items, ids));
            },
            onSettled: () => (queries.isMutating({ mutationKey: ['order', dataset] }) === 1 ? onSuccess() : undefined),
        }),
        write: useMutation({
            mutationFn: async (revision: number) =>
                bodyOf(
                    await api.POST('/datasets/{dataset}/kept', {
                        params: { path: { dataset } },
                        body: { kind: 'text', title: 'In our words', content: '{"type":"doc"}', address: '', revision },
                    }),
                ),
            onSuccess,
        }),
        renew: useMutation({
            mutationFn: async (id: number) => bodyOf(await api.POST('/kept/{keptItem}/renew', { params: { path: { keptItem: id } } })),
            onSuccess,
        }),
        remove: useMutation({
            mutationFn: (id: number) => api.DELETE('/kept/{keptItem}', { params: { path: { keptItem: id } } }),
            onSuccess,
        }),
    };
}

function inOrder(items: Kept[] | undefined, ids: number[]): Kept[] | undefined {
    return items?.toSorted((a, b) => ids.indexOf(a.id) - ids.indexOf(b.id));
}
