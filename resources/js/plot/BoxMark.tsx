import type { ScaleLinear } from 'd3-scale';
import { useState } from 'react';
import type { Box } from '../api/client';
import { counted } from '../ui/format';
import { MeanMark, OutlierMark } from './marks';

/** Box, whiskers, a heavy median, a small triangle for the mean under it; rings and diamonds for outliers. */
export function BoxMark({
    box,
    x,
    middle,
    height,
    colour,
    unit,
    onOutlier,
    labelsOf,
}: {
    box: Box;
    x: ScaleLinear<number, number>;
    middle: number;
    height: number;
    colour: string;
    unit: string | undefined;
    /** An outlier was pressed: its value as text. */
    onOutlier: (value: string) => void;
    /** What the rows of a value are called. */
    labelsOf: (value: string) => Promise<string>;
}) {
    const [hovered, setHovered] = useState<Box['outliers']['marks'][number] | null>(null);
    const [named, setNamed] = useState<Record<string, string>>({});
    const name = (value: string) => {
        if (named[value] === undefined) {
            void labelsOf(value).then((labels) => setNamed((known) => ({ ...known, [value]: labels })));
        }
    };
    const half = height / 2;
    const cap = half * 0.55;
    const inUnit = unit === undefined ? '' : ` ${unit}`;
    return (
        <g stroke={colour} fill="none" strokeWidth={1.5}>
            <line x1={x(box.whisker_low)} x2={x(box.q1)} y1={middle} y2={middle} />
            <line x1={x(box.q3)} x2={x(box.whisker_high)} y1={middle} y2={middle} />
            <line data-whisker="low" x1={x(box.whisker_low)} x2={x(box.whisker_low)} y1={middle - cap} y2={middle + cap} />
            <line data-whisker="high" x1={x(box.whisker_high)} x2={x(box.whisker_high)} y1={middle - cap} y2={middle + cap} />
            <rect
                data-box=""
                x={x(box.q1)}
                y={middle - half}
                width={Math.max(0, x(box.q3) - x(box.q1))}
                height={height}
                fill="var(--surface)"
            />
            <line data-median="" x1={x(box.median)} x2={x(box.median)} y1={middle - half} y2={middle + half} strokeWidth={3.5} />
            {box.five.slice(1).map((to, i) => {
                const from = box.five[i] ?? to;
                return (
                    <rect
                        key={i}
                        data-quarter={i + 1}
                        x={x(from.at)}
                        y={middle - half}
                        width={Math.max(0, x(to.at) - x(from.at))}
                        height={height}
                        fill="transparent"
                        stroke="none"
                    >
                        <title>{`A quarter of the rows lie between ${from.text} and ${to.text}${inUnit}`}</title>
                    </rect>
                );
            })}
            {box.outliers.marks.map((mark, i) => (
                <g
                    key={i}
                    data-outlier={mark.far ? 'far' : 'near'}
                    className="cursor-pointer"
                    onClick={() => onOutlier(mark.text)}
                    onPointerEnter={() => {
                        name(mark.text);
                        setHovered(mark);
                    }}
                    onPointerLeave={() => setHovered(null)}
                >
                    <OutlierMark x={x(mark.value)} y={middle} isFar={mark.far} colour={colour} />
                    <title>{`${mark.text}${inUnit}${mark.count > 1 ? `, ${counted(mark.count, 'row')}` : ''}: show its ${mark.count > 1 ? 'rows' : 'row'}`}</title>
                </g>
            ))}
            {hovered !== null && named[hovered.text] !== undefined && (
                <text
                    data-named=""
                    x={x(hovered.value)}
                    y={middle - half - 4}
                    textAnchor={x(hovered.value) > (x.range()[1] ?? 0) / 2 ? 'end' : 'start'}
                    fill="var(--ink)"
                    stroke="none"
                    className="halo font-semibold"
                    pointerEvents="none"
                >
                    {`${named[hovered.text]}: ${hovered.text}${inUnit}`}
                </text>
            )}
            {box.mean !== null && <MeanMark x={x(box.mean)} y={middle + half + 1} colour={colour} />}
        </g>
    );
}
