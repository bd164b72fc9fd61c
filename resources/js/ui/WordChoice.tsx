import { lazy, useState } from 'react';
import { OpeningWord } from './OpeningWord';
import type { WordOption } from './wordOption';

const load = () => import('./WordMenu');
const WordMenu = lazy(async () => ({ default: (await load()).WordMenu }));

/** A word in a sentence that can be changed: opens a list of choices with what each does. */
export function WordChoice({
    name,
    options,
    value,
    onChange,
    className,
}: {
    /** Says what is chosen, for those who cannot see the sentence. */
    name: string;
    options: WordOption[];
    value: string;
    onChange: (value: string) => void;
    className?: string;
}) {
    const [isOpen, setIsOpen] = useState(false);
    const words = options.find((option) => option.value === value)?.words ?? value;
    return (
        <OpeningWord
            label={`${name}: ${words}`}
            words={words}
            opens="menu"
            className={className}
            isOpen={isOpen}
            onOpenChange={setIsOpen}
            onNear={load}
        >
            {(word) => <WordMenu {...{ word, name, options, value, isOpen, onChange }} onOpenChange={setIsOpen} />}
        </OpeningWord>
    );
}
