import { expect, test } from 'vitest';
import { pixelOf, valueAt } from './axes';

test('values and pixels are told from each other along an axis in either direction', () => {
    const lying = { id: 'x', stands: false, from: 10, to: 30, start: 100, end: 500 };
    expect([10, 20, 35].map((value) => pixelOf(lying, value))).toEqual([100, 300, 600]);
    expect([100, 300, 600].map((pixel) => valueAt(lying, pixel))).toEqual([10, 20, 35]);
    const standing = { id: 'y', stands: true, from: 0, to: 1, start: 200, end: 0 };
    expect([pixelOf(standing, 0.25), valueAt(standing, 150)]).toEqual([150, 0.25]);
});
