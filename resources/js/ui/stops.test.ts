import { expect, test } from 'vitest';
import { nextStop } from './stops';

// Two rows of two, and a third row of one that stands to the right.
const stops = [
    { x: 0, y: 10 },
    { x: 100, y: 12 },
    { x: 0, y: 40 },
    { x: 100, y: 40 },
    { x: 90, y: 70 },
];

test('left and right go in the order of reading, up and down to what stands nearest in the next row', () => {
    expect(nextStop('ArrowRight', 1, stops, 'table')).toBe(2);
    expect(nextStop('ArrowLeft', 0, stops, 'table')).toBeNull();
    expect(nextStop('ArrowDown', 1, stops, 'table')).toBe(3);
    expect(nextStop('ArrowDown', 2, stops, 'table')).toBe(4);
    expect(nextStop('ArrowUp', 4, stops, 'table')).toBe(3);
    expect(nextStop('ArrowDown', 4, stops, 'table')).toBeNull();
    expect(nextStop('End', 0, stops, 'table')).toBe(4);
    expect(nextStop('x', 0, stops, 'table')).toBeNull();
});

test('in a line up and down are not its keys', () => {
    expect(nextStop('ArrowDown', 0, stops, 'line')).toBeNull();
    expect(nextStop('Home', 3, stops, 'line')).toBe(0);
});
