import { type KeyboardEvent, type MouseEvent, type Ref, useEffect, useId, useImperativeHandle, useMemo, useRef, useState } from 'react';
import type { Dataset, Variable } from '../api/client';
import { useQueryClient } from '@tanstack/react-query';
import type { Unsent } from '../api/outbox';
import { Notice } from '../ui/Notice';
import { useLeaveGuard } from '../ui/useLeaveGuard';
import type { ChangeWords } from './changes';
import { ColumnHead } from './ColumnHead';
import { columnsOf, GUTTER_PX, HEAD_PX, inView, inSlots, isFrozen, ROW_PX, tallness, topOf, widthOf } from './gridLayout';
import { rowsKey, useEnds, useTotal } from './queries';
import { readCell, readTyped, shownCellText } from '../ui/numbers';
import { cellId } from './GridCell';
import { GridRow } from './GridRow';
import { HEAD, keyAction } from './gridKeys';
import { useCells } from './useCells';
import { type Open, OpenNumber } from './OpenNumber';
import { type Place, useClipboard } from './useClipboard';
import { useSentCells } from './useSentCells';
import { bringIntoSight } from './bringIntoSight';
import { useViewport } from './useViewport';
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

/** The rows, of which only those in view exist: one cursor, Enter goes down, Tab across, typing changes the cell. */
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
    const name = useId();
    const [viewport, look] = useViewport(box);
    const [at, setAt] = useState<Place>({ row: 0, column: 0 });
    const [end, setEnd] = useState<number | null>(null);
    const [typed, setTyped] = useState<string | null>(null);
    /** What was typed and can be read in two ways, and where it goes. */
    const [openNumber, setOpenNumber] = useState<Open | null>(null);
    useLeaveGuard(typed !== null);
    /** Whether the text in the editor is still to be sent: an editor that goes away is left, too. */
    const isTyping = useRef(false);
    const lastTyped = useRef<{ at: Place; text: string } | null>(null);
    const queries = useQueryClient();
    const total = useTotal(dataset.id, view).data ?? (view.where === '' ? dataset.rows : 0);
    const ends = useEnds(dataset.id, dataset.revision).data;
    const canAdd = view.where === '' && view.sort === '';

    const columns = useMemo(() => columnsOf(variables), [variables]);
    /** Rows that were typed and are on their way. */
    const [coming, setComing] = useState(0);
    const rows = total + coming + (canAdd ? 1 : 0);
    const seen = inView(viewport, rows, variables, columns.starts);
    const { first, firstColumn, lastColumn } = seen;
    const [origin, setOrigin] = useState(0);
    useEffect(() => {
        // Who has this read aloud wants the rows in their order; an editor must not change its element under the hand.
        const atRest = typed === null && origin !== first ? setTimeout(() => setOrigin(first), REST_MS) : undefined;
        return () => clearTimeout(atRest);
    }, [first, origin, typed]);
    const { cellAt, asideAt, rowNumber, error, isFetching } = useCells(dataset, variables, view, seen, total);
    const { shownCell, send } = useSentCells({ cellAt, rowNumber, total, unsent, onChange, onComing: setComing });

    const sightColumns = useMemo(
        () =>
            variables
                .map((variable, place) => ({ variable, place, left: columns.starts[place] ?? 0, isFrozen: isFrozen(variables, place) }))
                .filter((column) => (column.place >= firstColumn && column.place <= lastColumn) || column.isFrozen),
        [variables, columns, firstColumn, lastColumn],
    );
    const reveal = (place: Place) => {
        if (box.current !== null) {
            bringIntoSight(box.current, place, rows, variables, columns.starts);
            // Where the cursor is, a cell is, before the next key.
            look();
        }
    };
    const edit = (text: string) => {
        isTyping.current = true;
        setTyped(text);
    };
    /** Opens a cell with what stands in it; one that is still on its way is not opened, or it would seem to be empty. */
    const open = (place: Place) => {
        const variable = variables[place.column];
        const cell = shownCell(place.row, variable?.key ?? '');
        if (cell !== null) {
            edit(cell.isUnread ? cell.text : shownCellText(cell.text, variable?.type ?? ''));
        }
    };
    const leave = () => {
        isTyping.current = false;
        setTyped(null);
    };
    const isLed = useRef(false);
    const takeFocus = () => {
        isLed.current = true;
        box.current?.focus({ preventScroll: true });
        isLed.current = false;
    };
    const move = (place: Place, isExtending = false) => {
        const to = {
            row: Math.max(HEAD, Math.min(rows - 1, place.row)),
            column: Math.max(0, Math.min(variables.length - 1, place.column)),
        };
        setAt(to);
        leave();
        const from = isExtending ? (end ?? at.row) : null;
        setEnd(from);
        onSelect(to.row === HEAD ? null : { from: Math.min(to.row, from ?? to.row), to: Math.max(to.row, from ?? to.row) });
        reveal(to);
        takeFocus();
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
        onOpen: setOpenNumber,
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
        here: () => Math.max(0, at.row),
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
        const cell = cellAt(at.row, variable.key);
        const put = (plain: string) => {
            if (isNew ? plain.trim() === '' : number === null || cell?.text === plain) {
                return;
            }
            lastTyped.current = { at, text };
            send(at, variable.key, plain, isNew ? null : number);
        };
        // What was not touched says what it said.
        const isAsItWas = cell !== null && text === (cell.isUnread ? cell.text : shownCellText(cell.text, variable.type));
        const plain = isAsItWas ? cell.text : readCell(text, variable.type);
        if (plain === null) {
            const read = readTyped(text);
            const readings: [string, string] = read !== null && 'open' in read ? read.open : [text, text];
            setOpenNumber({ typed: text.trim(), readings, hasMore: false, onMean: (which) => put(readings[which]) });
        } else {
            put(plain);
        }
    };
    const press = (event: KeyboardEvent) => {
        const action = keyAction(event, {
            at,
            isEditing: typed !== null,
            rows: total,
            columns: variables.length,
            page: Math.floor(viewport.height / ROW_PX) - 3,
        });
        if (action === null) {
            return;
        }
        if (action.kind !== 'give-up') {
            event.preventDefault();
        }
        switch (action.kind) {
            case 'move':
                move(action.to, action.isExtending);
                break;
            case 'next':
                if (typed !== null) {
                    commit(typed);
                }
                // A row that is being typed is there once it was sent; the cursor goes on to the next.
                setAt({
                    row: Math.max(0, Math.min(canAdd ? rows : rows - 1, action.to.row)),
                    column: Math.max(0, Math.min(variables.length - 1, action.to.column)),
                });
                setEnd(null);
                reveal(action.to);
                takeFocus();
                break;
            case 'give-up':
                leave();
                takeFocus();
                break;
            case 'clear':
                commit('');
                break;
            case 'head':
                onShow({ panel: 'variable', variable: variables[at.column]?.key ?? null });
                break;
            case 'open':
                reveal(at);
                open(at);
                break;
            case 'type':
                reveal(at);
                edit(action.text);
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
        const from = event.shiftKey ? (end ?? Math.max(0, at.row)) : place.row;
        setAt({ row: place.row, column: at.column });
        setEnd(from);
        onSelect({ from: Math.min(place.row, from), to: Math.max(place.row, from) });
        takeFocus();
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
                aria-rowcount={1 + total + (canAdd ? 1 : 0)}
                aria-colcount={1 + variables.length}
                aria-busy={isFetching}
                aria-multiselectable
                aria-activedescendant={typed === null && variables.length > 0 ? cellId(name, at.row, at.column) : undefined}
                tabIndex={0}
                onFocus={(event) => {
                    // Who comes by keys finds the cursor; who comes by hand, or is led here, is where that is.
                    if (event.target === event.currentTarget && !isLed.current && event.currentTarget.matches(':focus-visible')) {
                        reveal(at);
                    }
                }}
                onKeyDown={press}
                onMouseDown={takeCell}
                onClick={takeRow}
                onDoubleClick={editCell}
                onPaste={typed === null && at.row !== HEAD ? paste : undefined}
                onCopy={typed === null && at.row !== HEAD ? copy : undefined}
                className="group/grid relative min-h-0 min-w-0 flex-1 overflow-auto outline-none small:h-[85vh] small:flex-none"
            >
                <div className="relative" style={{ width: columns.width, height: tallness(rows) + HEAD_PX + ROW_PX }}>
                    <div
                        role="row"
                        aria-rowindex={1}
                        className="sticky top-0 z-10 flex h-22 border-b border-hair-strong bg-paper"
                        style={{ width: columns.width }}
                    >
                        <span
                            role="columnheader"
                            aria-colindex={1}
                            className="sticky left-0 z-10 h-full shrink-0 bg-paper"
                            style={{ width: GUTTER_PX }}
                        >
                            <span className="sr-only">Row</span>
                        </span>
                        {sightColumns.map(({ variable, place, left, isFrozen }) => (
                            <ColumnHead
                                key={variable.key}
                                id={cellId(name, HEAD, place)}
                                column={place + 2}
                                isAt={at.row === HEAD && at.column === place}
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
                                name={name}
                                row={row}
                                top={(row - seen.base) * ROW_PX}
                                label={row < total + coming ? (rowNumber(row) ?? row + 1) : null}
                                isThere={row < total}
                                isMarked={end !== null && row >= Math.min(at.row, end) && row <= Math.max(at.row, end)}
                                aside={asideAt(row)}
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
            {openNumber !== null && <OpenNumber open={openNumber} onClose={() => setOpenNumber(null)} onGone={takeFocus} />}
        </div>
    );
}
