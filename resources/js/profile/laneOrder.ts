import type { FigureRow } from '../api/client';

/** Lanes from the top: overall stays first, then the groups by a figure, the largest first, those without it last; '' = in their own order. */
export function laneOrder(lanes: number, rows: FigureRow[], figure: string): number[] {
    const own = Array.from({ length: lanes }, (_, i) => i);
    const values = rows.find((row) => row.key === figure)?.values;
    if (values === undefined) {
        return own;
    }
    const size = (lane: number) => {
        const value = values[lane]?.value;
        return typeof value === 'number' ? value : -Infinity;
    };
    return [0, ...own.slice(1).sort((a, b) => size(b) - size(a))];
}
