import { type Ref, useImperativeHandle, useRef } from 'react';
import type { Crosshair, Stack } from '../api/client';
import { count } from '../ui/format';

const NEAR_THE_EDGE = 150;

/**
 * The crosshair: value, percentile, z, class and its count at one place, all of it sent at once. It moves without React,
 * in a layer of its own, so that nothing else is drawn again, however much there is.
 */
export function Reading({
    ref,
    stack,
    crosshair,
    pixel,
    width,
    height,
    top,
    bottom,
    left,
    right,
}: {
    ref: Ref<{ show: (place: number | null) => void }>;
    stack: Stack;
    /** null = not there yet: then nothing is read. */
    crosshair: Crosshair | null;
    pixel: (place: number) => number;
    width: number;
    height: number;
    top: number;
    bottom: number;
    left: number;
    right: number;
}) {
    const group = useRef<SVGGElement>(null);
    const line = useRef<SVGLineElement>(null);
    const text = useRef<SVGTextElement>(null);
    useImperativeHandle(ref, () => ({
        show: (place) => {
            const [g, l, t] = [group.current, line.current, text.current];
            if (g === null || l === null || t === null) {
                return;
            }
            g.setAttribute('visibility', place === null || crosshair === null ? 'hidden' : 'visible');
            if (place === null || crosshair === null) {
                return;
            }
            const at = pixel(place);
            l.setAttribute('x1', String(at));
            l.setAttribute('x2', String(at));
            const isRight = at > right - NEAR_THE_EDGE;
            t.setAttribute('x', String(isRight ? at - 6 : at + 6));
            t.setAttribute('text-anchor', isRight ? 'end' : 'start');
            t.textContent = said(stack, crosshair, place, at - left, right - left);
        },
    }));
    return (
        <svg
            width={width}
            height={height}
            aria-hidden="true"
            data-reading=""
            className="pointer-events-none absolute top-0 left-0 text-fine will-change-transform select-none"
        >
            <g ref={group} visibility="hidden">
                <line ref={line} y1={top} y2={bottom} stroke="var(--accent)" strokeWidth={1} />
                <text ref={text} y={top + 12} fill="var(--accent)" className="halo font-semibold" />
            </g>
        </svg>
    );
}

function said(stack: Stack, { values, percentiles, z }: Crosshair, place: number, at: number, width: number): string {
    const value = stack.axis.from + ((stack.axis.to - stack.axis.from) * at) / width;
    const next = stack.classes.edges.findIndex((edge) => edge > value);
    const inClass = next > 0 ? `, ${count(stack.lanes[0]?.counts[next - 1] ?? 0)} in this class` : '';
    return `${values[place] ?? ''}: ${percentiles[place] ?? ''} % below${z[place] == null ? '' : `, z ${z[place]}`}${inClass}`;
}
