import clsx from 'clsx';
import type { Variable } from '../api/client';
import { GUTTER_PX, ROW_PX, widthOf } from './gridLayout';
import type { Cell } from './useCells';

/** One cell; where the cursor is and something is typed, an editor. */
export function GridCell({
    variable,
    row,
    cell,
    left,
    isFrozen,
    isAt,
    typed,
    isNew,
    onTake,
    onEdit,
    onLeave,
}: {
    variable: Variable;
    /** Place in the view, from 0. */
    row: number;
    /** null = on its way. */
    cell: Cell | null;
    left: number;
    isFrozen: boolean;
    /** Whether the cursor is here. */
    isAt: boolean;
    /** What is being typed here; null = nothing is. */
    typed: string | null;
    /** Whether the row is still to be typed. */
    isNew: boolean;
    onTake: (isExtending: boolean) => void;
    onEdit: (text: string) => void;
    onLeave: (text: string) => void;
}) {
    return (
        <div
            role="gridcell"
            aria-selected={isAt}
            data-cell={`${variable.key}:${row + 1}`}
            dir="auto"
            onMouseDown={(event) => {
                if (!(event.target instanceof HTMLInputElement)) {
                    event.preventDefault();
                    onTake(event.shiftKey);
                }
            }}
            onDoubleClick={() => onEdit(cell?.text ?? '')}
            title={cell?.isUnread ? 'Could not be read; counts as missing' : undefined}
            className={clsx(
                'truncate px-2 py-0.75 text-small',
                isFrozen ? 'sticky z-5 border-r border-hair bg-paper' : 'absolute',
                variable.type === 'number' && 'figures text-right',
                cell?.isUnread && 'font-semibold text-accent underline decoration-wavy underline-offset-3',
                isAt && 'outline-2 -outline-offset-2 outline-accent',
            )}
            style={{ left: isFrozen ? GUTTER_PX : left, width: widthOf(variable), height: isFrozen ? ROW_PX - 1 : ROW_PX }}
        >
            {typed !== null ? (
                <input
                    autoFocus
                    aria-label={`${variable.name}, row ${row + 1}`}
                    value={typed}
                    onChange={(event) => onEdit(event.target.value)}
                    onBlur={() => onLeave(typed)}
                    className="-mx-1 w-[calc(100%+8px)] bg-surface px-1 text-inherit outline-none"
                />
            ) : cell === null ? (
                <span className="text-hair-strong">…</span>
            ) : cell.text === '' ? (
                !isNew && <span className="text-hair-strong">·</span>
            ) : (
                cell.text
            )}
        </div>
    );
}
