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
        <section aria-label={title ?? undefined} className="mt-5">
            {title !== null && <h3 className="mb-1 font-semibold">{title}</h3>}
            {answer?.error != null && <Notice onRetry={() => void answer.refetch()}>{answer.error.message}</Notice>}
            {answer?.isPending === true && <Waiting what="Drawing" />}
            {children}
        </section>
    );
}
