import { scaleLinear } from 'd3-scale';
import type { Stack } from '../api/client';
import { BoxMark } from './BoxMark';
import { laneColour } from './colours';
import { HistogramMark } from './HistogramMark';
import { KeyToMarks } from './KeyToMarks';
import { LevelLines } from './LevelLines';
import { stackLayout } from './stackLayout';
import { useWidth } from './useWidth';
import { ValueAxis } from './ValueAxis';

/**
 * The histogram over the box plot on one axis, overall on top and a lane for each group below. The lines of the overall
 * quartiles run through all of it. Everything it shows stands in the table of figures too, which is its text equivalent.
 */
export function AlignedStack({
    stack,
    names,
    axisName,
    onSelect,
}: {
    stack: Stack;
    names: string[];
    axisName: string;
    /** A bar was pressed: its lane and its class, from 0. */
    onSelect?: (lane: number, place: number) => void;
}) {
    const [frame, width] = useWidth<HTMLDivElement>();
    const layout = stackLayout(width, stack.lanes.length);
    const x = scaleLinear([stack.axis.from, stack.axis.to], [layout.left, layout.right]);
    const overall = stack.lanes[0]?.box ?? null;
    return (
        <figure ref={frame} className="w-full min-w-0 flex-1">
            {width > 0 && (
                <svg
                    width={width}
                    height={layout.height}
                    role="img"
                    aria-label={`${axisName}: histogram over box plot on one axis, ${names.join(', ')}`}
                    className="block text-fine select-none"
                >
                    {stack.lanes.map((lane, i) => {
                        const place = layout.lanes[i];
                        return (
                            place !== undefined && (
                                <g key={i} data-lane={names[i]}>
                                    <HistogramMark
                                        edges={stack.classes.edges}
                                        counts={lane.counts}
                                        highest={i === 0 ? stack.highest.overall : stack.highest.in_groups}
                                        x={x}
                                        top={place.barsTop}
                                        base={place.barsBase}
                                        colour={laneColour(i)}
                                        isRoomy={i === 0}
                                        {...(onSelect === undefined ? {} : { onSelect: (bar: number) => onSelect(i, bar) })}
                                    />
                                    {lane.box !== null && (
                                        <BoxMark
                                            box={lane.box}
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
                                        classes={stack.classes}
                                        axisName={axisName}
                                    />
                                </g>
                            )
                        );
                    })}
                    {overall !== null && <LevelLines box={overall} x={x} top={layout.linesTop} bottom={layout.axisTop} />}
                    <ValueAxis axis={stack.axis} name={axisName} x={x} top={layout.axisTop} />
                </svg>
            )}
            <KeyToMarks stack={stack} />
        </figure>
    );
}

function LaneName({
    name,
    right,
    top,
    base,
    isOverall,
    classes,
    axisName,
}: {
    name: string;
    right: number;
    top: number;
    base: number;
    isOverall: boolean;
    classes: Stack['classes'];
    axisName: string;
}) {
    const unit = /\(([^()]*)\)$/.exec(axisName)?.[1];
    return (
        <foreignObject x={0} y={top} width={right - 10} height={base - top + 8}>
            <div className="flex h-full flex-col items-end justify-between text-right text-fine leading-tight text-soft">
                {isOverall ? (
                    <span className="pt-6">
                        rows per class
                        <br />
                        of {classes.width}
                        {unit !== undefined && unit.length < 8 ? ` ${unit}` : ''}
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
