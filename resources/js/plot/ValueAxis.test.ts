import { expect, test } from 'vitest';
import { spread } from './LevelLines';
import { labelEvery } from './ValueAxis';

const ticks = [
    { at: 0, text: '0' },
    { at: 10, text: '10' },
    { at: 20, text: '20' },
];

test('every tick is labelled while texts have room', () => {
    expect(labelEvery(ticks, 10)).toBe(1);
});

test('crowded texts leave out as many as it takes', () => {
    expect(labelEvery(ticks, 1)).toBe(3);
    expect(labelEvery([{ at: 5, text: 'alone' }], 1)).toBe(1);
});

test('names of lines that fall together step aside, in order', () => {
    const [first = 0, middle = 0, last = 0] = spread([100, 100, 101], [0, 300]);
    expect(middle - first).toBeGreaterThan(30);
    expect(last - middle).toBeGreaterThan(30);
    expect(middle).toBe(100);
});

test('names of lines far apart stand over their lines', () => {
    expect(spread([50, 150, 250], [0, 300])).toEqual([50, 150, 250]);
});
