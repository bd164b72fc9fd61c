import { scaleLinear } from 'd3-scale';
import type { Slopes } from '../api/client';
import { PictureOut } from './PictureOut';
import { useWalk, walkedLook } from './useWalk';
import { useWidth } from './useWidth';

const HEIGHT = 340;
const TOP = 30;
const BOTTOM = 16;
const SIDE = 84;

/** Lines from before to after on one axis: rising ones drawn through, falling ones dashed, staying ones thin. */
export function SlopeLines({ slopes, variable, other }: { slopes: Slopes; variable: string; other: string }) {
    const [frame, width] = useWidth<HTMLDivElement>();
    const y = scaleLinear([slopes.axis?.from ?? 0, slopes.axis?.to ?? 1], [HEIGHT - BOTTOM, TOP]);
    const [left, right] = [SIDE, width - SIDE];
    const strength = Math.max(0.18, Math.min(0.8, 24 / slopes.lines.length));
    const kind = ([before = 0, after = 0]: number[]) => (after > before ? 'rising' : after < before ? 'falling' : 'staying');
    const walk = useWalk(
        () =>
            slopes.lines.map((line) => {
                const [from, to] = [y(line[0] ?? 0), y(line[1] ?? 0)];
                return {
                    lane: 0,
                    words: `${line[0]} to ${line[1]}, ${kind(line)}`,
                    x: left,
                    y: Math.min(from, to),
                    width: right - left,
                    height: Math.abs(to - from),
                };
            }),
        () => [`From ${slopes.before} to ${slopes.after}: ${slopes.rising} rise, ${slopes.falling} fall, ${slopes.staying} stay.`],
    );
    return (
        <figure ref={frame} className="w-full max-w-xl min-w-0">
            {width > 0 && (
                <svg
                    width={width}
                    height={HEIGHT}
                    aria-label={`Slope lines from ${slopes.before} to ${slopes.after}`}
                    {...walk.keys}
                    className={`block text-fine ${walkedLook}`}
                >
                    {[
                        { at: left, name: slopes.before, anchor: 'end' as const, toText: -8 },
                        { at: right, name: slopes.after, anchor: 'start' as const, toText: 8 },
                    ].map(({ at, name, anchor, toText }) => (
                        <g key={anchor}>
                            <line x1={at} x2={at} y1={TOP} y2={HEIGHT - BOTTOM} stroke="var(--ink)" />
                            {slopes.axis?.ticks.map((tick) => (
                                <text
                                    key={tick.at}
                                    x={at + toText}
                                    y={y(tick.at) + 4}
                                    textAnchor={anchor}
                                    fill="var(--soft)"
                                    className="figures"
                                >
                                    {tick.text}
                                </text>
                            ))}
                            <text x={at} y={TOP - 12} textAnchor="middle" fill="var(--ink)">
                                {name}
                            </text>
                        </g>
                    ))}
                    {slopes.lines.map(([before = 0, after = 0], i) => (
                        <line
                            key={i}
                            data-slope={kind([before, after])}
                            x1={left}
                            x2={right}
                            y1={y(before)}
                            y2={y(after)}
                            stroke={after < before ? 'var(--group-2)' : 'var(--group-1)'}
                            strokeOpacity={strength}
                            strokeWidth={after === before ? 0.75 : 1.5}
                            strokeDasharray={after < before ? '6 3' : undefined}
                        />
                    ))}
                    {walk.frame}
                </svg>
            )}
            {walk.words}
            <figcaption className="mt-1 text-fine text-soft">Rising lines are drawn through, falling ones are dashed.</figcaption>
            <PictureOut
                frame={frame}
                name={`${slopes.before} to ${slopes.after}, slope lines`}
                numbers={() => [[slopes.before, slopes.after], ...slopes.lines.map((line) => line.map(String))]}
                words={{ picture: 'slopes', of: variable, with: other }}
            />
        </figure>
    );
}
