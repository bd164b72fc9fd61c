import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, type Block, bodyOf, type Edition, type EditionFile, Refusal, type Report, type ReportDocument } from '../api/client';
import { know } from '../api/know';
import { saveBlob } from '../ui/copying';
import type { Change } from './document';

/** So often a change is made anew where the report was changed elsewhere meanwhile. */
const TRIES = 4;
const LOOK_EVERY_MS = 350;
const READ_AGAIN_MS = 5000;

export function useReports(dataset: number) {
    return useQuery({
        queryKey: ['reports', dataset],
        queryFn: async ({ signal }) => bodyOf(await api.GET('/datasets/{dataset}/reports', { params: { path: { dataset } }, signal })),
    });
}

/** One report; for whoever only reads it, it follows what others make of it and of its data. */
export function useReport(report: number | null) {
    return useQuery({
        queryKey: ['report', report],
        queryFn: async ({ signal }) => fetchReport(report ?? 0, signal),
        enabled: report !== null,
        refetchInterval: ({ state }) => (state.data?.role === 'reader' ? READ_AGAIN_MS : false),
    });
}

/** As the server last told them: what is changed is changed of that. */
const told = new Map<number, Report>();

async function fetchReport(report: number, signal?: AbortSignal): Promise<Report> {
    const now = bodyOf(await api.GET('/reports/{report}', { params: { path: { report } }, ...(signal === undefined ? {} : { signal }) }));
    told.set(report, now);
    return now;
}

/** What a block shows of the data by now; the last of it stays while the next is on its way. */
export function useShown(report: Report, block: Block, revision: number, isNear: boolean) {
    const number = report.numbers.find((one) => one.block === block.id)?.number ?? null;
    return useQuery({
        queryKey: ['shown', report.id, revision, block, number],
        queryFn: async ({ signal }) =>
            bodyOf(await api.GET('/reports/{report}/blocks/{block}', { params: { path: { report: report.id, block: block.id } }, signal })),
        enabled: isNear,
        placeholderData: keepPreviousData,
        staleTime: Infinity,
    });
}

export function useMethod(report: Report, revision: number) {
    return useQuery({
        queryKey: ['method', report.id, revision, report.version],
        queryFn: async ({ signal }) =>
            bodyOf(await api.GET('/reports/{report}/method', { params: { path: { report: report.id } }, signal })),
        placeholderData: keepPreviousData,
        staleTime: Infinity,
    });
}

export function useFigureChanges(report: Report, revision: number) {
    return useQuery({
        queryKey: ['figure-changes', report.id, revision, report.version],
        queryFn: async ({ signal }) =>
            bodyOf(await api.GET('/reports/{report}/changes', { params: { path: { report: report.id } }, signal })),
        placeholderData: keepPreviousData,
        staleTime: Infinity,
    });
}

/** What in it has come to nothing, and why. */
export function useUnfinished(report: Report, revision: number) {
    return useQuery({
        queryKey: ['unfinished', report.id, revision, report.version],
        queryFn: async ({ signal }) =>
            bodyOf(await api.GET('/reports/{report}/unfinished', { params: { path: { report: report.id } }, signal })),
        placeholderData: keepPreviousData,
        staleTime: Infinity,
    });
}

export function usePages(report: Report, revision: number, size: 'a4' | 'letter') {
    return useQuery({
        queryKey: ['pages', report.id, revision, report.version, size],
        queryFn: async ({ signal }) =>
            bodyOf(await api.GET('/reports/{report}/pages', { params: { path: { report: report.id }, query: { size } }, signal })),
        staleTime: Infinity,
        // A failing program is said at once.
        retry: false,
    });
}

export function useEditions(report: number) {
    return useQuery({
        queryKey: ['editions', report],
        queryFn: async ({ signal }) => bodyOf(await api.GET('/reports/{report}/editions', { params: { path: { report } }, signal })),
    });
}

export function useEditionChanges(edition: number, isWanted: boolean) {
    return useQuery({
        queryKey: ['edition-changes', edition],
        queryFn: async ({ signal }) => bodyOf(await api.GET('/editions/{edition}/changes', { params: { path: { edition } }, signal })),
        enabled: isWanted,
        staleTime: Infinity,
    });
}

