import { type RefObject, useEffect, useState } from 'react';

/** Whether something has come near to what is seen; from then on it stays so. */
export function useNear(place: RefObject<HTMLElement | null>, margin = '600px'): boolean {
    const [isNear, setIsNear] = useState(false);
    useEffect(() => {
        const element = place.current;
        if (element === null || isNear) {
            return undefined;
        }
        // Within a box that scrolls the second of the two counts.
        const within = { rootMargin: margin, scrollMargin: margin };
        const watcher = new IntersectionObserver(
            (entries) => setIsNear((was) => was || entries.some(({ isIntersecting }) => isIntersecting)),
            within,
        );
        watcher.observe(element);
        return () => watcher.disconnect();
    }, [place, isNear, margin]);
    return isNear;
}
