import type { Overview } from '../api/client';

export interface Sorting {
    /** `name`, or the key of a figure. */
    by: string;
    descending: boolean;
}

/** The lines in the order of a figure overall, or of their names; lines without that figure stay behind, as they were. */
export function sorted(overview: Overview, sorting: Sorting | null): Overview['lines'] {
    if (sorting === null) {
        return overview.lines;
    }
    const sign = sorting.descending ? -1 : 1;
    if (sorting.by === 'name') {
        return [...overview.lines].sort((a, b) => sign * a.name.localeCompare(b.name));
    }
    const at = overview.figures.findIndex((figure) => figure.key === sorting.by);
    const value = (line: Overview['lines'][number]) => {
        const found = line.values[at]?.[0]?.value;
        return Array.isArray(found) ? (found[0] ?? null) : (found ?? null);
    };
    const [known, unknown] = [overview.lines.filter((line) => value(line) !== null), overview.lines.filter((line) => value(line) === null)];
    return [...known.sort((a, b) => sign * ((value(a) ?? 0) - (value(b) ?? 0))), ...unknown];
}
