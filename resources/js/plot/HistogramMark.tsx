import type { ScaleLinear } from 'd3-scale';
import type { Stack } from '../api/client';
import { count } from '../ui/format';

const LABEL_HEIGHT = 14;
const DIGIT_WIDTH = 7;

/** Bars that touch, parted by a hairline; what they stand for is written on them where all of them fit. A cumulative lane is a line. */
export function HistogramMark({
    lane,
    edges,
    labels,
    scale,
    x,
    top,
    base,
    colour,
    isRoomy,
    onSelect,
}: {
    lane: Omit<Stack['lanes'][number], 'box'>;
    edges: number[];
    /** The classes in words. */
    labels: string[];
    scale: Stack['scale'];
    x: ScaleLinear<number, number>;
    top: number;
    base: number;
    colour: string;
    /** Whether there is room for labels on the bars. */
    isRoomy: boolean;
    /** A bar was pressed: its place, from 0. */
    onSelect?: (place: number) => void;
}) {
    const room = base - top - (isRoomy ? LABEL_HEIGHT : 0);
    const y = (height: number) => base - (lane.highest === 0 ? 0 : (height / lane.highest) * room);
    const narrowest = Math.min(...edges.slice(1).map((edge, i) => x(edge) - x(edges[i] ?? edge)));
    const largest = Math.max(0, ...lane.counts);
    const areLabelled = isRoomy && scale === 'count' && narrowest >= DIGIT_WIDTH * String(largest).length + 4;
    return (
        <g>
            {isRoomy && !areLabelled && <Levels levels={lane.levels} y={y} left={x.range()[0] ?? 0} right={x.range()[1] ?? 0} />}
            {lane.counts.map((value, i) => {
                const left = x(edges[i] ?? 0);
                const at = y(lane.heights[i] ?? 0);
                const width = Math.max(0.5, x(edges[i + 1] ?? 0) - left - (narrowest > 4 ? 1 : 0));
                return (
                    (value > 0 || scale === 'cumulative') && (
                        <g key={i}>
                            <rect
                                data-bar={i}
                                x={left}
                                y={at}
                                width={width}
                                height={base - at}
                                fill={colour}
                                fillOpacity={scale === 'cumulative' ? 0.14 : 0.36}
                                className={onSelect === undefined ? undefined : 'cursor-pointer hover:[fill-opacity:0.6]'}
                                onClick={() => onSelect?.(i)}
                            >
                                <title>{`${labels[i]}: ${count(value)} ${value === 1 ? 'row' : 'rows'}`}</title>
                            </rect>
                            {areLabelled && (
                                <text x={left + width / 2} y={at - 4} textAnchor="middle" fill="var(--soft)" className="figures halo">
                                    {value}
                                </text>
                            )}
                        </g>
                    )
                );
            })}
            {scale === 'cumulative' && (
                <polyline
                    data-ogive=""
                    points={[
                        `${x(edges[0] ?? 0)},${base}`,
                        ...lane.heights.map((height, i) => `${x(edges[i + 1] ?? 0)},${y(height)}`),
                    ].join(' ')}
                    fill="none"
                    stroke={colour}
                    strokeWidth={1.75}
                />
            )}
            {lane.curve.length > 0 && (
                <polyline
                    data-curve=""
                    points={lane.curve.map((point) => `${x(point.at)},${y(point.height)}`).join(' ')}
                    fill="none"
                    stroke="var(--ink)"
                    strokeWidth={1.25}
                    strokeDasharray="5 3"
                    pointerEvents="none"
                />
            )}
            <line x1={x.range()[0]} x2={x.range()[1]} y1={base} y2={base} stroke="var(--hair-strong)" />
        </g>
    );
}

/** Hairlines at round heights, where the bars do not carry theirs. */
function Levels({
    levels,
    y,
    left,
    right,
}: {
    levels: Stack['lanes'][number]['levels'];
    y: (height: number) => number;
    left: number;
    right: number;
}) {
    return levels.map((level) => (
        <g key={level.at}>
            <line x1={left} x2={right} y1={y(level.at)} y2={y(level.at)} stroke="var(--hair)" />
            <text x={right} y={y(level.at) - 3} textAnchor="end" fill="var(--soft)" className="figures">
                {level.text}
            </text>
        </g>
    ));
}
