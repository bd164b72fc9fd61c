const HUES = 8;

/** Lane 0 is the overall one; groups take eight hues in turn, and are told apart by their lane and name besides. */
export function laneColour(lane: number): string {
    return lane === 0 ? 'var(--overall)' : `var(--group-${((lane - 1) % HUES) + 1})`;
}
