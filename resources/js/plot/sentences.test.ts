import { expect, test } from 'vitest';
import type { Stack } from '../api/client';
import { barSentence, stackSentences } from './sentences';

const box = {
    q1: 2,
    median: 3,
    q3: 4,
    whisker_low: 1,
    whisker_high: 5,
    mean: 3,
    n: 9,
    notch: { low: 2, high: 4 },
    five: ['1', '2', '3', '4', '9'].map((text) => ({ at: Number(text), text })),
    outliers: { total: 1, cut: false, marks: [] },
};
const lane = { heights: [4, 5], highest: 5, levels: [], curve: [] };
const stack = {
    classes: { labels: ['0 to under 3', '3 to 9'] },
    lanes: [
        { ...lane, counts: [4, 5], box },
        { ...lane, counts: [2, 2], box: { ...box, outliers: { ...box.outliers, total: 0 } } },
        { ...lane, counts: [0, 0], box: null },
    ],
} as unknown as Stack;

test('each lane is told by its five numbers, its fullest class and its outliers', () => {
    expect(stackSentences(stack, ['Overall', 'a', 'b'], 'Weight (kg)')).toEqual([
        'Weight (kg), Overall: from 1 to 9, half of them between 2 and 4, median 3; most, 5, in 3 to 9; 1 value beyond the fences.',
        'Weight (kg), a: from 1 to 9, half of them between 2 and 4, median 3; most, 2, in 0 to under 3 and in 3 to 9.',
        'Weight (kg), b: no values.',
    ]);
});

test('a bar is told by its lane, its class and its count', () => {
    expect(barSentence(stack, ['Overall', 'a', 'b'], 0, 1)).toBe('Overall, 3 to 9: 5');
});
