import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, bodyOf } from '../api/client';

/** What is held for the report of a dataset, in order. */
export function useKept(dataset: number) {
    return useQuery({
        queryKey: ['kept', dataset],
        queryFn: async () => bodyOf(await api.GET('/datasets/{dataset}/kept', { params: { path: { dataset } } })),
    });
}

export function useKeptChanges(dataset: number) {
    const queries = useQueryClient();
    const onSuccess = () => queries.invalidateQueries({ queryKey: ['kept', dataset] });
    return {
        describe: useMutation({
            mutationFn: async ({ id, ...words }: { id: number; title?: string; note?: string }) =>
                bodyOf(await api.PATCH('/kept/{keptItem}', { params: { path: { keptItem: id } }, body: words })),
            onSuccess,
        }),
        arrange: useMutation({
            mutationFn: (ids: number[]) => api.PUT('/datasets/{dataset}/kept/order', { params: { path: { dataset } }, body: { ids } }),
            onSuccess,
        }),
        remove: useMutation({
            mutationFn: (id: number) => api.DELETE('/kept/{keptItem}', { params: { path: { keptItem: id } } }),
            onSuccess,
        }),
    };
}
