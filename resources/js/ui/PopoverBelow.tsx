import clsx from 'clsx';
import { Popover } from 'radix-ui';
import type { ReactNode, RefObject } from 'react';

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
                    align="start"
                    sideOffset={8}
                    collisionPadding={12}
                    // The word itself opens and closes it.
                    onInteractOutside={(event) => {
                        if (event.target instanceof Node && word.current?.contains(event.target) === true) {
                            event.preventDefault();
                        }
                    }}
                    onCloseAutoFocus={(event) => {
                        event.preventDefault();
                        if (document.activeElement === null || document.activeElement === document.body) {
                            word.current?.focus();
                        }
                    }}
                    className={clsx('z-20 rounded-lg border border-hair-strong bg-surface text-body text-ink shadow-lg', className)}
                >
                    {children}
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}
