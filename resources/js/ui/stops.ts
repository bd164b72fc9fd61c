/** Where something that can be pressed stands: its left edge and its middle, in pixels. */
export interface Stop {
    x: number;
    y: number;
}

/** Two whose middles are no further apart stand in one row. */
const ROW_PX = 8;

/** Which of several stops a key leads to from one of them; null = it is no key for that, or there is none in that direction. */
export function nextStop(key: string, from: number, stops: Stop[], shape: 'line' | 'table'): number | null {
    const here = stops[from];
    if (here === undefined) {
        return null;
    }
    const end = { Home: 0, End: stops.length - 1 }[key];
    if (end !== undefined) {
        return end;
    }
    const step = { ArrowLeft: -1, ArrowRight: 1 }[key];
    if (step !== undefined) {
        return from + step >= 0 && from + step < stops.length ? from + step : null;
    }
    if (shape === 'line' || (key !== 'ArrowDown' && key !== 'ArrowUp')) {
        return null;
    }
    // The next row in that direction, and in it what stands nearest.
    const way = key === 'ArrowDown' ? 1 : -1;
    const ahead = stops.map(({ x, y }, place) => ({ place, across: Math.abs(x - here.x), along: way * (y - here.y) }));
    const beyond = ahead.filter(({ along }) => along > ROW_PX);
    const nearest = Math.min(...beyond.map(({ along }) => along));
    const [best] = beyond.filter(({ along }) => along <= nearest + ROW_PX).sort((a, b) => a.across - b.across);
    return best?.place ?? null;
}
