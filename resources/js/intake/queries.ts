import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, bodyOf, type Import, type ReadingChange } from '../api/client';
import { DATASETS } from '../api/datasets';
import { know } from '../api/know';

const OPEN_IMPORTS = ['imports'];
const UNFINISHED = ['uploads'];
const POLL_EVERY_MS = 400;

/** Whether an import is on its way by itself; one that waits for a decision is not. */
export function isUnderWay(status: Import['status']): boolean {
    return status === 'queued' || status === 'running';
}

export function useOpenImports() {
    return useQuery({ queryKey: OPEN_IMPORTS, queryFn: async () => bodyOf(await api.GET('/imports')), staleTime: 0 });
}

/** Files that had not come whole when the page was opened. */
export function useUnfinished() {
    return useQuery({ queryKey: UNFINISHED, queryFn: async () => bodyOf(await api.GET('/uploads')), staleTime: Infinity, gcTime: 0 });
}

export function useGiveUp() {
    const queries = useQueryClient();
    return useMutation({
        mutationFn: (upload: number) => api.DELETE('/uploads/{upload}', { params: { path: { upload } } }),
        onSuccess: () => queries.invalidateQueries({ queryKey: UNFINISHED }),
    });
}

/** Follows an import until it has ended; the list of datasets is read again then. */
export function useImport(id: number) {
    const queries = useQueryClient();
    return useQuery({
        queryKey: [...OPEN_IMPORTS, id],
        queryFn: async () => {
            const answer = bodyOf(await api.GET('/imports/{import}', { params: { path: { import: id } } }));
            if (!isUnderWay(answer.status)) {
                void queries.invalidateQueries({ queryKey: DATASETS });
            }
            return answer;
        },
        refetchInterval: ({ state }) => (state.data === undefined || isUnderWay(state.data.status) ? POLL_EVERY_MS : false),
        staleTime: 0,
    });
}

export function useCancelImport() {
    const queries = useQueryClient();
    return useMutation({
        mutationFn: async (id: number) => bodyOf(await api.POST('/imports/{import}/cancel', { params: { path: { import: id } } })),
        onSuccess: (answer) => know(queries, [...OPEN_IMPORTS, answer.id], answer),
    });
}

export function useBeginImport(id: number) {
    const queries = useQueryClient();
    return useMutation({
        mutationFn: async () => bodyOf(await api.POST('/imports/{import}/begin', { params: { path: { import: id } } })),
        onSuccess: (answer) => know(queries, [...OPEN_IMPORTS, answer.id], answer),
    });
}

/** A dataset without rows, to be typed into. */
export function useStartBlank() {
    return useMutation({ mutationFn: async () => bodyOf(await api.POST('/datasets', { body: { title: 'Typed in' } })) });
}

export function useReading(id: number, isWanted: boolean) {
    return useQuery({
        queryKey: ['reading', id],
        queryFn: async () => bodyOf(await api.GET('/imports/{import}/reading', { params: { path: { import: id } } })),
        enabled: isWanted,
        staleTime: Infinity,
    });
}

/** Decisions about how a file is read; the answer shows their effect. */
export function useDecide(id: number) {
    const queries = useQueryClient();
    return useMutation({
        meta: { isSaidInPlace: true },
        // One after the other: what is shown is the effect of all of them.
        scope: { id: `reading ${id}` },
        mutationFn: async (changes: ReadingChange[]) =>
            bodyOf(await api.POST('/imports/{import}/reading', { params: { path: { import: id } }, body: { changes } })),
        onSuccess: (answer) => know(queries, ['reading', id], answer),
    });
}
