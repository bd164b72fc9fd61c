import type { ScaleLinear } from 'd3-scale';
import type { Stack } from '../api/client';
import { laneColour } from './colours';

/** So many groups can be told apart as outlines over one another. */
export const MOST_OUTLINES = 4;
const dashes = ['', '7 3', '2 3', '9 3 2 3'];

/** How a group's outline is dashed, beside its colour. */
export function dashOf(lane: number): string {
    return dashes[(lane - 1) % dashes.length] ?? '';
}

/** A group's bars as one stepped outline, to lie over those of others on the same scale. */
export function OutlineMark({
    bars,
    edges,
    lane,
    highest,
    x,
    top,
    base,
}: {
    bars: Pick<Stack['lanes'][number], 'heights'>;
    edges: number[];
    lane: number;
    highest: number;
    x: ScaleLinear<number, number>;
    top: number;
    base: number;
}) {
    const y = (height: number) => base - (highest === 0 ? 0 : (height / highest) * (base - top));
    return (
        <path
            data-outline={lane}
            d={`M${x(edges[0] ?? 0)} ${base}${bars.heights.map((height, i) => `V${y(height)}H${x(edges[i + 1] ?? 0)}`).join('')}V${base}`}
            fill="none"
            stroke={laneColour(lane)}
            strokeWidth={2}
            strokeDasharray={dashOf(lane)}
            pointerEvents="none"
        />
    );
}
