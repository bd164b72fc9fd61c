import { useReadings } from '../asking/queries';
import type { Question } from '../asking/question';
import { Notice } from '../ui/Notice';

const SHOWN = 5;

/** The weightiest of what all variables say, each leading to its variable. */
export function WorthALook({
    dataset,
    revision,
    question,
    onShow,
}: {
    dataset: number;
    revision: number;
    question: Question;
    onShow: (variable: string) => void;
}) {
    const answer = useReadings(dataset, revision, { ...question, of: [], by: [] }, SHOWN);
    const readings = answer.data?.readings ?? [];
    if (answer.data !== undefined && readings.length === 0) {
        return null;
    }
    return (
        <section aria-label="Worth a look" className="mt-6 min-h-40">
            <h3 className="font-semibold">Worth a look</h3>
            {answer.isError && <Notice onRetry={() => void answer.refetch()}>{answer.error.message}</Notice>}
            <ul className="max-w-3xl">
                {readings.map((reading) => (
                    <li
                        key={`${reading.variable} ${reading.key} ${reading.column ?? ''}`}
                        className="mt-1.5 border-l-3 border-hair-strong pl-3"
                    >
                        <button
                            type="button"
                            className="font-semibold underline decoration-accent decoration-2 underline-offset-4"
                            onClick={() => onShow(reading.variable)}
                        >
                            <bdi>{reading.name}</bdi>
                        </button>
                        {reading.column !== null && (
                            <>
                                {', '}
                                <bdi>{reading.column}</bdi>
                            </>
                        )}
                        : <span dir="auto">{reading.sentence}</span>
                    </li>
                ))}
            </ul>
        </section>
    );
}
