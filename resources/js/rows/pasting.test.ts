import { expect, test } from 'vitest';
import { testVariable as variable } from '../api/testVariable';
import { cellsOfText, placed, textOfCells } from './pasting';

const variables = ['tag', 'before', 'after'].map((key) => variable(key, 'number'));
const room = { variables, total: 4, canAdd: true };

test('lines go into the rows that are there, and what is left over becomes new rows', () => {
    expect(
        placed(
            [
                ['1', '2'],
                ['3', ''],
            ],
            { row: 3, column: 1 },
            room,
        ),
    ).toEqual({
        edits: [
            [
                { variable: 'before', text: '1' },
                { variable: 'after', text: '2' },
            ],
        ],
        added: [{ before: '3', after: '' }],
    });
    // The row to type in stands behind all others.
    expect(placed([['9']], { row: 4, column: 0 }, room)).toEqual({ edits: [], added: [{ tag: '9' }] });
});

test('a line may be shorter than the widest', () => {
    expect(placed([['1', '2'], ['3']], { row: 0, column: 0 }, room)).toMatchObject({ edits: [{ length: 2 }, { length: 1 }], added: [] });
});

test('what has no place is said, and nothing of it is taken', () => {
    expect(placed([['1', '2']], { row: 0, column: 2 }, room)).toContain('2 columns wide, and from the cursor on there is 1 variable.');
    expect(placed([['1'], ['2'], ['3']], { row: 2, column: 0 }, { ...room, canAdd: false })).toContain(
        '3 rows, and from the cursor on this view has 2 rows.',
    );
    const long = Array.from({ length: 10_005 }, () => ['1']);
    expect(placed(long, { row: 0, column: 0 }, room)).toContain('10,005 rows of 1 cell. At most 10,000 rows can be added');
    expect(placed(long.slice(1), { row: 0, column: 0 }, room)).toMatchObject({ added: { length: 10_000 } });
    expect(placed([['1'], ['2']], { row: 2, column: 0 }, { ...room, canAdd: false })).toMatchObject({ added: [] });
});

test('copied text is cut into rows and cells, and a line break at its end makes no row', () => {
    expect(cellsOfText('1\t2\r\n3\t\r\n')).toEqual([
        ['1', '2'],
        ['3', ''],
    ]);
    expect(cellsOfText('')).toEqual([['']]);
});

test('a cell with a line break or a tab in it stays one cell, and quotation marks in a text stay where they are', () => {
    expect(cellsOfText('a\t"two\nlines, ""so"""\tb\n"tab\there"')).toEqual([['a', 'two\nlines, "so"', 'b'], ['tab\there']]);
    expect(cellsOfText('"plain"\t"open\t5" pipe')).toEqual([['"plain"', '"open', '5" pipe']]);
});

test('what is copied is what is pasted', () => {
    const rows = [
        ['', '1.5', 'a\tb'],
        ['"', '""', '"a""b"'],
        ['line\nbreak', '"open\nquote', 'it\'s "so"'],
        ['שלום', '', ''],
    ];
    expect(cellsOfText(textOfCells(rows))).toEqual(rows);
});
