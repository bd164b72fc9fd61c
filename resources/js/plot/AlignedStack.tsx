import { scaleLinear } from 'd3-scale';
import { useRef, useState } from 'react';
import type { Stack } from '../api/client';
import { BoxMark } from './BoxMark';
import { laneColour } from './colours';
import { DotStrip } from './DotStrip';
import { HistogramMark } from './HistogramMark';
import { KeyToMarks } from './KeyToMarks';
import { MarkerLines } from './MarkerLines';
import { PictureOut } from './PictureOut';
import { Reading } from './Reading';
import { stackLayout } from './stackLayout';
import { useWidth } from './useWidth';
import { ValueAxis } from './ValueAxis';

/** Less than this is a press and no drag. */
const DRAG_PX = 4;

/** What the bars stand for, in what is counted: rows, or what a variable of counts says. */
function scaleWords(scale: Stack['scale'], counted: string): string {
    return {
        count: `${counted} per class`,
        percent: `% of ${counted} per class`,
        density: `share of ${counted} per unit`,
        cumulative: `% of ${counted} up to here`,
    }[scale];
}

/**
 * The histogram over the box plot on one axis, overall on top and a lane for each group below. Lines of overall figures run through all of
 * it; a crosshair reads value, percentile, z and class; dragging selects a range. Everything it shows stands in the tables too,
 * which are its text equivalent.
 */
export function AlignedStack({
    stack,
    names,
    axisName,
    counted,
    fences,
    onSelect,
    onRange,
    onOutlier,
}: {
    stack: Stack;
    names: string[];
    axisName: string;
    /** Rows, or the variable of counts with its unit. */
    counted: string;
    /** How many interquartile ranges out the fences lie. */
    fences: number;
    /** A bar was pressed: its lane and its class, from 0. */
    onSelect: (lane: number, place: number) => void;
    /** An outlier was pressed: its value as text. */
    onOutlier: (value: string) => void;
    /** A range of the axis was chosen, as texts; null = none any more. */
    onRange: (range: { from: string; to: string } | null) => void;
}) {
    const [frame, width] = useWidth<HTMLDivElement>();
    const [drag, setDrag] = useState<{ from: number; to: number } | null>(null);
    const reading = useRef<{ show: (place: number | null) => void }>(null);
    const isDragging = useRef(false);
    const layout = stackLayout(width, stack.lanes.length);
    const x = scaleLinear([stack.axis.from, stack.axis.to], [layout.left, layout.right]);
    const last = stack.crosshair.values.length - 1;
    /** Which of the places of the crosshair is under the pointer. */
    const placeOf = (event: React.PointerEvent<SVGSVGElement>) => {
        const at = event.clientX - event.currentTarget.getBoundingClientRect().left;
        const share = (at - layout.left) / (layout.right - layout.left);
        return share < -0.01 || share > 1.01 ? null : Math.max(0, Math.min(last, Math.round(share * last)));
    };
    const pixel = (place: number) => layout.left + ((layout.right - layout.left) * place) / last;
    const selected = drag === null ? null : { from: Math.min(drag.from, drag.to), to: Math.max(drag.from, drag.to) };
    return (
        <figure ref={frame} className="w-full min-w-0 flex-1">
            {width > 0 && (
                <svg
                    width={width}
                    height={layout.height}
                    role="img"
                    aria-label={`${axisName}: histogram over box plot on one axis, ${names.join(', ')}`}
                    className="block touch-none text-fine select-none"
                    onPointerDown={(event) => {
                        const place = placeOf(event);
                        if (place !== null && event.button === 0) {
                            isDragging.current = true;
                            setDrag({ from: place, to: place });
                        }
                    }}
                    onPointerMove={(event) => {
                        const place = placeOf(event);
                        reading.current?.show(place);
                        if (isDragging.current && place !== null && drag !== null && place !== drag.to) {
                            if (Math.abs(pixel(place) - pixel(drag.from)) >= DRAG_PX) {
                                event.currentTarget.setPointerCapture(event.pointerId);
                            }
                            setDrag({ ...drag, to: place });
                        }
                    }}
                    onPointerLeave={() => reading.current?.show(null)}
                    onPointerUp={() => {
                        isDragging.current = false;
                        if (selected === null || pixel(selected.to) - pixel(selected.from) < DRAG_PX) {
                            setDrag(null);
                            onRange(null);
                        } else {
                            onRange({ from: stack.crosshair.values[selected.from] ?? '', to: stack.crosshair.values[selected.to] ?? '' });
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
                    <DotStrip dots={stack.dots} x={x} base={layout.dotsBase} />
                    {stack.lanes.map((lane, i) => {
                        const place = layout.lanes[i];
                        return (
                            place !== undefined && (
                                <g key={i} data-lane={names[i]}>
                                    <HistogramMark
                                        lane={lane}
                                        edges={stack.classes.edges}
                                        labels={stack.classes.labels}
                                        scale={stack.scale}
                                        x={x}
                                        top={place.barsTop}
                                        base={place.barsBase}
                                        colour={laneColour(i)}
                                        isRoomy={i === 0}
                                        onSelect={(bar: number) => onSelect(i, bar)}
                                    />
                                    {lane.box !== null && (
                                        <BoxMark
                                            box={lane.box}
                                            unit={unitOf(axisName)}
                                            onOutlier={onOutlier}
                                            x={x}
                                            middle={place.boxMiddle}
                                            height={layout.boxHeight}
                                            colour={laneColour(i)}
                                        />
                                    )}
                                    <LaneName
                                        name={names[i] ?? ''}
                                        right={layout.left}
                                        top={place.barsTop}
                                        base={place.boxMiddle}
                                        isOverall={i === 0}
                                        stack={stack}
                                        axisName={axisName}
                                        counted={counted}
                                    />
                                </g>
                            )
                        );
                    })}
                    <MarkerLines markers={stack.markers} x={x} top={layout.linesTop} bottom={layout.axisTop} />
                    <ValueAxis axis={stack.axis} name={axisName} x={x} top={layout.axisTop} />
                    <Reading
                        ref={reading}
                        stack={stack}
                        pixel={pixel}
                        top={layout.linesTop}
                        bottom={layout.axisTop}
                        left={layout.left}
                        right={layout.right}
                    />
                </svg>
            )}
            <KeyToMarks stack={stack} fences={fences} />
            <PictureOut frame={frame} name={axisName} numbers={() => numbersOf(stack, names)} />
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

/** "Honey yield (kg)" is in kg. */
function unitOf(axisName: string): string | undefined {
    return /\(([^()]*)\)$/.exec(axisName)?.[1];
}

function LaneName({
    name,
    right,
    top,
    base,
    isOverall,
    stack,
    axisName,
    counted,
}: {
    name: string;
    right: number;
    top: number;
    base: number;
    isOverall: boolean;
    stack: Stack;
    axisName: string;
    counted: string;
}) {
    const unit = unitOf(axisName);
    return (
        <foreignObject x={0} y={top} width={right - 10} height={base - top + 8} pointerEvents="none">
            <div className="flex h-full flex-col items-end justify-between text-right text-fine leading-tight text-soft">
                {isOverall ? (
                    <span className="pt-6">
                        {scaleWords(stack.scale, counted)}
                        <br />
                        {stack.classes.width === null ? 'of unequal width' : `of ${stack.classes.width}`}
                        {stack.classes.width !== null && unit !== undefined && unit.length < 8 ? ` ${unit}` : ''}
                    </span>
                ) : (
                    <span />
                )}
                <bdi className="line-clamp-2 break-words text-ink" title={name}>
                    {name}
                </bdi>
            </div>
        </foreignObject>
    );
}
