import { useSyncExternalStore } from 'react';
import { api } from '../api/client';
import { underway } from '../api/underway';
import { HowFar } from '../ui/HowFar';

/** How far the answer is that is waited for longest, wherever somebody is. */
export function UnderwayBar() {
    const now = useSyncExternalStore(underway.subscribe, underway.shown);
    if (now === null) {
        return null;
    }
    const stop = () =>
        underway
            .long()
            .forEach((name) => void api.POST('/underway/{underway}/stop', { params: { path: { underway: name } } }).catch(() => null));
    return <HowFar words={now.what} share={now.share} onStop={stop} className="sticky bottom-0 z-20 border-t px-5 text-small" />;
}
