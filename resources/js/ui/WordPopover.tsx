import { lazy, type ReactNode, useState } from 'react';
import { OpeningWord } from './OpeningWord';

const load = () => import('./PopoverBelow');
const PopoverBelow = lazy(async () => ({ default: (await load()).PopoverBelow }));

/** A word in a sentence that opens something below it. */
export function WordPopover({
    label,
    words,
    className,
    wordClassName,
    open,
    onOpenChange,
    children,
}: {
    /** For those who cannot see the sentence. */
    label: string;
    words: string;
    /** Of what opens. */
    className: string;
    wordClassName?: string;
    open?: boolean;
    onOpenChange?: (open: boolean) => void;
    children: ReactNode;
}) {
    const [isOwnOpen, setIsOwnOpen] = useState(false);
    const isOpen = open ?? isOwnOpen;
    const change = onOpenChange ?? setIsOwnOpen;
    return (
        <OpeningWord
            label={label}
            words={words}
            opens="dialog"
            className={wordClassName}
            isOpen={isOpen}
            onOpenChange={change}
            onNear={load}
        >
            {(word) => (
                <PopoverBelow word={word} label={label} isOpen={isOpen} onOpenChange={change} className={className}>
                    {children}
                </PopoverBelow>
            )}
        </OpeningWord>
    );
}
