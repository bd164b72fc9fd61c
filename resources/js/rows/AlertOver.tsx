import { AlertDialog } from 'radix-ui';
import type { ReactNode } from 'react';

/** What somebody is asked over the rows. The next Enter belongs to the cell that was being typed in: it presses nothing here. */
export function AlertOver({
    title,
    says,
    onClose,
    onGone,
    children,
}: {
    title: string;
    says: ReactNode;
    onClose: () => void;
    /** Where the focus goes afterwards; without it, where it goes by itself. */
    onGone?: () => void;
    /** Buttons. */
    children: ReactNode;
}) {
    return (
        <AlertDialog.Root open onOpenChange={(isOpen) => !isOpen && onClose()}>
            <AlertDialog.Portal>
                <AlertDialog.Overlay className="fixed inset-0 z-30 bg-black/30" />
                <AlertDialog.Content
                    onOpenAutoFocus={(event) => {
                        event.preventDefault();
                        (event.currentTarget as HTMLElement).focus();
                    }}
                    onCloseAutoFocus={
                        onGone &&
                        ((event) => {
                            event.preventDefault();
                            onGone();
                        })
                    }
                    className="fixed top-1/3 left-1/2 z-40 w-[min(92vw,560px)] -translate-x-1/2 -translate-y-1/3 rounded-lg border border-hair-strong bg-surface p-6 shadow-lg outline-none"
                >
                    <AlertDialog.Title className="text-title">{title}</AlertDialog.Title>
                    <AlertDialog.Description dir="auto" className="mt-3 whitespace-pre-wrap">
                        {says}
                    </AlertDialog.Description>
                    <div className="mt-5 flex flex-wrap justify-end gap-2">{children}</div>
                </AlertDialog.Content>
            </AlertDialog.Portal>
        </AlertDialog.Root>
    );
}
