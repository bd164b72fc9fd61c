import { keepPreviousData, useMutation, useQueries, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, bodyOf, type QuartileRule, type Rows } from '../api/client';
import { datasetKey } from '../api/datasets';
import type { View } from './view';
import { know } from '../api/know';

/** Rows are fetched in pages of this many, and variables in blocks of this many. */
export const PAGE = 200;
export const BLOCK = 20;

export const rowsKey = (dataset: number) => ['rows', dataset];

/** The pages of rows that are in sight, in blocks of variables. */
export function useRowWindows(dataset: number, view: View, pages: number[], blocks: { block: number; keys: string[] }[]) {
    return useQueries({
        queries: pages.flatMap((page) =>
            blocks.map(({ block, keys }) => ({
                queryKey: [...rowsKey(dataset), viewWords(view), page, block, keys.join(',')],
                queryFn: async ({ signal }: { signal: AbortSignal }) =>
                    bodyOf(
                        await api.GET('/datasets/{dataset}/rows', {
                            params: {
                                path: { dataset },
                                query: { of: keys.join(','), from: page * PAGE, count: PAGE, ...viewWords(view) },
                            },
                            signal,
                        }),
                    ),
                placeholderData: keepPreviousData as never,
                staleTime: 60_000,
            })),
        ),
        combine: (answers) => ({
            answers: answers.map((answer, i) => ({
                page: pages[Math.floor(i / Math.max(1, blocks.length))] ?? 0,
                data: answer.isPlaceholderData ? undefined : (answer.data as Rows | undefined),
            })),
            error: answers.find((answer) => answer.error !== null)?.error ?? null,
            isFetching: answers.some((answer) => answer.isFetching),
        }),
    });
}

/** How many rows the view has. */
export function useTotal(dataset: number, view: View) {
    return useQuery({
        queryKey: [...rowsKey(dataset), viewWords(view), 'total'],
        queryFn: async ({ signal }) =>
            bodyOf(
                await api.GET('/datasets/{dataset}/rows', {
                    params: { path: { dataset }, query: { from: 0, count: 1, ...viewWords(view) } },
                    signal,
                }),
            ),
        select: (rows) => rows.total,
        placeholderData: keepPreviousData,
        staleTime: 60_000,
    });
}

export function useFind(dataset: number, view: View) {
    return useMutation({
        mutationFn: async ({ text, from }: { text: string; from: number }) =>
            bodyOf(
                await api.GET('/datasets/{dataset}/rows/find', {
                    params: { path: { dataset }, query: { text, from, ...viewWords(view) } },
                }),
            ).place,
    });
}

export function useEnds(dataset: number, revision: number | undefined) {
    return useQuery({
        queryKey: ['ends', dataset, revision],
        queryFn: async () => bodyOf(await api.GET('/datasets/{dataset}/ends', { params: { path: { dataset } } })),
        enabled: revision !== undefined,
        placeholderData: keepPreviousData,
        staleTime: Infinity,
    });
}

export function useHistory(dataset: number, revision: number | undefined) {
    return useQuery({
        queryKey: ['changes', dataset, revision],
        queryFn: async () => bodyOf(await api.GET('/datasets/{dataset}/changes', { params: { path: { dataset } } })),
        placeholderData: keepPreviousData,
        staleTime: 0,
    });
}

export function useCheck(dataset: number, revision: number | undefined) {
    return useQuery({
        queryKey: ['check', dataset, revision],
        queryFn: async () => bodyOf(await api.GET('/datasets/{dataset}/check', { params: { path: { dataset } } })),
        placeholderData: keepPreviousData,
        staleTime: Infinity,
    });
}

export function useLookedAt(dataset: number, revision: number | undefined) {
    const queries = useQueryClient();
    return useMutation({
        mutationFn: async (body: { variable: string; code: string; looked_at: boolean }) =>
            bodyOf(await api.POST('/datasets/{dataset}/check', { params: { path: { dataset } }, body })),
        onSuccess: (answer) => know(queries, ['check', dataset, revision], answer),
    });
}

export function useCompare(dataset: number) {
    return useMutation({
        meta: { isSaidInPlace: true },
        mutationFn: async (second: { file: File } | { text: string }) => {
            const form = new FormData();
            if ('file' in second) {
                form.append('file', second.file);
            } else {
                form.append('text', second.text);
            }
            return bodyOf(
                await api.POST('/datasets/{dataset}/compare', {
                    params: { path: { dataset } },
                    body: form as never,
                    bodySerializer: (body) => body as never,
                }),
            );
        },
    });
}

/** The rows once more before intake, to be stacked or made one block. */
export function useReread(dataset: number) {
    return useMutation({
        meta: { isSaidInPlace: true },
        mutationFn: async () => bodyOf(await api.POST('/datasets/{dataset}/reread', { params: { path: { dataset } } })),
    });
}

export function useLabels(dataset: number, revision: number, variable: string, isWanted: boolean) {
    return useQuery({
        queryKey: ['labels', dataset, revision, variable],
        queryFn: async () =>
            bodyOf(await api.GET('/datasets/{dataset}/variables/{variable}/labels', { params: { path: { dataset, variable } } })),
        enabled: isWanted,
        staleTime: Infinity,
    });
}

export function useTypeTrial(dataset: number, revision: number, variable: string, type: string | null) {
    return useQuery({
        queryKey: ['type', dataset, revision, variable, type],
        queryFn: async () =>
            bodyOf(
                await api.GET('/datasets/{dataset}/variables/{variable}/type', {
                    params: { path: { dataset, variable }, query: { type: type as never } },
                }),
            ),
        enabled: type !== null,
        staleTime: Infinity,
    });
}

export function useFormulaTrial(dataset: number, revision: number, formula: string) {
    return useQuery({
        queryKey: ['formula', dataset, revision, formula],
        queryFn: async () => bodyOf(await api.POST('/datasets/{dataset}/formula', { params: { path: { dataset } }, body: { formula } })),
        enabled: formula.trim() !== '',
        placeholderData: keepPreviousData,
        staleTime: Infinity,
        retry: false,
    });
}

export function useDescribeDataset(dataset: number) {
    const queries = useQueryClient();
    return useMutation({
        mutationFn: async (body: { title?: string; row_one?: string | null; row_many?: string | null }) =>
            bodyOf(await api.PATCH('/datasets/{dataset}', { params: { path: { dataset } }, body })),
        onSuccess: async (answer) => {
            await know(queries, datasetKey(dataset), answer);
            // Sentences call the rows by their word.
            void queries.invalidateQueries({ queryKey: ['readings', dataset] });
            void queries.invalidateQueries({ queryKey: ['compared', dataset] });
        },
    });
}

export function viewWords(view: View) {
    return {
        ...(view.where === '' ? {} : { where: view.where }),
        ...(view.quartiles === '' ? {} : { quartiles: view.quartiles as QuartileRule }),
        ...(view.fences === '' ? {} : { fences: view.fences }),
        ...(view.sort === '' ? {} : { sort: view.sort }),
    };
}
