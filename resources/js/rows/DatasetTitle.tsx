import { useState } from 'react';
import type { Dataset } from '../api/client';
import { useDraft } from '../ui/useDraft';
import { useDescribeDataset } from './queries';

/** The title; pressed, it can be written anew. */
export function DatasetTitle({ dataset }: { dataset: Dataset }) {
    const [isOpen, setIsOpen] = useState(false);
    const describe = useDescribeDataset(dataset.id);
    const draft = useDraft(`title ${dataset.id}`, { title: dataset.title });
    const text = draft.fields.title;
    const done = () => {
        const title = text.trim();
        if (title === '' || title === dataset.title) {
            draft.forget();
        } else {
            // What could not be saved stays as it was typed; the bar says so and offers to try again.
            draft.set({ title });
            describe.mutate({ title });
        }
        setIsOpen(false);
    };
    return (
        <h1 dir="auto" className="min-w-0 truncate text-base">
            {dataset.role === 'reader' ? (
                <span title={dataset.title}>{dataset.title}</span>
            ) : !isOpen ? (
                <button
                    type="button"
                    title={`${text}. Press to change the title.`}
                    className="max-w-full truncate underline-offset-4 hover:underline"
                    onClick={() => setIsOpen(true)}
                >
                    {text}
                    {draft.isUnsaved && <span className="ml-2 text-small font-normal text-alarm">not saved yet</span>}
                </button>
            ) : (
                <input
                    autoFocus
                    aria-label="Title"
                    maxLength={200}
                    value={text}
                    size={Math.max(12, text.length)}
                    onChange={(event) => draft.set({ title: event.target.value })}
                    onBlur={done}
                    onKeyDown={(event) => {
                        if (event.key === 'Enter') {
                            done();
                        } else if (event.key === 'Escape') {
                            draft.forget();
                            setIsOpen(false);
                        }
                    }}
                    className="border-b-2 border-accent bg-transparent"
                />
            )}
        </h1>
    );
}
