import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, bodyOf } from '../api/client';
import { DATASETS } from '../api/datasets';

export function useDatasets() {
    return useQuery({ queryKey: DATASETS, queryFn: async () => bodyOf(await api.GET('/datasets')), staleTime: 0 });
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
