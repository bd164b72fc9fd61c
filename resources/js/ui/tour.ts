import { useSyncExternalStore } from 'react';

/** Where somebody is on the way through the work, and whether they have seen it; of this browser. */
export interface Tour {
    dataset: number;
    step: number;
}

const AT = 'rowtally.tour';
const SEEN = 'rowtally.tour-seen';
const CHANGED = 'rowtally:tour';

function kept(key: string): string | null {
    try {
        return localStorage.getItem(key);
    } catch {
        return null;
    }
}

function keep(key: string, text: string | null): void {
    try {
        if (text === null) {
            localStorage.removeItem(key);
        } else {
            localStorage.setItem(key, text);
        }
    } catch {
        // A browser that keeps nothing shows it again.
    }
    window.dispatchEvent(new Event(CHANGED));
}

export function goOn(tour: Tour | null): void {
    keep(SEEN, 'yes');
    keep(AT, tour === null ? null : `${tour.dataset} ${tour.step}`);
}

export function leaveForGood(): void {
    goOn(null);
}

function listen(changed: () => void): () => void {
    window.addEventListener(CHANGED, changed);
    window.addEventListener('storage', changed);
    return () => {
        window.removeEventListener(CHANGED, changed);
        window.removeEventListener('storage', changed);
    };
}

export function useTour(): Tour | null {
    const [, dataset, step] = /^(\d+) (\d+)$/.exec(useSyncExternalStore(listen, () => kept(AT)) ?? '') ?? [];
    return dataset === undefined || step === undefined ? null : { dataset: Number(dataset), step: Number(step) };
}

export function useHasSeenTour(): boolean {
    return useSyncExternalStore(listen, () => kept(SEEN)) !== null;
}
