import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import { DATASETS } from '../api/datasets';

export function useDeleteDataset() {
    const queries = useQueryClient();
    return useMutation({
        mutationFn: async (id: number) => {
            await api.DELETE('/datasets/{dataset}', { params: { path: { dataset: id } } });
        },
        onSuccess: () => queries.invalidateQueries({ queryKey: DATASETS }),
    });
}
