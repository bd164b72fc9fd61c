import { useQuery } from '@tanstack/react-query';
import { api, bodyOf, type Dataset } from './client';

export const DATASETS = ['datasets'];

/** Those of the account. */
export function useDatasets() {
    return useQuery({ queryKey: DATASETS, queryFn: async () => bodyOf(await api.GET('/datasets')), staleTime: 0 });
}

export const datasetKey = (id: number) => ['dataset', id];

export function datasetQuery(id: number) {
    return {
        queryKey: datasetKey(id),
        queryFn: async () => bodyOf(await api.GET('/datasets/{dataset}', { params: { path: { dataset: id } } })),
    };
}

/** One dataset with its variables: every place of it needs them. */
export function useDataset(id: number) {
    return useQuery({
        ...datasetQuery(id),
        // Micro-plots of variables with very many values follow a little after the import.
        refetchInterval: ({ state }) => (state.data !== undefined && plotsToCome(state.data) ? 2000 : false),
        // Another window may have changed it.
        staleTime: 0,
    });
}

function plotsToCome(dataset: Dataset): boolean {
    return dataset.variables.some(
        (variable) => variable.type === 'number' && variable.micro.marks.length === 0 && variable.missing < dataset.rows,
    );
}
