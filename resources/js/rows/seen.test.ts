import { QueryClient } from '@tanstack/react-query';
import { expect, test } from 'vitest';
import { datasetKey } from '../api/datasets';
import { rowsKey } from './queries';
import { leaveBehind, madeHere, revisionSeen } from './seen';

const window = (revision: number) => ({ revision, total: 1, from: 0, rows: [1], cells: { kg: ['7'] }, unread: {} });

/** Pages of rows at these revisions, the dataset known to be at another. */
function pages(known: number, revisions: number[]): QueryClient {
    const queries = new QueryClient();
    queries.setQueryData(datasetKey(5), { revision: known });
    for (const [page, revision] of revisions.entries()) {
        queries.setQueryData([...rowsKey(5), '', '', page, 0, 'kg'], window(revision));
    }
    queries.setQueryData([...rowsKey(6), '', '', 0, 0, 'kg'], window(1));
    return queries;
}

test('what was seen last is the base of a change while nothing is in sight', () => {
    expect(revisionSeen(pages(9, [4]), 5)).toBe(9);
    expect(revisionSeen(new QueryClient(), 5)).toBe(0);
});

test('changes made here are no others’: a change goes on top of them, and of nothing behind one that was made elsewhere', () => {
    const queries = new QueryClient();
    queries.setQueryData(datasetKey(7), { revision: 4 });
    madeHere(7, 5);
    madeHere(7, 6);
    madeHere(7, 8);
    expect(revisionSeen(queries, 7)).toBe(6);
    queries.setQueryData(datasetKey(8), { revision: 4 });
    expect(revisionSeen(queries, 8)).toBe(4);
});

test('cells of an older revision are forgotten, newer ones and those of other datasets stay', () => {
    const queries = pages(9, [8, 9, 10]);
    leaveBehind(queries, 5, 9);
    const left = queries.getQueriesData<{ revision: number }>({ queryKey: rowsKey(5) });
    expect(left.map(([, rows]) => rows?.revision)).toEqual([9, 10]);
    expect(queries.getQueriesData({ queryKey: rowsKey(6) })).toHaveLength(1);
});

test('a page that has not come yet is not one that is behind', () => {
    const queries = pages(9, []);
    void queries.query({ queryKey: [...rowsKey(5), '', '', 0, 0, 'kg'], queryFn: () => new Promise(() => undefined) });
    leaveBehind(queries, 5, 9);
    expect(queries.getQueriesData({ queryKey: rowsKey(5) })).toHaveLength(1);
});
