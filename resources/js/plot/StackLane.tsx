import type { ScaleLinear } from 'd3-scale';
import { memo } from 'react';
import type { Stack } from '../api/client';
import { BoxMark } from './BoxMark';
import { laneColour } from './colours';
import { HistogramMark } from './HistogramMark';
import { dashOf } from './OutlineMark';
import type { StackLayout } from './stackLayout';

/** What the bars stand for, in what is counted: rows, or what a variable of counts says. */
function scaleWords(scale: Stack['scale'], counted: string): string {
    return {
        count: `${counted} per class`,
        percent: `% of ${counted} per class`,
        density: `share of ${counted} per unit`,
        cumulative: `% of ${counted} up to here`,
    }[scale];
}

/** "Honey yield (kg)" is in kg. */
export function unitOf(axisName: string): string | undefined {
    return /\(([^()]*)\)$/.exec(axisName)?.[1];
}

/** One lane of the stack: bars over a box, with its name. While other classes are tried, the box is not drawn again. */
export function StackLane({
    bars,
    box,
    classes,
    scale,
    i,
    name,
    x,
    place,
    clip,
    layout,
    withBars,
    axisName,
    counted,
    onSelect,
    onOutlier,
    labelsOf,
}: {
    bars: Pick<Stack['lanes'][number], 'counts' | 'heights' | 'highest' | 'levels' | 'curve'>;
    box: Stack['lanes'][number]['box'];
    classes: Stack['classes'];
    scale: Stack['scale'];
    /** 0 = overall. */
    i: number;
    name: string;
    x: ScaleLinear<number, number>;
    place: StackLayout['lanes'][number];
    /** Id of what hides all that lies beyond the axis. */
    clip: string;
    layout: StackLayout;
    withBars: boolean;
    axisName: string;
    counted: string;
    onSelect: (place: number) => void;
    onOutlier: (value: string) => void;
    labelsOf: (value: string) => Promise<string>;
}) {
    return (
        <g data-lane={name}>
            <g clipPath={`url(#${clip})`}>
                {withBars && (
                    <HistogramMark
                        lane={bars}
                        edges={classes.edges}
                        labels={classes.labels}
                        scale={scale}
                        x={x}
                        top={place.barsTop}
                        base={place.barsBase}
                        colour={laneColour(i)}
                        isRoomy={i === 0}
                        onSelect={onSelect}
                    />
                )}
                {box !== null && (
                    <SteadyBox
                        box={box}
                        unit={unitOf(axisName)}
                        onOutlier={onOutlier}
                        labelsOf={labelsOf}
                        x={x}
                        middle={place.boxMiddle}
                        height={layout.boxHeight}
                        colour={laneColour(i)}
                    />
                )}
            </g>
            <LaneName
                name={name}
                right={layout.left}
                top={place.barsTop}
                base={place.boxMiddle}
                scale={i === 0 ? scaleWords(scale, counted) : null}
                classWidth={classes.width}
                axisName={axisName}
                dash={withBars || i === 0 ? null : { of: dashOf(i), colour: laneColour(i) }}
            />
        </g>
    );
}

const SteadyBox = memo(BoxMark, (before, after) => {
    const ends = (of: typeof before) => [...of.x.domain(), ...of.x.range(), of.middle, of.height, of.colour].join();
    return before.box === after.box && ends(before) === ends(after);
});

function LaneName({
    name,
    right,
    top,
    base,
    scale,
    classWidth,
    axisName,
    dash,
}: {
    name: string;
    right: number;
    top: number;
    base: number;
    /** What the bars stand for; null where that is said above. */
    scale: string | null;
    /** null where the widths differ. */
    classWidth: string | null;
    axisName: string;
    /** How its outline is drawn, where it has one. */
    dash: { of: string; colour: string } | null;
}) {
    const unit = unitOf(axisName);
    return (
        <>
            <foreignObject x={0} y={Math.min(top, base - 20)} width={right - 10} height={Math.max(base - top, 20) + 8} pointerEvents="none">
                <div className="flex h-full flex-col items-end justify-between text-right text-fine leading-tight text-soft">
                    {scale !== null ? (
                        <span className="pt-6">
                            {scale}
                            <br />
                            {classWidth === null ? 'of unequal width' : `of ${classWidth}`}
                            {classWidth !== null && unit !== undefined && unit.length < 8 ? ` ${unit}` : ''}
                        </span>
                    ) : (
                        <span />
                    )}
                    <bdi className="line-clamp-2 break-words text-ink" title={name}>
                        {name}
                    </bdi>
                </div>
            </foreignObject>
            {dash !== null && (
                <line
                    x1={right - 38}
                    x2={right - 10}
                    y1={base + 12}
                    y2={base + 12}
                    stroke={dash.colour}
                    strokeWidth={2}
                    strokeDasharray={dash.of}
                />
            )}
        </>
    );
}
