import { decimalMark, decimalsOf, typedForm } from '../ui/numbers';
import type { FigureRow } from '../api/client';

/** A figure in full precision, or why there is none: what is copied and saved is never rounded. */
export function fullText(figure: FigureRow['values'][number]): string {
    return figure.value === null ? (figure.reason ?? '') : Array.isArray(figure.value) ? figure.value.join('; ') : String(figure.value);
}

/** The same with the marks in force, as it is copied. */
export function fullWritten(figure: FigureRow['values'][number]): string {
    return Array.isArray(figure.value) ? figure.value.map((value) => typedForm(String(value))).join('; ') : typedForm(fullText(figure));
}

/** For each row, the decimals that its texts lack beside those of the row of its unit with the most; '' where nothing is lacking. */
export function roomBehind(rows: FigureRow[]): (row: FigureRow, text: string | null) => string {
    const behind = (text: string) => decimalsOf(text) ?? '';
    const most = Math.max(
        0,
        ...rows.filter((row) => row.shown_as === 'unit').flatMap((row) => row.values.map((figure) => behind(figure.text ?? '').length)),
    );
    return (row, text) => {
        const own =
            text === null || (row.shown_as !== 'unit' && row.shown_as !== 'rows') || decimalsOf(text) === null ? most : behind(text).length;
        return own === most ? '' : `${own === 0 ? decimalMark() : ''}${'0'.repeat(most - own)}`;
    };
}

/** Name and symbol of a figure, as the head of its row. */
export function figureName(figure: { label: string; symbol: string }): string {
    return figure.symbol === '' ? figure.label : `${figure.label} ${figure.symbol}`;
}
