import type { FigureRow } from '../api/client';

/** A figure in full precision, or why there is none: what is copied and saved is never rounded. */
export function fullText(figure: FigureRow['values'][number]): string {
    return figure.value === null ? (figure.reason ?? '') : Array.isArray(figure.value) ? figure.value.join('; ') : String(figure.value);
}

/** Name and symbol of a figure, as the head of its row. */
export function figureName(figure: { label: string; symbol: string }): string {
    return figure.symbol === '' ? figure.label : `${figure.label} ${figure.symbol}`;
}
