import type { ClassWords, QuestionWords, Variable } from '../api/client';
import { conventions, wordsOf } from '../api/conventions';

/** Words that say one thing each, as texts; what holds where the address does not say comes from the server. */
export type Words = Record<Exclude<keyof QuestionWords | keyof ClassWords, 'of' | 'by'> | 'arrange' | 'lane_order', string>;

/** What the address asks: the same words as in the API and on the command line. Defaults are left out of it. */
export interface Question extends Words {
    /** None: the overview of all variables. */
    of: string[];
    by: string[];
    /** Which pictures are open beside the stack. */
    plots: string[];
}

const lists = ['of', 'by', 'plots'] as const;
const words = conventions.words.filter(({ name }) => !lists.some((list) => list === name)) as { name: keyof Words; default: string }[];

export const defaults = Object.fromEntries(words.map((word) => [word.name, word.default])) as Words;

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
    for (const { name } of words) {
        // Unknown words are sent on as they are: the server says what it expected.
        question[name] = address.get(name) ?? defaults[name];
    }
    return question;
}

/** Only what is unlike the defaults. */
export function writeQuestion(question: Question): URLSearchParams {
    const address = new URLSearchParams();
    for (const name of lists) {
        if (question[name].length > 0) {
            address.set(name, question[name].join(','));
        }
    }
    for (const { name } of words) {
        if (question[name] !== defaults[name]) {
            address.set(name, question[name]);
        }
    }
    return address;
}

const classNames = ['limits', 'amend', 'cumulative', 'count_columns'] as const satisfies (keyof ClassWords)[];
/** What a profile is not asked: it is the page's own, or asked elsewhere. */
const ownNames = ['plots', 'arrange', 'lane_order', ...classNames];

/** The same words for the API. */
export function questionWords(question: Question): QuestionWords {
    return Object.fromEntries([...writeQuestion(question)].filter(([name]) => !ownNames.some((own) => own === name)));
}

/** How labels that are classes are taken; only where they are asked for as classes. */
export function classWords(question: Question): ClassWords {
    return Object.fromEntries(
        classNames
            .filter((name) => question[name] !== '' && (name !== 'count_columns' || question.by.length === 0))
            .map((name) => [name, question[name]]),
    );
}

/** Into which groups the rows are asked for: as soon as that is another, not only when the answer is there. */
export function groupsAsked({ by, no_entry }: Question): string {
    return `${by.join()} ${no_entry}`;
}

/** What is asked, briefly, for those who have it read: the variables, what splits them, and what is unlike the basis to begin with. */
export function inWords(question: Question, variables: Variable[]): string {
    const names = (keys: string[]) => keys.map((key) => variables.find((variable) => variable.key === key)?.name ?? key).join(', ');
    const unlike = words
        .filter(({ name }) => question[name] !== defaults[name])
        .map(({ name }) => `${name} ${wordsOf(name, question[name])}`);
    return [
        question.of.length === 0 ? 'All variables' : names(question.of),
        question.by.length === 0 ? 'not split' : `split by ${names(question.by)}`,
        ...unlike,
    ].join(', ');
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
    const address = new URLSearchParams({ where });
    for (const name of ['quartiles', 'fences'] as const) {
        if (question[name] !== defaults[name]) {
            address.set(name, question[name]);
        }
    }
    return address;
}
