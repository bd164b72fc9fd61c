import { written } from '../ui/numbers';
import clsx from 'clsx';
import type { Variable } from '../api/client';
import { MicroPlot } from '../plot/MicroPlot';
import { count } from '../ui/format';
import type { View } from './view';

/** A variable over its cells: name, unit, micro-plot, how many have a value, and the ends of the values. */
export function ColumnHead({
    id,
    column,
    isAt,
    variable,
    rows,
    ends,
    left,
    width,
    frozenAt,
    view,
    isChosen,
    onShow,
}: {
    id: string;
    /** Place among the columns, from 1. */
    column: number;
    /** Whether the cursor is here. */
    isAt: boolean;
    variable: Variable;
    rows: number;
    ends: { lowest: string; highest: string } | null;
    left: number;
    width: number;
    /** Where it stays when the others scroll by; null = it scrolls with them. */
    frozenAt: number | null;
    view: View;
    isChosen: boolean;
    onShow: (change: Partial<View>) => void;
}) {
    const sortMark = view.sort === variable.key ? '↑' : view.sort === `${variable.key}:down` ? '↓' : '';
    return (
        <div
            id={id}
            role="columnheader"
            aria-colindex={column}
            aria-sort={sortMark === '↑' ? 'ascending' : sortMark === '↓' ? 'descending' : undefined}
            className={clsx(
                'h-full px-2 pt-1.5',
                frozenAt === null ? 'absolute top-0' : 'sticky z-10 shrink-0 border-r border-hair bg-paper',
                isChosen && 'bg-accent-wash',
                isAt && 'outline-2 -outline-offset-2 outline-hair-strong group-focus-within/grid:outline-accent',
            )}
            style={{ left: frozenAt ?? left, width }}
        >
            <button
                type="button"
                tabIndex={-1}
                aria-expanded={isChosen}
                title={`${variable.name}: ${variable.description ?? variable.type}. Open what can be changed about it.`}
                onClick={() => onShow({ panel: isChosen ? null : 'variable', variable: variable.key })}
                className="block w-full truncate text-left text-small font-semibold underline-offset-4 hover:underline"
            >
                <bdi>{variable.name}</bdi> <span aria-hidden>{sortMark}</span>
                <span className="ml-1 text-fine font-normal text-soft">
                    {variable.made !== null && !variable.made.frozen ? 'made ' : ''}
                    {variable.type === 'number' ? (variable.unit ?? '') : variable.type}
                </span>
            </button>
            <span className="block h-5">
                <MicroPlot scene={variable.micro} isMuted={!isChosen} />
            </span>
            <span className="mt-1 block truncate text-fine text-soft">
                <span className="figures">{count(rows - variable.missing)}</span>
                {variable.missing > 0 && <span className="figures text-alarm"> −{count(variable.missing)}</span>}
            </span>
            <span
                className="figures block truncate text-fine text-soft"
                title={ends === null ? undefined : `from ${written(ends.lowest)} to ${written(ends.highest)}`}
            >
                {ends === null
                    ? variable.labels === null
                        ? ''
                        : `${count(variable.labels.length)} labels`
                    : `${written(ends.lowest)}–${written(ends.highest)}`}
            </span>
        </div>
    );
}
