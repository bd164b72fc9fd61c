import type { Grouped, ProfileWords, Variable } from '../api/client';

/** The words of the basis and of what is shown, each a text; '' = the address does not say, and the server's default holds. */
export const defaults = {
    as: 'sample',
    quartiles: 'halves-excluded',
    counts: '',
    where: '',
    missing: 'per-variable',
    fences: '1.5',
    edges: 'left',
    level: '0.95',
    decimals: 'data+1',
    figures: '',
    percentiles: '',
    no_entry: 'show',
    order: 'own',
    distinct: 'no',
    classes: '',
    scale: 'count',
    marks: 'quartiles,median',
    curve: 'no',
    lanes: 'common',
    zoom: '',
    limits: '',
    amend: '',
    cumulative: '',
    count_columns: '',
    arrange: 'lanes',
    lane_order: '',
};

export type Words = typeof defaults;

/** What the address asks: the same words as in the API and on the command line. Defaults are left out of it. */
export interface Question extends Words {
    /** None: the overview of all variables. */
    of: string[];
    by: string[];
    /** Which pictures are open beside the stack. */
    plots: string[];
}

const names = Object.keys(defaults) as (keyof Words)[];

function list(words: string | null): string[] {
    return (words ?? '').split(',').filter((key) => key !== '');
}

export function readQuestion(address: URLSearchParams): Question {
    const question: Question = {
        ...defaults,
        of: list(address.get('of')),
        by: list(address.get('by')),
        plots: list(address.get('plots')),
    };
    for (const name of names) {
        // Unknown words are sent on as they are: the server says what it expected.
        question[name] = address.get(name) ?? defaults[name];
    }
    return question;
}

/** Only what is unlike the defaults. */
export function writeQuestion(question: Question): URLSearchParams {
    const address = new URLSearchParams();
    for (const name of ['of', 'by', 'plots'] as const) {
        if (question[name].length > 0) {
            address.set(name, question[name].join(','));
        }
    }
    for (const name of names) {
        if (question[name] !== defaults[name]) {
            address.set(name, question[name]);
        }
    }
    return address;
}

/** What a profile is not asked: it is the page's own, or asked elsewhere. */
const ownWords = { plots: [], limits: '', amend: '', cumulative: '', count_columns: '', arrange: defaults.arrange, lane_order: '' };

/** The same words for the API. */
export function questionWords(question: Question): ProfileWords {
    return Object.fromEntries(writeQuestion({ ...question, ...ownWords }));
}

/** How labels that are classes are taken; only where they are asked for as classes. */
export function classWords(question: Question): {
    limits?: Grouped['limits'];
    amend?: string;
    cumulative?: 'yes' | 'no';
    count_columns?: string;
} {
    return {
        ...(question.limits === '' ? {} : { limits: question.limits as Grouped['limits'] }),
        ...(question.amend === '' ? {} : { amend: question.amend }),
        ...(question.cumulative === 'yes' || question.cumulative === 'no' ? { cumulative: question.cumulative } : {}),
        ...(question.count_columns === '' || question.by.length > 0 ? {} : { count_columns: question.count_columns }),
    };
}

/** Ticks or unticks one variable; the others stay, in the order of the rail. */
export function toggled(keys: string[], key: string, variables: Variable[]): string[] {
    const chosen = new Set(keys);
    if (!chosen.delete(key)) {
        chosen.add(key);
    }
    return variables.map((variable) => variable.key).filter((candidate) => chosen.has(candidate));
}

/** The address of the rows of a condition, which calls an outlier there what it calls one here. */
export function rowsWords(where: string, question: Question): URLSearchParams {
    const words = new URLSearchParams({ where });
    for (const name of ['quartiles', 'fences'] as const) {
        if (question[name] !== defaults[name]) {
            words.set(name, question[name]);
        }
    }
    return words;
}
