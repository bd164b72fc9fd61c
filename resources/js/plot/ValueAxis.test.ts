import { expect, test } from 'vitest';
import { labelEvery, roundest } from './ValueAxis';

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

test('boundaries that are not equally far apart are labelled as the nearest two allow', () => {
    const ticks = [0, 1, 50].map((at) => ({ at, text: '100' }));
    expect(labelEvery(ticks, 10)).toBeGreaterThan(1);
});

test('where only some ticks have a label, the roundest have', () => {
    expect(roundest(['7.5', '10', '12.5', '15', '17.5', '20'], 2)).toBe(1);
    expect(roundest(['0', '5', '10'], 1)).toBe(0);
    expect(roundest([], 3)).toBe(0);
});
