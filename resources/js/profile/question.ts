import type { QuartileRule, TakenAs, Variable } from '../api/client';

/** What the address asks: the same words as in the API and on the command line. Defaults are left out of it. */
export interface Question {
    /** null: the address does not say, and the first number variable is shown. */
    of: string[] | null;
    by: string | null;
    as: TakenAs;
    quartiles: QuartileRule;
}

export const defaults = { as: 'sample', quartiles: 'halves-excluded' } as const;

export function readQuestion(address: URLSearchParams): Question {
    const of = address.get('of');
    return {
        of: of === null ? null : of.split(',').filter((key) => key !== ''),
        by: address.get('by'),
        // Unknown words are sent on as they are: the server says what it expected.
        as: (address.get('as') ?? defaults.as) as TakenAs,
        quartiles: (address.get('quartiles') ?? defaults.quartiles) as QuartileRule,
    };
}

export function writeQuestion(question: Question): URLSearchParams {
    const address = new URLSearchParams();
    if (question.of !== null) {
        address.set('of', question.of.join(','));
    }
    if (question.by !== null) {
        address.set('by', question.by);
    }
    if (question.as !== defaults.as) {
        address.set('as', question.as);
    }
    if (question.quartiles !== defaults.quartiles) {
        address.set('quartiles', question.quartiles);
    }
    return address;
}

/** The keys shown: those asked for, or the first number variable where the address does not say. */
export function shownKeys(question: Question, variables: Variable[]): string[] {
    if (question.of !== null) {
        return question.of;
    }
    const first = variables.find((variable) => variable.type === 'number') ?? variables[0];
    return first === undefined ? [] : [first.key];
}

/** Ticks or unticks one variable; the others stay, in the order of the rail. */
export function toggled(keys: string[], key: string, variables: Variable[]): string[] {
    const chosen = new Set(keys);
    if (!chosen.delete(key)) {
        chosen.add(key);
    }
    return variables.map((variable) => variable.key).filter((candidate) => chosen.has(candidate));
}
