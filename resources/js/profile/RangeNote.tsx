import { Trouble } from '../ui/Notice';
import { useRange } from './queries';
import type { Question } from '../asking/question';

/** What was selected on the axis: how many, which share, their mean; and the way to their rows. */
export function RangeNote({
    dataset,
    revision,
    question,
    variable,
    unit,
    range,
    onZoom,
    onShowRows,
}: {
    dataset: number;
    revision: number;
    question: Question;
    variable: string;
    unit: string | null;
    range: { from: string; to: string };
    /** Asks for this part of the axis alone. */
    onZoom: (zoom: string) => void;
    onShowRows: (where: string) => void;
}) {
    const plain = { from: range.from.replace('−', '-'), to: range.to.replace('−', '-') };
    const found = useRange(dataset, revision, question, variable, plain);
    const inUnit = unit === null ? '' : ` ${unit}`;
    return found.isError ? (
        <Trouble onRetry={() => void found.refetch()}>{found.error.message}</Trouble>
    ) : (
        <p role="status" className="mt-1.5 border-l-3 border-accent pl-3 text-small">
            {found.data !== undefined && (
                <>
                    From {range.from} to {range.to}
                    {inUnit}: <strong className="figures">{found.data.count}</strong> rows
                    {found.data.percent !== null && `, ${found.data.percent} %`}
                    {found.data.mean !== null && (
                        <>
                            , mean <strong className="figures">{found.data.mean}</strong>
                            {inUnit}
                        </>
                    )}
                    .{' '}
                    <button
                        type="button"
                        className="font-semibold underline decoration-accent decoration-2 underline-offset-4"
                        onClick={() => onShowRows(found.data.rows)}
                    >
                        Show the rows
                    </button>{' '}
                    <button
                        type="button"
                        className="ml-3 font-semibold underline decoration-accent decoration-2 underline-offset-4"
                        onClick={() => onZoom(`${plain.from}:${plain.to}`)}
                    >
                        Zoom in
                    </button>
                </>
            )}
        </p>
    );
}
