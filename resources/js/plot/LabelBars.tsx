import { scaleLinear } from 'd3-scale';
import { useState } from 'react';
import type { Frequencies } from '../api/client';
import { count } from '../ui/format';
import { WordChoice } from '../ui/WordChoice';
import { laneColour } from './colours';
import { PictureOut } from './PictureOut';
import { useWalk, walkedLook } from './useWalk';
import { useWidth } from './useWidth';

const BAR = 20;
const THIN = 14;
const GAP = 9;
const RIGHT = 110;
const NAMES = 150;
const MOST = 60;
/** So many labels are told in sentences; all are walked through. */
const TOLD = 5;

type Kind = 'side' | 'stacked' | 'cumulative';

/** Bars of labels in the order of their table, in count or percent; by group side by side or stacked; or with a line of cumulative percent. */
export function LabelBars({ table, variable, names, name }: { table: Frequencies; variable: string; names: string[]; name: string }) {
    const [frame, width] = useWidth<HTMLDivElement>();
    const [isPercent, setIsPercent] = useState(false);
    const [chosen, setKind] = useState<Kind>('side');
    const isSplit = names.length > 1;
    const kind = isSplit ? (chosen === 'cumulative' ? 'side' : chosen) : chosen === 'stacked' ? 'side' : chosen;
    const rows = table.rows.slice(0, MOST);
    const columns = isSplit ? names.slice(1).map((_, i) => i + 1) : [0];
    const value = (row: (typeof rows)[number], column: number) =>
        isPercent ? Number(row.percent[column] ?? 0) : (row.counts[column] ?? 0);
    const shown = (row: (typeof rows)[number], column: number) =>
        isPercent ? `${row.percent[column] ?? '–'} %` : count(row.counts[column] ?? 0);
    const highest = Math.max(
        1e-9,
        ...rows.map((row) =>
            kind === 'stacked' ? columns.reduce((sum, i) => sum + value(row, i), 0) : Math.max(...columns.map((i) => value(row, i))),
        ),
    );
    const x = scaleLinear([0, highest], [0, Math.max(0, width - NAMES - RIGHT)]);
    const isBeside = kind === 'side' && isSplit;
    const each = isBeside ? THIN * columns.length : BAR;
    const height = rows.length * (each + GAP) + GAP;
    const topOf = (r: number) => GAP + r * (each + GAP);
    const walk = useWalk(
        () =>
            rows.flatMap((row, r) => {
                let before = 0;
                return columns.map((column, k) => {
                    const [left, long] = [NAMES + (kind === 'stacked' ? before : 0), x(value(row, column))];
                    before += long;
                    return {
                        lane: r,
                        words: `${row.label}, ${names[column] ?? ''}: ${shown(row, column)}`,
                        x: left,
                        y: topOf(r) + (isBeside ? k * THIN : 0),
                        width: long,
                        height: isBeside ? THIN - 1 : BAR,
                    };
                });
            }),
        () =>
            rows
                .slice(0, TOLD)
                .map((row) => `${row.label}: ${columns.map((column) => `${names[column] ?? ''} ${shown(row, column)}`).join(', ')}.`),
    );
    return (
        <figure ref={frame} className="mt-4 w-full max-w-3xl">
            <p className="mb-1 text-small text-soft">
                Bars in{' '}
                <WordChoice
                    name="Bars in"
                    options={[
                        { value: 'count', words: 'counts' },
                        { value: 'percent', words: isSplit ? 'percent of each group' : 'percent of those present' },
                    ]}
                    value={isPercent ? 'percent' : 'count'}
                    onChange={(word) => setIsPercent(word === 'percent')}
                />
                ,{' '}
                <WordChoice
                    name="Bars are"
                    options={
                        isSplit
                            ? [
                                  { value: 'side', words: 'groups side by side' },
                                  { value: 'stacked', words: 'groups stacked' },
                              ]
                            : [
                                  { value: 'side', words: 'plain' },
                                  { value: 'cumulative', words: 'with a cumulative line', sentence: 'Most telling in the order of count.' },
                              ]
                    }
                    value={kind}
                    onChange={(word) => setKind(word as Kind)}
                />
            </p>
            {width > 0 && (
                <svg
                    width={width}
                    height={height}
                    aria-label={`${name}: bars of ${rows.length} labels`}
                    {...walk.keys}
                    className={`block text-fine ${walkedLook}`}
                >
                    {rows.map((row, r) => {
                        const top = topOf(r);
                        let before = 0;
                        return (
                            <g key={r}>
                                <text x={NAMES - 8} y={top + each / 2 + 4} textAnchor="end" fill="var(--ink)">
                                    {row.label.length > 24 ? `${row.label.slice(0, 23)}…` : row.label}
                                    <title>{row.label}</title>
                                </text>
                                {columns.map((column, k) => {
                                    const long = x(value(row, column));
                                    const left = NAMES + (kind === 'stacked' ? before : 0);
                                    before += long;
                                    const y = isBeside ? top + k * THIN : top;
                                    return (
                                        <g key={column}>
                                            <rect
                                                data-label-bar={`${row.label} ${names[column] ?? ''}`}
                                                x={left}
                                                y={y}
                                                width={long}
                                                height={isBeside ? THIN - 1 : BAR}
                                                fill={laneColour(column)}
                                                fillOpacity={0.55}
                                                stroke="var(--paper)"
                                                strokeWidth={kind === 'stacked' ? 1 : 0}
                                            >
                                                <title>{`${row.label}, ${names[column] ?? ''}: ${shown(row, column)}`}</title>
                                            </rect>
                                            {kind !== 'stacked' && (
                                                <text
                                                    x={left + long + 5}
                                                    y={y + (isSplit ? THIN / 2 + 3 : BAR / 2 + 4)}
                                                    fill="var(--soft)"
                                                    className="tabular-nums"
                                                >
                                                    {shown(row, column)}
                                                    {isSplit ? `  ${names[column] ?? ''}` : ''}
                                                </text>
                                            )}
                                        </g>
                                    );
                                })}
                            </g>
                        );
                    })}
                    {kind === 'cumulative' && (
                        <polyline
                            data-cumulative=""
                            fill="none"
                            stroke="var(--accent)"
                            strokeWidth={1.75}
                            points={rows
                                .map(
                                    (row, r) =>
                                        `${NAMES + (x.range()[1] ?? 0) * (Number(row.cumulative[0] ?? 0) / 100)},${GAP + r * (each + GAP) + BAR / 2}`,
                                )
                                .join(' ')}
                        />
                    )}
                    <line x1={NAMES} x2={NAMES} y1={0} y2={height} stroke="var(--hair-strong)" />
                    {walk.frame}
                </svg>
            )}
            {walk.words}
            {kind === 'stacked' && (
                <figcaption className="flex flex-wrap gap-x-4 text-fine text-soft">
                    {columns.map((column) => (
                        <span key={column} className="inline-flex items-center gap-1.5">
                            <span aria-hidden="true" className="inline-block size-2.5" style={{ background: laneColour(column) }} />
                            {names[column]}
                        </span>
                    ))}
                </figcaption>
            )}
            {table.rows.length > MOST && (
                <figcaption className="text-fine text-soft">The first {MOST} labels; all are in the table.</figcaption>
            )}
            <PictureOut
                frame={frame}
                name={`${name}, bars`}
                numbers={() => [['Label', ...names], ...table.rows.map((row) => [row.label, ...row.counts.map(String)])]}
                words={{ picture: 'labels', of: variable, look: `${kind}${isPercent ? ',percent' : ''}` }}
            />
        </figure>
    );
}
