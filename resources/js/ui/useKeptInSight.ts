import { type RefObject, useEffect } from 'react';

/** How long after a turn of the wheel, or a finger, what leaves the window was scrolled away on purpose. */
const BY_HAND_MS = 400;

/**
 * Keeps what is open in sight: where something above it arrives and pushes it out of the window, the page follows, or what it opened
 * would stand where no pointer reaches. What somebody scrolls away stays away.
 */
export function useKeptInSight(element: RefObject<HTMLElement | null>, isOpen: boolean): void {
    useEffect(() => {
        const kept = element.current;
        if (!isOpen || kept === null) {
            return;
        }
        let scrolledAt = -Infinity;
        const note = (event: Event) => {
            scrolledAt = event.timeStamp;
        };
        const ending = new AbortController();
        const options = { passive: true, capture: true, signal: ending.signal };
        window.addEventListener('wheel', note, options);
        window.addEventListener('touchmove', note, options);
        window.addEventListener('pointerdown', note, options);
        const observer = new IntersectionObserver(([seen]) => {
            if (seen?.isIntersecting === false && performance.now() - scrolledAt > BY_HAND_MS) {
                kept.scrollIntoView({ block: 'center' });
            }
        });
        observer.observe(kept);
        return () => {
            observer.disconnect();
            ending.abort();
        };
    }, [element, isOpen]);
}
