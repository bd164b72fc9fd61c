import { useCallback, useMemo } from 'react';
import type { Dataset, Variable } from '../api/client';
import { BLOCK, PAGE, useRowWindows } from './queries';
import type { View } from './view';

export interface Cell {
    text: string;
    isUnread: boolean;
    /** Whether it was typed and could not be sent. */
    isUnsaved?: boolean;
}

/** The cells in sight, fetched in pages of rows and blocks of variables. */
export function useCells(
    dataset: Dataset,
    variables: Variable[],
    view: View,
    { first, last, firstColumn, lastColumn }: { first: number; last: number; firstColumn: number; lastColumn: number },
    total: number,
) {
    const pages = useMemo(() => {
        const from = Math.floor(first / PAGE);
        const to = Math.floor(Math.max(first, last - 1) / PAGE);
        return Array.from({ length: to - from + 1 }, (_, i) => from + i).filter((page) => page * PAGE < Math.max(1, total));
    }, [first, last, total]);
    const blocks = useMemo(() => {
        const from = Math.floor(firstColumn / BLOCK);
        const to = Math.floor(Math.max(firstColumn, lastColumn) / BLOCK);
        return Array.from({ length: to - from + 1 }, (_, i) => ({
            block: from + i,
            keys: variables.slice((from + i) * BLOCK, (from + i + 1) * BLOCK).map((variable) => variable.key),
        })).filter(({ keys }) => keys.length > 0);
    }, [firstColumn, lastColumn, variables]);
    const windows = useRowWindows(dataset.id, view, pages, blocks);

    const cellAt = useCallback(
        (row: number, key: string): Cell | null => {
            for (const { page, data } of windows.answers) {
                const place = row - page * PAGE;
                const cell = place >= 0 && place < PAGE ? data?.cells[key]?.[place] : undefined;
                if (cell !== undefined) {
                    return { text: cell, isUnread: data?.unread[key]?.includes(place) ?? false };
                }
            }
            return null;
        },
        [windows.answers],
    );
    const rowNumber = useCallback(
        (row: number): number | null => {
            if (view.where === '' && view.sort === '') {
                return row < total ? row + 1 : null;
            }
            for (const { page, data } of windows.answers) {
                const number = data?.rows[row - page * PAGE];
                if (number !== undefined && row >= page * PAGE) {
                    return number;
                }
            }
            return null;
        },
        [windows.answers, view.where, view.sort, total],
    );
    const asideAt = useCallback(
        (row: number): string | null => {
            for (const { page, data } of windows.answers) {
                const place = row - page * PAGE;
                if (data !== undefined && place >= 0 && place < PAGE) {
                    return data.aside[String(place)] ?? null;
                }
            }
            return null;
        },
        [windows.answers],
    );
    return { cellAt, asideAt, rowNumber, error: windows.error, isFetching: windows.isFetching };
}
