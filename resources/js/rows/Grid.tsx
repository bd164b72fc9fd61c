import {
    type KeyboardEvent,
    type MouseEvent,
    type Ref,
    useCallback,
    useEffect,
    useImperativeHandle,
    useMemo,
    useRef,
    useState,
} from 'react';
import type { Dataset, Variable } from '../api/client';
import { useQueryClient } from '@tanstack/react-query';
import { type Unsent, unsentText } from '../api/outbox';
import { Notice } from '../ui/Notice';
import { useLeaveGuard } from '../ui/useLeaveGuard';
import type { ChangeWords } from './changes';
import { ColumnHead } from './ColumnHead';
import { columnsOf, GUTTER_PX, HEAD_PX, inSight, inSlots, isFrozen, ROW_PX, tallness, topOf, widthOf } from './gridLayout';
import { rowsKey, useEnds, useTotal } from './queries';
import { GridRow } from './GridRow';
import { type Cell, useCells } from './useCells';
import { type Place, useClipboard } from './useClipboard';
import { useSight } from './useSight';
import { type View } from './view';

export interface GridHandle {
    /** Scrolls to a place in the view, from 0, and puts the cursor there. */
    go: (place: number, key?: string) => void;
    here: () => number;
    rowNumbers: (from: number, to: number) => Promise<number[]>;
    /** Opens the cell that was typed in last, with what was typed. */
    reopen: () => void;
}

const REST_MS = 200;

