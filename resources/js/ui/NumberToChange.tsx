import { useState } from 'react';

/** A number in a table that can be typed over: a press opens it, Enter or leaving takes it, Escape leaves it as it was. */
export function NumberToChange({
    name,
    text,
    isChanged,
    onChange,
}: {
    /** Says which number it is. */
    name: string;
    text: string;
    /** Whether somebody has changed it. */
    isChanged: boolean;
    onChange: (typed: string) => void;
}) {
    const [typed, setTyped] = useState<string | null>(null);
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
                onClick={() => setTyped(text.replace('−', '-'))}
            >
                {text}
            </button>
        );
    }
    const take = () => {
        const next = typed.trim().replace(',', '.').replace('−', '-');
        if (next !== '' && next !== text.replace('−', '-')) {
            onChange(next);
        }
        setTyped(null);
    };
    return (
        <input
            autoFocus
            aria-label={name}
            inputMode="decimal"
            value={typed}
            onFocus={(event) => event.target.select()}
            onChange={(event) => setTyped(event.target.value)}
            onBlur={take}
            onKeyDown={(event) => {
                if (event.key === 'Enter') {
                    take();
                } else if (event.key === 'Escape') {
                    setTyped(null);
                }
            }}
            className="figures w-20 rounded-sm border border-accent bg-surface px-1 text-right"
        />
    );
}
