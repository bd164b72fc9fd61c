import { afterEach, expect, test } from 'vitest';
import {
    changedMarks,
    day,
    machineForm,
    type Marks,
    readCell,
    readDay,
    readTyped,
    shownCellText,
    STANDARD,
    takeMarks,
    typedForm,
    typedList,
    written,
    writtenCount,
    writtenList,
} from './numbers';

const COMMA: Marks = { decimal: 'comma', thousands: 'point', minus: 'hyphen', days: 'day-first-points' };
const BLANKS: Marks = { decimal: 'comma', thousands: 'blank', minus: 'minus', days: 'day-first' };
const SWISS: Marks = { decimal: 'point', thousands: 'apostrophe', minus: 'minus', days: 'month-first' };

afterEach(() => takeMarks(STANDARD));

test('numbers are written with the marks of whoever reads them, and what is no number is left alone', () => {
    expect(['-12345.67', '2026', '0.5', 'n.a.', '1e-7', ''].map((text) => written(text, COMMA))).toEqual([
        '-12.345,67',
        '2026',
        '0,5',
        'n.a.',
        '1e-7',
        '',
    ]);
    expect(written('12345.678', SWISS)).toBe('12’345.678');
    expect(written('-3')).toBe('−3');
    expect([writtenCount(1204), writtenCount(1204, BLANKS), writtenCount(999, COMMA), writtenCount(1234567, SWISS)]).toEqual([
        '1,204',
        '1\u00A0204',
        '999',
        '1’234’567',
    ]);
});

test('a mark stands for one thing', () => {
    const marks = changedMarks({ ...STANDARD, thousands: 'comma' }, { decimal: 'comma' });
    expect(marks).toEqual({ ...STANDARD, decimal: 'comma', thousands: 'counts' });
    expect(changedMarks(marks, { thousands: 'point' })).toEqual({ ...marks, thousands: 'point' });
});

test('what was written is given back as machines write it', () => {
    for (const marks of [COMMA, BLANKS, SWISS]) {
        for (const plain of ['12345.67', '1234567', '0.5', '7']) {
            expect(machineForm(written(plain, marks), marks)).toBe(plain);
        }
    }
    expect(machineForm('28,8 %', COMMA)).toBe('28.8 %');
    expect(machineForm('5,8 to 12,3', COMMA)).toBe('5,8 to 12,3');
});

test.each([
    ['21.5', STANDARD, '21.5'],
    ['21,5', STANDARD, '21.5'],
    ['1.234', STANDARD, '1.234'],
    ['1,234', STANDARD, ['1234', '1.234']],
    ['1,234', COMMA, '1.234'],
    ['1.234', COMMA, '1234'],
    ['1.234', BLANKS, ['1234', '1.234']],
    ['-1.234', BLANKS, ['-1234', '-1.234']],
    ['0.234', BLANKS, '0.234'],
    ['12.5', BLANKS, '12.5'],
    ['1.234,5', STANDARD, '1234.5'],
    ['1,234.5', BLANKS, '1234.5'],
    ['1,234,567', BLANKS, '1234567'],
    ['1 234,567', STANDARD, '1234.567'],
    ["12'345", STANDARD, '12345'],
    ['−3', STANDARD, '-3'],
    ['+4,25', SWISS, '4.25'],
    ['1e3', STANDARD, '1e3'],
    ['1.2.3', STANDARD, null],
    ['many', STANDARD, null],
    ['', STANDARD, null],
] as [string, Marks, string | [string, string] | null][])('%s is read by its marks', (typed, marks, expected) => {
    const read = readTyped(typed, marks);
    expect(read === null ? null : 'plain' in read ? read.plain : read.open).toEqual(expected);
});

test('days are told and read in the order in force', () => {
    expect([day('2026-03-21', COMMA), day('2026-03-21T14:05', BLANKS), day('2026-03-21', SWISS), day('21 March', COMMA)]).toEqual([
        '21.03.2026',
        '21/03/2026 14:05',
        '03/21/2026',
        '21 March',
    ]);
    expect([readDay('3.4.2026', COMMA), readDay('3/4/2026', SWISS), readDay('3/4/2026', STANDARD), readDay('2026-04-03', COMMA)]).toEqual([
        '2026-04-03',
        '2026-03-04',
        '3/4/2026',
        '2026-04-03',
    ]);
});

test('cells and what is copied have the minus of keyboards', () => {
    expect([
        shownCellText('-6.5', 'number'),
        shownCellText('-6.5', 'category'),
        typedForm('-12345.5', { ...COMMA, minus: 'minus' }),
    ]).toEqual(['-6.5', '-6.5', '-12.345,5']);
});

test('a cell is sent as machines write it, and one that is open is not sent', () => {
    takeMarks(BLANKS);
    expect([readCell('7,25', 'number'), readCell('1.234', 'number'), readCell('7,25', 'category'), readCell('21/03/2026', 'date')]).toEqual(
        ['7.25', null, '7,25', '2026-03-21'],
    );
});

test('rows of numbers are typed with semicolons where commas are decimal marks', () => {
    takeMarks(COMMA);
    expect(['2,5; 50; 97,5', '0:2,5', '5, 10, 90', '0,5,10,20', '2,5 97,5'].map(typedList)).toEqual([
        '2.5,50,97.5',
        '0:2.5',
        '5,10,90',
        '0,5,10,20',
        '2.5,97.5',
    ]);
    expect([writtenList('0,2.5,12345'), writtenList('0:2.5')]).toEqual(['0; 2,5; 12.345', '0:2,5']);
});
