import { useCallback, useState } from 'react';
import { type Unsent, unsentText } from '../api/outbox';
import type { ChangeWords } from './changes';
import type { Cell } from './useCells';
import type { Place } from './useClipboard';

/** Cells with what was typed into them until the answer is there. */
export function useSentCells({
    cellAt,
    rowNumber,
    total,
    unsent,
    onChange,
    onComing,
}: {
    cellAt: (row: number, key: string) => Cell | null;
    rowNumber: (row: number) => number | null;
    /** How many rows the view has. */
    total: number;
    /** Changes that are not known to have been made. */
    unsent: Unsent[];
    onChange: (change: ChangeWords) => Promise<boolean>;
    /** Rows that are on their way become more or fewer. */
    onComing: (change: (before: number) => number) => void;
}) {
    const [sent, setSent] = useState<Record<string, string>>({});
    const shownCell = useCallback(
        (row: number, key: string): Cell | null => {
            const number = rowNumber(row);
            const edit = number === null ? null : unsentText(unsent, number, key);
            if (edit !== null) {
                return { text: edit.text, isUnread: false, isUnsaved: edit.isHeld };
            }
            const waiting = sent[`${key}:${row}`];
            if (waiting !== undefined) {
                return { text: waiting, isUnread: false, isUnsaved: unsent.some(({ why }) => why !== null) };
            }
            return row < total ? cellAt(row, key) : { text: '', isUnread: false };
        },
        [sent, unsent, total, cellAt, rowNumber],
    );
    /** A number: the row that is edited; null: one more row. */
    const send = (at: Place, key: string, text: string, number: number | null) => {
        const place = `${key}:${at.row}`;
        const added = number === null ? 1 : 0;
        setSent((before) => ({ ...before, [place]: text }));
        onComing((before) => before + added);
        void onChange(
            number === null
                ? { kind: 'add-rows', rows: [{ [key]: text }] }
                : { kind: 'edit-cells', edits: [{ row: number, variable: key, text }] },
        ).then(() => {
            setSent((before) => Object.fromEntries(Object.entries(before).filter(([other]) => other !== place)));
            onComing((before) => before - added);
        });
    };
    return { shownCell, send };
}
