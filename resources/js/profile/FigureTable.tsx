import clsx from 'clsx';
import type { FigureRow } from '../api/client';
import { laneColour } from '../plot/colours';

/** After these figures a stronger line ends a family: how many, centre and spread, the five numbers, widths. */
const FAMILY_ENDS = new Set(['missing', 'variance', 'max', 'iqr']);

const LABELS_PX = 160;
const CHARACTER_PX = 7.3;
const CELL_PADDING_PX = 16;

/** About how wide the table is going to be, in pixels. */
export function tableWidth(rows: FigureRow[]): number {
    const columns = rows[0]?.values.length ?? 0;
    let width = LABELS_PX;
    for (let i = 0; i < columns; i++) {
        const longest = Math.max(...rows.map((row) => row.values[i]?.text?.length ?? 0));
        width += longest * CHARACTER_PX + CELL_PADDING_PX;
    }
    return width;
}

/** Figures down, overall and each group across; undefined ones say why. Names of groups scroll with their columns. */
export function FigureTable({
    rows,
    names,
    unit,
    isBeside,
}: {
    rows: FigureRow[];
    names: string[];
    unit: string | null;
    isBeside: boolean;
}) {
    return (
        <div className={clsx('max-w-full overflow-x-auto', isBeside && 'xl:max-w-[54%]')} tabIndex={0} role="region" aria-label="Figures">
            <table className="border-collapse text-small whitespace-nowrap">
                <thead>
                    <tr>
                        <td className="sticky left-0 bg-paper" />
                        {names.map((name, i) => (
                            <th
                                key={i}
                                scope="col"
                                className="max-w-32 px-2 pb-1 text-right align-bottom text-small font-medium whitespace-normal text-soft"
                            >
                                <bdi className="line-clamp-3 break-words" title={name}>
                                    {name}
                                </bdi>
                                <span aria-hidden="true" className="mt-1 block h-0.75 rounded-full" style={{ background: laneColour(i) }} />
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {rows.map((row) => (
                        <tr key={row.key} className={clsx('border-b', FAMILY_ENDS.has(row.key) ? 'border-hair-strong' : 'border-hair')}>
                            <th scope="row" className="sticky left-0 bg-paper py-1 pr-3 text-left font-normal">
                                {row.label} {row.symbol !== '' && <i className="ml-0.5 font-serif text-small text-soft">{row.symbol}</i>}
                                {row.shown_as === 'unit-squared' && unit !== null && unit.length < 8 && (
                                    <span className="ml-1 text-fine text-soft">{unit}²</span>
                                )}
                            </th>
                            {row.values.map((figure, i) => (
                                <td
                                    key={i}
                                    data-figure={row.key}
                                    title={figure.value === null ? (figure.reason ?? '') : `${String(figure.value)} in full precision`}
                                    className={clsx(
                                        'px-2 py-1 text-right',
                                        i === 0 && 'font-semibold',
                                        figure.text === null
                                            ? 'max-w-32 min-w-24 text-fine leading-tight whitespace-normal text-soft'
                                            : 'figures',
                                    )}
                                >
                                    {figure.text ?? figure.reason}
                                </td>
                            ))}
                        </tr>
                    ))}
                </tbody>
            </table>
        </div>
    );
}
