import { useRef, useState } from 'react';
import type { Edition, EditionFile, Report } from '../api/client';
import { Button } from '../ui/Button';
import { useMayChange } from '../ui/mayChange';
import { PaperChoice, type Size } from './PaperChoice';
import { WordPopover } from '../ui/WordPopover';
import { type Form, useFile, useHandOver } from './queries';

export const forms: { form: Form; words: string; sentence: string }[] = [
    { form: 'pdf', words: 'PDF', sentence: 'On paper: page numbers, repeated heads, text that can be searched; its record inside.' },
    { form: 'html', words: 'Page', sentence: 'One file that opens anywhere, offline, without scripts; its record inside.' },
    { form: 'docx', words: 'DOCX', sentence: 'For word processors; pictures as dots.' },
    { form: 'odt', words: 'ODT', sentence: 'For word processors; pictures as dots.' },
    {
        form: 'markdown',
        words: 'Markdown',
        sentence: 'A text with its pictures as SVG and PNG, its tables as CSV and its record, in a zip.',
    },
    { form: 'tables', words: 'Tables and pictures', sentence: 'CSV in full precision, SVG and PNG, in a zip with the record.' },
];

/** Hands the report over: an edition that never changes, in the form that is chosen. */
export function HandOver({ report }: { report: Report }) {
    const make = useHandOver(report);
    const [size, setSize] = useState<Size>('a4');
    const [note, setNote] = useState('');
    const [rows, setRows] = useState(false);
    const [progress, setProgress] = useState<EditionFile | null>(null);
    const stop = useRef<AbortController | null>(null);
    const begin = (form: Form) => {
        stop.current = new AbortController();
        make.mutate(
            { form, size, note: note.trim(), rows, onProgress: setProgress, signal: stop.current.signal },
            { onSettled: () => setProgress(null) },
        );
    };
    return (
        <WordPopover
            label="Hand it over"
            words="Hand it over"
            className="w-120 max-w-[94vw] p-4"
            wordClassName="inline-block min-h-6 font-semibold"
        >
            <p className="text-small text-soft">It becomes an edition, which stays as it is whatever becomes of the data.</p>
            <label className="mt-2 block">
                <span className="text-small text-soft">A note on it, if any</span>
                <input
                    value={note}
                    maxLength={2000}
                    onChange={(event) => setNote(event.target.value)}
                    className="mt-0.5 w-full rounded-md border border-hair-strong bg-paper px-2.5 py-1"
                />
            </label>
            <p className="mt-2 flex flex-wrap gap-x-4 text-small">
                <span>
                    <PaperChoice value={size} onChange={setSize} />
                </span>
                <label className="flex items-center gap-2">
                    <input type="checkbox" className="accent-accent" checked={rows} onChange={(event) => setRows(event.target.checked)} />
                    the rows go along, so that it can be checked
                </label>
            </p>
            <ul className="mt-2">
                {forms.map(({ form, words, sentence }) => (
                    <li key={form} className="flex items-baseline gap-3 border-b border-hair py-1.5">
                        <Button
                            className="w-40 shrink-0 justify-center px-2! py-0.5!"
                            disabled={make.isPending}
                            aria-label={`Hand over as ${words}`}
                            onClick={() => begin(form)}
                        >
                            {words}
                        </Button>
                        <span className="text-small text-soft">{sentence}</span>
                    </li>
                ))}
            </ul>
            {make.isPending && <Under progress={progress} onCancel={() => stop.current?.abort()} />}
            {make.isError && (
                <p role="alert" className="mt-2 text-small text-alarm">
                    {make.error.message}
                </p>
            )}
        </WordPopover>
    );
}

/** How far a file is. */
function Under({ progress, onCancel }: { progress: EditionFile | null; onCancel: () => void }) {
    return (
        <p role="status" className="mt-2 flex items-center gap-3 text-small">
            <span>
                {progress === null
                    ? 'Holding the edition …'
                    : progress.status === 'waiting'
                      ? `Waiting for its turn … ${progress.seconds} s`
                      : `Being made … ${progress.seconds} s`}
            </span>
            {progress !== null && (
                <Button className="px-2! py-0.5!" onClick={onCancel}>
                    Cancel
                </Button>
            )}
        </p>
    );
}

/** The forms of an edition that was handed over, each the same whenever it is fetched. */
export function EditionForms({ edition }: { edition: Edition }) {
    const take = useFile(edition);
    const mayChange = useMayChange();
    const [progress, setProgress] = useState<EditionFile | null>(null);
    const stop = useRef<AbortController | null>(null);
    return (
        <>
            <span className="flex flex-wrap gap-x-3">
                {forms
                    .filter(({ form }) => mayChange || edition.files.some((file) => file.form === form && file.status === 'ready'))
                    .map(({ form, words }) => (
                        <button
                            key={form}
                            type="button"
                            disabled={take.isPending}
                            aria-label={`Edition ${edition.number} as ${words}`}
                            className="min-h-6 underline decoration-hair-strong underline-offset-4 hover:decoration-accent disabled:opacity-50"
                            onClick={() => {
                                stop.current = new AbortController();
                                take.mutate(
                                    { form, size: 'a4', onProgress: setProgress, signal: stop.current.signal },
                                    { onSettled: () => setProgress(null) },
                                );
                            }}
                        >
                            {words}
                        </button>
                    ))}
            </span>
            {take.isPending && <Under progress={progress} onCancel={() => stop.current?.abort()} />}
            {take.isError && (
                <p role="alert" className="text-alarm">
                    {take.error.message}
                </p>
            )}
        </>
    );
}
