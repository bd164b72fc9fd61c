import { expect, test } from 'vitest';
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
