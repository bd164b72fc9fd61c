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

/** One of the pictures beside the stack, with its heading. */
export function PlotPart({
    title,
    error,
    isPending,
    children,
}: {
    title: string;
    error: Error | null;
    isPending: boolean;
    children: React.ReactNode;
}) {
    return (
        <section aria-label={title} className="mt-5">
            <h3 className="mb-1 font-semibold">{title}</h3>
            {error !== null && <Notice>{error.message}</Notice>}
            {isPending && <Waiting what="Drawing" />}
            {children}
        </section>
    );
}
