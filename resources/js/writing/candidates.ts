import type { FigureChoices, FigureField, Variable } from '../api/client';

/** A figure that could be set into a sentence, and what it is called. */
export interface Candidate {
    field: FigureField;
    name: string;
    /** Name of the block that it leads to, instead of a figure. */
    reference?: string;
}

export interface Searched {
    variables: Variable[];
    families: FigureChoices['families'];
    /** The words of the basis that figures are set in under. */
    base: string;
    /** The variable that the text is about comes first. */
    first: string | null;
    /** What rows are called. */
    rows: string;
    /** What other blocks are called, by name. */
    references: Map<string, string>;
}

const MOST = 8;

/** Figures whose names have words that begin with all that was typed, in whatever order; of groups only those that are named. */
export function candidates(typed: string, searched: Searched): Candidate[] {
    const tokens = wordsOf(typed);
    const { variables, base, first, rows } = searched;
    const ordered = [...variables].sort((a, b) => Number(b.key === first) - Number(a.key === first));
    const figures = [...percentiles(tokens), ...searched.families.flatMap((family) => family.figures)];
    const labels = ordered
        .filter(({ type }) => type === 'category')
        .flatMap((category) => (category.labels ?? []).map((label) => ({ category, label, words: wordsOf(label) })))
        .filter(({ words }) => tokens.some((token) => begins(words, token)));
    const found: (Candidate & { rank: number })[] = [];
    const add = (rank: number, name: string, field: FigureField) => found.push({ rank, name, field });
    if (tokens.every((token) => begins(wordsOf(`number of ${rows} rows`), token))) {
        add(tokens.length === 0 ? 3 : 0, `Number of ${rows}`, { address: base, figure: 'rows', group: '' });
    }
    ordered.forEach((variable, place) => {
        if (variable.type !== 'number') {
            return;
        }
        const own = wordsOf(`${variable.name} ${variable.unit ?? ''}`);
        figures.forEach((figure, order) => {
            const words = [...wordsOf(`${figure.label} ${figure.key.replaceAll('_', ' ')}`), ...own];
            const rest = tokens.filter((token) => !begins(words, token));
            const rank = place + order / 100 + (tokens.length > 0 && tokens.every((token) => begins(own, token)) ? 0.5 : 0);
            const name = `${figure.label} of ${variable.name}`;
            if (rest.length === 0) {
                add(rank, name, { address: withWords(base, { of: variable.key }), figure: figure.key, group: '' });
            } else if (rest.length < tokens.length) {
                labels
                    .filter(({ words: label }) => rest.every((token) => begins(label, token)))
                    .forEach(({ category, label }) =>
                        add(rank + 0.001, `${name}, ${label}`, {
                            address: withWords(base, { of: variable.key, by: category.key }),
                            figure: figure.key,
                            group: JSON.stringify([label]),
                        }),
                    );
            }
        });
    });
    labels.forEach(({ category, label, words }, order) => {
        for (const [figure, name] of [
            ['label_count', `Count of ${label} in ${category.name}`],
            ['label_share', `Share of ${label} in ${category.name}`],
        ] as const) {
            if (tokens.every((token) => begins([...words, ...wordsOf(`${category.name} count share percent`)], token))) {
                add(order / 100, name, { address: withWords(base, { of: category.key }), figure, group: JSON.stringify([label]) });
            }
        }
    });
    if (tokens.length > 0) {
        for (const [reference, called] of searched.references) {
            if (tokens.every((token) => begins(wordsOf(called), token))) {
                found.push({ rank: 0.5, name: `Leads to ${called}`, field: { address: '', figure: reference, group: '' }, reference });
            }
        }
    }
    return found
        .sort((a, b) => a.rank - b.rank)
        .slice(0, MOST)
        .map(({ field, name, reference }) => (reference === undefined ? { field, name } : { field, name, reference }));
}

/** The words of an address that are about the basis; what is shown, and of what, is left out. */
export function basisOf(address: string): string {
    const said = new URLSearchParams(address);
    const kept = new URLSearchParams();
    for (const name of ['as', 'quartiles', 'edges', 'missing', 'counts', 'where', 'fences', 'level', 'decimals']) {
        const value = said.get(name);
        if (value !== null && value !== '') {
            kept.set(name, value);
        }
    }
    return kept.toString();
}

export function withWords(base: string, words: Record<string, string>): string {
    return new URLSearchParams([...Object.entries(words), ...new URLSearchParams(base)]).toString();
}

/** "90th", "p90": a percentile that was typed. */
function percentiles(tokens: string[]): { key: string; label: string; symbol: string }[] {
    return tokens.flatMap((token) => {
        const percent = /^p?(\d{1,2}(?:\.\d{1,3})?)(?:st|nd|rd|th)?$/.exec(token)?.[1];
        return percent === undefined
            ? []
            : [{ key: `percentile_${Number(percent)}`, label: `Percentile ${Number(percent)} ${token}`, symbol: '' }];
    });
}

function begins(words: string[], token: string): boolean {
    return words.some((word) => word.startsWith(token));
}

/** Without accents and capitals. */
function wordsOf(text: string): string[] {
    return text
        .normalize('NFD')
        .replace(/\p{M}/gu, '')
        .toLowerCase()
        .split(/[^\p{L}\p{N}.]+/u)
        .filter((word) => word !== '');
}
