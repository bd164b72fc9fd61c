import { keepPreviousData, replaceEqualDeep, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, bodyOf, type DrawnScenes, type Scene } from '../api/client';
import type { PictureSource, PictureWords } from '../plot/PictureOut';
import type { ToKeep } from '../ui/keeping';
import { classWords, type Question, questionWords } from './question';

/** The last answer stays on screen while the next is on its way, so nothing jumps when the basis changes. */
export function useProfile(dataset: number, revision: number | undefined, question: Question, chosen: string | null) {
    const words = questionWords(question);
    return useQuery({
        queryKey: ['profile', dataset, revision, words, chosen],
        queryFn: async ({ signal }) =>
            bodyOf(await api.GET('/datasets/{dataset}/profile', { params: { path: { dataset }, query: { question: words } }, signal })),
        enabled: revision !== undefined && chosen !== null && question.of.length > 0,
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

/** While the window is resized a picture is asked for again in steps of so many pixels only. */
const WIDTH_STEP = 8;
const NARROWEST = 160;

/** What a picture is asked for: which, of what, in which room. */
export interface PictureAsked {
    dataset: number;
    question: Question;
    kind: string;
    variable: string;
    words: PictureWords;
    width: number;
}

/** How the server is asked for a picture. */
function sceneQuery({ question, variable, words, width }: PictureAsked) {
    return {
        question: questionWords({ ...question, of: [variable] }),
        ...words,
        width: Math.max(NARROWEST, Math.floor(width / WIDTH_STEP) * WIDTH_STEP),
    };
}

/** The same for what leaves the page; of a group where each has its own. */
export function pictureSource({ dataset, kind, question, variable, words, width }: PictureAsked, column: number | null): PictureSource {
    return {
        dataset,
        kind,
        question: questionWords({ ...question, of: [variable] }),
        words: { ...words, ...(column === null ? {} : { column }) },
        width: Math.max(NARROWEST, Math.floor(width)),
    };
}

async function scenesOf(asked: PictureAsked, query: ReturnType<typeof sceneQuery>, signal: AbortSignal | null): Promise<DrawnScenes> {
    const path = { dataset: asked.dataset, kind: asked.kind };
    return bodyOf(await api.GET('/datasets/{dataset}/plots/{kind}', { params: { path, query }, signal })) as DrawnScenes;
}

/** A picture laid out for this width, or one for each group. */
export function useScenes(asked: PictureAsked, revision: number) {
    const query = sceneQuery(asked);
    return useQuery({
        queryKey: ['scenes', asked.kind, asked.dataset, revision, query],
        queryFn: async ({ signal }) => ({ ...(await scenesOf(asked, query, signal)), width: query.width }),
        enabled: asked.width > 0,
        placeholderData: keepPreviousData,
        staleTime: Infinity,
    });
}

/** The same picture over other classes, while they are tried; what is as it was in the one before is not painted again. */
export function triedScene(asked: PictureAsked): (classes: string) => Promise<Scene> {
    let before: Scene | undefined;
    return async (classes) => {
        const tried = { ...asked, question: { ...asked.question, classes } };
        const scene = (await scenesOf(tried, sceneQuery(tried), null)).scenes[0]?.scene ?? null;
        if (scene === null) {
            throw new Error('There is no value to draw.');
        }
        before = replaceEqualDeep<Scene>(before, scene);
        return before;
    };
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

const LABELS_SHOWN = 4;

/** What the rows that a condition leaves are called by a variable that names them, or their numbers: the first few. */
export async function rowLabels(dataset: number, id: string | undefined, where: string): Promise<string> {
    const rows = bodyOf(
        await api.GET('/datasets/{dataset}/rows', {
            params: { path: { dataset }, query: { ...(id === undefined ? {} : { of: id }), where, from: 0, count: LABELS_SHOWN } },
        }),
    );
    const labels = id === undefined ? rows.rows.map((row) => `row ${row}`) : (rows.cells[id] ?? []);
    return `${labels.join(', ')}${rows.total > LABELS_SHOWN ? ' …' : ''}`;
}

/** Holds pictures and tables of a dataset for its report. */
export function useKeeping(dataset: number) {
    const queries = useQueryClient();
    return useMutation({
        mutationFn: async ({ item, ...about }: { item: ToKeep; address: string; revision: number }) => {
            if ('cells' in item) {
                const body = { ...about, title: item.title, content: JSON.stringify(item.cells), is_of_classes: item.isOfClasses ?? false };
                return bodyOf(await api.POST('/datasets/{dataset}/kept', { params: { path: { dataset } }, body }));
            }
            const { kind, question, words } = item.picture as PictureSource;
            return bodyOf(
                await api.POST('/datasets/{dataset}/plots/{kind}', {
                    params: { path: { dataset, kind }, query: { question, ...words } },
                    body: { title: item.title, address: about.address },
                }),
            );
        },
        onSuccess: () => queries.invalidateQueries({ queryKey: ['kept', dataset] }),
    });
}

const figures = ['figures'];

export function useFigureChoices() {
    return useQuery({ queryKey: figures, queryFn: async () => bodyOf(await api.GET('/figures')), staleTime: Infinity });
}

/** What an account likes to see; each change is remembered at once. */
export function useFigureChanges() {
    const queries = useQueryClient();
    const onSuccess = () => queries.invalidateQueries({ queryKey: figures });
    return {
        choose: useMutation({ mutationFn: (keys: string[]) => api.PUT('/figures/chosen', { body: { figures: keys } }), onSuccess }),
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
