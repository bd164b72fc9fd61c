import { type RefObject, useEffect, useState } from 'react';
import type { Viewport } from './gridLayout';

const viewportOf = (element: HTMLElement): Viewport => ({
    top: element.scrollTop,
    left: element.scrollLeft,
    height: element.clientHeight,
    width: element.clientWidth,
});

/** What of a scrolling element is in view, and how to look again at once: a browser tells of a scroll a frame later. */
export function useViewport(box: RefObject<HTMLElement | null>): [Viewport, () => void] {
    const [viewport, setViewport] = useState<Viewport>({ top: 0, left: 0, height: 600, width: 900 });
    useEffect(() => {
        const element = box.current;
        if (element === null) {
            return;
        }
        const look = () => setViewport(viewportOf(element));
        const watch = new ResizeObserver(look);
        watch.observe(element);
        element.addEventListener('scroll', look, { passive: true });
        return () => {
            watch.disconnect();
            element.removeEventListener('scroll', look);
        };
    }, [box]);
    return [viewport, () => box.current !== null && setViewport(viewportOf(box.current))];
}
