import type { ClipboardEvent } from 'react';
import type { Variable } from '../api/client';
import { copyLater } from '../ui/copying';
import { count, counted } from '../ui/format';
import { shownCellText } from '../ui/numbers';
import type { ChangeWords } from './changes';
import type { Open } from './OpenNumber';
import { cellsOfText, type Pasted, placed, readPasted, textOfCells } from './pasting';
import { readRows } from './readRows';
import type { Cell } from './useCells';
import type { View } from './view';

const MOST_COPIED = 10_000;

export interface Place {
    row: number;
    column: number;
}

/** Cells that come and go as text, and the numbers of rows: also where they were never in sight. */
export function useClipboard({
    dataset,
    variables,
    view,
    total,
    at,
    end,
    shownCell,
    rowNumber,
    onChange,
    onRefuse,
    onOpen,
}: {
    dataset: number;
    variables: Variable[];
    view: View;
    total: number;
    /** The cursor. */
    at: Place;
    /** The other end of the rows that are selected; null = the cell at the cursor. */
    end: number | null;
    /** null = not in sight so far. */
    shownCell: (row: number, key: string) => Cell | null;
    rowNumber: (row: number) => number | null;
    onChange: (change: ChangeWords) => Promise<boolean>;
    /** Says why something was not done. */
    onRefuse: (sentence: string) => void;
    /** Asks which of two numbers is meant. */
    onOpen: (open: Open) => void;
}) {
    const canAdd = view.where === '' && view.sort === '';
    /** The numbers of rows of the view, also of those that were never in sight. */
    const numbersOf = async (from: number, to: number): Promise<number[]> => {
        const last = Math.min(to, total - 1);
        const known = Array.from({ length: Math.max(0, last - from + 1) }, (_, i) => (canAdd ? from + i + 1 : rowNumber(from + i)));
        const key = variables[0]?.key;
        return known.includes(null) && key !== undefined
            ? (await readRows(dataset, view, [key], from, last)).rows
            : known.filter((number) => number !== null);
    };
    const paste = (event: ClipboardEvent) => {
        event.preventDefault();
        const pasted = placed(cellsOfText(event.clipboardData.getData('text/plain')), at, { variables, total, canAdd });
        if (typeof pasted === 'string') {
            onRefuse(pasted);
            return;
        }
        put(pasted, null);
    };
    /** Once it is known how its numbers are meant. */
    const put = (raw: Pasted, meant: 0 | 1 | null) => {
        const { pasted, open } = readPasted(raw, variables, meant);
        if (open !== null) {
            onOpen({ ...open, hasMore: true, onMean: (which) => put(raw, which) });
        }
        if (pasted === null) {
            return;
        }
        void (async () => {
            const numbers = await numbersOf(at.row, at.row + pasted.edits.length - 1);
            const edits = pasted.edits.flatMap((line, i) => line.map((edit) => ({ row: numbers[i] ?? 0, ...edit })));
            const isDone = edits.length === 0 || (await onChange({ kind: 'edit-cells', edits }));
            if (isDone && pasted.added.length > 0) {
                await onChange({ kind: 'add-rows', rows: pasted.added });
            }
        })().catch((reason: unknown) => onRefuse(String(reason instanceof Error ? reason.message : reason)));
    };
    const copy = (event: ClipboardEvent) => {
        event.preventDefault();
        const from = Math.min(at.row, end ?? at.row);
        const to = Math.min(Math.max(at.row, end ?? at.row), total - 1);
        const copied = end === null ? variables.slice(at.column, at.column + 1) : variables;
        const keys = copied.map(({ key }) => key);
        const types = copied.map(({ type }) => type);
        if (to - from >= MOST_COPIED) {
            onRefuse(
                `At most ${count(MOST_COPIED)} rows can be copied at once, and ${count(to - from + 1)} are selected. All of them can be taken out as a file: Take out.`,
            );
            return;
        }
        const seen = Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => keys.map((key) => shownCell(from + i, key)));
        if (!seen.some((cells) => cells.includes(null))) {
            event.clipboardData.setData(
                'text/plain',
                textOfCells(
                    seen.map((cells) =>
                        cells.map((cell, i) =>
                            cell === null || cell.isUnread ? (cell?.text ?? '') : shownCellText(cell.text, types[i] ?? ''),
                        ),
                    ),
                ),
            );
            return;
        }
        // What is out of sight is fetched first.
        void copyLater(
            readRows(dataset, view, keys, from, to).then(({ rows, cells }) =>
                textOfCells(rows.map((_, i) => keys.map((key, column) => shownCellText(cells[key]?.[i] ?? '', types[column] ?? '')))),
            ),
            counted(to - from + 1, 'row'),
        );
    };

    return { numbersOf, paste, copy };
}
