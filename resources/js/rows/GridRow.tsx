import clsx from 'clsx';
import { memo } from 'react';
import type { Variable } from '../api/client';
import { count } from '../ui/format';
import { type CellEditor, cellId, GridCell } from './GridCell';
import { GUTTER_PX, ROW_PX } from './gridLayout';
import type { Cell } from './useCells';

interface SightColumn {
    variable: Variable;
    place: number;
    left: number;
    isFrozen: boolean;
}

/** One row of the grid; while others come and go it is not made anew. */
export const GridRow = memo(function GridRow({
    name,
    row,
    top,
    label,
    isThere,
    isMarked,
    aside,
    columns,
    width,
    cellAt,
    cursor,
    editor,
}: {
    /** Of the grid, in ids. */
    name: string;
    /** Place in the view, from 0. */
    row: number;
    top: number;
    /** Its number in the dataset; null = the row to type a new one in. */
    label: number | null;
    isThere: boolean;
    isMarked: boolean;
    /** Why no figure counts it; null = it counts. */
    aside: string | null;
    columns: SightColumn[];
    width: number;
    cellAt: (row: number, key: string) => Cell | null;
    /** The column where the cursor is; null = in another row. */
    cursor: number | null;
    editor: CellEditor | null;
}) {
    return (
        <div
            role="row"
            aria-rowindex={row + 2}
            aria-selected={isMarked}
            data-row={row}
            className={clsx(
                'absolute left-0 flex border-b border-hair [contain:size_layout_style]',
                isMarked && 'bg-accent-wash',
                aside !== null && 'text-soft line-through',
            )}
            data-aside={aside ?? undefined}
            style={{ top, height: ROW_PX, width }}
        >
            <span
                role="rowheader"
                aria-colindex={1}
                aria-label={isThere ? `Row ${label ?? ''}${aside === null ? '' : `, set aside: ${aside}`}` : 'New row'}
                title={aside === null ? undefined : `Set aside: ${aside}`}
                className="figures leading-[26px] sticky left-0 z-5 shrink-0 border-r border-hair bg-paper pr-2 text-right text-fine text-soft"
                style={{ width: GUTTER_PX }}
            >
                {label === null ? '+' : count(label)}
            </span>
            {columns.map(({ variable, place, left, isFrozen }) => (
                <GridCell
                    key={variable.key}
                    id={cellId(name, row, place)}
                    column={place + 2}
                    variable={variable}
                    row={row}
                    aside={aside}
                    cell={cellAt(row, variable.key)}
                    left={left}
                    isFrozen={isFrozen}
                    isAt={cursor === place}
                    editor={cursor === place ? editor : null}
                    isNew={!isThere}
                />
            ))}
        </div>
    );
});
