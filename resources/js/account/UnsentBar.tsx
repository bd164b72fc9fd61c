import { useIsMutating } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { Link, useLocation } from 'wouter';
import { outbox } from '../api/outbox';
import { Button } from '../ui/Button';
import { counted } from '../ui/format';
import { useLeaveGuard } from '../ui/useLeaveGuard';

/** Changes that could not be sent, wherever somebody is by now: why, and what can be done. */
export function UnsentBar() {
    const unsent = useSyncExternalStore(outbox.subscribe, outbox.list);
    const refused = useSyncExternalStore(outbox.subscribe, outbox.anyTrouble);
    const [pathname] = useLocation();
    // Whatever else is being saved just then is waited for too.
    const saving = useIsMutating();
    useLeaveGuard(unsent.length + saving > 0);
    const held = unsent.find(({ why }) => why !== null);
    const dataset = held?.dataset ?? refused?.dataset;
    const isAtRows = pathname === `/datasets/${dataset ?? ''}/rows`;
    if (dataset === undefined || (held === undefined && isAtRows)) {
        return null;
    }
    const number = unsent.filter((entry) => entry.dataset === dataset).length;
    return (
        <div
            role="status"
            className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-2 border-t border-hair-strong bg-accent-wash px-5 py-2.5 text-small print:hidden"
        >
            <p className="min-w-0 flex-1">
                <strong>{held === undefined ? 'A change was refused.' : `${counted(number, 'change')} not saved yet.`}</strong>{' '}
                {held?.why ?? refused?.refusal.message} {held !== undefined && 'What was typed is kept here and sent again by itself.'}
            </p>
            {isAtRows ? (
                <Button onClick={() => outbox.again()}>Send it now</Button>
            ) : (
                <Link to={`/datasets/${dataset}/rows`} className="font-semibold text-accent underline underline-offset-4">
                    Open the rows
                </Link>
            )}
            {held !== undefined && (
                <Button look="quiet" onClick={() => outbox.giveUp(dataset)}>
                    Give it up
                </Button>
            )}
        </div>
    );
}
