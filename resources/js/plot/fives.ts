/** Up to so many are still read at a glance as strokes. */
const MOST = 60;

/** A whole count in fives, the rest last. */
export function fives(count: number): number[] {
    const rest = count % 5;
    return [...Array.from({ length: Math.floor(count / 5) }, () => 5), ...(rest > 0 ? [rest] : [])];
}

export function areTallied(counts: number[]): boolean {
    return counts.length > 0 && counts.every((count) => Number.isInteger(count) && count <= MOST);
}
