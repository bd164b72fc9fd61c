import type { ScaleLinear } from 'd3-scale';
import type { Stack } from '../api/client';
import { spread } from './spread';

const CHARACTER = 6.8;
const GAP = 8;
const dashes: Record<string, string> = { quartiles: '3 3', mean: '', mode: '1 3', sd1: '7 3', sd2: '7 3', sd3: '7 3' };

/** Figures as lines through the whole stack, named at the top; names that would touch step aside. */
export function MarkerLines({
    markers,
    x,
    top,
    bottom,
}: {
    markers: Stack['markers'];
    x: ScaleLinear<number, number>;
    top: number;
    bottom: number;
}) {
    const [left, right] = x.range() as [number, number];
    const inside = [...markers].filter(({ at }) => x(at) >= left - 1 && x(at) <= right + 1).sort((a, b) => a.at - b.at);
    const places = spread(
        inside.map(({ at }) => x(at)),
        inside.map(({ name }) => name.length * CHARACTER + GAP),
        left - 40,
        right + 24,
    );
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
                x={places[i]}
                y={top - 6}
                textAnchor="middle"
                fill="var(--soft)"
                className={marker.key.startsWith('sd') ? 'symbols' : undefined}
            >
                {marker.name}
            </text>
        </g>
    ));
}
