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
