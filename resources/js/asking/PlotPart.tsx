import clsx from 'clsx';
import { Notice } from '../ui/Notice';
import { Waiting } from '../ui/Waiting';
import type { Question } from './question';

/** What a picture is of. */
export interface Asked {
    dataset: number;
    revision: number;
    question: Question;
    variable: string;
    names: string[];
    axisName: string;
}

/** A picture with its heading; `answer` is what it waits for, where it waits for something. */
export function PlotPart({
    title,
    answer,
    children,
}: {
    /** null = it needs no heading of its own. */
    title: string | null;
    answer?: { error: Error | null; isPending: boolean; refetch: () => unknown };
    children: React.ReactNode;
}) {
    return (
        // Room is kept for what is awaited, so that little moves when it comes.
        <section aria-label={title ?? undefined} className={clsx('mt-5', answer?.isPending === true && 'min-h-96')}>
            {title !== null && <h3 className="mb-1 font-semibold">{title}</h3>}
            {answer?.error != null && <Notice onRetry={() => void answer.refetch()}>{answer.error.message}</Notice>}
            {answer?.isPending === true && <Waiting what="Drawing" />}
            {children}
        </section>
    );
}
