import { useState } from 'react';
import { readTyped } from './numbers';
import { useTypedNumber } from './TwoReadings';

/** A number in a table that can be typed over: a press opens it, Enter or leaving takes it, Escape leaves it as it was. */
export function NumberToChange({
    name,
    text,
    isChanged,
    onChange,
}: {
    /** Says which number it is. */
    name: string;
    /** With the marks in force. */
    text: string;
    /** Whether somebody has changed it. */
    isChanged: boolean;
    onChange: (typed: string) => void;
}) {
    const [typed, setTyped] = useState<string | null>(null);
    const number = useTypedNumber((next) => {
        const before = readTyped(text);
        if (next !== '' && !(before !== null && 'plain' in before && next === before.plain)) {
            onChange(next);
        }
        setTyped(null);
    });
    if (typed === null) {
        return (
            <button
                type="button"
                aria-label={`${name}: ${text}, change it`}
                title={`${name}: press to change it`}
                className={
                    isChanged
                        ? 'border-b border-accent bg-accent-wash px-1 font-semibold'
                        : 'border-b border-dotted border-hair-strong px-1 hover:bg-accent-wash'
                }
                onClick={() => setTyped(text)}
            >
                {text}
            </button>
        );
    }
    return (
        <>
            <input
                autoFocus
                aria-label={name}
                inputMode="decimal"
                value={typed}
                onFocus={(event) => event.target.select()}
                onChange={(event) => setTyped(event.target.value)}
                onBlur={() => number.question === null && number.take(typed)}
                onKeyDown={(event) => {
                    if (event.key === 'Enter') {
                        number.take(typed);
                    } else if (event.key === 'Escape') {
                        number.forget();
                        setTyped(null);
                    }
                }}
                className="figures w-20 rounded-sm border border-accent bg-surface px-1 text-right"
            />
            {number.question}
        </>
    );
}
