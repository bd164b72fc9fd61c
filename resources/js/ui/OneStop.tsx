import { type ComponentProps, useRef } from 'react';
import { useOneStop } from './useOneStop';

/** A part of a page whose buttons are one stop of Tab, with arrow keys inside (see `useOneStop`). */
export function OneStop({ shape, ...rest }: ComponentProps<'div'> & { shape?: 'line' | 'table' }) {
    const place = useRef<HTMLDivElement>(null);
    useOneStop(place, shape);
    return <div ref={place} {...rest} />;
}