/** The rows, of which only those in sight exist: one cursor, Enter goes down, Tab across, typing changes the cell. */
export function Grid({
    ref,
    dataset,
    variables,
    view,
    unsent,
    onShow,
    onChange,
    onRefuse,
    onSelect,
}: {
    ref: Ref<GridHandle>;
    dataset: Dataset;
    variables: Variable[];
    view: View;
    /** Changes that are not known to have been made. */
    unsent: Unsent[];
    onShow: (change: Partial<View>) => void;
    onChange: (change: ChangeWords) => Promise<boolean>;
    /** Says why something was not done. */
    onRefuse: (sentence: string) => void;
    onSelect: (rows: { from: number; to: number } | null) => void;
}) {
    const box = useRef<HTMLDivElement>(null);
    const sight = useSight(box);
    const [at, setAt] = useState<Place>({ row: 0, column: 0 });
    const [end, setEnd] = useState<number | null>(null);
    const [typed, setTyped] = useState<string | null>(null);
    useLeaveGuard(typed !== null);
    /** Whether the text in the editor is still to be sent: an editor that goes away is left, too. */
    const isTyping = useRef(false);
    const lastTyped = useRef<{ at: Place; text: string } | null>(null);
    const queries = useQueryClient();
    /** Rows that were typed and are on their way. */
    const [coming, setComing] = useState(0);
    /** What was typed, shown until the answer is there. */
    const [sent, setSent] = useState<Record<string, string>>({});
    const total = useTotal(dataset.id, view).data ?? (view.where === '' ? dataset.rows : 0);
    const ends = useEnds(dataset.id, dataset.revision).data;
    const canAdd = view.where === '' && view.sort === '';

    const columns = useMemo(() => columnsOf(variables), [variables]);
    const rows = total + coming + (canAdd ? 1 : 0);
    const seen = inSight(sight, rows, variables, columns.starts);
    const { first, firstColumn, lastColumn } = seen;
    const [origin, setOrigin] = useState(0);
    useEffect(() => {
        // Who has this read aloud wants the rows in their order; an editor must not change its element under the hand.
        const atRest = typed === null && origin !== first ? setTimeout(() => setOrigin(first), REST_MS) : undefined;
        return () => clearTimeout(atRest);
    }, [first, origin, typed]);
    const { cellAt, rowNumber, error, isFetching } = useCells(dataset, variables, view, seen, total);

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
    const sightColumns = useMemo(
        () =>
            variables
                .map((variable, place) => ({ variable, place, left: columns.starts[place] ?? 0, isFrozen: isFrozen(variables, place) }))
                .filter((column) => (column.place >= firstColumn && column.place <= lastColumn) || column.isFrozen),
        [variables, columns, firstColumn, lastColumn],
    );
    const reveal = (place: Place) => {
        const element = box.current;
        if (element === null) {
            return;
        }
        const fit = Math.floor((element.clientHeight - HEAD_PX) / ROW_PX);
        if (topOf(place.row, element.clientHeight, rows) < element.scrollTop) {
            element.scrollTop = topOf(place.row, element.clientHeight, rows);
        } else if (topOf(place.row - fit + 2, element.clientHeight, rows) > element.scrollTop) {
            element.scrollTop = topOf(place.row - fit + 2, element.clientHeight, rows);
        }
        const x = columns.starts[place.column] ?? 0;
        const width = widthOf(variables[place.column]);
        if (x - GUTTER_PX < element.scrollLeft) {
            element.scrollLeft = x - GUTTER_PX;
        } else if (x + width > element.scrollLeft + element.clientWidth) {
            element.scrollLeft = x + width - element.clientWidth;
        }
    };
    const edit = (text: string) => {
        isTyping.current = true;
        setTyped(text);
    };
    /** Opens a cell with what stands in it; one that is still on its way is not opened, or it would seem to be empty. */
    const open = (place: Place) => {
        const text = shownCell(place.row, variables[place.column]?.key ?? '')?.text;
        if (text !== undefined) {
            edit(text);
        }
    };
    const leave = () => {
        isTyping.current = false;
        setTyped(null);
    };
    const move = (place: Place, isExtending = false) => {
        const to = {
            row: Math.max(0, Math.min(rows - 1, place.row)),
            column: Math.max(0, Math.min(variables.length - 1, place.column)),
        };
        setAt(to);
        leave();
        const from = isExtending ? (end ?? at.row) : null;
        setEnd(from);
        onSelect({ from: Math.min(to.row, from ?? to.row), to: Math.max(to.row, from ?? to.row) });
        reveal(to);
        box.current?.focus({ preventScroll: true });
    };
    const { numbersOf, paste, copy } = useClipboard({
        dataset: dataset.id,
        variables,
        view,
        total,
        at,
        end,
        shownCell,
        rowNumber,
        onChange,
        onRefuse,
    });
    useImperativeHandle(ref, () => ({
        go: (place, key) => {
            const element = box.current;
            if (element !== null) {
                element.scrollTop = topOf(Math.max(0, place - 4), element.clientHeight, rows);
            }
            const column = variables.findIndex((variable) => variable.key === key);
            move({ row: place, column: column < 0 ? at.column : column });
        },
        here: () => at.row,
        rowNumbers: numbersOf,
        reopen: () => {
            const before = lastTyped.current;
            if (before !== null) {
                setAt(before.at);
                edit(before.text);
                reveal(before.at);
            }
        },
    }));

    const commit = (text: string) => {
        const variable = variables[at.column];
        leave();
        if (variable === undefined) {
            return;
        }
        const isNew = at.row >= total + coming;
        // A row that is on its way is there before the next change is sent.
        const number = rowNumber(at.row) ?? (canAdd ? at.row + 1 : null);
        if (isNew ? text.trim() === '' : number === null || cellAt(at.row, variable.key)?.text === text) {
            return;
        }
        const place = `${variable.key}:${at.row}`;
        lastTyped.current = { at, text };
        setSent((before) => ({ ...before, [place]: text }));
        setComing((before) => before + (isNew ? 1 : 0));
        void onChange(
            isNew
                ? { kind: 'add-rows', rows: [{ [variable.key]: text }] }
                : { kind: 'edit-cells', edits: [{ row: number, variable: variable.key, text }] },
        ).then(() => {
            setSent((before) => Object.fromEntries(Object.entries(before).filter(([key]) => key !== place)));
            setComing((before) => before - (isNew ? 1 : 0));
        });
    };
    const press = (event: KeyboardEvent) => {
        const steps: Record<string, Place> = {
            ArrowDown: { row: 1, column: 0 },
            ArrowUp: { row: -1, column: 0 },
            ArrowLeft: { row: 0, column: -1 },
            ArrowRight: { row: 0, column: 1 },
            PageDown: { row: Math.floor(sight.height / ROW_PX) - 3, column: 0 },
            PageUp: { row: 3 - Math.floor(sight.height / ROW_PX), column: 0 },
        };
        const isEditing = typed !== null;
        if (event.key === 'Enter' || event.key === 'Tab') {
            if (event.key === 'Tab' && !isEditing && (event.shiftKey ? at.column === 0 : at.column === variables.length - 1)) {
                return;
            }
            event.preventDefault();
            if (isEditing) {
                commit(typed);
            }
            const step = event.shiftKey ? -1 : 1;
            // A row that is being typed is there once it was sent; the cursor goes on to the next.
            const to = event.key === 'Enter' ? { row: at.row + step, column: at.column } : { row: at.row, column: at.column + step };
            setAt({
                row: Math.max(0, Math.min(canAdd ? rows : rows - 1, to.row)),
                column: Math.max(0, Math.min(variables.length - 1, to.column)),
            });
            setEnd(null);
            reveal(to);
            box.current?.focus({ preventScroll: true });
            return;
        }
        if (isEditing) {
            if (event.key === 'Escape') {
                leave();
                box.current?.focus({ preventScroll: true });
            }
            return;
        }
        const step = steps[event.key];
        if (step !== undefined) {
            event.preventDefault();
            move({ row: at.row + step.row, column: at.column + step.column }, event.shiftKey && step.column === 0);
        } else if (event.key === 'Home' || event.key === 'End') {
            event.preventDefault();
            const column = event.key === 'Home' ? 0 : variables.length - 1;
            const isFar = event.ctrlKey || event.metaKey;
            move(
                isFar ? { row: event.key === 'Home' ? 0 : total - 1, column: at.column } : { row: at.row, column },
                isFar && event.shiftKey,
            );
        } else if (event.key === 'Delete' || event.key === 'Backspace') {
            event.preventDefault();
            commit('');
        } else if (event.key === 'F2') {
            event.preventDefault();
            open(at);
        } else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey) {
            event.preventDefault();
            edit(event.key);
        }
    };
    /** Which row is under the hand, and which column: one look for all cells, so that rows stay as they are while others come. */
    const placeOf = (target: EventTarget) => {
        const element = target instanceof Element && !(target instanceof HTMLInputElement) ? target : null;
        const row = element?.closest<HTMLElement>('[data-row]')?.dataset.row;
        const key = element?.closest<HTMLElement>('[data-key]')?.dataset.key;
        const column = variables.findIndex((variable) => variable.key === key);
        return row === undefined ? null : { row: Number(row), column: column < 0 ? null : column };
    };
    const takeCell = (event: MouseEvent) => {
        const place = placeOf(event.target);
        if (place === null || place.column === null) {
            return;
        }
        event.preventDefault();
        if (typed !== null) {
            commit(typed);
        }
        move({ row: place.row, column: place.column }, event.shiftKey);
    };
    const takeRow = (event: MouseEvent) => {
        const place = placeOf(event.target);
        if (place === null || place.column !== null) {
            return;
        }
        const from = event.shiftKey ? (end ?? at.row) : place.row;
        setAt({ row: place.row, column: at.column });
        setEnd(from);
        onSelect({ from: Math.min(place.row, from), to: Math.max(place.row, from) });
        box.current?.focus({ preventScroll: true });
    };
    const editCell = (event: MouseEvent) => {
        const place = placeOf(event.target);
        if (place !== null && place.column !== null) {
            open({ row: place.row, column: place.column });
        }
    };

    return (
        <div className="flex min-w-0 flex-1 flex-col">
            {error !== null && view.where === '' && (
                <div className="px-6">
                    <Notice onRetry={() => void queries.invalidateQueries({ queryKey: rowsKey(dataset.id) })}>{error.message}</Notice>
                </div>
            )}
            <div
                ref={box}
                role="grid"
                aria-label="Rows"
                aria-rowcount={total}
                aria-colcount={variables.length}
                aria-busy={isFetching}
                tabIndex={0}
                onKeyDown={press}
                onMouseDown={takeCell}
                onClick={takeRow}
                onDoubleClick={editCell}
                onPaste={typed === null ? paste : undefined}
                onCopy={typed === null ? copy : undefined}
                className="relative min-h-0 min-w-0 flex-1 overflow-auto outline-none"
            >
                <div className="relative" style={{ width: columns.width, height: tallness(rows) + HEAD_PX + ROW_PX }}>
                    <div
                        role="row"
                        className="sticky top-0 z-10 flex h-22 border-b border-hair-strong bg-paper"
                        style={{ width: columns.width }}
                    >
                        <span className="sticky left-0 z-10 h-full shrink-0 bg-paper" style={{ width: GUTTER_PX }} />
                        {sightColumns.map(({ variable, left, isFrozen }) => (
                            <ColumnHead
                                key={variable.key}
                                variable={variable}
                                rows={dataset.rows}
                                ends={ends?.[variable.key] ?? null}
                                left={left}
                                width={widthOf(variable)}
                                frozenAt={isFrozen ? GUTTER_PX : null}
                                view={view}
                                isChosen={view.panel === 'variable' && view.variable === variable.key}
                                onShow={onShow}
                            />
                        ))}
                    </div>
                    <div className="absolute left-0" style={{ top: HEAD_PX + seen.top, width: columns.width }}>
                        {inSlots(seen, origin).map(({ slot, row }) => (
                            <GridRow
                                key={slot}
                                row={row}
                                top={(row - seen.base) * ROW_PX}
                                label={row < total + coming ? (rowNumber(row) ?? row + 1) : null}
                                isThere={row < total}
                                isMarked={end !== null && row >= Math.min(at.row, end) && row <= Math.max(at.row, end)}
                                columns={sightColumns}
                                width={columns.width}
                                cellAt={shownCell}
                                cursor={at.row === row ? at.column : null}
                                editor={
                                    at.row === row && typed !== null
                                        ? { typed, onEdit: edit, onLeave: (text) => isTyping.current && commit(text) }
                                        : null
                                }
                            />
                        ))}
                    </div>
                </div>
            </div>
        </div>
    );
}
