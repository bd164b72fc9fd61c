import { expect, test } from 'vitest';
import { csv, html, partsForPaper, tsv } from './tables';

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

test('a table that fits on paper stays whole, a wider one is cut between columns with its first column repeated', () => {
    expect(
        partsForPaper([
            ['x', 'Overall'],
            ['Mean', '1.5'],
        ]),
    ).toBeNull();
    const wide = [
        ['Variable', ...Array.from({ length: 20 }, (_, i) => `figure${i}`)],
        ['weight', ...Array.from({ length: 20 }, () => '123.45')],
    ];
    const parts = partsForPaper(wide) ?? [];
    expect(parts.length).toBeGreaterThan(1);
    expect(parts.every(([head]) => head?.[0] === 'Variable')).toBe(true);
    expect(parts.flatMap(([head]) => head?.slice(1))).toEqual(wide[0]?.slice(1));
    expect(parts.flatMap(([, row]) => row?.slice(1))).toEqual(wide[1]?.slice(1));
});
