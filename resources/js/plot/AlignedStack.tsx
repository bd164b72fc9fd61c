import { scaleLinear } from 'd3-scale';
import { useEffect, useEffectEvent, useId, useRef, useState } from 'react';
import type { Crosshair, Stack } from '../api/client';
import { ClassHandles } from './ClassHandles';
import { DotStrip } from './DotStrip';
import { KeyToMarks } from './KeyToMarks';
import { inSight, MarkerLines } from './MarkerLines';
import { OutlineMark } from './OutlineMark';
import { PictureOut } from './PictureOut';
import { Reading } from './Reading';
import { barSentence, stackSentences } from './sentences';
import { StackLane } from './StackLane';
import { stackLayout } from './stackLayout';
import { useFollowing } from './useFollowing';
import { useWidth } from './useWidth';
import { ValueAxis } from './ValueAxis';
import { useWalk, walkedLook } from './useWalk';

/** Less than this is a press and no drag. */
const DRAG_PX = 4;
/** The crosshair has this many steps from one end of the axis to the other, as the server says what it reads. */
const PLACES = 300;
/** Marks at the ends of the axis are whole. */
const CLIP_MARGIN = 6;

/**
 * The histogram over the box plot on one axis, overall on top and a lane for each group below. Lines of overall figures run through all of
 * it; a crosshair reads value, percentile, z and class; dragging selects a range. Everything it shows stands in the tables too,
 * which are its text equivalent.
 */
