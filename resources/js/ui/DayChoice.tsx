import { DayPicker } from 'react-day-picker';
import { Button } from './Button';
import { localDay } from './format';
import { day, marksInForce } from './numbers';

const FIRST = { monday: 1, sunday: 0, saturday: 6 } as const;
const YEARS_AHEAD = 9;
const WEEKDAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'];

/** A day to come, chosen in a calendar whose weeks begin as whoever chooses has them; or none. */
export function DayChoice({
    name,
    none,
    value,
    onChange,
}: {
    name: string;
    /** What holds without one. */
    none: string;
    value: Date | null;
    onChange: (day: Date | null) => void;
}) {
    const today = new Date();
    return (
        <fieldset className="mt-3">
            <legend className="text-small text-soft">{name}</legend>
            <p className="flex items-baseline gap-3 text-small">
                {value === null ? (
                    none
                ) : (
                    <>
                        <span className="figures">{day(localDay(value))}</span>
                        <Button look="quiet" className="px-1! py-0.5! text-small" onClick={() => onChange(null)}>
                            No last day
                        </Button>
                    </>
                )}
            </p>
            <DayPicker
                mode="single"
                selected={value ?? undefined}
                onSelect={(chosen) => onChange(chosen ?? null)}
                weekStartsOn={FIRST[marksInForce().week ?? 'monday']}
                disabled={{ before: today }}
                startMonth={today}
                endMonth={new Date(today.getFullYear() + YEARS_AHEAD, today.getMonth())}
                labels={{
                    labelDayButton: (date) => `${WEEKDAYS[date.getDay()] ?? ''}, ${day(localDay(date))}`,
                    labelNext: () => 'The month after',
                    labelPrevious: () => 'The month before',
                }}
                classNames={{
                    root: 'mt-1 w-fit text-small',
                    months: 'relative',
                    month_caption: 'flex h-8 items-center font-semibold',
                    nav: 'absolute top-0 right-0 flex gap-1',
                    button_previous: 'grid size-8 place-items-center rounded-md hover:bg-accent-wash aria-disabled:opacity-50',
                    button_next: 'grid size-8 place-items-center rounded-md hover:bg-accent-wash aria-disabled:opacity-50',
                    chevron: 'size-4 fill-current',
                    month_grid: 'border-collapse',
                    weekday: 'size-9 font-normal text-soft',
                    day: 'p-0 text-center',
                    day_button:
                        'figures grid size-9 place-items-center rounded-md hover:bg-accent-wash disabled:text-soft disabled:opacity-60',
                    today: 'underline decoration-2 underline-offset-4',
                    selected: '[&>button]:bg-accent! [&>button]:font-semibold [&>button]:text-on-accent',
                    outside: 'invisible',
                }}
            />
        </fieldset>
    );
}
