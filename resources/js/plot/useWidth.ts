import { type RefObject, useLayoutEffect, useRef, useState } from 'react';

export type FrameOf<E extends HTMLElement> = RefObject<E | null>;

/** The width in pixels that an element has, kept up to date; 0 until it is known. */
export function useWidth<E extends HTMLElement>(): [RefObject<E | null>, number] {
    const element = useRef<E>(null);
    const [width, setWidth] = useState(0);
    useLayoutEffect(() => {
        const current = element.current;
        if (current === null) {
            return;
        }
        setWidth(current.clientWidth);
        const observer = new ResizeObserver(() => setWidth(current.clientWidth));
        observer.observe(current);
        return () => observer.disconnect();
    }, []);
    return [element, width];
}
