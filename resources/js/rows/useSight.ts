import { type RefObject, useEffect, useState } from 'react';
import type { Sight } from './gridLayout';

/** What of a scrolling element is in sight. */
export function useSight(box: RefObject<HTMLElement | null>): Sight {
    const [sight, setSight] = useState<Sight>({ top: 0, left: 0, height: 600, width: 900 });
    useEffect(() => {
        const element = box.current;
        if (element === null) {
            return;
        }
        const look = () =>
            setSight({ top: element.scrollTop, left: element.scrollLeft, height: element.clientHeight, width: element.clientWidth });
        const watch = new ResizeObserver(look);
        watch.observe(element);
        element.addEventListener('scroll', look, { passive: true });
        return () => {
            watch.disconnect();
            element.removeEventListener('scroll', look);
        };
    }, [box]);
    return sight;
}
