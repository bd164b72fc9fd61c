import { useEffect, useRef } from 'react';

/** What goes away gives the focus back by itself within that time, where it knows to whom. */
const GRACE_MS = 150;
/** So long a place that was gone to may take to come. */
const PLACE_MS = 5000;

/** Gives the focus to what cannot be pressed, so that reading and Tab go on from there. */
export function focusOn(element: HTMLElement): void {
    if (!element.hasAttribute('tabindex')) {
        element.tabIndex = -1;
    }
    element.focus({ preventScroll: true });
}

export const isLost = () => document.activeElement === null || document.activeElement === document.body;

/**
 * The focus is never lost: where what had it is gone, the nearest thing around it that is still there has it; where a place was left for
 * another, what that is about.
 */
export function useFocusKept(place: string): void {
    useEffect(() => {
        let around: HTMLElement[] = [];
        let timer: ReturnType<typeof setTimeout> | undefined;
        const remember = ({ target }: FocusEvent) => {
            around = [];
            for (let one = target instanceof HTMLElement ? target : null; one !== null; one = one.parentElement) {
                around.push(one);
            }
        };
        const restore = () => {
            const there = around.find((one) => one.isConnected && one !== document.body && one.id !== 'app' && one.offsetParent !== null);
            const main = document.querySelector('main');
            if (isLost() && around[0]?.isConnected === false && there !== undefined && main !== null) {
                focusOn(there.contains(main) ? main : there);
            }
        };
        const look = () => {
            if (isLost() && around[0]?.isConnected === false) {
                clearTimeout(timer);
                timer = setTimeout(restore, GRACE_MS);
            }
        };
        const changes = new MutationObserver(look);
        changes.observe(document.body, { childList: true, subtree: true });
        document.addEventListener('focusin', remember);
        return () => {
            clearTimeout(timer);
            changes.disconnect();
            document.removeEventListener('focusin', remember);
        };
    }, []);
    const isFirst = useRef(true);
    useEffect(() => {
        if (isFirst.current) {
            isFirst.current = false;
            return;
        }
        const until = performance.now() + PLACE_MS;
        let frame = 0;
        const arrive = () => {
            const main = document.querySelector('main');
            if (main !== null && isLost()) {
                focusOn(main);
            } else if (performance.now() < until) {
                // It is still on its way, or what had the focus is still to go.
                frame = requestAnimationFrame(arrive);
            }
        };
        frame = requestAnimationFrame(arrive);
        return () => cancelAnimationFrame(frame);
    }, [place]);
}