export function AlignedStack({
    stack,
    crosshair,
    variable,
    names,
    axisName,
    counted,
    fences,
    order,
    asOutlines,
    tryClasses,
    onClasses,
    onNear,
    onSelect,
    onRange,
    onOutlier,
    labelsOf,
}: {
    stack: Stack;
    /** null = not there yet. */
    crosshair: Crosshair | null;
    /** Its key. */
    variable: string;
    names: string[];
    axisName: string;
    /** Rows, or the variable of counts with its unit. */
    counted: string;
    /** How many interquartile ranges out the fences lie. */
    fences: number;
    /** Lanes from the top: 0 = overall, first. */
    order: number[];
    /** Whether the groups lie over one another as outlines instead of in lanes. */
    asOutlines: boolean;
    /** The bars over other classes, in the words of the address. */
    tryClasses: (classes: string) => Promise<Pick<Stack, 'classes' | 'scale'> & { lanes: Omit<Stack['lanes'][number], 'box'>[] }>;
    onClasses: (classes: string) => void;
    /** The pointer has come: the crosshair will be wanted. */
    onNear: () => void;
    /** A bar was pressed: its lane and its class, from 0. */
    onSelect: (lane: number, place: number) => void;
    /** An outlier was pressed: its value as text. */
    onOutlier: (value: string) => void;
    /** What the rows of a value are called. */
    labelsOf: (value: string) => Promise<string>;
    /** A range of the axis was chosen, as texts; null = none any more. */
    onRange: (range: { from: string; to: string } | null) => void;
}) {
    const [frame, width] = useWidth<HTMLDivElement>();
    const [drag, setDrag] = useState<{ from: number; to: number } | null>(null);
    const reading = useRef<{ show: (place: number | null) => void }>(null);
    const isDragging = useRef(false);
    const pointed = useRef<number | null>(null);
    const released = useRef<{ from: number; to: number } | null>(null);
    const tried = useFollowing(stack, tryClasses);
    const drawn = tried.answer ?? stack;
    const clip = useId();
    const layout = stackLayout(
        width,
        stack.lanes.length,
        asOutlines,
        inSight(stack.markers, [stack.axis.from, stack.axis.to]).map(({ name }) => name),
    );
    const outlined = asOutlines ? Math.max(0, ...drawn.lanes.slice(1).map((lane) => lane.highest)) : 0;
    const x = scaleLinear([stack.axis.from, stack.axis.to], [layout.left, layout.right]);
    /** Which of the places of the crosshair is under the pointer. */
    const placeOf = (event: React.PointerEvent<SVGSVGElement>) => {
        const at = event.clientX - event.currentTarget.getBoundingClientRect().left;
        const share = (at - layout.left) / (layout.right - layout.left);
        return share < -0.01 || share > 1.01 ? null : Math.max(0, Math.min(PLACES, Math.round(share * PLACES)));
    };
    const tellRange = () => {
        const range = released.current;
        if (range !== null && crosshair !== null) {
            released.current = null;
            onRange({ from: crosshair.values[range.from] ?? '', to: crosshair.values[range.to] ?? '' });
        }
    };
    // Where it comes later than the pointer, it says what the pointer has been waiting for.
    const onArrival = useEffectEvent(() => {
        reading.current?.show(pointed.current);
        tellRange();
    });
    useEffect(() => onArrival(), [crosshair]);
    const overall = layout.lanes[0];
    const classes = stack.classes.labels.length;
    const walk = useWalk(
        () =>
            order.flatMap((lane, at) =>
                stack.classes.labels.map((_, i) => {
                    const [place, left, right] = [layout.lanes[at], x(stack.classes.edges[i] ?? 0), x(stack.classes.edges[i + 1] ?? 0)];
                    return {
                        lane,
                        words: barSentence(stack, names, lane, i),
                        x: left,
                        y: place?.barsTop ?? 0,
                        width: Math.max(2, right - left),
                        height: (place?.barsBase ?? 0) - (place?.barsTop ?? 0),
                    };
                }),
            ),
        () => stackSentences(stack, names, axisName),
        (place) => onSelect(order[Math.floor(place / classes)] ?? 0, place % classes),
    );
    const pixel = (place: number) => layout.left + ((layout.right - layout.left) * place) / PLACES;
    const selected = drag === null ? null : { from: Math.min(drag.from, drag.to), to: Math.max(drag.from, drag.to) };
    return (
        <figure ref={frame} className="relative w-full min-w-0 flex-1">
            {width > 0 && (
                <svg
                    width={width}
                    height={layout.height}
                    aria-label={`${axisName}: histogram over box plot on one axis, ${names.join(', ')}`}
                    {...walk.keys}
                    className={`block touch-none text-fine select-none ${walkedLook}`}
                    onPointerDown={(event) => {
                        const place = placeOf(event);
                        if (place !== null && event.button === 0) {
                            isDragging.current = true;
                            setDrag({ from: place, to: place });
                        }
                    }}
                    onPointerMove={(event) => {
                        const place = placeOf(event);
                        pointed.current = place;
                        reading.current?.show(place);
                        if (isDragging.current && place !== null && drag !== null && place !== drag.to) {
                            if (Math.abs(pixel(place) - pixel(drag.from)) >= DRAG_PX) {
                                event.currentTarget.setPointerCapture(event.pointerId);
                            }
                            setDrag({ ...drag, to: place });
                        }
                    }}
                    onPointerEnter={onNear}
                    onPointerLeave={() => {
                        pointed.current = null;
                        reading.current?.show(null);
                    }}
                    onPointerUp={() => {
                        isDragging.current = false;
                        if (selected === null || pixel(selected.to) - pixel(selected.from) < DRAG_PX) {
                            setDrag(null);
                            onRange(null);
                        } else {
                            released.current = selected;
                            tellRange();
                        }
                    }}
                >
                    <rect width={width} height={layout.height} fill="transparent" />
                    {selected !== null && selected.to > selected.from && (
                        <rect
                            data-range=""
                            x={pixel(selected.from)}
                            width={pixel(selected.to) - pixel(selected.from)}
                            y={layout.linesTop}
                            height={layout.axisTop - layout.linesTop}
                            fill="var(--accent-wash)"
                        />
                    )}
                    <clipPath id={clip}>
                        <rect
                            x={layout.left - CLIP_MARGIN}
                            y={0}
                            width={Math.max(0, layout.right - layout.left) + 2 * CLIP_MARGIN}
                            height={layout.height}
                        />
                    </clipPath>
                    <g clipPath={`url(#${clip})`}>
                        <DotStrip dots={stack.dots} x={x} base={layout.dotsBase} />
                    </g>
                    {order.map((i, at) => {
                        const [place, bars, box] = [layout.lanes[at], drawn.lanes[i], stack.lanes[i]?.box];
                        return (
                            place !== undefined &&
                            bars !== undefined && (
                                <StackLane
                                    key={i}
                                    bars={bars}
                                    box={box ?? null}
                                    classes={drawn.classes}
                                    scale={drawn.scale}
                                    i={i}
                                    name={names[i] ?? ''}
                                    x={x}
                                    place={place}
                                    clip={clip}
                                    layout={layout}
                                    withBars={!asOutlines}
                                    axisName={axisName}
                                    counted={counted}
                                    onSelect={(bar: number) => onSelect(i, bar)}
                                    onOutlier={onOutlier}
                                    labelsOf={labelsOf}
                                />
                            )
                        );
                    })}
                    {overall !== undefined && asOutlines && (
                        <g clipPath={`url(#${clip})`}>
                            {order.slice(1).map((i) => {
                                const bars = drawn.lanes[i];
                                return (
                                    bars !== undefined && (
                                        <OutlineMark
                                            key={i}
                                            bars={bars}
                                            edges={drawn.classes.edges}
                                            lane={i}
                                            highest={outlined}
                                            x={x}
                                            top={overall.barsTop + 6}
                                            base={overall.barsBase}
                                        />
                                    )
                                );
                            })}
                            <line
                                x1={layout.left}
                                x2={layout.right}
                                y1={overall.barsBase}
                                y2={overall.barsBase}
                                stroke="var(--hair-strong)"
                            />
                        </g>
                    )}
                    <MarkerLines markers={stack.markers} x={x} top={layout.linesTop} bottom={layout.axisTop} nameRows={layout.nameRows} />
                    {overall !== undefined && stack.classes.width !== null && (
                        <ClassHandles
                            stack={stack}
                            x={x}
                            textY={layout.linesTop + 12}
                            base={overall.barsBase}
                            axisName={axisName}
                            onBegin={() => reading.current?.show(null)}
                            onMove={tried.follow}
                            onEnd={onClasses}
                        />
                    )}
                    <ValueAxis axis={{ ...stack.axis, ticks: drawn.classes.ticks }} name={axisName} x={x} top={layout.axisTop} />
                    {walk.frame}
                </svg>
            )}
            <Reading
                ref={reading}
                stack={stack}
                crosshair={crosshair}
                pixel={pixel}
                width={width}
                height={layout.height}
                top={layout.linesTop}
                bottom={layout.axisTop}
                left={layout.left}
                right={layout.right}
            />
            {walk.words}
            <KeyToMarks stack={stack} fences={fences} />
            <PictureOut
                frame={frame}
                name={axisName}
                numbers={() => numbersOf(stack, names)}
                words={{ picture: 'stack', of: variable, arrange: asOutlines ? 'outlines' : 'lanes', lane_order: order.join(',') }}
            />
        </figure>
    );
}

/** What is drawn, as a table: classes down, counts of each lane across, then the boxes. */
function numbersOf(stack: Stack, names: string[]): string[][] {
    const boxes = ['q1', 'median', 'q3', 'whisker_low', 'whisker_high', 'mean'] as const;
    return [
        ['Class', 'From', 'To', ...names],
        ...stack.classes.labels.map((label, i) => [
            label,
            String(stack.classes.edges[i]),
            String(stack.classes.edges[i + 1]),
            ...stack.lanes.map((lane) => String(lane.counts[i] ?? 0)),
        ]),
        ...boxes.map((key) => [key, '', '', ...stack.lanes.map((lane) => String(lane.box?.[key] ?? ''))]),
    ];
}
