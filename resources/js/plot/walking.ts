/** A mark that stands for data, where it is drawn and in words. */
export interface Mark {
    /** From the top, or from the left where lanes stand. */
    lane: number;
    words: string;
    x: number;
    y: number;
    width: number;
    height: number;
}

/** Where an arrow key leads among marks that are in the order of their lanes; null = to none, undefined = it is no key of ours. */
export function step(key: string, from: number | null, marks: Mark[]): number | null | undefined {
    if (key === 'Escape') {
        return null;
    }
    if (!['ArrowRight', 'ArrowLeft', 'ArrowUp', 'ArrowDown', 'Home', 'End'].includes(key) || marks.length === 0) {
        return undefined;
    }
    if (from === null) {
        return key === 'End' ? marks.length - 1 : 0;
    }
    const lane = marks[from]?.lane;
    const first = marks.findIndex((mark) => mark.lane === lane);
    const last = marks.findLastIndex((mark) => mark.lane === lane);
    switch (key) {
        case 'ArrowRight':
            return Math.min(last, from + 1);
        case 'ArrowLeft':
            return Math.max(first, from - 1);
        case 'Home':
            return first;
        case 'End':
            return last;
        default: {
            // To the mark at the same place of the lane before or behind.
            const edge = key === 'ArrowDown' ? last + 1 : first - 1;
            const other = marks[edge]?.lane;
            if (other === undefined) {
                return from;
            }
            const start = marks.findIndex((mark) => mark.lane === other);
            const end = marks.findLastIndex((mark) => mark.lane === other);
            return Math.min(end, start + from - first);
        }
    }
}
