import { useState } from 'react';
import type { Block, NewBlock } from '../api/client';
import { Button } from '../ui/Button';

type Reading = NonNullable<Block['readings']>[number];

/** Sentences that rules say by now; each can be said in other words, beside which its source is kept. */
export function ReadingWords({ block, said, onChange }: { block: Block; said: string[]; onChange: (words: Partial<NewBlock>) => void }) {
    const [editing, setEditing] = useState<{ at: number; text: string } | null>(null);
    const chosen = block.readings ?? [];
    // Where none is chosen the heaviest stand there, and change with the data.
    const canEdit = chosen.length === said.length;
    const own = (at: number, text: string | null): Reading[] =>
        chosen.map((reading, i) =>
            i === at
                ? { ...reading, own: text, said: reading.said === '' || reading.own == null ? (said[i] ?? '') : (reading.said ?? '') }
                : reading,
        );
    return (
        <ul className="my-1 max-w-3xl">
            {said.map((sentence, i) => (
                <li key={i} className="mt-1.5 border-l-3 border-hair-strong pl-3">
                    {editing?.at === i ? (
                        <form
                            onSubmit={(event) => {
                                event.preventDefault();
                                onChange({ readings: own(i, editing.text.trim()) });
                                setEditing(null);
                            }}
                        >
                            <textarea
                                aria-label={`In your words: ${sentence}`}
                                autoFocus
                                required
                                rows={2}
                                maxLength={2000}
                                value={editing.text}
                                onChange={(event) => setEditing({ at: i, text: event.target.value })}
                                className="w-full rounded-md border border-hair-strong bg-surface px-2 py-1"
                            />
                            <p className="flex gap-2">
                                <Button type="submit" look="primary" className="px-2! py-0.5! text-small">
                                    Say it so
                                </Button>
                                <Button look="quiet" className="px-2! py-0.5! text-small" onClick={() => setEditing(null)}>
                                    Leave it as it was
                                </Button>
                            </p>
                        </form>
                    ) : (
                        <p dir="auto">
                            {sentence}{' '}
                            {canEdit && (
                                <span className="text-fine text-soft">
                                    <button
                                        type="button"
                                        className="min-h-6 hover:underline"
                                        aria-label={`Edit: ${sentence}`}
                                        onClick={() => setEditing({ at: i, text: sentence })}
                                    >
                                        Edit
                                    </button>
                                    {chosen[i]?.own != null && (
                                        <button
                                            type="button"
                                            className="ml-3 min-h-6 hover:underline"
                                            aria-label={`As the rule says it: ${sentence}`}
                                            onClick={() => onChange({ readings: own(i, null) })}
                                        >
                                            As the rule says it
                                        </button>
                                    )}
                                </span>
                            )}
                        </p>
                    )}
                    {chosen[i]?.own != null && <p className="text-fine text-soft">In your words; the rule said: {chosen[i].said}</p>}
                </li>
            ))}
        </ul>
    );
}
