import { expect, test } from 'vitest';
import { areTallied, fives } from './fives';

test('a count falls into fives with the rest last', () => {
    expect([0, 3, 5, 12].map(fives)).toEqual([[], [3], [5], [5, 5, 2]]);
});

test('only few and whole counts are drawn as strokes', () => {
    expect([[0, 60], [61], [2.5], []].map(areTallied)).toEqual([true, false, false, false]);
});
