import type { ScaleLinear } from 'd3-scale';
import type { Stack } from '../api/client';
import { inRow, spread } from './spread';
import { NAME_ROW, nameWidth, OVER_LEFT, OVER_RIGHT } from './stackLayout';

const dashes: Record<string, string> = { quartiles: '3 3', mean: '', mode: '1 3', sd1: '7 3', sd2: '7 3', sd3: '7 3' };

/** Figures as lines through the whole stack, named at the top; names that would touch step aside, or take turns in rows. */
export function MarkerLines({
    markers,
    x,
    top,
    bottom,
    nameRows,
}: {
    markers: Stack['markers'];
    x: ScaleLinear<number, number>;
    top: number;
    bottom: number;
    nameRows: number;
}) {
    const [left, right] = x.range() as [number, number];
    const inside = inSight(markers, x.domain() as [number, number]);
    const rows = Array.from({ length: nameRows }, (_, row) => {
        const own = inRow(inside, row, nameRows);
        return spread(
            own.map(({ at }) => x(at)),
            own.map(({ name }) => nameWidth(name)),
            left - OVER_LEFT,
            right + OVER_RIGHT,
        );
    });
    return inside.map((marker, i) => (
        <g key={`${marker.key}${marker.name}${marker.at}`} pointerEvents="none">
            <line
                data-level={marker.name}
                x1={x(marker.at)}
                x2={x(marker.at)}
                y1={top}
                y2={bottom}
                stroke="var(--soft)"
                strokeOpacity={0.75}
                strokeWidth={1}
                strokeDasharray={dashes[marker.key]}
            />
            <text
                x={rows[i % nameRows]?.[Math.floor(i / nameRows)]}
                y={top - 6 - (i % nameRows) * NAME_ROW}
                textAnchor="middle"
                fill="var(--soft)"
                className={marker.key.startsWith('sd') ? 'symbols' : undefined}
            >
                {marker.name}
            </text>
        </g>
    ));
}

/** The lines that the axis shows, from the left. */
export function inSight(markers: Stack['markers'], [from, to]: [number, number]): Stack['markers'] {
    return markers.filter(({ at }) => at >= from && at <= to).sort((a, b) => a.at - b.at);
}
