import { keepPreviousData, replaceEqualDeep, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { FIGURES } from '../api/figures';
import { api, bodyOf, type DrawnScenes, type NewBlock, type Scene } from '../api/client';
import type { PictureSource, PictureWords } from '../plot/PictureOut';
import type { ToKeep } from '../ui/keeping';
import { classWords, type Question, questionWords } from './question';

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

/** What the figures of one variable say, or of all the heaviest. */
export function useReadings(dataset: number, revision: number, question: Question, most?: number) {
    const words = questionWords(question);
    const classes = classWords(question);
    return useQuery({
        queryKey: ['readings', dataset, revision, words, classes, most],
        queryFn: async ({ signal }) =>
            bodyOf(
                await api.GET('/datasets/{dataset}/readings', {
                    params: { path: { dataset }, query: { question: words, classWords: classes, ...(most === undefined ? {} : { most }) } },
                    signal,
                }),
            ),
        placeholderData: keepPreviousData,
        staleTime: Infinity,
    });
}

/** Puts what answers a question into the report of a dataset. */
export function useKeeping(dataset: number) {
    const queries = useQueryClient();
    return useMutation({
        mutationFn: async ({ item, place, address }: { item: ToKeep; place: 'profile' | 'compare'; address: string }) =>
            bodyOf(await api.POST('/datasets/{dataset}/kept', { params: { path: { dataset } }, body: blockOf(item, place, address) })),
        onSuccess: ({ report }) =>
            Promise.all([
                queries.invalidateQueries({ queryKey: ['reports', dataset] }),
                queries.invalidateQueries({ queryKey: ['report', report] }),
            ]),
    });
}

function blockOf({ kind, title, of, where, readings, source }: ToKeep, place: 'profile' | 'compare', address: string): NewBlock {
    if (source !== undefined) {
        const { kind: picture, question, words } = source as PictureSource;
        const said = { ...question, ...words.classWords, ...words.compareWords, lane_order: words.lane_order };
        return {
            kind: 'picture',
            title,
            picture,
            place,
            address: new URLSearchParams(
                Object.entries(said).filter((word): word is [string, string] => typeof word[1] === 'string'),
            ).toString(),
            ...(words.look === undefined ? {} : { look: words.look }),
            ...(words.column === undefined ? {} : { column: words.column }),
        };
    }
    const said = new URLSearchParams(address);
    if (of !== undefined) {
        said.set('of', of);
    }
    if (where !== undefined) {
        said.set('where', where);
    }
    // A sentence needs no title above it.
    return {
        kind,
        title: kind === 'readings' ? '' : title,
        place,
        address: said.toString(),
        ...(readings === undefined ? {} : { readings }),
    };
}

/** Which figures there are, and which of them the account likes to see. */
export function useFigureChoices() {
    return useQuery({ queryKey: FIGURES, queryFn: async () => bodyOf(await api.GET('/figures')), staleTime: Infinity });
}
