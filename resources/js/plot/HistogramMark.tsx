import type { ScaleLinear } from 'd3-scale';
import { count } from '../ui/format';

const LABEL_HEIGHT = 14;
const DIGIT_WIDTH = 7;

/** Bars that touch, parted by a hairline; their counts stand on them where all of them fit. */
export function HistogramMark({
    edges,
    counts,
    highest,
    x,
    top,
    base,
    colour,
    isRoomy,
    onSelect,
}: {
    edges: number[];
    counts: number[];
    /** The count that reaches to the top. */
    highest: number;
    x: ScaleLinear<number, number>;
    top: number;
    base: number;
    colour: string;
    /** Whether there is room for counts on the bars. */
    isRoomy: boolean;
    /** A bar was pressed: its place, from 0. */
    onSelect?: (place: number) => void;
}) {
    const room = base - top - (isRoomy ? LABEL_HEIGHT : 0);
    const barWidth = x(edges[1] ?? 0) - x(edges[0] ?? 0);
    const areLabelled = isRoomy && barWidth >= DIGIT_WIDTH * String(highest).length + 4;
    return (
        <g>
            {counts.map((value, i) => {
                const left = x(edges[i] ?? 0);
                const height = highest === 0 ? 0 : (value / highest) * room;
                return (
                    value > 0 && (
                        <g key={i}>
                            <rect
                                data-bar={i}
                                x={left}
                                y={base - height}
                                width={Math.max(0.5, x(edges[i + 1] ?? 0) - left - (barWidth > 4 ? 1 : 0))}
                                height={height}
                                fill={colour}
                                fillOpacity={0.36}
                                className={onSelect === undefined ? undefined : 'cursor-pointer hover:[fill-opacity:0.6]'}
                                onClick={() => onSelect?.(i)}
                            >
                                <title>{`${edges[i]} to ${edges[i + 1]}: ${count(value)} ${value === 1 ? 'row' : 'rows'}`}</title>
                            </rect>
                            {areLabelled && (
                                <text
                                    x={left + barWidth / 2}
                                    y={base - height - 4}
                                    textAnchor="middle"
                                    fill="var(--soft)"
                                    className="figures halo"
                                >
                                    {value}
                                </text>
                            )}
                        </g>
                    )
                );
            })}
            {isRoomy && !areLabelled && (
                <CountScale highest={highest} room={room} base={base} left={x.range()[0] ?? 0} right={x.range()[1] ?? 0} />
            )}
            <line x1={x.range()[0]} x2={x.range()[1]} y1={base} y2={base} stroke="var(--hair-strong)" />
        </g>
    );
}

/** Three hairlines with counts, where the bars are too narrow to carry theirs. */
function CountScale({ highest, room, base, left, right }: { highest: number; room: number; base: number; left: number; right: number }) {
    const levels = [...new Set([highest, Math.round(highest / 2)])].filter((level) => level > 0);
    return levels.map((level) => {
        const y = base - (level / highest) * room;
        return (
            <g key={level}>
                <line x1={left} x2={right} y1={y} y2={y} stroke="var(--hair)" />
                <text x={right} y={y - 3} textAnchor="end" fill="var(--soft)" className="figures">
                    {count(level)}
                </text>
            </g>
        );
    });
}
