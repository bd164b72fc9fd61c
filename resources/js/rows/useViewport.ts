import { type RefObject, useEffect, useState } from 'react';
import type { Viewport } from './gridLayout';

/** What of a scrolling element is in view. */
export function useViewport(box: RefObject<HTMLElement | null>): Viewport {
    const [viewport, setViewport] = useState<Viewport>({ top: 0, left: 0, height: 600, width: 900 });
    useEffect(() => {
        const element = box.current;
        if (element === null) {
            return;
        }
        const look = () =>
            setViewport({ top: element.scrollTop, left: element.scrollLeft, height: element.clientHeight, width: element.clientWidth });
        const watch = new ResizeObserver(look);
        watch.observe(element);
        element.addEventListener('scroll', look, { passive: true });
        return () => {
            watch.disconnect();
            element.removeEventListener('scroll', look);
        };
    }, [box]);
    return viewport;
}
