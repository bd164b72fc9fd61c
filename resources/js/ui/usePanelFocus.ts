import { type RefObject, useEffect, useRef } from 'react';
import { focusOn, isLost } from './useFocusKept';

/** A panel beside what is shown has the focus when it opens or shows something else, and gives it back to what opened it. */
export function usePanelFocus(panel: RefObject<HTMLElement | null>, shows: string): void {
    const opener = useRef<Element | null>(null);
    useEffect(() => {
        const element = panel.current;
        if (element?.contains(document.activeElement) === false) {
            opener.current = document.activeElement;
            focusOn(element);
        }
    }, [panel, shows]);
    useEffect(
        () => () => {
            const from = opener.current;
            if (isLost() && from instanceof HTMLElement && from.isConnected) {
                from.focus();
            }
        },
        [],
    );
}
