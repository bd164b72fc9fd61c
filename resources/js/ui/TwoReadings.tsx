import { useState } from 'react';
import { Button } from './Button';
import { readTyped, written } from './numbers';

interface Open {
    typed: string;
    readings: [string, string];
}

/** Takes a number as it was typed, in anybody's marks; one that can be read in two ways is asked about by `question`, which stands beside the field. */
export function useTypedNumber(onUse: (plain: string) => void) {
    const [open, setOpen] = useState<Open | null>(null);
    const take = (typed: string) => {
        const read = readTyped(typed);
        if (read !== null && 'open' in read) {
            setOpen({ typed: typed.trim(), readings: read.open });
            return false;
        }
        setOpen(null);
        onUse(read === null ? typed.trim() : read.plain);
        return true;
    };
    const question =
        open === null ? null : (
            <TwoReadings
                {...open}
                onUse={(plain) => {
                    setOpen(null);
                    onUse(plain);
                }}
            />
        );
    return { take, question, forget: () => setOpen(null) };
}

/** "1,234" is one thousand or one and a bit: whoever typed it says which. */
export function TwoReadings({ typed, readings, onUse }: Open & { onUse: (plain: string) => void }) {
    return (
        <div role="alert" className="mt-2 flex basis-full flex-wrap items-center gap-2 border-l-3 border-accent pl-3 text-small text-ink">
            “{typed}” can be read in two ways. Is it
            {readings.map((reading, i) => (
                <span key={reading} className="flex items-center gap-2">
                    {i > 0 && 'or'}
                    <Button className="figures py-1!" autoFocus={i === 0} onClick={() => onUse(reading)}>
                        {written(reading)}
                    </Button>
                </span>
            ))}
            ?
        </div>
    );
}
