import clsx from 'clsx';
import {
    type ClipboardEvent,
    type KeyboardEvent,
    type Ref,
    useCallback,
    useEffect,
    useImperativeHandle,
    useMemo,
    useRef,
    useState,
} from 'react';
import type { Dataset, Variable } from '../api/client';
import { count } from '../ui/format';
import { Notice } from '../ui/Notice';
import type { ChangeWords } from './changes';
import { ColumnHead } from './ColumnHead';
import { BLOCK, PAGE, useEnds, useRowWindows, useTotal } from './queries';
import { cellsOfText, type View } from './view';

const ROW_PX = 26;
const GUTTER_PX = 72;
const HEAD_PX = 88;
const AHEAD = 12;
/** Browsers draw no element taller than some 30 million pixels; a view with more rows scrolls in larger steps. */
const TALLEST_PX = 16_000_000;

const narrowest: Record<Variable['type'], number> = { number: 108, category: 132, date: 122, id: 104, text: 190 };
const WIDEST_PX = 220;
const LETTER_PX = 7.4;

/** Wide enough for the name with its unit, within reason. */
function widthOf(variable: Variable): number {
    const letters = variable.name.length + (variable.type === 'number' ? (variable.unit ?? '').length : variable.type.length) + 1;
    return Math.max(narrowest[variable.type], Math.min(WIDEST_PX, Math.round(letters * LETTER_PX) + 24));
}

