import { describe, expect, test } from 'vitest';
import type { ReportDocument } from '../api/client';
import { moved, movedBeside, nameOf, newId, withBlock, withChanged, without, withLine, withTitle } from './document';

const report: ReportDocument = {
    title: 'Hives',
    blocks: ['b0001', 'b0002', 'b0003'].map((id) => ({ id, kind: 'heading', title: id, level: 1 })),
    hidden: [],
};
const ids = (document: ReportDocument) => document.blocks.map(({ id }) => id.at(-1)).join('');

describe('blocks are', () => {
    test('put behind another one, or at the end', () => {
        const block = { id: 'b0009', kind: 'text' } as const;
        expect(ids(withBlock(block, 'b0001')(report))).toBe('1923');
        expect(ids(withBlock(block, null)(report))).toBe('1239');
        expect(ids(withBlock(block, 'b7777')(report))).toBe('1239');
    });

    test('moved by steps, and not past the ends', () => {
        expect(ids(moved('b0001', (from) => from + 1)(report))).toBe('213');
        expect(ids(moved('b0003', (from) => from - 1)(report))).toBe('132');
        expect(ids(moved('b0001', (from) => from - 1)(report))).toBe('123');
        expect(ids(moved('b0003', (from) => from + 5)(report))).toBe('123');
        expect(moved('b7777', (from) => from)(report)).toBe(report);
    });

    test('moved beside another one', () => {
        expect(ids(movedBeside('b0001', 'b0003', true)(report))).toBe('231');
        expect(ids(movedBeside('b0003', 'b0001', false)(report))).toBe('312');
        expect(ids(movedBeside('b0003', 'b0001', true)(report))).toBe('132');
        expect(movedBeside('b0001', 'b7777', true)(report)).toBe(report);
    });

    test('changed and taken out', () => {
        expect(withChanged('b0002', { title: 'X' })(report).blocks.map(({ title }) => title)).toEqual(['b0001', 'X', 'b0003']);
        expect(ids(without('b0002')(report))).toBe('13');
    });
});

test('a line stays out once, and comes back', () => {
    const hidden = withLine('sha256', false)(withLine('sha256', false)(report));
    expect(hidden.hidden).toEqual(['sha256']);
    expect(withLine('sha256', true)(hidden).hidden).toEqual([]);
    expect(withTitle('Bees')(report).title).toBe('Bees');
});

test('a block has a name of its own, and is called by number and title', () => {
    expect(newId()).toMatch(/^b[0-9a-f]{10}$/);
    expect(newId()).not.toBe(newId());
    expect(nameOf({ id: 'b0001', kind: 'picture', title: 'Yield' }, 'Figure 1')).toBe('Figure 1: Yield');
    expect(nameOf({ id: 'b0001', kind: 'text' }, null)).toBe('Text');
});
