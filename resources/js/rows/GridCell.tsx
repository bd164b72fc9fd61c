import clsx from 'clsx';
import type { Variable } from '../api/client';
import { shownCellText } from '../ui/numbers';
import { digitsIn, GUTTER_PX, ROW_PX, widthOf } from './gridLayout';
import type { Cell } from './useCells';

/** What is being typed in a cell, and who wants to know of it. */
export interface CellEditor {
    typed: string;
    onEdit: (text: string) => void;
    onLeave: (text: string) => void;
}

/** What a cell is called in the page: where the cursor is, is said by it. */
export function cellId(grid: string, row: number, column: number): string {
    return `${grid}-${row}-${column}`;
}

/** One cell; where the cursor is and something is typed, an editor. */
export function GridCell({
    id,
    column,
    variable,
    row,
    aside,
    cell,
    left,
    isFrozen,
    isAt,
    editor,
    isNew,
}: {
    id: string;
    /** Place among the columns, from 1. */
    column: number;
    variable: Variable;
    /** Place in the view, from 0. */
    row: number;
    /** Why no figure counts the row; null = it counts. */
    aside: string | null;
    /** null = on its way. */
    cell: Cell | null;
    left: number;
    isFrozen: boolean;
    /** Whether the cursor is here. */
    isAt: boolean;
    /** null = nothing is being typed here. */
    editor: CellEditor | null;
    /** Whether the row is still to be typed. */
    isNew: boolean;
}) {
    // A cell that cuts its text off takes longer to draw; digits that have room need no cutting.
    const isNumber = variable.type === 'number' && cell?.isUnread !== true;
    const shown = cell === null ? '' : cell.isUnread ? cell.text : shownCellText(cell.text, variable.type);
    const isCut = !isNumber || shown.length > digitsIn(widthOf(variable));
    const about = [
        cell?.isUnsaved === true && 'Not saved yet',
        cell?.isUnread === true && 'Could not be read; counts as missing',
        aside !== null && `In a row that is set aside: ${aside}`,
    ].filter((words) => words !== false);
    return (
        <div
            id={id}
            role="gridcell"
            aria-colindex={column}
            aria-selected={isAt}
            aria-invalid={cell?.isUnread === true ? true : undefined}
            data-key={variable.key}
            dir={isNumber ? undefined : 'auto'}
            title={about.length === 0 ? undefined : about.join('. ')}
            className={clsx(
                'px-2 py-0.75 text-small whitespace-nowrap',
                isCut && 'overflow-hidden text-ellipsis',
                isFrozen ? 'sticky z-5 border-r border-hair bg-paper' : 'absolute',
                variable.type === 'number' && 'figures text-right',
                cell?.isUnsaved && 'bg-accent-wash italic',
                cell?.isUnread && 'font-semibold text-accent underline decoration-wavy underline-offset-3',
                isAt && 'outline-2 -outline-offset-2 outline-hair-strong group-focus-within/grid:outline-accent',
            )}
            style={{ left: isFrozen ? GUTTER_PX : left, width: widthOf(variable), height: isFrozen ? ROW_PX - 1 : ROW_PX }}
        >
            {editor !== null ? (
                <input
                    autoFocus
                    aria-label={`${variable.name}, row ${row + 1}`}
                    value={editor.typed}
                    onChange={(event) => editor.onEdit(event.target.value)}
                    onBlur={() => editor.onLeave(editor.typed)}
                    className="-mx-1 w-[calc(100%+8px)] bg-surface px-1 text-inherit outline-none"
                />
            ) : cell === null ? (
                <span className="text-soft">…</span>
            ) : cell.text === '' ? (
                !isNew && (
                    <span aria-hidden className="text-soft">
                        ·
                    </span>
                )
            ) : (
                shown
            )}
        </div>
    );
}
