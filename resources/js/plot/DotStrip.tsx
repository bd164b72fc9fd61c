import type { ScaleLinear } from 'd3-scale';
import type { Stack } from '../api/client';

const LARGEST = 2.4;
const ROOM = 38;

/** All values as small stacked dots above the bars, on the same axis. */
export function DotStrip({ dots, x, base }: { dots: Stack['dots']; x: ScaleLinear<number, number>; base: number }) {
    const nearest = Math.min(2 * LARGEST, ...dots.at.slice(1).map((at, i) => x(at) - x(dots.at[i] ?? at)));
    const radius = Math.max(0.7, Math.min(LARGEST, nearest / 2, ROOM / Math.max(1, ...dots.dots) / 2));
    return (
        <g data-dot-strip="" fill="var(--overall)" fillOpacity={0.8} pointerEvents="none">
            {dots.dots.map((number, column) =>
                Array.from({ length: number }, (_, k) => (
                    <circle
                        key={`${column} ${k}`}
                        data-dot=""
                        cx={x(dots.at[column] ?? 0)}
                        cy={base - radius - 2 * radius * k}
                        r={radius * 0.9}
                    />
                )),
            )}
        </g>
    );
}
