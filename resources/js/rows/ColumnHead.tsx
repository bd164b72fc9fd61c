import clsx from 'clsx';
import type { Variable } from '../api/client';
import { MicroPlot } from '../plot/MicroPlot';
import { count } from '../ui/format';
import type { View } from './view';

/** A variable over its cells: name, unit, micro-plot, how many have a value, and the ends of the values. */
export function ColumnHead({
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
            role="columnheader"
            className={clsx(
                'h-full px-2 pt-1.5',
                frozenAt === null ? 'absolute top-0' : 'sticky z-10 shrink-0 border-r border-hair bg-paper',
                isChosen && 'bg-accent-wash',
            )}
            style={{ left: frozenAt ?? left, width }}
        >
            <button
                type="button"
                title={`${variable.name}: ${variable.description ?? variable.type}. Open what can be changed about it.`}
                onClick={() => onShow({ panel: isChosen ? null : 'variable', variable: variable.key })}
                className="block w-full truncate text-left text-small font-semibold underline-offset-4 hover:underline"
            >
                <bdi>{variable.name}</bdi> {sortMark}
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
                title={ends === null ? undefined : `from ${ends.lowest} to ${ends.highest}`}
            >
                {ends === null
                    ? variable.labels === null
                        ? ''
                        : `${count(variable.labels.length)} labels`
                    : `${ends.lowest}–${ends.highest}`}
            </span>
        </div>
    );
}
