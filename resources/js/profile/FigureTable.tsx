import { OneStop } from '../ui/OneStop';
import clsx from 'clsx';
import type { FigureRow } from '../api/client';
import { laneColour } from '../plot/colours';
import { CopyFigure } from './CopyFigure';
import { figureName, roomBehind } from './figureCells';

/** After these figures a stronger line ends a family. */
const FAMILY_ENDS = new Set(['missing', 'modes_frequency', 'mad', 'iqr', 'outliers_count', 'within_3', 'anderson_darling_p']);

const LABELS_PX = 170;
const CHARACTER_PX = 7.3;
const CELL_PADDING_PX = 20;
/** A longer text, such as a reason or a list of modes, wraps. */
const MOST_CHARACTERS = 16;

/** About how wide the table is going to be, in pixels. */
export function tableWidth(rows: FigureRow[], names: string[]): number {
    const behind = roomBehind(rows);
    let width = LABELS_PX;
    names.forEach((name, i) => {
        const longest = Math.max(...rows.map((row) => textWith(row.values[i]?.text ?? null, (text) => behind(row, text))));
        const word = Math.max(...name.split(/\s+/).map((part) => part.length));
        width += Math.max(Math.min(longest, MOST_CHARACTERS), Math.min(word, MOST_CHARACTERS)) * CHARACTER_PX + CELL_PADDING_PX;
    });
    return width;
}

/** How many characters a figure takes, with what keeps its point below the others. */
function textWith(text: string | null, behind: (text: string) => string): number {
    return text === null ? 0 : text.length + behind(text).length;
}

/**
 * Figures down, overall and each group across; undefined ones say why. A click on a figure copies it in full precision; its name,
 * or the small mark beside it, opens how it came about. Names of groups scroll with their columns.
 */
export function FigureTable({
    rows,
    names,
    unit,
    isBeside,
    onOpen,
}: {
    rows: FigureRow[];
    names: string[];
    unit: string | null;
    isBeside: boolean;
    onOpen: (figure: string, column: number) => void;
}) {
    const room = roomBehind(rows);
    const mean = (rows.find(({ key }) => key === 'mean') ?? rows[0])?.key;
    return (
        <OneStop className={clsx('max-w-full overflow-x-auto', isBeside && 'xl:max-w-[54%]')} role="region" aria-label="Figures">
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
                            <th scope="row" className="sticky left-0 bg-paper p-0 text-left font-normal">
                                <button
                                    type="button"
                                    data-shortcut={row.key === mean ? 'working' : undefined}
                                    title="How it came about"
                                    className="py-1 pr-3 text-left decoration-hair-strong underline-offset-4 hover:underline"
                                    onClick={() => onOpen(row.key, 0)}
                                >
                                    {row.label}{' '}
                                    {row.symbol !== '' && <i className="ml-0.5 font-serif text-small text-soft">{row.symbol}</i>}
                                    {row.shown_as === 'unit-squared' && unit !== null && unit.length < 8 && (
                                        <span className="ml-1 text-fine text-soft">{unit}²</span>
                                    )}
                                </button>
                            </th>
                            {row.values.map((figure, i) => (
                                <td
                                    key={i}
                                    data-figure={row.key}
                                    className={clsx(
                                        'group relative p-0 text-right',
                                        i === 0 && 'font-semibold',
                                        figure.text === null
                                            ? 'max-w-32 min-w-24 text-fine leading-tight whitespace-normal text-soft'
                                            : 'figures',
                                        Array.isArray(figure.value) && 'max-w-44 min-w-28 whitespace-normal',
                                    )}
                                >
                                    {figure.text === null ? (
                                        <span className="block px-2 py-1">{figure.reason}</span>
                                    ) : (
                                        <CopyFigure figure={figure} room={room(row, figure.text)} />
                                    )}
                                    {i > 0 && figure.text !== null && (
                                        <button
                                            type="button"
                                            aria-label={`How ${figureName(row)} of ${names[i] ?? ''} came about`}
                                            title="How it came about"
                                            className="absolute top-0.5 -left-3 size-6 rounded-full bg-accent text-fine leading-6 text-on-accent opacity-0 group-hover:opacity-100 focus-visible:opacity-100 before:content-['=']"
                                            onClick={() => onOpen(row.key, i)}
                                        />
                                    )}
                                </td>
                            ))}
                        </tr>
                    ))}
                </tbody>
            </table>
        </OneStop>
    );
}
