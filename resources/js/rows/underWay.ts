import { useSyncExternalStore } from 'react';

/** A change that a worker makes: how far it is, and how to stop it. */
export interface UnderWay {
    /** Of the variable that is made. */
    name: string | null;
    share: number;
    stop: () => void;
}

class Watched {
    private now: UnderWay | null = null;
    private readonly listeners = new Set<() => void>();

    subscribe = (listener: () => void) => {
        this.listeners.add(listener);
        return () => this.listeners.delete(listener);
    };

    get = () => this.now;

    set(next: UnderWay | null): void {
        this.now = next;
        this.listeners.forEach((listener) => listener());
    }
}

export const underWay = new Watched();

export function useUnderWay(): UnderWay | null {
    return useSyncExternalStore(underWay.subscribe, underWay.get);
}
