import { type Mutation, MutationCache } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';

/** Something that was asked for and did not happen. */
export interface Failure {
    sentence: string;
    again: () => void;
}

declare module '@tanstack/react-query' {
    interface Register {
        /** Whoever asks says by the side of it what went wrong: the bar need not. */
        mutationMeta: { isSaidInPlace?: boolean };
    }
}

type Asked = Mutation<unknown, unknown>;

/** What did not happen last, for the bar that says so wherever somebody is. */
class Failures {
    private failed: Asked | null = null;
    private shown: Failure | null = null;
    private readonly listeners = new Set<() => void>();

    subscribe = (listener: () => void) => {
        this.listeners.add(listener);
        return () => this.listeners.delete(listener);
    };

    last = () => this.shown;

    add(mutation: Asked, error: Error): void {
        if (mutation.meta?.isSaidInPlace !== true) {
            this.show(mutation, {
                sentence: error.message,
                again: () => void mutation.execute(mutation.state.variables).catch(() => null),
            });
        }
    }

    /** It went well this time. */
    settle(mutation: Asked): void {
        if (mutation === this.failed) {
            this.dismiss();
        }
    }

    dismiss(): void {
        this.show(null, null);
    }

    private show(failed: Asked | null, shown: Failure | null): void {
        this.failed = failed;
        this.shown = shown;
        this.listeners.forEach((listener) => listener());
    }
}

export const failures = new Failures();

export const mutationCache = new MutationCache({
    onError: (error, _variables, _context, mutation) => failures.add(mutation, error),
    onSuccess: (_answer, _variables, _context, mutation) => failures.settle(mutation),
});

export function useLastFailure(): Failure | null {
    return useSyncExternalStore(failures.subscribe, failures.last);
}
