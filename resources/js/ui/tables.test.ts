import { expect, test } from 'vitest';
import { csv, html, tsv } from './tables';

const table = [
    ['', 'Overall', '=cmd()'],
    ['a, "b"', '-1.5', '-x'],
    ['<b>', '2\t3', '@y'],
];

test('cells that look like formulas are made harmless, negative numbers are not', () => {
    expect(tsv(table).split('\n')).toEqual(["\tOverall\t'=cmd()", `a, "b"\t-1.5\t'-x`, "<b>\t2 3\t'@y"]);
});

test('cells with commas and quotes are quoted in CSV', () => {
    expect(csv(table).split('\r\n')[1]).toBe(`"a, ""b""",-1.5,'-x`);
});

test('a rich table shows marks as text', () => {
    expect(html(table)).toContain('<tr><th>&lt;b&gt;</th><td>2\t3</td><td>@y</td></tr>');
});
