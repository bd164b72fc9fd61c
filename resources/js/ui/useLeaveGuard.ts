import { useEffect } from 'react';

/** Asks before the page is closed or loaded anew while something on it is not kept yet. */
export function useLeaveGuard(isUnkept: boolean): void {
    useEffect(() => {
        if (!isUnkept) {
            return;
        }
        const ask = (event: BeforeUnloadEvent) => event.preventDefault();
        window.addEventListener('beforeunload', ask);
        return () => window.removeEventListener('beforeunload', ask);
    }, [isUnkept]);
}
