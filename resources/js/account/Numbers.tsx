import { day, type Marks, written, writtenCount } from '../ui/numbers';
import { WordChoice } from '../ui/WordChoice';
import { Refused } from './Door';
import { useAccountChanges } from './queries';

const DECIMAL = [
    { value: 'point', words: 'a point' },
    { value: 'comma', words: 'a comma' },
];
const THOUSANDS = [
    { value: 'counts', words: 'a mark in counts alone' },
    { value: 'none', words: 'nothing' },
    { value: 'blank', words: 'a blank' },
    { value: 'point', words: 'a point' },
    { value: 'comma', words: 'a comma' },
    { value: 'apostrophe', words: 'an apostrophe' },
];
const MINUS = [
    { value: 'minus', words: 'a minus sign, as wide as +', sentence: '−3' },
    { value: 'hyphen', words: 'a hyphen, as keyboards have it', sentence: '-3' },
];
const WEEKS = [
    { value: 'monday', words: 'Monday' },
    { value: 'sunday', words: 'Sunday' },
    { value: 'saturday', words: 'Saturday' },
];
const DAYS = ['year-first', 'day-first-points', 'day-first', 'month-first'] as const;
const A_DAY = '2026-03-21';

/** How numbers and days are written: one sentence, in force as soon as a word of it is another. */
export function Numbers({ marks }: { marks: Marks }) {
    const { writeNumbers } = useAccountChanges();
    return (
        <>
            <p className="leading-relaxed text-soft">
                Before decimals stands{' '}
                <WordChoice
                    name="Before decimals"
                    options={DECIMAL}
                    value={marks.decimal}
                    onChange={(decimal) => writeNumbers.mutate({ decimal: decimal as Marks['decimal'] })}
                />
                , between thousands{' '}
                <WordChoice
                    name="Between thousands"
                    options={THOUSANDS.filter(({ value }) => value !== marks.decimal)}
                    value={marks.thousands}
                    onChange={(thousands) => writeNumbers.mutate({ thousands: thousands as Marks['thousands'] })}
                />
                , before negative numbers{' '}
                <WordChoice
                    name="Before negative numbers"
                    options={MINUS}
                    value={marks.minus}
                    onChange={(minus) => writeNumbers.mutate({ minus: minus as Marks['minus'] })}
                />
                ; days are written as{' '}
                <WordChoice
                    name="Days"
                    options={DAYS.map((days) => ({ value: days, words: day(A_DAY, { ...marks, days }) }))}
                    value={marks.days}
                    onChange={(days) => writeNumbers.mutate({ days: days as Marks['days'] })}
                />
                , weeks from{' '}
                <WordChoice
                    name="Weeks"
                    options={WEEKS}
                    value={marks.week ?? 'monday'}
                    onChange={(week) => writeNumbers.mutate({ week: week as NonNullable<Marks['week']> })}
                />
                .
            </p>
            <p className="figures mt-3">
                {written('-12345.67', marks)} · {writtenCount(1204, marks)} rows · {day(A_DAY, marks)}
            </p>
            <p className="mt-3 text-small text-soft">
                So on every screen, in tables, pictures, what is copied, and reports that you hand over. What you type is read with either
                mark, and asked about where it could be two numbers. Conditions and formulas, files taken out and scripts keep 1234.5 and
                2026-03-21, unless you ask a file for yours.
            </p>
            {writeNumbers.isError && <Refused>{writeNumbers.error.message}</Refused>}
        </>
    );
}
