import createClient from 'openapi-fetch';
import { answered, nameOf, newName } from './once';
import type { components, paths } from './schema.generated';
import { underway } from './underway';

type Schemas = components['schemas'];
export type Basis = Schemas['Basis'];
export type Block = Schemas['Block'];
export type CheckResult = Schemas['CheckResult'];
export type Conventions = Schemas['Conventions'];
export type Dataset = Schemas['Dataset'];
export type DatasetSummary = Schemas['DatasetSummary'];
export type Edition = Schemas['Edition'];
export type EditionFile = Schemas['EditionFile'];
export type FigureChange = Schemas['FigureChange'];
export type FigureChoices = Schemas['FigureChoices'];
export type FigureField = Schemas['FigureField'];
export type FigureRow = Schemas['FigureRow'];
export type Frequencies = Schemas['Frequencies'];
export type Grouped = Schemas['Grouped'];
export type Import = Schemas['Import'];
export type ClassWords = Schemas['ClassWords'];
export type Compared = Schemas['Compared'];
export type CompareWords = Schemas['CompareWords'];
export type DrawnScenes = Schemas['DrawnScenes'];
export type Scene = Schemas['Scene'];
export type SceneMark = Schemas['Mark'];
export type Judged = Schemas['Judged'];
export type LongChange = Schemas['LongChange'];
export type Matches = Schemas['Matches'];
export type NewBlock = Schemas['NewBlock'];
export type OwnWords = Schemas['OwnWords'];
export type Overview = Schemas['Overview'];
export type Profile = Schemas['Profile'];
export type Crosshair = NonNullable<components['schemas']['CrosshairAnswer']['crosshair']>;
/** A question as requests take it. */
export type QuestionWords = Schemas['Question'];
export type QuartileRule = Schemas['QuartileRule'];
export type Reading = Schemas['Reading'];
export type ReadingChange = Schemas['ReadingChange'];
export type ReadingColumn = Schemas['ReadingColumn'];
export type Report = Schemas['Report'];
export type ReportCheck = Schemas['ReportCheck'];
export type ReportDocument = Schemas['ReportDocument'];
export type Rows = Schemas['Rows'];
export type Said = Schemas['Said'];
export type CheckLine = Schemas['CheckLine'];
export type Session = Schemas['Session'];
export type Scope = Schemas['Scope'];
export type NewToken = paths['/account/tokens']['post']['requestBody']['content']['application/json'];
export type Share = Schemas['Share'];
export type Sheet = Schemas['Sheet'];
export type Team = Schemas['Team'];
export type Guide = Schemas['Guide'];
export type Topic = Schemas['Topic'];
export type TeamRole = Team['role'];
export type Variable = Schemas['Variable'];
export type VariableType = Schemas['VariableType'];
export type Working = Schemas['Working'];

/** What the server refused, with its sentence for the person. */
export class Refusal extends Error {
    constructor(
        readonly status: number,
        sentence: string,
        /** Of a formula: the first character it is about, and how many. */
        readonly place: { at: number; length: number } | null = null,
        /** What a refused change was refused for, by the codes of the server. */
        readonly codes: string[] = [],
        /** Variables that have no namesake in another dataset. */
        readonly unmatched: { key: string; name: string }[] = [],
        /** What of a form was refused, by name. */
        readonly fields: string[] = [],
    ) {
        super(sentence);
    }

    /** Whether the same may well be answered another time: the server is away or busy, or somebody has to sign in first. */
    get isPassing(): boolean {
        return this.status === 0 || this.status === 401 || this.status === 419 || this.status === 429 || this.status >= 500;
    }
}

/** Tells of `signed-out`, when the server knows nobody any more, and of `signed-in`, when it does again. */
export const signedIn = new EventTarget();

/** The value of the cookie that proves a request comes from this page. */
export function pageToken(): string {
    const found = /(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie);
    return decodeURIComponent(found?.[1] ?? '');
}

/** Requests under way that have a name, by what they say. */
const named = new WeakMap<Request, string>();

/** What is asked by POST only because it is too long for an address. */
const questions = /\/fields$|\/seen$/;

/** What a request that makes something says; null for others. */
async function wordsOf(request: Request): Promise<string | null> {
    const isMaking =
        request.method === 'POST' &&
        request.headers.get('Content-Type')?.startsWith('application/json') === true &&
        !questions.test(request.url);
    return isMaking ? `${request.url} ${await request.clone().text()}` : null;
}

export const api = createClient<paths>({
    baseUrl: '/api',
    // A question is an object whose words are parameters each.
    querySerializer: { object: { style: 'form', explode: true } },
});

api.use({
    async onRequest({ request }) {
        request.headers.set('Accept', 'application/json');
        request.headers.set('X-XSRF-TOKEN', pageToken());
        if (request.method === 'GET') {
            const name = newName();
            request.headers.set('X-Underway', name);
            underway.asked(request, name);
        }
        const words = request.headers.has('Idempotency-Key') ? null : await wordsOf(request);
        if (words !== null) {
            const name = nameOf(words, Date.now());
            request.headers.set('Idempotency-Key', name);
            named.set(request, words);
        }
        return request;
    },
    async onResponse({ request, response }) {
        underway.ended(request);
        const words = named.get(request);
        if (words !== undefined && response.status < 500) {
            answered(words, Date.now());
        }
        if (!response.ok) {
            if (response.status === 401 || response.status === 419) {
                await tellWhoIsThere();
            }
            throw await refusalOf(response);
        }
        return response;
    },
    onError({ request }) {
        const long = underway.ended(request);
        if (long !== null && request.signal.aborted) {
            // Nobody waits for it any more.
            api.POST('/underway/{underway}/stop', { params: { path: { underway: long } } }).catch(() => null);
        }
        return new Refusal(0, 'The server does not answer. Check that Row Tally is running, then try again.');
    },
});

/** After a session has ended the proof of the page is off too: a new one comes with the question who is there. */
async function tellWhoIsThere(): Promise<void> {
    try {
        const session = (await (await fetch('/api/session', { headers: { Accept: 'application/json' } })).json()) as Schemas['Session'];
        if (session.account === null) {
            signedIn.dispatchEvent(new Event('signed-out'));
        }
    } catch {
        // The server is away: what was asked fails for that.
    }
}

async function refusalOf(response: Response): Promise<Refusal> {
    try {
        const body = (await response.clone().json()) as
            (Partial<Schemas['Refusal']> & { unmatched?: { key: string; name: string }[]; errors?: object }) | null;
        if (typeof body?.message === 'string' && body.message !== '') {
            return new Refusal(
                response.status,
                body.message,
                typeof body.at === 'number' ? { at: body.at, length: body.length ?? 0 } : null,
                body.findings?.map((finding) => finding.code) ?? [],
                body.unmatched ?? [],
                Object.keys(body.errors ?? {}),
            );
        }
    } catch {
        // No JSON: the sentence below serves.
    }
    return new Refusal(
        response.status,
        `The server could not answer (${response.status}). Try again; if it stays so, tell whoever runs this server.`,
    );
}

/** The body of an answer that the client has already found to be good. */
export function bodyOf<Body>(answer: { data?: Body }): Body {
    if (answer.data === undefined) {
        throw new Refusal(0, 'The server sent an empty answer. Try again.');
    }
    return answer.data;
}
