import type { Variable } from '../api/client';

export const ROW_PX = 26;
export const GUTTER_PX = 72;
export const HEAD_PX = 88;
/** Browsers draw no element taller than some 30 million pixels; a view with more rows scrolls in larger steps. */
const TALLEST_PX = 16_000_000;
const AHEAD = 6;
const ROWS_IN_A_FRAME = 4096;

const narrowest: Record<Variable['type'], number> = { number: 108, category: 132, date: 122, id: 104, text: 190 };
const WIDEST_PX = 220;
const LETTER_PX = 7.4;
const WIDEST_DIGIT_PX = 8.5;
const PADDING_PX = 8;

/** Wide enough for the name with its unit, within reason. */
export function widthOf(variable: Variable | undefined): number {
    if (variable === undefined) {
        return 0;
    }
    const letters = variable.name.length + (variable.type === 'number' ? (variable.unit ?? '').length : variable.type.length) + 1;
    return Math.max(narrowest[variable.type], Math.min(WIDEST_PX, Math.round(letters * LETTER_PX) + 24));
}

/** How many digits a cell has room for, whatever the face. */
export function digitsIn(width: number): number {
    return Math.floor((width - 2 * PADDING_PX) / WIDEST_DIGIT_PX);
}

/** An id in the first column stays in view. */
export function isFrozen(variables: Variable[], column: number): boolean {
    return column === 0 && variables[0]?.type === 'id';
}

/** Where each column begins, and the width of all of them. */
export function columnsOf(variables: Variable[]): { starts: number[]; width: number } {
    const starts: number[] = [];
    let x = GUTTER_PX;
    for (const variable of variables) {
        starts.push(x);
        x += widthOf(variable);
    }
    return { starts, width: x };
}

export interface Viewport {
    top: number;
    left: number;
    height: number;
    width: number;
}

/** How tall the rows are to scroll through. */
export function tallness(rows: number): number {
    return Math.min(rows * ROW_PX, TALLEST_PX);
}

/** Where to scroll to so that a row stands on top. */
export function topOf(row: number, height: number, rows: number): number {
    const { isScaled, most, mostTop } = scrolling(height, rows);
    return isScaled ? (Math.min(row, most) / most) * mostTop : row * ROW_PX;
}

/** In a view with too many rows for the browser, scrolling goes from the first row to the last that can stand on top. */
function scrolling(height: number, rows: number): { isScaled: boolean; most: number; mostTop: number } {
    return {
        isScaled: rows * ROW_PX > TALLEST_PX,
        most: Math.max(1, rows - Math.floor((height - HEAD_PX) / ROW_PX)),
        mostTop: Math.max(1, tallness(rows) + HEAD_PX + ROW_PX - height),
    };
}

/** Which rows and columns are in view, a few more rows ahead; `last` and `lastColumn` are the first ones that are not, and the last that is. */
export function inView(viewport: Viewport, rows: number, variables: Variable[], starts: number[]) {
    const { isScaled, most, mostTop } = scrolling(viewport.height, rows);
    const first = isScaled
        ? Math.round((Math.min(viewport.top, mostTop) / mostTop) * most)
        : Math.max(0, Math.floor(viewport.top / ROW_PX) - AHEAD);
    const size = Math.ceil(viewport.height / ROW_PX) + 2 * AHEAD;
    // Rows stand where they stand beneath one of them, so that scrolling moves their frame and leaves each of them as it is.
    const base = first - (first % ROWS_IN_A_FRAME);
    return {
        first,
        last: Math.min(rows, first + size),
        size,
        base,
        top: (isScaled ? viewport.top : first * ROW_PX) - (first - base) * ROW_PX,
        firstColumn: Math.max(
            0,
            starts.findIndex((x, i) => x + widthOf(variables[i]) > viewport.left),
        ),
        lastColumn: variables.findLastIndex((_, i) => (starts[i] ?? 0) < viewport.left + viewport.width),
    };
}

/**
 * Which element shows which row. A row keeps its element while it is in view, and the elements of rows that leave are those of the
 * rows that come: that is what makes scrolling smooth. Meanwhile no element moves among the others; at rest, with the first row as
 * origin, they are put in the order of the rows, and each still shows what it showed: who presses one presses what they saw.
 */
export function inSlots(
    { first, last, size }: { first: number; last: number; size: number },
    origin: number,
): { slot: number; row: number }[] {
    const order = (row: number) => (((row - origin) % size) + size) % size;
    return Array.from({ length: Math.max(0, last - first) }, (_, i) => ({ slot: (first + i) % size, row: first + i })).sort(
        (a, b) => order(a.row) - order(b.row),
    );
}
