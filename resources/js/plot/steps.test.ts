import { expect, test } from 'vitest';
import { roundStep, toStep } from './steps';

test('steps are 1, 2 or 5 times a power of ten', () => {
    expect([0.125, 0.3, 7, 1, 99, 0.00021].map(roundStep)).toEqual([0.1, 0.2, 5, 1, 50, 0.0002]);
});

test('a number goes to its nearest step and is written as a person would', () => {
    expect(toStep(0.30000000000000004, 0.1)).toBe(0.3);
    expect(toStep(-7.26, 0.5)).toBe(-7.5);
    expect(Object.is(toStep(-0.01, 0.5), 0)).toBe(true);
});
