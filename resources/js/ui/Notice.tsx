import { createContext, type ReactNode, useContext } from 'react';
import { Button } from './Button';

/** While what is shown is of another question still: what the new one fails for is said once, by whatever it is asked of first. */
export const SaidElsewhere = createContext(false);

/** Something went wrong or is worth knowing: a sentence, and what can be done. */
export function Notice({ children, onRetry }: { children: ReactNode; onRetry?: () => void }) {
    return useContext(SaidElsewhere) ? null : (
        <div role="alert" className="my-6 flex max-w-2xl items-start gap-4 border-l-3 border-alarm py-1 pl-4">
            <p className="flex-1">{children}</p>
            {onRetry !== undefined && <Button onClick={onRetry}>Try again</Button>}
        </div>
    );
}

/** The same in a line of its own, beside what it is about. */
export function Trouble({ children, onRetry }: { children: ReactNode; onRetry: () => void }) {
    return (
        <p role="alert" className="mt-2 border-l-3 border-alarm pl-3 text-small">
            {children}{' '}
            <button type="button" className="font-semibold underline decoration-accent decoration-2 underline-offset-4" onClick={onRetry}>
                Try again
            </button>
        </p>
    );
}
