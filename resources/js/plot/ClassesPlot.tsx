import { scaleLinear } from 'd3-scale';
import { useState } from 'react';
import type { Grouped } from '../api/client';
import { WordChoice } from '../ui/WordChoice';
import { laneColour } from './colours';
import { PictureOut } from './PictureOut';
import { spread } from './spread';
import { useWalk, walkedLook } from './useWalk';
import { useWidth } from './useWidth';
import { ValueAxis } from './ValueAxis';

const LEFT = 108;
const RIGHT = 26;
const BARS = 170;
const OGIVE = 150;
const BOX = 16;
const GAP = 64;
const TOP = 22;
const AXIS = 44;

/** The classes as bars between their true boundaries, as high as they are dense, with the polygon through their midpoints; the ogive below, quartiles read off it. */
export function ClassesPlot({
    grouped,
    variable,
    axisName,
    names,
}: {
    grouped: Grouped;
    /** Its key. */
    variable: string;
    axisName: string;
    names: string[];
}) {
    const [drawn, setDrawn] = useState(0);
    const column = drawn < names.length ? drawn : 0;
    const name = names[column] ?? '';
    const [frame, width] = useWidth<HTMLDivElement>();
    const x = scaleLinear([grouped.axis.from, grouped.axis.to], [LEFT, width - RIGHT]);
    const highest = Math.max(1e-12, ...grouped.rows.map((row) => row.densities[column] ?? 0));
    const barsBase = TOP + BARS;
    const y = (density: number) => barsBase - (density / highest) * (BARS - 10);
    const ogiveTop = barsBase + GAP;
    const share = scaleLinear([0, 100], [ogiveTop + OGIVE, ogiveTop]);
    const quartiles = (['q1', 'median', 'q3'] as const).flatMap((key, i) => {
        const figure = grouped.figures.find((other) => other.key === key)?.values[column];
        return typeof figure?.value === 'number'
            ? [{ key, value: figure.value, text: figure.text ?? '', percent: 25 * (i + 1), name: ['Q₁', 'median', 'Q₃'][i] ?? '' }]
            : [];
    });
    const first = grouped.rows[0];
    const filled = grouped.rows.filter((row) => (row.counts[column] ?? 0) > 0);
    const ends = [filled[0]?.lower, filled[filled.length - 1]?.upper] as const;
    const [q1, , q3] = quartiles;
    const boxTop = barsBase + 14;
    const quartileNames = spread(
        quartiles.map((quartile) => x(quartile.value)),
        quartiles.map((quartile) => 7 * quartile.name.length + 10),
        LEFT - 20,
        width,
    );
    const inWords = (row: Grouped['rows'][number]) =>
        `${row.label}: ${row.counts[column] ?? 0} (${row.percents[column] ?? ''} %)${row.is_open ? ', width assumed' : ''}`;
    const walk = useWalk(
        () =>
            grouped.rows.map((row) => {
                const top = y(row.densities[column] ?? 0);
                return {
                    lane: 0,
                    words: inWords(row),
                    x: x(row.lower),
                    y: top,
                    width: x(row.upper) - x(row.lower),
                    height: barsBase - top,
                };
            }),
        () => [`${name}, in ${grouped.rows.length} classes.`, ...quartiles.map((quartile) => `${quartile.name} ${quartile.text}.`)],
    );
    return (
        <figure ref={frame} className="w-full min-w-0 flex-1">
            {names.length > 1 && (
                <p className="mb-1 text-small text-soft">
                    Drawn:{' '}
                    <WordChoice
                        name="Classes drawn for"
                        options={names.map((words, i) => ({ value: String(i), words }))}
                        value={String(column)}
                        onChange={(value) => setDrawn(Number(value))}
                    />
                </p>
            )}
            {width > 0 && (
                <svg
                    width={width}
                    height={ogiveTop + OGIVE + AXIS}
                    aria-label={`${axisName}, ${name}: histogram of classes with polygon, estimated box, and ogive`}
                    {...walk.keys}
                    className={`block text-fine ${walkedLook}`}
                >
                    <text x={LEFT - 10} y={TOP + 10} textAnchor="end" fill="var(--soft)">
                        % per unit
                    </text>
                    {grouped.rows.map((row, i) => (
                        <rect
                            key={i}
                            data-class={row.label}
                            x={x(row.lower)}
                            y={y(row.densities[column] ?? 0)}
                            width={Math.max(0.5, x(row.upper) - x(row.lower) - 1)}
                            height={barsBase - y(row.densities[column] ?? 0)}
                            fill={laneColour(column)}
                            fillOpacity={row.is_open ? 0.16 : 0.36}
                            strokeDasharray={row.is_open ? '4 3' : undefined}
                            stroke={row.is_open ? laneColour(column) : 'none'}
                        >
                            <title>{inWords(row)}</title>
                        </rect>
                    ))}
                    <polyline
                        data-polygon=""
                        fill="none"
                        stroke={laneColour(column)}
                        strokeWidth={1.5}
                        points={grouped.rows.map((row) => `${x(row.middle)},${y(row.densities[column] ?? 0)}`).join(' ')}
                    />
                    <line x1={LEFT} x2={width - RIGHT} y1={barsBase} y2={barsBase} stroke="var(--hair-strong)" />
                    <text x={LEFT - 10} y={ogiveTop + 4} textAnchor="end" fill="var(--soft)">
                        100 %
                    </text>
                    <text x={LEFT - 10} y={ogiveTop + 30} textAnchor="end" fill="var(--soft)">
                        up to here
                    </text>
                    <polyline
                        data-ogive=""
                        fill="none"
                        stroke={laneColour(column)}
                        strokeWidth={1.75}
                        points={[
                            `${x(first?.lower ?? 0)},${share(0)}`,
                            ...grouped.rows.map((row) => `${x(row.upper)},${share(row.cumulative[column] ?? 0)}`),
                        ].join(' ')}
                    />
                    {quartiles.length === 3 && ends[0] !== undefined && ends[1] !== undefined && (
                        <>
                            <text x={LEFT - 10} y={boxTop + BOX / 2 + 4} textAnchor="end" fill="var(--soft)">
                                box, estimated
                            </text>
                            <g data-box="estimated" stroke={laneColour(column)} strokeDasharray="4 3" fill="none">
                                <title>Estimated from the classes: quartiles interpolated, ends at the outermost boundaries</title>
                                <path
                                    d={`M${x(ends[0])} ${boxTop + BOX / 2}H${x(q1?.value ?? 0)}M${x(q3?.value ?? 0)} ${boxTop + BOX / 2}H${x(ends[1])}`}
                                />
                                <rect x={x(q1?.value ?? 0)} y={boxTop} width={x(q3?.value ?? 0) - x(q1?.value ?? 0)} height={BOX} />
                            </g>
                        </>
                    )}
                    {quartiles.map((quartile, i) => (
                        <g
                            key={quartile.key}
                            stroke="var(--soft)"
                            strokeDasharray={quartile.key === 'median' ? undefined : '3 3'}
                            fill="none"
                        >
                            <path data-quartile={quartile.key} d={`M${LEFT} ${share(quartile.percent)}H${x(quartile.value)}V${TOP}`} />
                            <text x={quartileNames[i]} y={TOP - 6} textAnchor="middle" fill="var(--soft)" stroke="none">
                                {quartile.name}
                            </text>
                        </g>
                    ))}
                    <ValueAxis axis={grouped.axis} name={axisName} x={x} top={ogiveTop + OGIVE} />
                    {walk.frame}
                </svg>
            )}
            {walk.words}
            <figcaption className="mt-1 text-fine text-soft">
                Bars stand between the true boundaries; their areas are the shares. The box is estimated: its ends are the outermost
                boundaries
                {grouped.rows.some((row) => row.is_open) && '; a dashed bar is an open class of assumed width'}.
            </figcaption>
            <PictureOut
                frame={frame}
                name={`${axisName}, classes`}
                numbers={() => [
                    ['Class', 'Lower boundary', 'Upper boundary', 'Count', 'Cumulative %'],
                    ...grouped.rows.map((row) =>
                        [row.label, row.lower, row.upper, row.counts[column] ?? 0, row.cumulative[column] ?? 0].map(String),
                    ),
                ]}
                words={{ picture: 'classes', of: variable, column }}
            />
        </figure>
    );
}
