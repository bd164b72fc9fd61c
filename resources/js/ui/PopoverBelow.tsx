import clsx from 'clsx';
import { Popover } from 'radix-ui';
import type { ReactNode, RefObject } from 'react';
import { belowWord } from './belowWord';

/** What a word opens, below it. */
export function PopoverBelow({
    word,
    isOpen,
    onOpenChange,
    className,
    children,
}: {
    word: RefObject<HTMLButtonElement | null>;
    isOpen: boolean;
    onOpenChange: (isOpen: boolean) => void;
    className: string;
    children: ReactNode;
}) {
    return (
        <Popover.Root open={isOpen} onOpenChange={onOpenChange}>
            <Popover.Anchor virtualRef={word} />
            <Popover.Portal>
                <Popover.Content
                    {...belowWord(word)}
                    className={clsx('z-20 rounded-lg border border-hair-strong bg-surface text-body text-ink shadow-lg', className)}
                >
                    {children}
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}
