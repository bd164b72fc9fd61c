import clsx from 'clsx';
import { type ClipboardEvent, type KeyboardEvent, type Ref, useEffect, useImperativeHandle, useMemo, useRef, useState } from 'react';
import type { Dataset, Variable } from '../api/client';
import { count } from '../ui/format';
import { Notice } from '../ui/Notice';
import type { ChangeWords } from './changes';
import { ColumnHead } from './ColumnHead';
import { GridCell } from './GridCell';
import { columnsOf, GUTTER_PX, HEAD_PX, inSight, inSlots, isFrozen, ROW_PX, tallness, topOf, widthOf } from './gridLayout';
import { useEnds, useTotal } from './queries';
import { type Cell, useCells } from './useCells';
import { useSight } from './useSight';
import { cellsOfText, type View } from './view';

export interface GridHandle {
    /** Scrolls to a place in the view, from 0, and puts the cursor there. */
    go: (place: number, key?: string) => void;
    here: () => number;
    rowNumbers: (from: number, to: number) => number[];
}

const REST_MS = 200;

interface Place {
    row: number;
    column: number;
}

/** The rows, of which only those in sight exist: one cursor, Enter goes down, Tab across, typing changes the cell. */
export function Grid({
    ref,
    dataset,
    variables,
    view,
    onShow,
    onChange,
    onSelect,
}: {
    ref: Ref<GridHandle>;
    dataset: Dataset;
    variables: Variable[];
    view: View;
    onShow: (change: Partial<View>) => void;
    onChange: (change: ChangeWords) => Promise<boolean>;
    onSelect: (rows: { from: number; to: number } | null) => void;
}) {
    const box = useRef<HTMLDivElement>(null);
    const sight = useSight(box);
    const [at, setAt] = useState<Place>({ row: 0, column: 0 });
    const [end, setEnd] = useState<number | null>(null);
    const [typed, setTyped] = useState<string | null>(null);
    /** Whether the text in the editor is still to be sent: an editor that goes away is left, too. */
    const isTyping = useRef(false);
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

    const shownCell = (row: number, key: string): Cell | null => {
        const waiting = sent[`${key}:${row}`];
        if (waiting !== undefined) {
            return { text: waiting, isUnread: false };
        }
        return row < total ? cellAt(row, key) : { text: '', isUnread: false };
    };
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
        rowNumbers: (from, to) =>
            Array.from({ length: to - from + 1 }, (_, i) => rowNumber(from + i)).filter((number): number is number => number !== null),
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
            move(event.ctrlKey ? { row: event.key === 'Home' ? 0 : total - 1, column: at.column } : { row: at.row, column });
        } else if (event.key === 'Delete' || event.key === 'Backspace') {
            event.preventDefault();
            commit('');
        } else if (event.key === 'F2') {
            event.preventDefault();
            edit(cellAt(at.row, variables[at.column]?.key ?? '')?.text ?? '');
        } else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey) {
            event.preventDefault();
            edit(event.key);
        }
    };
    const paste = (event: ClipboardEvent) => {
        if (typed !== null) {
            return;
        }
        event.preventDefault();
        const edits: { row: number; variable: string; text: string }[] = [];
        const added: Record<string, string>[] = [];
        for (const [i, line] of cellsOfText(event.clipboardData.getData('text/plain')).entries()) {
            const pairs = line.flatMap((text, j) => {
                const variable = variables[at.column + j];
                return variable === undefined ? [] : [{ variable: variable.key, text }];
            });
            const number = at.row + i < total ? rowNumber(at.row + i) : null;
            if (number !== null) {
                edits.push(...pairs.map((pair) => ({ row: number, ...pair })));
            } else if (canAdd) {
                added.push(Object.fromEntries(pairs.map(({ variable, text }) => [variable, text])));
            }
        }
        void (edits.length === 0 ? Promise.resolve(true) : onChange({ kind: 'edit-cells', edits })).then((isDone) =>
            isDone && added.length > 0 ? onChange({ kind: 'add-rows', rows: added }) : isDone,
        );
    };
    const copy = (event: ClipboardEvent) => {
        if (typed !== null) {
            return;
        }
        event.preventDefault();
        const from = Math.min(at.row, end ?? at.row);
        const to = Math.max(at.row, end ?? at.row);
        const keys = end === null ? variables.slice(at.column, at.column + 1) : variables;
        const lines = Array.from({ length: to - from + 1 }, (_, i) => keys.map(({ key }) => cellAt(from + i, key)?.text ?? '').join('\t'));
        event.clipboardData.setData('text/plain', lines.join('\n'));
    };

    if (error !== null && view.where === '') {
        return (
            <div className="flex-1 px-6">
                <Notice>{error.message}</Notice>
            </div>
        );
    }
    const sightColumns = variables
        .map((variable, i) => ({ variable, i }))
        .filter(({ i }) => (i >= firstColumn && i <= lastColumn) || isFrozen(variables, i));
    return (
        <div
            ref={box}
            role="grid"
            aria-label="Rows"
            aria-rowcount={total}
            aria-colcount={variables.length}
            aria-busy={isFetching}
            tabIndex={0}
            onKeyDown={press}
            onPaste={paste}
            onCopy={copy}
            className="relative min-w-0 flex-1 overflow-auto outline-none"
        >
            <div className="relative" style={{ width: columns.width, height: tallness(rows) + HEAD_PX + ROW_PX }}>
                <div
                    role="row"
                    className="sticky top-0 z-10 flex h-22 border-b border-hair-strong bg-paper"
                    style={{ width: columns.width }}
                >
                    <span className="sticky left-0 z-10 h-full shrink-0 bg-paper" style={{ width: GUTTER_PX }} />
                    {sightColumns.map(({ variable, i }) => (
                        <ColumnHead
                            key={variable.key}
                            variable={variable}
                            rows={dataset.rows}
                            ends={ends?.[variable.key] ?? null}
                            left={columns.starts[i] ?? 0}
                            width={widthOf(variable)}
                            frozenAt={isFrozen(variables, i) ? GUTTER_PX : null}
                            view={view}
                            isChosen={view.panel === 'variable' && view.variable === variable.key}
                            onShow={onShow}
                        />
                    ))}
                </div>
                <div className="absolute left-0" style={{ top: HEAD_PX + seen.top, width: columns.width }}>
                    {inSlots(seen, origin).map(({ slot, row }) => (
                        <div
                            key={slot}
                            role="row"
                            aria-rowindex={row + 1}
                            className={clsx(
                                'absolute left-0 flex border-b border-hair [contain:size_layout_style]',
                                end !== null && row >= Math.min(at.row, end) && row <= Math.max(at.row, end) && 'bg-accent-wash',
                            )}
                            style={{ top: (row - seen.base) * ROW_PX, height: ROW_PX, width: columns.width }}
                        >
                            <button
                                type="button"
                                tabIndex={-1}
                                aria-label={row < total ? `Row ${rowNumber(row) ?? ''}` : 'New row'}
                                onClick={(event) => {
                                    setAt({ row, column: at.column });
                                    setEnd(event.shiftKey ? (end ?? at.row) : row);
                                    onSelect({
                                        from: Math.min(row, event.shiftKey ? at.row : row),
                                        to: Math.max(row, event.shiftKey ? at.row : row),
                                    });
                                    box.current?.focus({ preventScroll: true });
                                }}
                                className="figures sticky left-0 z-5 shrink-0 border-r border-hair bg-paper pr-2 text-right text-fine text-soft"
                                style={{ width: GUTTER_PX }}
                            >
                                {row < total + coming ? count(rowNumber(row) ?? row + 1) : '+'}
                            </button>
                            {sightColumns.map(({ variable, i: column }) => {
                                const cell = shownCell(row, variable.key);
                                const isAt = at.row === row && at.column === column;
                                return (
                                    <GridCell
                                        key={variable.key}
                                        variable={variable}
                                        row={row}
                                        cell={cell}
                                        left={columns.starts[column] ?? 0}
                                        isFrozen={isFrozen(variables, column)}
                                        isAt={isAt}
                                        typed={isAt ? typed : null}
                                        isNew={row >= total}
                                        onTake={(isExtending) => {
                                            if (typed !== null && !isAt) {
                                                commit(typed);
                                            }
                                            move({ row, column }, isExtending);
                                        }}
                                        onEdit={edit}
                                        onLeave={(text) => isTyping.current && commit(text)}
                                    />
                                );
                            })}
                        </div>
                    ))}
                </div>
            </div>
        </div>
    );
}
