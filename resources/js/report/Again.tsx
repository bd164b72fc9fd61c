import { useState } from 'react';
import { useLocation } from 'wouter';
import { Refusal, type Report } from '../api/client';
import { useDataset, useDatasets } from '../api/datasets';
import { Button } from '../ui/Button';
import { WordChoice } from '../ui/WordChoice';
import { WordPopover } from '../ui/WordPopover';
import { useAgain } from './queries';

/** The same report of other rows: names are matched, the rest is asked. */
export function Again({ report }: { report: Report }) {
    return (
        <WordPopover
            label="Again with other rows"
            words="Again with other rows"
            className="w-110 max-w-[94vw] p-4"
            wordClassName="inline-block min-h-6"
        >
            <Asking report={report} />
        </WordPopover>
    );
}

function Asking({ report }: { report: Report }) {
    const datasets = useDatasets();
    const again = useAgain(report);
    const [, go] = useLocation();
    const [chosen, setChosen] = useState<number | null>(null);
    const [names, setNames] = useState<Record<string, string>>({});
    const others = (datasets.data ?? []).filter(({ id }) => id !== report.dataset);
    const other = others.find(({ id }) => id === chosen) ?? others[0];
    const there = useDataset(other?.id ?? report.dataset);
    const unmatched = again.error instanceof Refusal ? again.error.unmatched : [];
    if (datasets.data !== undefined && other === undefined) {
        return <p className="text-soft">There is no other dataset yet. Bring in the new rows first.</p>;
    }
    return (
        <>
            <p className="text-small text-soft">The same blocks and words of another dataset, and what differs from here.</p>
            {other !== undefined && (
                <p className="mt-2">
                    Of{' '}
                    <WordChoice
                        name="Dataset"
                        options={others.map(({ id, title }) => ({ value: String(id), words: title }))}
                        value={String(other.id)}
                        onChange={(id) => setChosen(Number(id))}
                    />
                </p>
            )}
            {unmatched.map(({ key, name }) => (
                <p key={key} className="mt-1 text-small">
                    <bdi>{name}</bdi> is there{' '}
                    <WordChoice
                        name={name}
                        options={(there.data?.variables ?? []).map((variable) => ({ value: variable.key, words: variable.name }))}
                        value={names[key] ?? 'not chosen yet'}
                        onChange={(to) => setNames({ ...names, [key]: to })}
                    />
                </p>
            ))}
            {again.isError && (
                <p role="alert" className="mt-2 text-small text-alarm">
                    {again.error.message}
                </p>
            )}
            <p className="mt-3">
                <Button
                    look="primary"
                    disabled={other === undefined || again.isPending}
                    onClick={() =>
                        other !== undefined &&
                        again.mutate(
                            { dataset: other.id, names },
                            { onSuccess: (made) => go(`/datasets/${made.dataset}/report?report=${made.id}`) },
                        )
                    }
                >
                    Make it
                </Button>
            </p>
        </>
    );
}
