import { expect, test } from 'vitest';
import { type Mark, step } from './walking';

const mark = (lane: number): Mark => ({ lane, words: '', x: 0, y: 0, width: 1, height: 1 });
/** Three marks in lane 0, three in lane 2, one in lane 1. */
const marks = [0, 0, 0, 2, 2, 2, 1].map(mark);

test('the first arrow comes to the first mark, and none leads beyond the ends of a lane', () => {
    expect(step('ArrowRight', null, marks)).toBe(0);
    expect(step('ArrowRight', 2, marks)).toBe(2);
    expect(step('ArrowLeft', 3, marks)).toBe(3);
    expect([step('Home', 4, marks), step('End', 4, marks), step('End', null, marks)]).toEqual([3, 5, 6]);
});

test('up and down follow the lanes as they are ordered, to the same place or the last', () => {
    expect(step('ArrowDown', 1, marks)).toBe(4);
    expect(step('ArrowDown', 5, marks)).toBe(6);
    expect(step('ArrowDown', 6, marks)).toBe(6);
    expect(step('ArrowUp', 4, marks)).toBe(1);
    expect(step('ArrowUp', 1, marks)).toBe(1);
});

test('other keys are left alone, and so is a picture without marks', () => {
    expect(step('Escape', 2, marks)).toBeNull();
    expect(step('x', 2, marks)).toBeUndefined();
    expect(step('ArrowRight', null, [])).toBeUndefined();
});
