/** Tables that leave the page. Cells that a spreadsheet would take for a formula are made harmless. */
export type Cells = string[][];

function harmless(cell: string): string {
    return /^[=+@\t\r]/.test(cell) || (cell.startsWith('-') && !/^-[\d.]/.test(cell)) ? `'${cell}` : cell;
}

export function tsv(table: Cells): string {
    return table.map((row) => row.map((cell) => harmless(cell).replace(/[\t\r\n]+/g, ' ')).join('\t')).join('\n');
}

export function csv(table: Cells): string {
    const quoted = (cell: string) => (/[",\r\n]/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : cell);
    return table.map((row) => row.map((cell) => quoted(harmless(cell))).join(',')).join('\r\n') + '\r\n';
}

/** For a text processor: the first row is the head. */
export function html(table: Cells): string {
    const escaped = (cell: string) => cell.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');
    const row = (cells: string[], tag: string) =>
        `<tr>${cells.map((cell, i) => `<${i === 0 ? 'th' : tag}>${escaped(cell)}</${i === 0 ? 'th' : tag}>`).join('')}</tr>`;
    return `<table>${table.map((cells, i) => row(cells, i === 0 ? 'th' : 'td')).join('')}</table>`;
}

/** What fits beside each other on paper, in characters, with the gap between two columns. */
const PAPER_CHARACTERS = 96;
const COLUMN_GAP = 3;

/** A table that is too wide for paper as several, each with the first column; null where it fits. */
export function partsForPaper(table: Cells): Cells[] | null {
    const widths = (table[0] ?? []).map((_, i) => COLUMN_GAP + Math.max(...table.map((row) => longestWordIn(row[i] ?? '', i))));
    const [first = 0, ...others] = widths;
    const parts: number[][] = [];
    let room = 0;
    others.forEach((width, i) => {
        if (width > room) {
            parts.push([]);
            room = PAPER_CHARACTERS - first;
        }
        parts.at(-1)?.push(i + 1);
        room -= width;
    });
    return parts.length < 2 ? null : parts.map((columns) => table.map((row) => [0, ...columns].map((i) => row[i] ?? '')));
}

/** Figures stand on one line, words can be broken. */
function longestWordIn(cell: string, column: number): number {
    return column === 0 ? Math.min(30, cell.length) : Math.max(0, ...cell.split(' ').map((word) => word.length));
}
