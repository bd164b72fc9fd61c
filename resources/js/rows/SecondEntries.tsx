import { useRef, useState } from 'react';
import type { Dataset } from '../api/client';
import { Button } from '../ui/Button';
import { count, counted } from '../ui/format';
import { useCompare } from './queries';
import { field } from './VariablePanel';

/** The entries beside a second file or a second typing: which cells differ. */
export function SecondEntries({ dataset, onGo }: { dataset: Dataset; onGo: (row: number, key: string) => void }) {
    const [isOpen, setIsOpen] = useState(false);
    const [text, setText] = useState('');
    const input = useRef<HTMLInputElement>(null);
    const compare = useCompare(dataset.id);
    const data = compare.data;
    if (!isOpen) {
        return (
            <Button className="mt-2 px-2! py-0.5! text-small!" onClick={() => setIsOpen(true)}>
                Compare with a second file or typing
            </Button>
        );
    }
    return (
        <section className="mt-3 border-y border-hair py-2.5 text-small">
            <p className="text-soft">Rows are compared in their order, variables by name.</p>
            <textarea
                aria-label="Entries typed a second time"
                rows={4}
                value={text}
                onChange={(event) => setText(event.target.value)}
                placeholder="Type or paste the entries a second time, names in the first line"
                className={`figures mt-1.5 ${field}`}
            />
            <div className="mt-1.5 flex gap-2">
                <Button disabled={text.trim() === '' || compare.isPending} onClick={() => compare.mutate({ text })}>
                    Compare
                </Button>
                <Button disabled={compare.isPending} onClick={() => input.current?.click()}>
                    Choose a second file
                </Button>
                <input
                    ref={input}
                    type="file"
                    aria-label="Second file"
                    className="sr-only"
                    tabIndex={-1}
                    onChange={(event) => {
                        const file = event.target.files?.[0];
                        if (file !== undefined) {
                            compare.mutate({ file });
                        }
                        event.target.value = '';
                    }}
                />
            </div>
            {compare.isError && (
                <p role="alert" className="mt-2 border-l-3 border-alarm pl-3">
                    {compare.error.message}
                </p>
            )}
            {data !== undefined && (
                <>
                    <p role="status" className="mt-2 font-semibold">
                        {data.differing === 0
                            ? 'Every entry that was compared is the same.'
                            : `${counted(data.differing, 'cell')} differ${data.differing === 1 ? 's' : ''}.`}
                    </p>
                    <p className="text-soft">
                        Compared: {data.variables.join(', ')}; {count(data.rows_here)} rows here, {count(data.rows_there)} there.
                    </p>
                    <ul>
                        {data.first.map((cell) => (
                            <li key={`${cell.row}:${cell.variable}`}>
                                <button
                                    type="button"
                                    className="text-left underline-offset-4 hover:underline"
                                    onClick={() => onGo(cell.row, cell.variable)}
                                >
                                    row <span className="figures">{count(cell.row)}</span>, <bdi>{cell.name}</bdi>:{' '}
                                    <bdi className="font-semibold">{cell.here === '' ? 'missing' : cell.here}</bdi>, there{' '}
                                    <bdi className="font-semibold text-accent">{cell.there === '' ? 'missing' : cell.there}</bdi>
                                </button>
                            </li>
                        ))}
                    </ul>
                </>
            )}
        </section>
    );
}
