import type { ScaleLinear } from 'd3-scale';
import type { Box } from '../api/client';

const NAME_WIDTH = 46;

/** The overall quartiles as lines through the whole stack, named at the top; names that would touch step aside. */
export function LevelLines({ box, x, top, bottom }: { box: Box; x: ScaleLinear<number, number>; top: number; bottom: number }) {
    const [first, median, third] = spread([x(box.q1), x(box.median), x(box.q3)], x.range() as [number, number]);
    return (
        <g>
            <Level at={x(box.q1)} nameAt={first ?? 0} name="Q₁" top={top} bottom={bottom} dash="3 3" />
            <Level at={x(box.q3)} nameAt={third ?? 0} name="Q₃" top={top} bottom={bottom} dash="3 3" />
            <Level at={x(box.median)} nameAt={median ?? 0} name="median" top={top} bottom={bottom} />
        </g>
    );
}

function Level({
    at,
    nameAt,
    name,
    top,
    bottom,
    dash,
}: {
    at: number;
    nameAt: number;
    name: string;
    top: number;
    bottom: number;
    dash?: string;
}) {
    return (
        <g>
            <line
                data-level={name}
                x1={at}
                x2={at}
                y1={top}
                y2={bottom}
                stroke="var(--soft)"
                strokeOpacity={0.75}
                strokeWidth={1}
                strokeDasharray={dash}
            />
            <text x={nameAt} y={top - 6} textAnchor="middle" fill="var(--soft)">
                {name}
            </text>
        </g>
    );
}

/** Moves three names in a row apart until none touches the next, the middle one keeping its place where it can. */
export function spread([first, middle, last]: [number, number, number], [left, right]: [number, number]): number[] {
    const centre = Math.min(Math.max(middle, left + NAME_WIDTH * 0.7), right - NAME_WIDTH * 0.7);
    return [Math.min(first, centre - NAME_WIDTH * 0.75), centre, Math.max(last, centre + NAME_WIDTH * 0.75)];
}
