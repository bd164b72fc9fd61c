import type { ScaleLinear } from 'd3-scale';
import type { Stack } from '../api/client';
import { barSentence } from './sentences';
import type { StackLayout } from './stackLayout';

interface Place {
    lane: number;
    place: number;
}

/** Where an arrow key leads from one bar: along its lane, or to the lane above or below; undefined for any other key. */
export function walk(key: string, from: Place | null, stack: Stack, order: number[]): Place | null | undefined {
    const last = stack.classes.labels.length - 1;
    const at = from ?? { lane: order[0] ?? 0, place: -1 };
    const lane = order.indexOf(at.lane);
    switch (key) {
        case 'ArrowRight':
            return { lane: at.lane, place: Math.min(last, at.place + 1) };
        case 'ArrowLeft':
            return { lane: at.lane, place: Math.max(0, at.place - 1) };
        case 'ArrowDown':
            return { lane: order[Math.min(order.length - 1, lane + 1)] ?? 0, place: Math.max(0, at.place) };
        case 'ArrowUp':
            return { lane: order[Math.max(0, lane - 1)] ?? 0, place: Math.max(0, at.place) };
        case 'Home':
            return { lane: at.lane, place: 0 };
        case 'End':
            return { lane: at.lane, place: last };
        case 'Escape':
            return null;
        default:
            return undefined;
    }
}

/** The bar that the keyboard stands on, framed and said. */
export function Walked({
    stack,
    walked,
    x,
    layout,
    order,
}: {
    stack: Stack;
    walked: Place;
    x: ScaleLinear<number, number>;
    layout: StackLayout;
    order: number[];
}) {
    const place = layout.lanes[order.indexOf(walked.lane)];
    const [from = 0, to = 0] = stack.classes.edges.slice(walked.place, walked.place + 2);
    return (
        place !== undefined && (
            <g pointerEvents="none" data-walked={walked.place}>
                <rect
                    x={x(from)}
                    y={place.barsTop}
                    width={Math.max(2, x(to) - x(from))}
                    height={place.barsBase - place.barsTop}
                    fill="none"
                    stroke="var(--accent)"
                    strokeWidth={2}
                />
                <text x={layout.left + 4} y={layout.linesTop + 12} fill="var(--accent)" className="halo font-semibold">
                    {barSentence(stack, [''], walked.lane, walked.place).replace(/^, /, '')}
                </text>
            </g>
        )
    );
}
