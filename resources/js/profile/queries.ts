import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, bodyOf } from '../api/client';
import { FIGURES } from '../api/figures';
import { takeAnswered } from '../api/started';
import { classWords, type Question, questionWords } from '../asking/question';

/** The last answer stays on screen while the next is on its way, so nothing jumps when the basis changes. */
export function useProfile(dataset: number, revision: number | undefined, question: Question, chosen: string | null) {
    const words = questionWords(question);
    return useQuery({
        queryKey: ['profile', dataset, revision, words, chosen],
        queryFn: async ({ signal }) =>
            bodyOf(await api.GET('/datasets/{dataset}/profile', { params: { path: { dataset }, query: { question: words } }, signal })),
        enabled: revision !== undefined && chosen !== null && question.of.length > 0,
        initialData: () => {
            const answer = question.of.length > 0 ? takeAnswered(revision, words) : undefined;
            return answer !== undefined && 'sheets' in answer ? answer : undefined;
        },
        placeholderData: keepPreviousData,
        staleTime: Infinity,
    });
}

/** A line for each variable. */
export function useOverview(dataset: number, revision: number | undefined, question: Question, chosen: string | null) {
    const words = questionWords(question);
    return useQuery({
        queryKey: ['overview', dataset, revision, words, chosen],
        queryFn: async ({ signal }) =>
            bodyOf(await api.GET('/datasets/{dataset}/overview', { params: { path: { dataset }, query: { question: words } }, signal })),
        enabled: revision !== undefined && chosen !== null && question.of.length === 0,
        initialData: () => {
            const answer = question.of.length === 0 ? takeAnswered(revision, words) : undefined;
            return answer !== undefined && 'lines' in answer ? answer : undefined;
        },
        placeholderData: keepPreviousData,
        staleTime: Infinity,
    });
}

/** One figure of one variable, overall or in a group. */
export interface Place {
    variable: string;
    figure: string;
    /** 0 = overall, then the groups as they are shown. */
    column: number;
}

export function useWorking(dataset: number, revision: number | undefined, question: Question, place: Place) {
    const words = questionWords({ ...question, of: [place.variable] });
    return useQuery({
        queryKey: ['working', dataset, revision, words, place],
        queryFn: async ({ signal }) =>
            bodyOf(
                await api.GET('/datasets/{dataset}/working', {
                    params: { path: { dataset }, query: { question: words, figure: place.figure, column: place.column } },
                    signal,
                }),
            ),
        enabled: revision !== undefined,
        placeholderData: keepPreviousData,
        staleTime: Infinity,
    });
}

/** A figure that somebody was given; '' asks nothing. */
export function useMatches(dataset: number, revision: number, question: Question, variable: string, stated: string) {
    const words = questionWords({ ...question, of: [variable] });
    return useQuery({
        queryKey: ['matches', dataset, revision, words, stated],
        queryFn: async ({ signal }) =>
            bodyOf(
                await api.GET('/datasets/{dataset}/matches', { params: { path: { dataset }, query: { question: words, stated } }, signal }),
            ),
        enabled: stated !== '',
        staleTime: Infinity,
    });
}

/** A value among the others; '' asks nothing. */
export function useStanding(dataset: number, revision: number, question: Question, variable: string, value: string) {
    const words = questionWords({ ...question, of: [variable] });
    return useQuery({
        queryKey: ['standing', dataset, revision, words, value],
        queryFn: async ({ signal }) =>
            bodyOf(
                await api.GET('/datasets/{dataset}/standing', { params: { path: { dataset }, query: { question: words, value } }, signal }),
            ),
        enabled: value !== '',
        staleTime: Infinity,
    });
}

/** The classes that the labels of a category are, under the counts of the basis. */
export function useClasses(dataset: number, revision: number, question: Question, variable: string) {
    const words = questionWords({ ...question, of: [variable] });
    const classes = classWords(question);
    return useQuery({
        queryKey: ['classes', dataset, revision, words, classes],
        queryFn: async ({ signal }) =>
            bodyOf(
                await api.GET('/datasets/{dataset}/classes', {
                    params: { path: { dataset }, query: { question: words, classWords: classes } },
                    signal,
                }),
            ),
        placeholderData: keepPreviousData,
        staleTime: Infinity,
    });
}

