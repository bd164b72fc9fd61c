import { useState } from 'react';
import type { Dataset } from '../api/client';
import { useDescribeDataset } from './queries';

/** The title; pressed, it can be written anew. */
export function DatasetTitle({ dataset }: { dataset: Dataset }) {
    const [text, setText] = useState<string | null>(null);
    const describe = useDescribeDataset(dataset.id);
    const done = () => {
        if (text !== null && text.trim() !== '' && text.trim() !== dataset.title) {
            describe.mutate({ title: text.trim() });
        }
        setText(null);
    };
    return (
        <h1 dir="auto" className="min-w-0 truncate text-base">
            {text === null ? (
                <button
                    type="button"
                    title={`${dataset.title}. Press to change the title.`}
                    className="max-w-full truncate underline-offset-4 hover:underline"
                    onClick={() => setText(dataset.title)}
                >
                    {dataset.title}
                </button>
            ) : (
                <input
                    autoFocus
                    aria-label="Title"
                    maxLength={200}
                    value={text}
                    size={Math.max(12, text.length)}
                    onChange={(event) => setText(event.target.value)}
                    onBlur={done}
                    onKeyDown={(event) => {
                        if (event.key === 'Enter') {
                            done();
                        } else if (event.key === 'Escape') {
                            setText(null);
                        }
                    }}
                    className="border-b-2 border-accent bg-transparent"
                />
            )}
        </h1>
    );
}
