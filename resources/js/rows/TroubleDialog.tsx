import { AlertDialog } from 'radix-ui';
import { Button } from '../ui/Button';
import { AlertOver } from './AlertOver';
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
        <AlertOver
            title={isClash ? 'Somebody else has changed these rows' : 'This was not changed'}
            says={refusal.message}
            onClose={onClose}
        >
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
        </AlertOver>
    );
}