export interface GridHandle {
    /** Scrolls to a place in the view, from 0, and puts the cursor there. */
    go: (place: number, key?: string) => void;
    here: () => number;
    rowNumbers: (from: number, to: number) => number[];
}

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
    const [sight, setSight] = useState({ top: 0, left: 0, height: 600, width: 900 });
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

    const columns = useMemo(() => {
        const starts: number[] = [];
        let x = GUTTER_PX;
        for (const variable of variables) {
            starts.push(x);
            x += widthOf(variable);
        }
        return { starts, width: x };
    }, [variables]);
    const rows = total + coming + (canAdd ? 1 : 0);
    const tall = rows * ROW_PX;
    const scale = Math.max(1, tall / TALLEST_PX);
    const first = Math.max(0, Math.floor((sight.top * scale) / ROW_PX) - (scale > 1 ? 0 : AHEAD));
    const last = Math.min(rows, first + Math.ceil(sight.height / ROW_PX) + 2 * AHEAD);
    const firstColumn = Math.max(
        0,
        columns.starts.findIndex((x, i) => x + columnWidth(variables[i]) > sight.left),
    );
    const lastColumn = variables.findLastIndex((_, i) => (columns.starts[i] ?? 0) < sight.left + sight.width);

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
        (row: number, key: string): { text: string; isUnread: boolean } | null => {
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
    const shownCell = (row: number, key: string): { text: string; isUnread: boolean } | null => {
        const waiting = sent[`${key}:${row}`];
        if (waiting !== undefined) {
            return { text: waiting, isUnread: false };
        }
        return row < total ? cellAt(row, key) : { text: '', isUnread: false };
    };
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

    useEffect(() => {
        const element = box.current;
        if (element === null) {
            return;
        }
        const look = () =>
            setSight({ top: element.scrollTop, left: element.scrollLeft, height: element.clientHeight, width: element.clientWidth });
        const watch = new ResizeObserver(look);
        watch.observe(element);
        element.addEventListener('scroll', look, { passive: true });
        return () => {
            watch.disconnect();
            element.removeEventListener('scroll', look);
        };
    }, []);

    const reveal = (place: Place) => {
        const element = box.current;
        if (element === null) {
            return;
        }
        const y = (place.row * ROW_PX) / scale;
        if (y < element.scrollTop) {
            element.scrollTop = y;
        } else if (y + ROW_PX > element.scrollTop + element.clientHeight - HEAD_PX) {
            element.scrollTop = y + 2 * ROW_PX - element.clientHeight + HEAD_PX;
        }
        const x = columns.starts[place.column] ?? 0;
        const width = columnWidth(variables[place.column]);
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
                element.scrollTop = (Math.max(0, place - 4) * ROW_PX) / scale;
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

    if (windows.error !== null && view.where === '') {
        return (
            <div className="flex-1 px-6">
                <Notice>{windows.error.message}</Notice>
            </div>
        );
    }
    const sightColumns = variables
        .map((variable, i) => ({ variable, i }))
        .filter(({ i }) => (i >= firstColumn && i <= lastColumn) || isFrozen(variables, i));
    const top = scale > 1 ? sight.top : first * ROW_PX;
    return (
        <div
            ref={box}
            role="grid"
            aria-label="Rows"
            aria-rowcount={total}
            aria-colcount={variables.length}
            aria-busy={windows.isFetching}
            tabIndex={0}
            onKeyDown={press}
            onPaste={paste}
            onCopy={copy}
            className="relative min-w-0 flex-1 overflow-auto outline-none"
        >
            <div className="relative" style={{ width: columns.width, height: Math.min(tall, TALLEST_PX) + HEAD_PX + ROW_PX }}>
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
                <div className="absolute left-0" style={{ top: HEAD_PX + top, width: columns.width }}>
                    {Array.from({ length: Math.max(0, last - first) }, (_, i) => first + i).map((row, i) => (
                        <div
                            key={row}
                            role="row"
                            aria-rowindex={row + 1}
                            className={clsx(
                                'absolute left-0 flex border-b border-hair',
                                end !== null && row >= Math.min(at.row, end) && row <= Math.max(at.row, end) && 'bg-accent-wash',
                            )}
                            style={{ top: i * ROW_PX, height: ROW_PX, width: columns.width }}
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
                                    <div
                                        key={variable.key}
                                        role="gridcell"
                                        aria-selected={isAt}
                                        data-cell={`${variable.key}:${row + 1}`}
                                        dir="auto"
                                        onMouseDown={(event) => {
                                            if (typed !== null && !isAt) {
                                                commit(typed);
                                            }
                                            if (!(event.target instanceof HTMLInputElement)) {
                                                event.preventDefault();
                                                move({ row, column }, event.shiftKey);
                                            }
                                        }}
                                        onDoubleClick={() => edit(cell?.text ?? '')}
                                        title={cell?.isUnread ? 'Could not be read; counts as missing' : undefined}
                                        className={clsx(
                                            'truncate px-2 py-0.75 text-small',
                                            isFrozen(variables, column) ? 'sticky z-5 border-r border-hair bg-paper' : 'absolute',
                                            variable.type === 'number' && 'figures text-right',
                                            cell?.isUnread && 'font-semibold text-accent underline decoration-wavy underline-offset-3',
                                            isAt && 'outline-2 -outline-offset-2 outline-accent',
                                        )}
                                        style={{
                                            left: isFrozen(variables, column) ? GUTTER_PX : columns.starts[column],
                                            width: widthOf(variable),
                                            height: ROW_PX,
                                        }}
                                    >
                                        {isAt && typed !== null ? (
                                            <input
                                                autoFocus
                                                aria-label={`${variable.name}, row ${row + 1}`}
                                                value={typed}
                                                onChange={(event) => setTyped(event.target.value)}
                                                onBlur={() => isTyping.current && commit(typed)}
                                                className="-mx-1 w-[calc(100%+8px)] bg-surface px-1 text-inherit outline-none"
                                            />
                                        ) : cell === null ? (
                                            <span className="text-hair-strong">…</span>
                                        ) : cell.text === '' ? (
                                            row < total && <span className="text-hair-strong">·</span>
                                        ) : (
                                            cell.text
                                        )}
                                    </div>
                                );
                            })}
                        </div>
                    ))}
                </div>
            </div>
        </div>
    );
}

function columnWidth(variable: Variable | undefined): number {
    return variable === undefined ? 0 : widthOf(variable);
}

/** An id in the first column stays in sight. */
function isFrozen(variables: Variable[], column: number): boolean {
    return column === 0 && variables[0]?.type === 'id';
}
