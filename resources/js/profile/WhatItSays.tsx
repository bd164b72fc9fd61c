import { type Asked } from '../asking/PlotPart';
import { useReadings } from '../asking/queries';
import { SaidList } from '../asking/SaidList';
import { Notice } from '../ui/Notice';
import { Waiting } from '../ui/Waiting';

const SHOWN = 3;

/** What the figures of one variable say, each by a rule. */
export function WhatItSays({
    dataset,
    revision,
    question,
    variable,
    axisName,
    name,
    isNumber,
}: Asked & { name: string; isNumber: boolean }) {
    const answer = useReadings(dataset, revision, { ...question, of: [variable] });
    const readings = answer.data?.readings ?? [];
    return (
        // Room is kept for what is usually said.
        <section aria-label={`What ${axisName} says`} className={isNumber ? 'mt-6 min-h-42' : 'mt-6 min-h-24'}>
            <h3 className="font-semibold">What it says</h3>
            {answer.isError && <Notice onRetry={() => void answer.refetch()}>{answer.error.message}</Notice>}
            {answer.isPending && <Waiting what="Reading the figures" />}
            {answer.data !== undefined && readings.length === 0 && <p className="text-soft">Nothing that a rule would speak of.</p>}
            <SaidList
                readings={readings}
                shown={SHOWN}
                titleOf={({ column }) => (column === null ? name : `${name}, ${column}`)}
                variable={variable}
            />
        </section>
    );
}
