import { useState } from 'react';
import type { Dataset, Variable } from '../api/client';
import { Button } from '../ui/Button';
import { count } from '../ui/format';
import type { ChangeWords } from './changes';
import { moved } from './moved';
import { useLabels } from './queries';

/** The labels of a category in their order: dragged or moved by keys, renamed, and misspelt ones made one with what was meant. */
export function LabelList({
    dataset,
    variable,
    onChange,
    isBusy,
}: {
    dataset: Dataset;
    variable: Variable;
    onChange: (change: ChangeWords) => Promise<boolean>;
    isBusy: boolean;
}) {
    const answer = useLabels(dataset.id, dataset.revision, variable.key, true);
    const [order, setOrder] = useState<string[] | null>(null);
    const [dragged, setDragged] = useState<number | null>(null);
    const [renaming, setRenaming] = useState<{ label: string; to: string } | null>(null);
    const labels = answer.data?.labels.map(({ label }) => label) ?? [];
    const shown = order ?? labels;
    const counts = new Map(answer.data?.labels.map(({ label, count: rows }) => [label, rows]));
    const merge = (from: string, to: string) =>
        void onChange({
            kind: 'arrange-labels',
            variable: variable.key,
            order: labels.filter((label) => label !== from),
            merged: [{ from, to }],
        });
    const rename = (label: string, to: string) => {
        setRenaming(null);
        const name = to.trim();
        if (name === '' || name === label) {
            return;
        }
        void onChange({
            kind: 'arrange-labels',
            variable: variable.key,
            order: labels.includes(name)
                ? labels.filter((other) => other !== label)
                : labels.map((other) => (other === label ? name : other)),
            merged: [{ from: label, to: name }],
        });
    };
    return (
        <section className="mt-4 border-t border-hair pt-3">
            <h2 className="text-small font-semibold">Labels in their order</h2>
            {(answer.data?.near.length ?? 0) > 0 && (
                <ul className="mt-1.5 border-l-3 border-accent pl-3 text-small">
                    {answer.data?.near.map(({ from, to }) => (
                        <li key={from} className="flex items-center gap-2 py-0.5">
                            <span className="min-w-0 flex-1">
                                <bdi className="font-semibold">{from}</bdi> may be meant as <bdi className="font-semibold">{to}</bdi>
                            </span>
                            <Button className="px-2! py-0.5! text-small!" disabled={isBusy} onClick={() => merge(from, to)}>
                                Make them one
                            </Button>
                        </li>
                    ))}
                </ul>
            )}
            <ol className="mt-2" aria-label="Labels">
                {shown.map((label, i) => (
                    <li
                        key={label}
                        draggable
                        onDragStart={() => setDragged(i)}
                        onDragOver={(event) => {
                            event.preventDefault();
                            if (dragged !== null && dragged !== i) {
                                setOrder(moved(shown, dragged, i));
                                setDragged(i);
                            }
                        }}
                        onDragEnd={() => setDragged(null)}
                        className="flex items-center gap-2 border-b border-hair py-1 text-small"
                    >
                        <button
                            type="button"
                            aria-label={`Move ${label}: arrow up, arrow down`}
                            title="Drag, or move with the arrow keys"
                            className="cursor-grab px-1 text-soft"
                            onKeyDown={(event) => {
                                const to = event.key === 'ArrowUp' ? i - 1 : event.key === 'ArrowDown' ? i + 1 : null;
                                if (to !== null && to >= 0 && to < shown.length) {
                                    event.preventDefault();
                                    setOrder(moved(shown, i, to));
                                }
                            }}
                        >
                            ⠿
                        </button>
                        {renaming?.label === label ? (
                            <input
                                autoFocus
                                aria-label={`New name of ${label}`}
                                value={renaming.to}
                                onChange={(event) => setRenaming({ label, to: event.target.value })}
                                onBlur={() => rename(label, renaming.to)}
                                onKeyDown={(event) => event.key === 'Enter' && rename(label, renaming.to)}
                                className="min-w-0 flex-1 border-b border-accent bg-transparent"
                            />
                        ) : (
                            <button
                                type="button"
                                title="Rename"
                                className="min-w-0 flex-1 truncate text-left hover:underline"
                                onClick={() => setRenaming({ label, to: label })}
                            >
                                <bdi>{label}</bdi>
                            </button>
                        )}
                        <span className="figures text-soft">{count(counts.get(label) ?? 0)}</span>
                    </li>
                ))}
            </ol>
            {order !== null && order.join('\n') !== labels.join('\n') && (
                <div className="mt-2 flex gap-2">
                    <Button
                        look="primary"
                        disabled={isBusy}
                        onClick={() => void onChange({ kind: 'arrange-labels', variable: variable.key, order })}
                    >
                        Keep this order
                    </Button>
                    <Button look="quiet" onClick={() => setOrder(null)}>
                        As before
                    </Button>
                </div>
            )}
        </section>
    );
}
