import clsx from 'clsx';
import { Popover } from 'radix-ui';

/** How a word in a sentence looks that can be changed. */
export const wordLook =
    'border-b-2 border-accent pb-px text-left font-semibold text-ink hover:bg-accent-wash data-[state=open]:bg-accent-wash';

/** A word in a sentence that opens something: underlined, with what it opens below it. */
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
    children: React.ReactNode;
}) {
    return (
        <Popover.Root {...(open === undefined ? {} : { open })} {...(onOpenChange === undefined ? {} : { onOpenChange })}>
            <Popover.Trigger asChild>
                <button type="button" aria-label={label} className={clsx(wordLook, wordClassName)}>
                    {words}
                </button>
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content
                    align="start"
                    sideOffset={8}
                    collisionPadding={12}
                    className={clsx('z-20 rounded-lg border border-hair-strong bg-surface text-body text-ink shadow-lg', className)}
                >
                    {children}
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}
