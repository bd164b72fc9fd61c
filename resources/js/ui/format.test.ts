import { expect, test } from 'vitest';
import { asSentence, bytes, count, counted, moment } from './format';

test('counts are grouped in thousands', () => {
    expect(count(1000000)).toBe('1,000,000');
});

test('one is singular, none and many are plural', () => {
    expect([counted(0, 'row'), counted(1, 'row'), counted(2, 'category', 'categories')]).toEqual(['0 rows', '1 row', '2 categories']);
});

test('sizes are in the unit that keeps them below a thousand', () => {
    expect([bytes(0), bytes(999), bytes(1500), bytes(50_000_000)]).toEqual(['0 bytes', '999 bytes', '1.5 kB', '50.0 MB']);
});

test('a moment of today shows the time, another day the date', () => {
    const now = new Date(2026, 10, 24, 18, 0);
    expect(moment(new Date(2026, 10, 24, 9, 5).toISOString(), now)).toBe('today, 09:05');
    expect(moment(new Date(2026, 10, 3, 9, 5).toISOString(), now)).toBe('3 Nov 2026');
});

test('a sentence begins with a capital, a word of another script as it is', () => {
    expect(asSentence('near the line')).toBe('Near the line');
    expect(asSentence('à peu près')).toBe('À peu près');
    expect(asSentence('')).toBe('');
});
