import { useState } from 'react';
import { Button } from '../ui/Button';
import { typedList, written, writtenList } from '../ui/numbers';
import { ambiguousPercent, replaced } from './percents';

/** Percentiles in percent; a number that could be a fraction is asked back. */
export function PercentileEntry({ value, onChange }: { value: string; onChange: (value: string) => void }) {
    const [typed, setTyped] = useState(writtenList(value));
    const [asked, setAsked] = useState<{ typed: string; percent: string } | null>(null);
    const use = (text: string) => {
        const plain = typedList(text);
        const ambiguous = ambiguousPercent(plain);
        setTyped(text);
        setAsked(ambiguous);
        if (ambiguous === null) {
            onChange(
                plain
                    .split(/[,;\s]+/)
                    .filter((word) => word !== '')
                    .join(','),
            );
        }
    };
    return (
        <form
            className="mt-3 text-small"
            onSubmit={(event) => {
                event.preventDefault();
                use(typed);
            }}
        >
            <label className="flex flex-wrap items-center gap-2">
                Percentiles, in percent
                <input
                    value={typed}
                    onChange={(event) => setTyped(event.target.value)}
                    placeholder="5, 15, 50, 85, 95"
                    className="figures w-56 rounded-md border border-hair-strong bg-paper px-2 py-1"
                />
                <Button type="submit">Show them</Button>
                {value !== '' && (
                    <Button look="quiet" onClick={() => use('')}>
                        None
                    </Button>
                )}
            </label>
            {asked !== null && (
                <p role="alert" className="mt-2 flex flex-wrap items-center gap-2 border-l-3 border-accent pl-3">
                    Does {written(asked.typed)} mean
                    <Button onClick={() => use(replaced(typedList(typed), asked.typed, asked.percent))}>
                        the {written(asked.percent)}th percentile
                    </Button>
                    or
                    <Button onClick={() => use(replaced(typedList(typed), asked.typed, `${asked.typed}%`))}>
                        {written(asked.typed)} %
                    </Button>
                </p>
            )}
        </form>
    );
}
