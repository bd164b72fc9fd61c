/**
 * Moves names in a row apart until none touches the next, as little as possible and inside both ends: what overlaps is put together
 * in a block around the middle of its places.
 */
export function spread(wanted: number[], widths: number[], left: number, right: number): number[] {
    interface Block {
        members: number[];
        width: number;
        /** Of the first member's left edge. */
        start: number;
    }
    const blocks: Block[] = [];
    const settle = (members: number[]): Block => {
        const width = members.reduce((sum, i) => sum + (widths[i] ?? 0), 0);
        let before = 0;
        let start = 0;
        for (const i of members) {
            start += (wanted[i] ?? 0) - (widths[i] ?? 0) / 2 - before;
            before += widths[i] ?? 0;
        }
        return { members, width, start: Math.max(left, Math.min(right - width, start / members.length)) };
    };
    wanted.forEach((_, i) => {
        let block = settle([i]);
        for (let last = blocks.at(-1); last !== undefined && last.start + last.width > block.start; last = blocks.at(-1)) {
            blocks.pop();
            block = settle([...last.members, ...block.members]);
        }
        blocks.push(block);
    });
    const places: number[] = [];
    for (const block of blocks) {
        let at = block.start;
        for (const i of block.members) {
            places[i] = at + (widths[i] ?? 0) / 2;
            at += widths[i] ?? 0;
        }
    }
    return places;
}

const MOST_ROWS = 4;

/** Names that do not all fit beside each other stand in rows, by turns: how many rows it takes, four at most. */
export function rowsFor(widths: number[], room: number): number {
    const needed = (rows: number) =>
        Array.from({ length: rows }, (_, row) => inRow(widths, row, rows).reduce((sum, width) => sum + width, 0));
    let rows = 1;
    while (rows < MOST_ROWS && needed(rows).some((width) => width > room)) {
        rows++;
    }
    return rows;
}

/** What falls into one of the rows. */
export function inRow<Thing>(things: Thing[], row: number, rows: number): Thing[] {
    return things.filter((_, i) => i % rows === row);
}
