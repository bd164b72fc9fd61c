import { useEffect, useState } from 'react';
import { type ToKeep, useKeep } from './keeping';
import { typedForm } from './numbers';
import { OneStop } from './OneStop';
import { type Cells, csv, html, tsv } from './tables';

const COPIED = 'rowtally:copied';
const SHOWN_MS = 2500;

/** Puts a text on the clipboard and says so. */
export async function copyText(text: string, said = text): Promise<void> {
    try {
        await navigator.clipboard.writeText(text);
        say(`Copied: ${said}`);
    } catch {
        say('The browser did not allow copying. Select the text and copy it by hand.');
    }
}

/** Puts a text on the clipboard that is still on its way. */
export async function copyLater(text: Promise<string>, said: string): Promise<void> {
    say(`Copying ${said} …`);
    const coming = text.then((whole) => new Blob([whole], { type: 'text/plain' }));
    try {
        await navigator.clipboard.write([new ClipboardItem({ 'text/plain': coming })]);
        say(`Copied: ${said}`);
    } catch {
        say('They could not be copied: the browser did not allow it, or they did not arrive. Take them out as a file instead.');
    }
}

/** As text with tabs for a spreadsheet and as a rich table for a text processor. */
export async function copyTable(table: Cells, said: string): Promise<void> {
    try {
        await navigator.clipboard.write([
            new ClipboardItem({
                'text/plain': new Blob([tsv(table)], { type: 'text/plain' }),
                'text/html': new Blob([html(table)], { type: 'text/html' }),
            }),
        ]);
        say(`Copied: ${said}`);
    } catch {
        await copyText(tsv(table), said);
    }
}

export function saveCsv(table: Cells, name: string): void {
    saveBlob(new Blob(['\uFEFF', csv(table)], { type: 'text/csv' }), `${name}.csv`);
}

export function saveBlob(blob: Blob, name: string): void {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(blob);
    // Whatever a file system may not like becomes one blank.
    link.download = name
        .replace(/[^\p{L}\p{N}._-]+/gu, ' ')
        .replace(/ (?=\.\w+$)/, '')
        .trim();
    link.click();
    URL.revokeObjectURL(link.href);
}

/** Says something for a moment, in a corner. */
export function say(text: string): void {
    window.dispatchEvent(new CustomEvent(COPIED, { detail: text }));
}

/** Says what was copied, for a moment, in a corner. */
export function CopiedNote() {
    const [text, setText] = useState('');
    useEffect(() => {
        let timer: ReturnType<typeof setTimeout> | undefined;
        const show = (event: Event) => {
            setText(String((event as CustomEvent).detail));
            clearTimeout(timer);
            timer = setTimeout(() => setText(''), SHOWN_MS);
        };
        window.addEventListener(COPIED, show);
        return () => {
            clearTimeout(timer);
            window.removeEventListener(COPIED, show);
        };
    }, []);
    return (
        <p role="status" className="pointer-events-none fixed right-6 bottom-5 z-30">
            {text !== '' && (
                <span className="figures block max-w-96 truncate rounded-md bg-ink px-3 py-1.5 text-small text-paper">{text}</span>
            )}
        </p>
    );
}

/** The ways a table leaves the page: in full precision to be reckoned with, or as its question into the report. */
export function TableOut({
    table,
    basis,
    name,
    keeps,
}: {
    table: () => Cells;
    /** What they rest on, in words. */
    basis: string;
    name: string;
    /** What answers the same question, so that it can be kept; without it nothing is. */
    keeps?: Omit<ToKeep, 'title'>;
}) {
    const keep = useKeep();
    const look = 'min-h-6 text-small text-soft underline-offset-4 hover:text-ink hover:underline';
    const whole = () => [...table(), ['Basis', basis]];
    return (
        <OneStop shape="line" className="flex max-w-full flex-wrap gap-x-4">
            <button
                type="button"
                aria-label={`Copy table of ${name}`}
                className={look}
                onClick={() =>
                    void copyTable(
                        whole().map((row) => row.map((cell) => typedForm(cell))),
                        `the table of ${name}`,
                    )
                }
            >
                Copy table
            </button>
            <button type="button" aria-label={`Save as CSV: ${name}`} className={look} onClick={() => saveCsv(whole(), name)}>
                Save as CSV
            </button>
            {keep !== null && keeps !== undefined && (
                <button
                    type="button"
                    data-shortcut="keep"
                    aria-label={`Keep the table of ${name}`}
                    className={look}
                    onClick={() => keep({ title: name, ...keeps })}
                >
                    Keep
                </button>
            )}
        </OneStop>
    );
}