/** Changes of a report, one after the other, each made to the version that is there by then. */
export function useReportChanges(report: Report) {
    const queries = useQueryClient();
    const { id, dataset } = report;
    const takeIn = async (now: Report, shown: ReportDocument = now.document) => {
        told.set(id, now);
        await know(queries, ['report', id], { ...now, document: shown });
        void queries.invalidateQueries({ queryKey: ['reports', dataset] });
    };
    const scope = { id: `report-${id}` };
    const edits = ['edit-report', id];
    /** What was asked for behind this change and waits for its turn stays in sight. */
    const withWaiting = (change: Change, document: ReportDocument): ReportDocument =>
        queries
            .getMutationCache()
            .findAll({ mutationKey: edits, status: 'pending' })
            .flatMap(({ state }) => (state.variables === change ? [] : [state.variables as Change]))
            .reduce((changed, waiting) => waiting(changed), document);
    return {
        edit: useMutation({
            mutationKey: edits,
            scope,
            mutationFn: async (change: Change) => {
                let known = told.get(id) ?? report;
                for (let tries = 1; ; tries++) {
                    try {
                        const body = { version: known.version, document: change(known.document) };
                        return bodyOf(await api.PUT('/reports/{report}', { params: { path: { report: id } }, body }));
                    } catch (problem) {
                        if (!(problem instanceof Refusal) || problem.status !== 409 || tries === TRIES) {
                            throw problem;
                        }
                        known = await fetchReport(id);
                    }
                }
            },
            // Seen at once; what the server says takes its place.
            onMutate: async (change) => {
                await queries.cancelQueries({ queryKey: ['report', id] });
                queries.setQueryData<Report>(['report', id], (now) => now && { ...now, document: change(now.document) });
            },
            onSuccess: (now, change) => takeIn(now, withWaiting(change, now.document)),
            onError: () => queries.invalidateQueries({ queryKey: ['report', id] }),
        }),
        step: useMutation({
            scope,
            mutationFn: async (way: 'undo' | 'redo') => {
                const { version } = told.get(id) ?? report;
                return bodyOf(await api.POST(`/reports/{report}/${way}`, { params: { path: { report: id } }, body: { version } }));
            },
            onSuccess: (now) => takeIn(now),
        }),
        mark: useMutation({
            scope,
            mutationFn: async (place: string | null) =>
                bodyOf(await api.PUT('/reports/{report}/place', { params: { path: { report: id } }, body: { place } })),
            onSuccess: (now) => takeIn(now),
        }),
        see: useMutation({
            mutationFn: () => api.POST('/reports/{report}/seen', { params: { path: { report: id } } }),
            onSuccess: () => queries.invalidateQueries({ queryKey: ['figure-changes', id] }),
        }),
        remove: useMutation({
            mutationFn: () => api.DELETE('/reports/{report}', { params: { path: { report: id } } }),
            onSuccess: () => queries.invalidateQueries({ queryKey: ['reports', dataset] }),
        }),
    };
}

export interface Begin {
    title: string;
    plan?: 'dataset' | 'variable' | 'groups' | 'pairs' | 'classes';
    of?: string[];
    by?: string;
}

export function useBegin(dataset: number) {
    const queries = useQueryClient();
    return useMutation({
        mutationFn: async (body: Begin) => bodyOf(await api.POST('/datasets/{dataset}/reports', { params: { path: { dataset } }, body })),
        onSuccess: async (made) => {
            told.set(made.id, made);
            queries.setQueryData(['report', made.id], made);
            await queries.invalidateQueries({ queryKey: ['reports', dataset] });
        },
        meta: { isSaidInPlace: true },
    });
}

export type Form = EditionFile['form'];

/** Makes an edition of the report as it is and one form of it; tells how far that is. */
export function useHandOver(report: Report) {
    const queries = useQueryClient();
    return useMutation({
        mutationFn: async ({ note, rows, ...asked }: FileAsked & { note: string; rows: boolean }) => {
            const edition = bodyOf(
                await api.POST('/reports/{report}/editions', { params: { path: { report: report.id } }, body: { note, rows } }),
            );
            await takeFile(edition, asked);
        },
        onSettled: () => queries.invalidateQueries({ queryKey: ['editions', report.id] }),
        meta: { isSaidInPlace: true },
    });
}

/** One form of an edition that is there. */
export function useFile(edition: Edition) {
    const queries = useQueryClient();
    return useMutation({
        mutationFn: (asked: FileAsked) => takeFile(edition, asked),
        onSettled: () => queries.invalidateQueries({ queryKey: ['editions', edition.report] }),
        meta: { isSaidInPlace: true },
    });
}

export interface FileAsked {
    form: Form;
    size: 'a4' | 'letter';
    onProgress: (file: EditionFile) => void;
    signal: AbortSignal;
}

async function takeFile(edition: Edition, { form, size, onProgress, signal }: FileAsked): Promise<void> {
    const path = { edition: edition.id, form };
    let file = bodyOf(await api.POST('/editions/{edition}/files', { params: { path: { edition: edition.id } }, body: { form, size } }));
    while (file.status === 'waiting' || file.status === 'making') {
        onProgress(file);
        await new Promise((resolve) => setTimeout(resolve, LOOK_EVERY_MS));
        if (signal.aborted) {
            await api.DELETE('/editions/{edition}/files/{form}', { params: { path, query: { size } } });
            return;
        }
        file = bodyOf(await api.GET('/editions/{edition}/files/{form}/status', { params: { path, query: { size } } }));
    }
    if (file.status !== 'ready') {
        throw new Refusal(0, file.error ?? 'It was cancelled.');
    }
    const answer = await api.GET('/editions/{edition}/files/{form}', { params: { path, query: { size } }, parseAs: 'blob' });
    const name = /filename="?([^";]+)"?/.exec(answer.response.headers.get('Content-Disposition') ?? '')?.[1] ?? `report.${form}`;
    saveBlob(answer.data as unknown as Blob, name);
}

export function useLinks(edition: Edition) {
    const queries = useQueryClient();
    const onSuccess = () => queries.invalidateQueries({ queryKey: ['editions', edition.report] });
    return {
        make: useMutation({
            mutationFn: async (body: { passphrase?: string; rows: boolean; expires_at: string | null }) =>
                bodyOf(await api.POST('/editions/{edition}/links', { params: { path: { edition: edition.id } }, body })),
            onSuccess,
            meta: { isSaidInPlace: true },
        }),
        revoke: useMutation({
            mutationFn: (reportLink: number) => api.DELETE('/links/{reportLink}', { params: { path: { reportLink } } }),
            onSuccess,
        }),
    };
}

/** The same report of another dataset; variables without a namesake there have to be named. */
export function useAgain(report: Report) {
    const queries = useQueryClient();
    return useMutation({
        mutationFn: async (body: { dataset: number; names: Record<string, string> }) =>
            bodyOf(await api.POST('/reports/{report}/again', { params: { path: { report: report.id } }, body })),
        onSuccess: (made) => queries.invalidateQueries({ queryKey: ['reports', made.dataset] }),
        meta: { isSaidInPlace: true },
    });
}
