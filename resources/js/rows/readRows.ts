import { api, bodyOf } from '../api/client';
import { viewWords } from './queries';
import type { View } from './view';

/** As many as the server gives at once. */
const PIECE = 1000;

/** Rows of a view whole, whether they were in sight or not: their numbers, and the cells of some variables. */
export async function readRows(dataset: number, view: View, keys: string[], from: number, to: number) {
    const rows: number[] = [];
    const cells: Record<string, string[]> = Object.fromEntries(keys.map((key) => [key, []]));
    for (let at = from; at <= to; at += PIECE) {
        const piece = bodyOf(
            await api.GET('/datasets/{dataset}/rows', {
                params: {
                    path: { dataset },
                    query: { of: keys.join(','), from: at, count: Math.min(PIECE, to - at + 1), ...viewWords(view) },
                },
            }),
        );
        rows.push(...piece.rows);
        for (const key of keys) {
            cells[key]?.push(...(piece.cells[key] ?? []));
        }
    }
    return { rows, cells };
}
