import { scaleLinear } from 'd3-scale';
import { useId } from 'react';
import type { Axis } from '../api/client';
import { counted } from '../ui/format';
import type { PictureWords } from '../ui/keeping';
import { PictureOut } from './PictureOut';
import { useWalk, walkedLook } from './useWalk';
import { useWidth } from './useWidth';
import { labelEvery, ValueAxis } from './ValueAxis';

const HEIGHT = 300;
const TOP = 14;
const BOTTOM = 44;
const LEFT = 76;
const RIGHT = 26;
const POINT = 3;

/** A place on an axis in words: what is seen of it, not a figure. */
function short(place: number): string {
    return String(Number(place.toPrecision(4))).replace('-', '−');
}

/** Points over two axes, with lines: the normal Q–Q plot and the ordered strip. */
export function PointPlot({
    points,
    xAxis,
    yAxis,
    xName,
    yName,
    colour,
    line,
    cuts,
    title,
    caption,
    words,
}: {
    points: number[][];
    xAxis: Axis;
    yAxis: Axis;
    xName: string;
    yName: string;
    colour: string;
    /** A straight line through the picture. */
    line?: { slope: number; intercept: number } | null;
    /** Places on both axes that are drawn as a cross from them. */
    cuts?: { name: string; x: number; y: number }[];
    title: string;
    caption: string;
    /** How the server is asked for the same picture. */
    words: PictureWords;
}) {
    const [frame, width] = useWidth<HTMLDivElement>();
    const clip = useId();
    const x = scaleLinear([xAxis.from, xAxis.to], [LEFT, width - RIGHT]);
    const y = scaleLinear([yAxis.from, yAxis.to], [HEIGHT - BOTTOM, TOP]);
    const every = labelEvery(
        yAxis.ticks.map((tick) => ({ ...tick, text: '00' })),
        (HEIGHT - BOTTOM - TOP) / (yAxis.to - yAxis.from),
    );
    const inWords = ([px = 0, py = 0]: number[]) => `${xName} ${short(px)}, ${yName} ${short(py)}`;
    const walk = useWalk(
        () =>
            points.map((point) => ({
                lane: 0,
                words: inWords(point),
                x: x(point[0] ?? 0) - POINT,
                y: y(point[1] ?? 0) - POINT,
                width: 2 * POINT,
                height: 2 * POINT,
            })),
        () => [`${counted(points.length, 'point')}, from ${inWords(points[0] ?? [])} to ${inWords(points.at(-1) ?? [])}; ${caption}`],
    );
    return (
        <figure ref={frame} className="w-full max-w-2xl min-w-0">
            {width > 0 && (
                <svg width={width} height={HEIGHT} aria-label={title} {...walk.keys} className={`block text-fine ${walkedLook}`}>
                    {yAxis.ticks.map((tick, i) => (
                        <g key={tick.at}>
                            <line x1={LEFT} x2={width - RIGHT} y1={y(tick.at)} y2={y(tick.at)} stroke="var(--hair)" />
                            {i % every === 0 && (
                                <text x={LEFT - 8} y={y(tick.at) + 4} textAnchor="end" fill="var(--soft)" className="figures">
                                    {tick.text}
                                </text>
                            )}
                        </g>
                    ))}
                    <text x={LEFT} y={TOP - 3} fill="var(--ink)">
                        {yName}
                    </text>
                    <clipPath id={clip}>
                        <rect x={LEFT} y={TOP} width={Math.max(0, width - LEFT - RIGHT)} height={HEIGHT - TOP - BOTTOM} />
                    </clipPath>
                    {line != null && (
                        <line
                            data-reference=""
                            clipPath={`url(#${clip})`}
                            x1={x(xAxis.from)}
                            x2={x(xAxis.to)}
                            y1={y(line.intercept + line.slope * xAxis.from)}
                            y2={y(line.intercept + line.slope * xAxis.to)}
                            stroke="var(--soft)"
                            strokeDasharray="5 3"
                        />
                    )}
                    {cuts?.map((cut) => (
                        <g key={cut.name} stroke="var(--soft)" strokeDasharray="3 3" fill="none">
                            <path data-cut={cut.name} d={`M${LEFT} ${y(cut.y)}H${x(cut.x)}V${HEIGHT - BOTTOM}`} />
                            <text x={x(cut.x) + 4} y={HEIGHT - BOTTOM - 6} fill="var(--soft)" stroke="none" className="halo">
                                {cut.name}
                            </text>
                        </g>
                    ))}
                    <g fill={colour} fillOpacity={0.75}>
                        {points.map(([px = 0, py = 0], i) => (
                            <circle key={i} data-point={i} cx={x(px)} cy={y(py)} r={points.length > 300 ? 1.8 : 2.8} />
                        ))}
                    </g>
                    <ValueAxis axis={xAxis} name={xName} x={x} top={HEIGHT - BOTTOM} />
                    {walk.frame}
                </svg>
            )}
            {walk.words}
            <figcaption className="mt-1 text-fine text-soft">{caption}</figcaption>
            <PictureOut
                frame={frame}
                name={title}
                numbers={() => [[xName, yName], ...points.map((point) => point.map(String))]}
                words={words}
            />
        </figure>
    );
}
