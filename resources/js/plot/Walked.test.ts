import { expect, test } from 'vitest';
import type { Stack } from '../api/client';
import { walk } from './Walked';

const stack = { classes: { labels: ['a', 'b', 'c'] } } as unknown as Stack;

test('the first arrow comes to the first bar, and none leads beyond the ends', () => {
    expect(walk('ArrowRight', null, stack, [0, 2, 1])).toEqual({ lane: 0, place: 0 });
    expect(walk('ArrowRight', { lane: 0, place: 2 }, stack, [0, 2, 1])).toEqual({ lane: 0, place: 2 });
    expect(walk('ArrowLeft', { lane: 0, place: 0 }, stack, [0, 2, 1])).toEqual({ lane: 0, place: 0 });
});

test('up and down follow the lanes as they are ordered', () => {
    expect(walk('ArrowDown', { lane: 0, place: 1 }, stack, [0, 2, 1])).toEqual({ lane: 2, place: 1 });
    expect(walk('ArrowDown', { lane: 1, place: 1 }, stack, [0, 2, 1])).toEqual({ lane: 1, place: 1 });
    expect(walk('ArrowUp', { lane: 2, place: 1 }, stack, [0, 2, 1])).toEqual({ lane: 0, place: 1 });
    expect(walk('Escape', { lane: 2, place: 1 }, stack, [0, 2, 1])).toBeNull();
    expect(walk('x', null, stack, [0])).toBeUndefined();
});
