import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, bodyOf, type Import } from '../api/client';

const DATASETS = ['datasets'];
const OPEN_IMPORTS = ['imports'];
const POLL_EVERY_MS = 400;

export function isOpen(status: Import['status']): boolean {
    return status === 'queued' || status === 'running' || status === 'cancelling';
}

export function useDatasets() {
    return useQuery({ queryKey: DATASETS, queryFn: async () => bodyOf(await api.GET('/datasets')), staleTime: 0 });
}

export function useOpenImports() {
    return useQuery({ queryKey: OPEN_IMPORTS, queryFn: async () => bodyOf(await api.GET('/imports')), staleTime: Infinity });
}

/** Follows an import until it has ended; the list of datasets is read again then. */
export function useImport(id: number) {
    const queries = useQueryClient();
    return useQuery({
        queryKey: [...OPEN_IMPORTS, id],
        queryFn: async () => {
            const answer = bodyOf(await api.GET('/imports/{import}', { params: { path: { import: id } } }));
            if (!isOpen(answer.status)) {
                void queries.invalidateQueries({ queryKey: DATASETS });
            }
            return answer;
        },
        refetchInterval: ({ state }) => (state.data === undefined || isOpen(state.data.status) ? POLL_EVERY_MS : false),
    });
}

export function useCancelImport() {
    const queries = useQueryClient();
    return useMutation({
        mutationFn: async (id: number) => bodyOf(await api.POST('/imports/{import}/cancel', { params: { path: { import: id } } })),
        onSuccess: (answer) => queries.setQueryData([...OPEN_IMPORTS, answer.id], answer),
    });
}

export function useDeleteDataset() {
    const queries = useQueryClient();
    return useMutation({
        mutationFn: async (id: number) => {
            await api.DELETE('/datasets/{dataset}', { params: { path: { dataset: id } } });
        },
        onSuccess: () => queries.invalidateQueries({ queryKey: DATASETS }),
    });
}
