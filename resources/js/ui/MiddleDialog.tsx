import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

/** A dialog in the middle of the screen, which no button of its own has opened. */
export function MiddleDialog({
    title,
    onClose,
    giveBack,
    children,
}: {
    title: ReactNode;
    onClose: () => void;
    /** The focus, to what had it before. */
    giveBack: (event: Event) => void;
    children: ReactNode;
}) {
    return (
        <Dialog.Root open onOpenChange={(isOpen) => !isOpen && onClose()}>
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-30 bg-black/30" />
                <Dialog.Content
                    aria-describedby={undefined}
                    onCloseAutoFocus={giveBack}
                    className="fixed top-1/2 left-1/2 z-40 max-h-[92vh] w-[min(94vw,620px)] -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded-lg border border-hair-strong bg-surface p-6 shadow-lg"
                >
                    <Dialog.Title className="mb-3 text-title">{title}</Dialog.Title>
                    {children}
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    );
}
