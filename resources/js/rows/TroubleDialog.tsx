import { AlertDialog } from 'radix-ui';
import { Button } from '../ui/Button';
import type { ChangeWords, Trouble } from './changes';

/** A change that was not made: why, and what can be done with what was typed. */
export function TroubleDialog({
    trouble,
    onChange,
    onClose,
    onBack,
}: {
    trouble: Trouble;
    onChange: (change: ChangeWords) => Promise<boolean>;
    onClose: () => void;
    /** Goes back to the cell that was typed in, with what was typed. */
    onBack: () => void;
}) {
    const { refusal, changes } = trouble;
    const isClash = refusal.status === 409;
    const canKeep = refusal.codes.length > 0 && refusal.codes.every((code) => code === 'not-a-number' || code === 'not-a-date');
    const again = (words: Record<string, unknown>) => {
        onClose();
        for (const change of changes) {
            void onChange({ ...change, ...words });
        }
    };
    return (
        <AlertDialog.Root open onOpenChange={(open) => !open && onClose()}>
            <AlertDialog.Portal>
                <AlertDialog.Overlay className="fixed inset-0 z-30 bg-black/30" />
                <AlertDialog.Content
                    // The next Enter belongs to the cell that was being typed in: it must press nothing here.
                    onOpenAutoFocus={(event) => {
                        event.preventDefault();
                        (event.currentTarget as HTMLElement).focus();
                    }}
                    className="fixed top-1/3 left-1/2 z-40 w-[min(92vw,560px)] -translate-x-1/2 -translate-y-1/3 rounded-lg border border-hair-strong bg-surface p-6 shadow-lg outline-none"
                >
                    <AlertDialog.Title className="text-title">
                        {isClash ? 'Somebody else has changed these rows' : 'This was not changed'}
                    </AlertDialog.Title>
                    <AlertDialog.Description dir="auto" className="mt-3 whitespace-pre-wrap">
                        {refusal.message}
                    </AlertDialog.Description>
                    <div className="mt-5 flex flex-wrap justify-end gap-2">
                        <AlertDialog.Cancel asChild>
                            <Button onClick={() => !isClash && onBack()}>{isClash ? 'Leave it' : 'Go back'}</Button>
                        </AlertDialog.Cancel>
                        {isClash && (
                            <Button look="primary" onClick={() => again({})}>
                                {changes.length === 1 ? 'Make my change on top' : `Make my ${changes.length} changes on top`}
                            </Button>
                        )}
                        {canKeep && (
                            <Button look="primary" onClick={() => again({ anyway: true })}>
                                Keep as text, counts as missing
                            </Button>
                        )}
                    </div>
                </AlertDialog.Content>
            </AlertDialog.Portal>
        </AlertDialog.Root>
    );
}
