import { expect, test } from 'vitest';
import type { Overview } from '../api/client';
import { noScene } from '../api/testVariable';
import { sorted } from './sorting';

const line = (name: string, value: number | null): Overview['lines'][number] => ({
    variable: name,
    name,
    type: 'number',
    unit: null,
    description: null,
    missing: 0,
    micro: noScene,
    values: [[{ value, text: value === null ? null : String(value), reason: null }]],
    labels: null,
    dates: null,
});
const overview = {
    figures: [{ key: 'mean', label: 'Mean', symbol: 'x̄', shown_as: 'unit' }],
    lines: [line('b', 2), line('c', null), line('a', 10)],
} as unknown as Overview;
const names = (lines: Overview['lines']) => lines.map(({ name }) => name).join('');

test('lines are in the order of a figure, those without it behind', () => {
    expect(names(sorted(overview, { by: 'mean', descending: true }))).toBe('abc');
    expect(names(sorted(overview, { by: 'mean', descending: false }))).toBe('bac');
    expect(names(sorted(overview, { by: 'name', descending: false }))).toBe('abc');
    expect(names(sorted(overview, null))).toBe('bca');
});
