import type { Variable } from '../api/client';
import { count, counted } from '../ui/format';
import { readCell, readTyped } from '../ui/numbers';

/** A cell in quotation marks as spreadsheets write one that holds a tab, a line break or such marks itself; or any other cell. */
const CELL = /(?:"((?:[^"]|"")*)"(?=[\t\n]|$)|([^\t\n]*))([\t\n]|$)/gy;

/** Rows and columns out of copied text: tabs between cells, lines between rows. */
export function cellsOfText(text: string): string[][] {
    const rows: string[][] = [[]];
    for (const [whole, quoted, plain, end] of text.replace(/\r\n?/g, '\n').replace(/\n$/, '').matchAll(CELL)) {
        const isWrapped = quoted !== undefined && /[\t\n]|""/.test(quoted);
        const cell = isWrapped ? quoted.replaceAll('""', '"') : (plain ?? whole.slice(0, whole.length - (end?.length ?? 0)));
        rows[rows.length - 1]?.push(cell);
        if (end === '\n') {
            rows.push([]);
        }
        if (end === '') {
            break;
        }
    }
    return rows;
}

/** Rows and columns as text that `cellsOfText` gives back. */
export function textOfCells(rows: string[][]): string {
    const wrapped = (cell: string) => (/[\t\r\n]|^".*"$/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell);
    return rows.map((cells) => cells.map(wrapped).join('\t')).join('\n');
}

/** As the server has it. */
const MOST_ADDED = 10_000;
const MOST_CHANGED = 100_000;

interface Edit {
    variable: string;
    text: string;
}

/** What pasted lines change: rows that are there, in the order of the view, and rows that are added behind them. */
export interface Pasted {
    edits: Edit[][];
    added: Record<string, string>[];
}

/** Where the lines of a pasted text go from the cursor on; a sentence where some of them have no place, for then none is taken. */
export function placed(
    lines: string[][],
    at: { row: number; column: number },
    { variables, total, canAdd }: { variables: Variable[]; total: number; canAdd: boolean },
): Pasted | string {
    const width = Math.max(0, ...lines.map((line) => line.length));
    const columns = variables.slice(at.column, at.column + width);
    if (width > columns.length) {
        return `The pasted text is ${counted(width, 'column')} wide, and from the cursor on there ${columns.length === 1 ? 'is' : 'are'} ${counted(columns.length, 'variable')}. Put the cursor further left, or make the variables first. Nothing was changed.`;
    }
    const there = Math.max(0, Math.min(lines.length, total - at.row));
    if (lines.length > there && !canAdd) {
        return `The pasted text has ${counted(lines.length, 'row')}, and from the cursor on this view has ${counted(there, 'row')}. Rows are added where all rows are shown as they were entered. Nothing was changed.`;
    }
    if (lines.length - there > MOST_ADDED || there * width > MOST_CHANGED) {
        return `The pasted text has ${counted(lines.length, 'row')} of ${counted(width, 'cell')}. At most ${count(MOST_ADDED)} rows can be added and ${count(MOST_CHANGED)} cells changed at once: paste it in parts, or bring it in as a dataset of its own. Nothing was changed.`;
    }
    const cells = lines.map((line) => line.map((text, i) => ({ variable: columns[i]?.key ?? '', text })));
    return {
        edits: cells.slice(0, there),
        added: cells.slice(there).map((line) => Object.fromEntries(line.map(({ variable, text }) => [variable, text]))),
    };
}

/** What is pasted, with its numbers and days as they are sent; null where one can be read in two ways and nobody has said which. */
export interface ReadPaste {
    pasted: Pasted | null;
    /** The first such number, and what it could be. */
    open: { typed: string; readings: [string, string] } | null;
}

/** Which of the two readings of an open number (0 = its mark stands between thousands, 1 = before decimals) the others of its column show. */
function shownBy(texts: string[], mark: string): 0 | 1 | null {
    const own = mark === '.' ? ',' : '.';
    const shows = (decimal: string) =>
        texts.some((text) => new RegExp(`\\d\\${decimal}(?:\\d{1,2}|\\d{4,})\\s*$|^\\s*[-−]?0\\${decimal}\\d`).test(text));
    return shows(mark) ? 1 : shows(own) ? 0 : null;
}

export function readPasted(pasted: Pasted, variables: Variable[], meant: 0 | 1 | null): ReadPaste {
    const types = new Map(variables.map(({ key, type }) => [key, type]));
    const all = [
        ...pasted.edits.flat(),
        ...pasted.added.flatMap((row) => Object.entries(row).map(([variable, text]) => ({ variable, text }))),
    ];
    const column = new Map<string, string[]>();
    all.forEach(({ variable, text }) => column.set(variable, [...(column.get(variable) ?? []), text]));
    const asked: { typed: string; readings: [string, string] }[] = [];
    const read = (key: string, text: string): string => {
        const plain = readCell(text, types.get(key) ?? '');
        if (plain !== null) {
            return plain;
        }
        const number = readTyped(text);
        const readings: [string, string] = number !== null && 'open' in number ? number.open : [text, text];
        const which = meant ?? shownBy(column.get(key) ?? [], /[.,]/.exec(text)?.[0] ?? '.');
        if (which === null) {
            asked.push({ typed: text.trim(), readings });
        }
        return readings[which ?? 0];
    };
    const edits = pasted.edits.map((line) => line.map(({ variable, text }) => ({ variable, text: read(variable, text) })));
    const added = pasted.added.map((row) => Object.fromEntries(Object.entries(row).map(([key, text]) => [key, read(key, text)])));
    return { pasted: asked.length === 0 ? { edits, added } : null, open: asked[0] ?? null };
}
