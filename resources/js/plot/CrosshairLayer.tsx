import { type Ref, useImperativeHandle, useRef } from 'react';
import type { Crosshair, Scene } from '../api/client';

const NEAR_THE_EDGE = 150;

/**
 * What is read at one place of an axis, all of it sent at once. It moves without React, in a layer of its own, so that nothing else is
 * drawn again, however much there is.
 */
export function CrosshairLayer({
    ref,
    crosshair,
    scene,
    pixel,
    top,
    bottom,
    right,
}: {
    ref: Ref<{ show: (place: number | null) => void }>;
    /** null = not there yet: then nothing is read. */
    crosshair: Crosshair | null;
    scene: Scene;
    pixel: (place: number) => number;
    top: number;
    bottom: number;
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
            t.textContent = crosshair.says[place] ?? '';
        },
    }));
    return (
        <svg
            viewBox={`0 0 ${scene.width} ${scene.height}`}
            style={{ width: scene.width }}
            aria-hidden="true"
            data-reading=""
            className="pointer-events-none absolute top-0 left-0 h-auto max-w-full text-fine will-change-transform select-none"
        >
            <g ref={group} visibility="hidden">
                <line ref={line} y1={top} y2={bottom} stroke="var(--accent)" strokeWidth={1} />
                <text ref={text} y={top + 12} fill="var(--accent)" className="halo font-semibold" />
            </g>
        </svg>
    );
}
