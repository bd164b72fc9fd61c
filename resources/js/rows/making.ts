import type { Dataset, Variable } from '../api/client';
import type { ChangeWords } from './changes';

/** What every way of making a variable is given. */
export interface Parts {
    dataset: Dataset;
    onChange: (change: ChangeWords) => Promise<boolean>;
    isBusy: boolean;
}

/** The number variables, to choose from. */
export function numberChoices(dataset: Dataset) {
    return dataset.variables.filter(({ type }) => type === 'number').map(({ key, name }) => ({ value: key, words: name }));
}

const LATER = new Set(['after', 'later', 'end', 'final', 'last', 'post', 'new', 'follow', 'followup']);
const EARLIER = new Set(['before', 'earlier', 'start', 'initial', 'first', 'pre', 'old', 'baseline']);

/**
 * Two variables that are the same thing measured twice: of one unit, with names that have a word in common, or say before and after.
 * The later is the one whose name says so, or has the larger number, or stands behind the other in the table. Null where there are none.
 */
export function beforeAndAfter(numbers: Pick<Variable, 'key' | 'name' | 'unit'>[]): { earlier: string; later: string } | null {
    const found = numbers
        .flatMap((a, i) => numbers.slice(i + 1).map((b) => ({ a, b })))
        .filter(({ a, b }) => a.unit === b.unit)
        .map(({ a, b }) => ({ a: { key: a.key, words: words(a.name) }, b: { key: b.key, words: words(b.name) } }))
        .map((pair) => ({ ...pair, unlike: unlikeness(pair.a.words, pair.b.words) }))
        .filter(({ unlike }) => unlike !== null)
        .sort((one, other) => (one.unlike ?? 0) - (other.unlike ?? 0))[0];
    if (found === undefined) {
        return null;
    }
    const { a, b } = found;
    const isTurned = place(a.words, b.words) > place(b.words, a.words);
    return isTurned ? { earlier: b.key, later: a.key } : { earlier: a.key, later: b.key };
}

function words(name: string): string[] {
    return name.toLowerCase().match(/\p{L}+|\d+/gu) ?? [];
}

/** In how many words two names differ; null where they have no word of three letters in common, and are not such as before and after. */
function unlikeness(a: string[], b: string[]): number | null {
    const common = a.filter((word) => b.includes(word));
    const areEnds = Math.abs(place(a, b)) === Infinity && place(a, b) === -place(b, a);
    return areEnds || common.some((word) => word.length > 2 && !/^\d/.test(word)) ? a.length + b.length - 2 * common.length : null;
}

/** How late one of two is by what its name has and the other's has not. */
function place(own: string[], others: string[]): number {
    const only = own.filter((word) => !others.includes(word));
    const number = only.find((word) => /^\d+$/.test(word));
    return only.some((word) => LATER.has(word)) ? Infinity : only.some((word) => EARLIER.has(word)) ? -Infinity : Number(number ?? 0);
}
