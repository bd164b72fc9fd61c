import { type RefObject, useEffect } from 'react';
import { nextStop } from './stops';

const REACHED = 'button, a[href], input[type="checkbox"], summary';

/**
 * Makes what can be pressed in an element one stop of Tab: arrow keys go from one to the other, Home and End to the first and the last,
 * and Tab comes back to the one that had the focus last. In a line only left and right do, for down opens what a word opens.
 */
export function useOneStop(place: RefObject<HTMLElement | null>, shape: 'line' | 'table' = 'table'): void {
    useEffect(() => {
        const element = place.current;
        if (element === null) {
            return;
        }
        let current: HTMLElement | null = null;
        const all = () => [...element.querySelectorAll<HTMLElement>(REACHED)].filter((one) => !one.matches(':disabled'));
        const settle = () => {
            const stops = all();
            const kept = current !== null && stops.includes(current) ? current : (stops[0] ?? null);
            // What scrolls is to be reached also where nothing in it can be pressed.
            if (element.getAttribute('role') === 'region') {
                element.setAttribute('tabindex', stops.length === 0 ? '0' : '-1');
            }
            for (const stop of stops) {
                const wanted = stop === kept ? 0 : -1;
                if (stop.tabIndex !== wanted) {
                    stop.tabIndex = wanted;
                }
            }
        };
        const onFocus = (event: FocusEvent) => {
            if (event.target instanceof HTMLElement && event.target.matches(REACHED)) {
                current = event.target;
                settle();
            }
        };
        const onKeyDown = (event: KeyboardEvent) => {
            const from = event.target;
            if (
                !(from instanceof HTMLElement) ||
                !from.matches(REACHED) ||
                event.defaultPrevented ||
                event.altKey ||
                event.ctrlKey ||
                event.metaKey
            ) {
                return;
            }
            const stops = all();
            const boxes = stops
                .map((stop) => stop.getBoundingClientRect())
                .map(({ left, top, bottom }) => ({ x: left, y: (top + bottom) / 2 }));
            const next = nextStop(event.key, stops.indexOf(from), boxes, shape);
            if (next !== null) {
                event.preventDefault();
                stops[next]?.focus();
            }
        };
        settle();
        const changes = new MutationObserver(settle);
        changes.observe(element, { childList: true, subtree: true });
        element.addEventListener('focusin', onFocus);
        element.addEventListener('keydown', onKeyDown);
        return () => {
            changes.disconnect();
            element.removeEventListener('focusin', onFocus);
            element.removeEventListener('keydown', onKeyDown);
        };
    }, [place, shape]);
}
