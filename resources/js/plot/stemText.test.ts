import { expect, test } from 'vitest';
import type { Stems } from '../api/client';
import { backToBack, keyOf, leafRange, leavesOf, stemText } from './stemText';

const line = (stem: string, digits: string, leaves: [number, number][], depth = 1, median = false) => ({
    stem,
    digits,
    leaves: leaves.map(([digit, count]) => ({ digit, count })),
    count: leaves.reduce((sum, [, count]) => sum + count, 0),
    depth,
    holds_median: median,
});
const column = (lines: ReturnType<typeof line>[], perLeaf = 1): Stems['columns'][number] => ({
    lines,
    low: [],
    high: [],
    per_leaf: perLeaf,
});

test('a display is text with depths, stems and leaves in columns', () => {
    const text = stemText({
        ...column([
            line('-0', '0-9', [[3, 1]]),
            line(
                '1',
                '0-9',
                [
                    [0, 2],
                    [7, 1],
                ],
                3,
                true,
            ),
        ]),
        high: [{ text: '90', count: 2 }],
    });
    expect(text.split('\n')).toEqual(['  1  −0 │ 3', '½ 3   1 │ 007', '', 'high  90 ×2']);
});

test('a leaf stands for several where there are many values', () => {
    expect(
        leavesOf(
            line('1', '0-9', [
                [0, 5],
                [1, 1],
                [2, 6],
            ]),
            3,
        ),
    ).toBe('0022');
});

test('two groups stand back to back, line by line, also where one has none', () => {
    const text = backToBack(
        column([
            line('1', '0-9', [
                [2, 1],
                [5, 1],
            ]),
        ]),
        column([line('0', '0-9', [[9, 1]]), line('1', '0-9', [[1, 1]])]),
        ['Alder', 'Brook'],
    );
    expect(text.split('\n')).toEqual(['Alder │   │ Brook', '      │ 0 │ 9', '   52 │ 1 │ 1']);
});

test('the key says what a leaf is worth', () => {
    const stems = (unit: string, one: ReturnType<typeof line>): Stems => ({
        leaf_unit: unit,
        units: [],
        lines_per_stem: 1,
        columns: [column([one])],
    });
    expect(keyOf(stems('1', line('2', '0-9', [[3, 1]])))).toBe('2 │ 3 is 23');
    expect(keyOf(stems('0.1', line('-2', '0-9', [[3, 1]])))).toBe('−2 │ 3 is −2.3');
    expect(keyOf(stems('0.01', line('0', '0-9', [[3, 1]])))).toBe('0 │ 3 is 0.03');
    expect(keyOf(stems('10', line('1', '0-9', [[4, 1]])))).toBe('1 │ 4 is 140');
});

test('a leaf stands for the values up to the next, cut off towards zero', () => {
    expect(leafRange('4', '7', '0.1')).toEqual({ from: '4.7', to: '4.8', isNegative: false });
    expect(leafRange('0', '9', '0.01')).toEqual({ from: '0.09', to: '0.10', isNegative: false });
    expect(leafRange('12', '9', '10')).toEqual({ from: '1290', to: '1300', isNegative: false });
    expect(leafRange('−0', '3', '1')).toEqual({ from: '-4', to: '-3', isNegative: true });
    expect(leafRange('low', '3', '1')).toBeNull();
});
