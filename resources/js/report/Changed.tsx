import { useState } from 'react';
import type { Report } from '../api/client';
import { Button } from '../ui/Button';
import { FigureChanges } from './FigureChanges';
import { useFigureChanges, useReportChanges } from './queries';

/** What has changed since somebody last looked, until that is marked as seen. */
export function Changed({ report, revision, onShow }: { report: Report; revision: number; onShow: (block: string) => void }) {
    const answer = useFigureChanges(report, revision);
    const { see } = useReportChanges(report);
    const [isOpen, setIsOpen] = useState(true);
    const changes = answer.data?.changes ?? [];
    if (changes.length === 0) {
        return null;
    }
    const isAgainstOther = answer.data?.seen_revision === 0;
    return (
        <section aria-label="What has changed" className="my-3 border-l-3 border-accent bg-accent-wash px-4 py-2">
            <p className="flex flex-wrap items-center gap-x-4 gap-y-1">
                <span className="font-semibold">
                    {changes.length === 1 ? '1 number' : `${changes.length} numbers`}{' '}
                    {isAgainstOther
                        ? 'differ from the report that this one was made after.'
                        : `${changes.length === 1 ? 'has' : 'have'} changed since you last looked.`}
                </span>
                <Button look="quiet" className="px-0! py-0! text-small" aria-expanded={isOpen} onClick={() => setIsOpen(!isOpen)}>
                    {isOpen ? 'Fold' : 'Show them'}
                </Button>
                <Button className="px-2! py-0.5! text-small" disabled={see.isPending} onClick={() => see.mutate()}>
                    I have seen them
                </Button>
            </p>
            {isOpen && <FigureChanges changes={changes} onShow={onShow} />}
        </section>
    );
}