/** What the crosshair over the stack says; asked for when the pointer first comes. */
export function useCrosshair(dataset: number, revision: number, question: Question, variable: string, isNear: boolean) {
    const words = questionWords({ ...question, of: [variable] });
    return useQuery({
        queryKey: ['crosshair', dataset, revision, words],
        queryFn: async ({ signal }) =>
            bodyOf(
                await api.GET('/datasets/{dataset}/plots/crosshair', { params: { path: { dataset }, query: { question: words } }, signal }),
            ),
        enabled: isNear,
        staleTime: Infinity,
    });
}

/** What lies between two values, overall; null asks nothing. */
export function useRange(
    dataset: number,
    revision: number,
    question: Question,
    variable: string,
    range: { from: string; to: string } | null,
) {
    const words = questionWords({ ...question, of: [variable] });
    return useQuery({
        queryKey: ['range', dataset, revision, words, range],
        queryFn: async ({ signal }) =>
            bodyOf(
                await api.GET('/datasets/{dataset}/plots/range', {
                    params: { path: { dataset }, query: { question: words, from: range?.from ?? '', to: range?.to ?? '' } },
                    signal,
                }),
            ),
        enabled: range !== null,
        staleTime: Infinity,
    });
}

/** Whether a figure lies near a stated one; null asks nothing. */
export function useComparison(
    dataset: number,
    revision: number,
    question: Question,
    variable: string,
    asked: { figure: string; stated: string; tolerance: string } | null,
) {
    const words = questionWords({ ...question, of: [variable] });
    const classes = classWords(question);
    return useQuery({
        queryKey: ['comparison', dataset, revision, words, classes, asked],
        queryFn: async ({ signal }) =>
            bodyOf(
                await api.GET('/datasets/{dataset}/comparison', {
                    params: { path: { dataset }, query: { question: words, classWords: classes, figure: '', stated: '', ...asked } },
                    signal,
                }),
            ),
        enabled: asked !== null,
        staleTime: Infinity,
    });
}

/** What somebody needs who judges a variable. */
export function useJudged(dataset: number, revision: number, question: Question, variable: string, isOpen: boolean) {
    const words = questionWords({ ...question, of: [variable] });
    return useQuery({
        queryKey: ['judged', dataset, revision, words],
        queryFn: async ({ signal }) =>
            bodyOf(await api.GET('/datasets/{dataset}/judged', { params: { path: { dataset }, query: { question: words } }, signal })),
        enabled: isOpen,
        placeholderData: keepPreviousData,
        staleTime: Infinity,
    });
}

/** What becomes of a far row: somebody has looked at it and it stays, or it is set aside, or comes back. */
export function useFarRow(dataset: number, revision: number, variable: string) {
    const queries = useQueryClient();
    return {
        stays: useMutation({
            mutationFn: async ({ row, stays }: { row: number; stays: boolean }) =>
                bodyOf(
                    await api.POST('/datasets/{dataset}/check', {
                        params: { path: { dataset } },
                        body: { variable, code: `far-row:${row}`, looked_at: stays },
                    }),
                ),
            onSuccess: () => queries.invalidateQueries({ queryKey: ['judged', dataset] }),
        }),
        setAside: useMutation({
            mutationFn: async ({ row, reason }: { row: number; reason: string }) =>
                bodyOf(
                    await api.POST('/datasets/{dataset}/changes', {
                        params: { path: { dataset } },
                        body: { revision, kind: 'set-aside', rows: [row], reason },
                    }),
                ),
            // Everything of the dataset is asked for at its new revision.
            onSuccess: () =>
                Promise.all(['dataset', 'rows', 'changes'].map((key) => queries.invalidateQueries({ queryKey: [key, dataset] }))),
        }),
    };
}

/** What an account likes to see; each change is remembered at once. */
export function useFigureChanges() {
    const queries = useQueryClient();
    const onSuccess = () => queries.invalidateQueries({ queryKey: FIGURES });
    return {
        choose: useMutation({
            // One after the other: the last choice is the one that stays.
            scope: { id: 'chosen-figures' },
            mutationFn: (keys: string[]) => api.PUT('/figures/chosen', { body: { figures: keys } }),
            onSuccess,
        }),
        keep: useMutation({
            mutationFn: (set: { name: string; figures: string[] }) => api.POST('/figures/sets', { body: set }),
            meta: { isSaidInPlace: true },
            onSuccess,
        }),
        forget: useMutation({
            mutationFn: (figureSet: number) => api.DELETE('/figures/sets/{figureSet}', { params: { path: { figureSet } } }),
            onSuccess,
        }),
    };
}
