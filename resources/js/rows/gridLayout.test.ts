import { expect, test } from 'vitest';
import { testVariable as variable } from '../api/testVariable';
import { columnsOf, GUTTER_PX, HEAD_PX, inSight, isFrozen, ROW_PX, tallness, topOf, widthOf } from './gridLayout';

const many = Array.from({ length: 50 }, (_, i) => variable(`x${i}`, 'number'));
const sight = { top: 0, left: 0, height: 520, width: 1000 };

test('columns stand one behind the other, and a long name is wide within reason', () => {
    expect(columnsOf(many).starts.slice(0, 3)).toEqual([GUTTER_PX, GUTTER_PX + 108, GUTTER_PX + 216]);
    expect(widthOf(variable('a very long name that goes on and on and on', 'number'))).toBe(220);
    expect([isFrozen([variable('tag', 'id')], 0), isFrozen(many, 0)]).toEqual([true, false]);
});

test('only rows and columns in sight exist, with some rows ahead', () => {
    const seen = inSight({ ...sight, top: 100 * ROW_PX, left: 1080 }, 236, many, columnsOf(many).starts);
    expect(seen).toMatchObject({ first: 94, last: 126, top: 94 * ROW_PX });
    expect(seen.firstColumn).toBe(9);
    expect(seen.lastColumn).toBe(18);
});

test('ten million rows can be scrolled to their end', () => {
    const rows = 10_000_000;
    const starts = columnsOf(many).starts;
    const end = inSight({ ...sight, top: tallness(rows) + HEAD_PX + ROW_PX - sight.height }, rows, many, starts);
    expect(end.last).toBe(rows);
    expect(end.first).toBe(rows - 16);
    const middle = inSight({ ...sight, top: topOf(5_000_000, sight.height, rows) }, rows, many, starts);
    expect(middle.first).toBe(5_000_000);
    expect(inSight(sight, rows, many, starts).first).toBe(0);
});
