import { scaleLinear } from 'd3-scale';
import type { Dots } from '../api/client';
import { count, counted } from '../ui/format';
import { laneColour } from './colours';
import { MeanMark } from './marks';
import { PictureOut } from './PictureOut';
import { useWalk, walkedLook } from './useWalk';
import { useWidth } from './useWidth';
import { ValueAxis } from './ValueAxis';

const LEFT = 108;
const RIGHT = 26;
const GAP = 16;
const TOP = 8;
const AXIS = 44;
const LARGEST = 4.5;
const TALLEST = 190;

/** Dots stacked at their places, a lane for each group, with the mean and the median under them. */
export function DotPlot({
    dots,
    variable,
    names,
    axisName,
}: {
    dots: Dots;
    /** Its key. */
    variable: string;
    names: string[];
    axisName: string;
}) {
    const [frame, width] = useWidth<HTMLDivElement>();
    const x = scaleLinear([dots.axis?.from ?? 0, dots.axis?.to ?? 1], [LEFT, width - RIGHT]);
    const nearest = Math.min(...dots.at.slice(1).map((at, i) => x(at) - x(dots.at[i] ?? at)), 2 * LARGEST);
    const highest = Math.max(1, ...dots.lanes.flatMap((lane) => lane.dots));
    const radius = Math.max(0.8, Math.min(LARGEST, nearest / 2, TALLEST / highest / 2));
    const tall = dots.lanes.map((lane) => Math.max(1, ...lane.dots) * 2 * radius + GAP);
    const bottom = (i: number) => tall.slice(0, i + 1).reduce((sum, own) => sum + own, TOP);
    const lanes = dots.lanes.map((lane, i) => ({ ...lane, base: bottom(i) - GAP / 2 }));
    const y = bottom(tall.length - 1);
    const inWords = (lane: number, column: number) =>
        `${names[lane] ?? ''}, ${dots.bin_width === null ? 'at' : 'around'} ${dots.at[column]}: ${counted(dots.lanes[lane]?.counts[column] ?? 0, 'row')}`;
    const walk = useWalk(
        () =>
            lanes.flatMap((lane, i) =>
                lane.dots.flatMap((number, column) => {
                    const tall = 2 * radius * number;
                    const mark = { lane: i, words: inWords(i, column), width: 2 * radius, height: tall, y: lane.base - tall };
                    return number === 0 ? [] : [{ ...mark, x: x(dots.at[column] ?? 0) - radius }];
                }),
            ),
        () =>
            dots.lanes.map((lane, i) => {
                const filled = lane.counts.flatMap((number, column) => (number > 0 ? [column] : []));
                const [first, last] = [filled[0], filled.at(-1)];
                const fullest = lane.counts.indexOf(Math.max(...lane.counts));
                return first === undefined || last === undefined
                    ? `${names[i] ?? ''}: no values.`
                    : `${names[i] ?? ''}: dots from ${dots.at[first]} to ${dots.at[last]}; most, ${inWords(i, fullest).replace(/^.*?, /, '')}.`;
            }),
    );
    if (dots.axis === null) {
        return <p className="text-soft">There is no value to draw.</p>;
    }
    return (
        <figure ref={frame} className="w-full max-w-4xl">
            {width > 0 && (
                <svg
                    width={width}
                    height={y + AXIS}
                    aria-label={`${axisName}: dot plot, ${names.join(', ')}`}
                    {...walk.keys}
                    className={`block text-fine ${walkedLook}`}
                >
                    {lanes.map((lane, i) => (
                        <g key={i} data-dots={names[i]} fill={laneColour(i)}>
                            {lane.dots.map((number, column) => {
                                const at = x(dots.at[column] ?? 0);
                                return Array.from({ length: number }, (_, k) => (
                                    <circle
                                        key={`${column} ${k}`}
                                        data-dot=""
                                        cx={at}
                                        cy={lane.base - radius - k * 2 * radius}
                                        r={radius * 0.92}
                                    >
                                        <title>{`${dots.at[column]}: ${count(lane.counts[column] ?? 0)}`}</title>
                                    </circle>
                                ));
                            })}
                            <line x1={LEFT} x2={width - RIGHT} y1={lane.base} y2={lane.base} stroke="var(--hair-strong)" />
                            {lane.median !== null && (
                                <line
                                    data-median=""
                                    x1={x(lane.median)}
                                    x2={x(lane.median)}
                                    y1={lane.base - 4}
                                    y2={lane.base + 7}
                                    stroke="var(--ink)"
                                    strokeWidth={3}
                                />
                            )}
                            {lane.mean !== null && <MeanMark x={x(lane.mean)} y={lane.base + 1} colour={laneColour(i)} />}
                            <text x={LEFT - 10} y={lane.base - 2} textAnchor="end" fill="var(--ink)">
                                {names[i]}
                            </text>
                        </g>
                    ))}
                    <ValueAxis axis={dots.axis} name={axisName} x={x} top={y} />
                    {walk.frame}
                </svg>
            )}
            {walk.words}
            <figcaption className="mt-1 text-fine text-soft">
                {dots.per_dot === 1 ? 'One dot is one row' : `One dot = up to ${count(dots.per_dot)} rows`}
                {dots.bin_width === null ? ', at its exact value' : `, in bins of ${dots.bin_width}, because the values are crowded`}. ▲
                mean, heavy line median.
            </figcaption>
            <PictureOut
                frame={frame}
                name={`${axisName}, dot plot`}
                numbers={() => [
                    ['Value', ...names],
                    ...dots.at.map((at, column) => [String(at), ...dots.lanes.map((lane) => String(lane.counts[column] ?? 0))]),
                ]}
                words={{ picture: 'dots', of: variable }}
            />
        </figure>
    );
}
