import clsx from 'clsx';
import { useState } from 'react';
import { Button } from './Button';
import { written } from './numbers';
import { useTypedNumber } from './TwoReadings';
import { WordPopover } from './WordPopover';

/** A word in a sentence that is typed: underlined, opens a field with some values that are common. */
export function WordEntry({
    name,
    words,
    value,
    help,
    common,
    isNumber = false,
    onChange,
}: {
    /** Says what is entered. */
    name: string;
    /** How it stands in the sentence. */
    words: string;
    value: string;
    help: string;
    common: { value: string; words: string }[];
    /** Whether it is one number, which may be typed with anybody's marks; `value` is as machines write it. */
    isNumber?: boolean;
    onChange: (value: string) => void;
}) {
    const [isOpen, setIsOpen] = useState(false);
    const shown = isNumber ? written(value) : value;
    const [typed, setTyped] = useState(shown);
    const take = (next: string) => {
        onChange(next.trim());
        setIsOpen(false);
    };
    const number = useTypedNumber(take);
    return (
        <WordPopover
            label={`${name}: ${words}`}
            words={words}
            className="w-96 max-w-[90vw] p-3"
            wordClassName="max-w-80 truncate align-bottom"
            open={isOpen}
            onOpenChange={(open) => {
                setTyped(shown);
                number.forget();
                setIsOpen(open);
            }}
        >
            <form
                onSubmit={(event) => {
                    event.preventDefault();
                    if (isNumber) {
                        number.take(typed);
                    } else {
                        take(typed);
                    }
                }}
            >
                <label className="block">
                    <span className="text-small text-soft">{name}</span>
                    <input
                        value={typed}
                        onChange={(event) => setTyped(event.target.value)}
                        className="figures mt-1 w-full rounded-md border border-hair-strong bg-paper px-2.5 py-1.5"
                    />
                </label>
                <p className="mt-1.5 text-fine leading-snug text-soft">{help}</p>
                {number.question}
                <div className="mt-2.5 flex flex-wrap items-center gap-1.5">
                    <Button type="submit" look="primary">
                        Use it
                    </Button>
                    {common.map((choice) => (
                        <Button
                            key={choice.value}
                            className={clsx(choice.value === value && 'border-accent! bg-accent-wash')}
                            onClick={() => take(choice.value)}
                        >
                            {choice.words}
                        </Button>
                    ))}
                </div>
            </form>
        </WordPopover>
    );
}
