import { useCallback, useRef } from 'react';

/** For a dialog that no button of its own opens: what had the focus before has it again, where it is still there. */
export function useGivenBack() {
    const before = useRef<Element | null>(null);
    const remember = useCallback(() => {
        before.current = document.activeElement;
    }, []);
    const giveBack = useCallback((event: Event) => {
        event.preventDefault();
        if (before.current instanceof HTMLElement && before.current.isConnected) {
            before.current.focus();
        }
    }, []);
    return { remember, giveBack };
}
