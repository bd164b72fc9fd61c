import { expect, test } from 'vitest';
import { inRow, rowsFor, spread } from './spread';

test('names that do not touch stay where they are', () => {
    expect(spread([50, 150, 250], [20, 20, 20], 0, 300)).toEqual([50, 150, 250]);
});

test('names that touch stand side by side around the middle of their places', () => {
    expect(spread([100, 100, 100], [20, 20, 20], 0, 300)).toEqual([80, 100, 120]);
    expect(spread([100, 110], [40, 20], 0, 300)).toEqual([90, 120]);
});

test('no name leaves the ends, and none overlaps another', () => {
    const places = spread([0, 2, 4, 299, 300], [30, 30, 30, 30, 30], 0, 300);
    expect(places[0]).toBe(15);
    expect(places[4]).toBe(285);
    for (let i = 1; i < places.length; i++) {
        expect((places[i] ?? 0) - (places[i - 1] ?? 0)).toBeGreaterThanOrEqual(30);
    }
});

test('names that do not fit beside each other take turns in more rows', () => {
    expect(rowsFor([30, 30, 30], 90)).toBe(1);
    expect(rowsFor([30, 30, 30], 89)).toBe(2);
    expect(rowsFor([90, 10, 90, 10], 101)).toBe(3);
    expect(rowsFor(Array<number>(40).fill(100), 10)).toBe(4);
    expect(inRow(['a', 'b', 'c', 'd'], 1, 3)).toEqual(['b']);
});
