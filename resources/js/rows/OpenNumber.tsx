import { AlertDialog } from 'radix-ui';
import { Button } from '../ui/Button';
import { written } from '../ui/numbers';
import { AlertOver } from './AlertOver';

/** A number that was typed or pasted and can be read in two ways. */
export interface Open {
    typed: string;
    readings: [string, string];
    /** Whether others were pasted with it, which are read alike. */
    hasMore: boolean;
    /** 0 = its mark stands between thousands, 1 = before decimals. */
    onMean: (which: 0 | 1) => void;
}

/** Asks which of the two is meant; nothing is changed before. */
export function OpenNumber({
    open,
    onClose,
    onGone,
}: {
    open: Open;
    onClose: () => void;
    /** Once it has given the focus away. */ onGone: () => void;
}) {
    return (
        <AlertOver
            title={`Which number is “${open.typed}”?`}
            says={`Its mark can stand between thousands or before decimals.${open.hasMore ? ' What else was pasted and leaves it open is read alike.' : ''} Nothing is changed yet.`}
            onClose={onClose}
            onGone={onGone}
        >
            <AlertDialog.Cancel asChild>
                <Button>Leave it</Button>
            </AlertDialog.Cancel>
            {([0, 1] as const).map((which) => (
                <Button
                    key={which}
                    className="figures"
                    onClick={() => {
                        onClose();
                        open.onMean(which);
                    }}
                >
                    {written(open.readings[which])}
                </Button>
            ))}
        </AlertOver>
    );
}
