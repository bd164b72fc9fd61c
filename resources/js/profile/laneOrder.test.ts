import { expect, test } from 'vitest';
import type { FigureRow } from '../api/client';
import { laneOrder } from './laneOrder';

const rows = [{ key: 'mean', values: [9, 2, null, 7].map((value) => ({ value })) }] as unknown as FigureRow[];

test('groups go by the figure from the largest down, overall stays on top, groups without it are last', () => {
    expect(laneOrder(4, rows, 'mean')).toEqual([0, 3, 1, 2]);
});

test('without a figure that is shown they keep their order', () => {
    expect(laneOrder(4, rows, '')).toEqual([0, 1, 2, 3]);
    expect(laneOrder(4, rows, 'median')).toEqual([0, 1, 2, 3]);
});
