import { expect, test } from 'vitest';
import { firstRemedies } from './firstRemedies';

const kind = (column: number, what: string, at: number | null, value: unknown) => ({
    column,
    text: 'x',
    count: 1,
    lines: [1],
    remedies: [
        { words: 'first', changes: [{ what, column: at, value }] },
        { words: 'second', changes: [{ what: 'type', column, value: 'category' }] },
    ],
});

test('missing marks of several kinds add up to one decision', () => {
    expect(
        firstRemedies({ unread: [kind(0, 'missing', null, ['n/a']), kind(1, 'missing', null, ['–']), kind(2, 'missing', null, ['n/a'])] }),
    ).toEqual([{ what: 'missing', column: null, value: ['n/a', '–'] }]);
});

test('decisions about different columns stay apart', () => {
    expect(firstRemedies({ unread: [kind(0, 'affixes', 0, ['kg']), kind(1, 'affixes', 1, ['g'])] })).toEqual([
        { what: 'affixes', column: 0, value: ['kg'] },
        { what: 'affixes', column: 1, value: ['g'] },
    ]);
});

test('a kind without a remedy is passed over', () => {
    expect(firstRemedies({ unread: [{ column: 0, text: 'x', count: 1, lines: [1], remedies: [] }] })).toEqual([]);
});
