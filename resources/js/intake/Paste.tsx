import { useState } from 'react';
import { useLocation } from 'wouter';
import { Button } from '../ui/Button';
import { useTextImport } from '../api/imports';

const field = 'rounded-md border border-hair-strong bg-surface px-2.5 py-1.5';

/** A table, a list of values, or values or classes with counts, as text. */
export function Paste({ text: initial }: { text: string }) {
    const [text, setText] = useState(initial);
    const [title, setTitle] = useState('');
    const paste = useTextImport();
    const [, navigate] = useLocation();
    return (
        <form
            className="mt-4 border-t border-hair pt-3"
            onSubmit={(event) => {
                event.preventDefault();
                paste.mutate({ text, title }, { onSuccess: (started) => navigate(`/imports/${started.id}`) });
            }}
        >
            <textarea
                autoFocus
                aria-label="Rows as text"
                rows={7}
                value={text}
                onChange={(event) => setText(event.target.value)}
                placeholder={
                    'Rows copied from a spreadsheet, or a list:  5, 7 9; 12\nValues with counts:  2 ×3\nClasses with counts, one a line:  12–17  4.6'
                }
                className={`figures w-full text-small ${field}`}
            />
            <div className="mt-2 flex flex-wrap items-center gap-3">
                <input
                    aria-label="Title"
                    placeholder="Title"
                    maxLength={200}
                    value={title}
                    onChange={(event) => setTitle(event.target.value)}
                    className={`w-72 ${field}`}
                />
                <Button look="primary" type="submit" disabled={text.trim() === '' || paste.isPending}>
                    See how it is read
                </Button>
                {paste.isError && (
                    <p role="alert" className="min-w-60 flex-1 border-l-3 border-alarm pl-3">
                        {paste.error.message}
                    </p>
                )}
            </div>
        </form>
    );
}
