import { type QueryClient } from '@tanstack/react-query';
import type { Dataset, Rows } from '../api/client';
import { datasetKey } from '../api/datasets';
import { rowsKey } from './queries';

/** Revisions that were made by changes of this page. */
const made = new Map<number, Set<number>>();

export function madeHere(dataset: number, revision: number): void {
    made.set(dataset, (made.get(dataset) ?? new Set()).add(revision));
}

/**
 * The revision a change is made on top of: that of the oldest cells in sight, which may be older than what is known of the
 * dataset. Whoever changed one of them since is then told of, and not written over; changes made here are no others'.
 */
export function revisionSeen(queries: QueryClient, dataset: number): number {
    const windows = queries.getQueriesData<Rows>({ queryKey: rowsKey(dataset), type: 'active' });
    const known = queries.getQueryData<Dataset>(datasetKey(dataset))?.revision ?? 0;
    let seen = Math.min(known, ...windows.flatMap(([, rows]) => rows?.revision ?? []));
    while (made.get(dataset)?.has(seen + 1) === true) {
        ++seen;
    }
    return seen;
}

/** Cells read before the dataset came to this revision are read again, or forgotten where they are out of sight. */
export function leaveBehind(queries: QueryClient, dataset: number, revision: number): void {
    const behind = {
        queryKey: rowsKey(dataset),
        predicate: (query: { state: { data: unknown } }) => ((query.state.data as Rows | undefined)?.revision ?? revision) < revision,
    };
    queries.removeQueries({ ...behind, type: 'inactive' });
    void queries.invalidateQueries(behind);
}
