import type { CompareWords, Dataset, Variable } from '../api/client';

/** What is put against what, as the address says it. */
export interface Comparing {
    what: Exclude<CompareWords['what'], undefined>;
    /** Names of groups, the one that the others are compared with first; none: the first two. */
    groups: string[];
    good: Exclude<CompareWords['good'], undefined>;
    other: string;
    other_of: string;
    factor: string;
    turned: Exclude<CompareWords['turned'], undefined>;
}

const texts = ['what', 'good', 'other', 'other_of', 'factor', 'turned'] as const;

export function readComparing(address: URLSearchParams): Comparing {
    const word = (name: string) => address.get(name) ?? '';
    // Unknown words are sent on as they are: the server says what it expected.
    return {
        what: word('what') as Comparing['what'],
        groups: readGroups(word('groups')),
        good: word('good') as Comparing['good'],
        other: word('other'),
        other_of: word('other_of'),
        factor: word('factor'),
        turned: word('turned') as Comparing['turned'],
    };
}

function readGroups(text: string): string[] {
    try {
        const names: unknown = JSON.parse(text === '' ? '[]' : text);
        return Array.isArray(names) ? names.filter((name) => typeof name === 'string') : [];
    } catch {
        return [];
    }
}

/** The same for the API and for the address: only what is said. */
export function compareWords(comparing: Comparing): CompareWords {
    return {
        ...Object.fromEntries(texts.filter((name) => comparing[name] !== '').map((name) => [name, comparing[name]])),
        ...(comparing.groups.length === 0 ? {} : { groups: JSON.stringify(comparing.groups) }),
    };
}

/** What somebody who comes without a question probably wants compared; null where there is nothing to compare. */
export function firstComparison({ variables }: Dataset): { what: Comparing['what']; of: string[]; by: string[] } | null {
    const numbers = variables.filter(({ type }) => type === 'number');
    const category =
        variables.find(({ type, labels }) => type === 'category' && (labels?.length ?? 0) > 1) ??
        variables.find(({ type }) => type === 'category');
    const number = numbers.find(isMeasured) ?? numbers[0];
    if (number === undefined) {
        return null;
    }
    if (category !== undefined) {
        return { what: 'groups', of: [number.key], by: [category.key] };
    }
    const second = numbers.find(({ key }) => key !== number.key);
    return second === undefined ? null : { what: 'variables', of: [number.key, second.key], by: [] };
}

/** Has a unit: years and grades are compared less often. */
function isMeasured({ unit }: Variable): boolean {
    return unit !== null;
}
