import clsx from 'clsx';
import { useRef, useState } from 'react';
import { Button } from '../ui/Button';
import { Trouble } from '../ui/Notice';
import { useTypedNumber } from '../ui/TwoReadings';
import { WordChoice } from '../ui/WordChoice';
import { useComparison } from './queries';
import type { Question } from '../asking/question';

const figures = [
    { value: 'mean', words: 'mean' },
    { value: 'median', words: 'median' },
    { value: 'sd', words: 'standard deviation' },
    { value: 'q1', words: 'lower quartile' },
    { value: 'q3', words: 'upper quartile' },
    { value: 'sum', words: 'sum' },
];

const SHARE = /\s*%\s*$/;

/** A figure beside one that was stated, with what is allowed between them. */
export function StatedEntry({
    dataset,
    revision,
    question,
    variable,
}: {
    dataset: number;
    revision: number;
    question: Question;
    variable: string;
}) {
    const [figure, setFigure] = useState('mean');
    const [stated, setStated] = useState('');
    const [tolerance, setTolerance] = useState('15%');
    const [asked, setAsked] = useState<{ figure: string; stated: string; tolerance: string } | null>(null);
    const plainStated = useRef('');
    const allowed = useTypedNumber((plain) =>
        setAsked({ figure, stated: plainStated.current, tolerance: SHARE.test(tolerance) ? `${plain}%` : plain }),
    );
    const number = useTypedNumber((plain) => {
        plainStated.current = plain;
        allowed.take(tolerance.replace(SHARE, ''));
    });
    const comparison = useComparison(dataset, revision, question, variable, asked);
    const field = 'figures w-20 rounded-md border border-hair-strong bg-surface px-2 py-1 text-right text-ink';
    return (
        <div>
            <form
                className="flex flex-wrap items-center gap-2 text-small text-soft"
                onSubmit={(event) => {
                    event.preventDefault();
                    number.take(stated);
                }}
            >
                Is the <WordChoice name="Compared figure" options={figures} value={figure} onChange={setFigure} />
                <label className="flex items-center gap-2">
                    near a stated
                    <input value={stated} inputMode="decimal" onChange={(event) => setStated(event.target.value)} className={field} />
                </label>
                <label className="flex items-center gap-2">
                    within
                    <input value={tolerance} onChange={(event) => setTolerance(event.target.value)} className={field} />
                </label>
                <Button type="submit" className="py-1!" disabled={stated.trim() === ''}>
                    Compare
                </Button>
                {number.question}
                {allowed.question}
            </form>
            {comparison.isError && <Trouble onRetry={() => void comparison.refetch()}>{comparison.error.message}</Trouble>}
            {comparison.data !== undefined && asked !== null && (
                <p role="status" className={clsx('mt-2 text-small font-semibold', comparison.data.is_within === false && 'text-alarm')}>
                    {comparison.data.sentence}
                </p>
            )}
        </div>
    );
}
