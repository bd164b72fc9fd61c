import type { ScaleLinear } from 'd3-scale';
import type { Axis } from '../api/client';

/** The axis under the stack: ticks at round numbers, the variable's own name and unit. */
export function ValueAxis({ axis, name, x, top }: { axis: Axis; name: string; x: ScaleLinear<number, number>; top: number }) {
    const [left = 0, right = 0] = x.range();
    const every = labelEvery(axis.ticks, (right - left) / (axis.to - axis.from));
    const first = roundest(
        axis.ticks.map((tick) => tick.text),
        every,
    );
    return (
        <g>
            <line x1={left} x2={right} y1={top} y2={top} stroke="var(--ink)" />
            {axis.ticks.map((tick, i) => (
                <g key={tick.at} transform={`translate(${x(tick.at)} ${top})`}>
                    <line y2={5} stroke="var(--ink)" />
                    {i % every === first && (
                        <text y={18} textAnchor="middle" fill="var(--soft)" className="figures">
                            {tick.text}
                        </text>
                    )}
                </g>
            ))}
            <text x={right} y={top + 37} textAnchor="end" fill="var(--ink)" direction="ltr">
                {name.length > 60 ? `${name.slice(0, 59)}…` : name}
            </text>
        </g>
    );
}

/** With which of the first ticks labels begin when every so many have one: so that they are as short, that is as round, as can be. */
export function roundest(texts: string[], every: number): number {
    const length = (from: number) => {
        const shown = texts.filter((_, i) => i % every === from);
        return shown.reduce((sum, text) => sum + text.length, 0) / shown.length;
    };
    return Array.from({ length: Math.min(every, texts.length) }, (_, i) => i).reduce((best, i) => (length(i) < length(best) ? i : best), 0);
}

const CHARACTER_WIDTH = 7.4;
const SPACE_BETWEEN = 8;

/** 1 when every tick has room for its text, 2 when every other one has, and so on. */
export function labelEvery(ticks: { at: number; text: string }[], pixelsPerUnit: number): number {
    const [first, second] = ticks;
    if (first === undefined || second === undefined) {
        return 1;
    }
    // Boundaries need not be equally far apart: the nearest two decide.
    const nearest = Math.min(...ticks.slice(1).map((tick, i) => tick.at - (ticks[i]?.at ?? first.at)));
    const widest = Math.max(...ticks.map((tick) => tick.text.length)) * CHARACTER_WIDTH + SPACE_BETWEEN;
    return Math.max(1, Math.min(ticks.length, Math.ceil(widest / (nearest * pixelsPerUnit))));
}
