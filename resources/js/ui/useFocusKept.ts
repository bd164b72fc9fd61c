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

const canHave = (element: HTMLElement) => element.isConnected && !element.matches(':disabled');

/**
 * The focus is never lost: where what had it is gone or cannot be pressed any more, the nearest thing around it has it, until it can be pressed
 * again; where a place was left for another, what that is about.
 */
export function useFocusKept(place: string): void {
    useEffect(() => {
        let around: HTMLElement[] = [];
        /** What had the focus and cannot be pressed for now, and what has it instead. */
        let owed: { to: HTMLElement; stands: HTMLElement } | null = null;
        let timer: ReturnType<typeof setTimeout> | undefined;
        const remember = ({ target }: FocusEvent) => {
            if (target !== owed?.stands) {
                owed = null;
            }
            around = [];
            for (let one = target instanceof HTMLElement ? target : null; one !== null; one = one.parentElement) {
                around.push(one);
            }
        };
        const restore = () => {
            const [had] = around;
            const there = around.find((one) => canHave(one) && one !== document.body && one.id !== 'app' && one.offsetParent !== null);
            const main = document.querySelector('main');
            if (isLost() && had !== undefined && there !== undefined && main !== null) {
                const stands = there.contains(main) ? main : there;
                owed = had.isConnected && had !== stands ? { to: had, stands } : null;
                focusOn(stands);
            }
        };
        const look = () => {
            if (owed !== null && canHave(owed.to)) {
                if (document.activeElement === owed.stands) {
                    owed.to.focus({ preventScroll: true });
                }
                owed = null;
            } else if (around[0] !== undefined && !canHave(around[0])) {
                clearTimeout(timer);
                timer = setTimeout(restore, GRACE_MS);
            }
        };
        const changes = new MutationObserver(look);
        changes.observe(document.body, { childList: true, subtree: true, attributes: true, attributeFilter: ['disabled'] });
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
