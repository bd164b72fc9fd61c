import clsx from 'clsx';
import { Popover } from 'radix-ui';
import type { ReactNode, RefObject } from 'react';
import { belowWord, inMain } from './belowWord';

/** What a word opens, below it. */
export function PopoverBelow({
    word,
    label,
    isOpen,
    onOpenChange,
    className,
    children,
}: {
    word: RefObject<HTMLButtonElement | null>;
    /** What opens is called as the word that opens it. */
    label: string;
    isOpen: boolean;
    onOpenChange: (isOpen: boolean) => void;
    className: string;
    children: ReactNode;
}) {
    return (
        <Popover.Root open={isOpen} onOpenChange={onOpenChange}>
            <Popover.Anchor virtualRef={word} />
            <Popover.Portal container={inMain()}>
                <Popover.Content
                    aria-label={label}
                    {...belowWord(word)}
                    className={clsx(
                        'z-20 max-h-(--radix-popover-content-available-height) overflow-y-auto rounded-lg border border-hair-strong bg-surface text-body text-ink shadow-lg',
                        className,
                    )}
                >
                    {children}
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}
