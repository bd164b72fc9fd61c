import { expect, test } from 'vitest';
import { testVariable as variable } from '../api/testVariable';
import { columnsOf, GUTTER_PX, HEAD_PX, inView, inSlots, isFrozen, ROW_PX, tallness, topOf, widthOf } from './gridLayout';

const many = Array.from({ length: 50 }, (_, i) => variable(`x${i}`, 'number'));
const viewport = { top: 0, left: 0, height: 520, width: 1000 };

test('columns stand one behind the other, and a long name is wide within reason', () => {
    expect(columnsOf(many).starts.slice(0, 3)).toEqual([GUTTER_PX, GUTTER_PX + 108, GUTTER_PX + 216]);
    expect(widthOf(variable('a very long name that goes on and on and on', 'number'))).toBe(220);
    expect([isFrozen([variable('tag', 'id')], 0), isFrozen(many, 0)]).toEqual([true, false]);
});

test('only rows and columns in view exist, with some rows ahead', () => {
    const seen = inView({ ...viewport, top: 100 * ROW_PX, left: 1080 }, 236, many, columnsOf(many).starts);
    expect(seen).toMatchObject({ first: 94, last: 126, base: 0, top: 0 });
    expect(seen.firstColumn).toBe(9);
    expect(seen.lastColumn).toBe(18);
});

test('ten million rows can be scrolled to their end', () => {
    const rows = 10_000_000;
    const starts = columnsOf(many).starts;
    const end = inView({ ...viewport, top: tallness(rows) + HEAD_PX + ROW_PX - viewport.height }, rows, many, starts);
    expect(end.last).toBe(rows);
    expect(end.first).toBe(rows - 16);
    const middle = inView({ ...viewport, top: topOf(5_000_000, viewport.height, rows) }, rows, many, starts);
    expect(middle.first).toBe(5_000_000);
    expect(inView(viewport, rows, many, starts).first).toBe(0);
});

test('a row keeps its element while others come and go, and at rest the elements are put in the order of the rows', () => {
    const at = (first: number) => ({ first, last: Math.min(1000, first + 32), size: 32 });
    const slots = (first: number, origin: number) => inSlots(at(first), origin);
    const of = (first: number, origin: number) => new Map(slots(first, origin).map(({ slot, row }) => [row, slot]));
    const before = of(100, 90);
    const after = of(111, 90);
    expect([...before].filter(([row]) => row >= 111).every(([row, slot]) => after.get(row) === slot)).toBe(true);
    expect(new Set(after.values()).size).toBe(32);
    // No element moves among the others while rows come and go.
    expect(slots(111, 90).map(({ slot }) => slot)).toEqual(slots(100, 90).map(({ slot }) => slot));
    // At rest they move, and show what they showed.
    expect(slots(111, 111).map(({ row }) => row)).toEqual(Array.from({ length: 32 }, (_, i) => 111 + i));
    expect([...of(111, 111)].every(([row, slot]) => after.get(row) === slot)).toBe(true);
    // Near the end there are fewer rows; those that are left stay where they were.
    expect(of(990, 980).get(995)).toBe(of(985, 980).get(995));
    expect(slots(990, 990)).toHaveLength(10);
});

test('rows stand beneath one of them that stays the same for long', () => {
    const starts = columnsOf(many).starts;
    const one = inView({ ...viewport, top: 5000 * ROW_PX }, 100_000, many, starts);
    const two = inView({ ...viewport, top: 5007 * ROW_PX }, 100_000, many, starts);
    expect([one.base, two.base, two.first - one.first]).toEqual([4096, 4096, 7]);
    expect(two.top + (two.first - two.base) * ROW_PX).toBe(two.first * ROW_PX);
});
