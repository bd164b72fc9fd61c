import { expect, test } from 'vitest';
import type { FigureRow } from '../api/client';
import { roomBehind } from './figureCells';
import { tableWidth } from './FigureTable';

const row = (...texts: (string | null)[]): FigureRow => ({
    key: 'mean',
    label: 'Mean',
    symbol: '',
    shown_as: 'unit',
    values: texts.map((text) => ({ value: text === null ? null : 1, text, reason: text === null ? 'needs at least 1 value' : null })),
});

test('a table is as wide as its longest figures ask for', () => {
    const narrow = tableWidth([row('1.0', '2.0')], ['A', 'B']);
    expect(tableWidth([row('1.0', '2.0'), row('123456.000', '2.0')], ['A', 'B'])).toBeGreaterThan(narrow);
    expect(tableWidth([row('1.0', '2.0', '3.0')], ['A', 'B', 'C'])).toBeGreaterThan(narrow);
    expect(tableWidth([row('1.0', null)], ['A', 'B'])).toBeLessThan(narrow);
    expect(tableWidth([], ['A'])).toBeGreaterThan(0);
});

test('decimals that are kept free and long words in the name of a group take room too', () => {
    const narrow = tableWidth([row('2024', '2024')], ['A', 'B']);
    expect(tableWidth([row('2024', '2024'), row('0.91', '0.92')], ['A', 'B'])).toBeGreaterThan(narrow);
    expect(tableWidth([row('2024', '2024')], ['A', 'Coldharbour'])).toBeGreaterThan(narrow);
    expect(tableWidth([row('2024', '2024')], ['A', 'B B B'])).toBe(narrow);
});

test('figures of one unit leave room for decimals that others have, so that points stand below one another', () => {
    const rows = ['12.25', '−9.5', '22', '1.234', '1.5 × 10⁹'].map((text): FigureRow => ({
        ...row(text),
        shown_as: text === '1.234' ? 'ratio' : 'unit',
    }));
    const room = roomBehind(rows);
    expect(rows.map((one) => room(one, one.values[0]?.text ?? null))).toEqual(['', '0', '.00', '', '']);
});
