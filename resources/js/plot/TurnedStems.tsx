import { useRef } from 'react';
import type { Stems } from '../api/client';
import { counted } from '../ui/format';
import type { PictureWords } from '../ui/keeping';
import { PictureOut } from './PictureOut';
import { leavesOf } from './stemText';
import { useWalk, walkedLook } from './useWalk';

const LINE = 24;
/** A leaf as it is printed; smaller where a line has many. */
const LEAF = 9;
const LONGEST = 320;
/** Digits smaller than this cannot be read. */
const LEGIBLE = 4;
const STEM = 48;
const MARGIN = 12;
const TURN_MS = 450;

/** A stem-and-leaf turned on its side: its lines of leaves are the bars of a histogram. It turns once, unless motion is unwanted. */
export function TurnedStems({
    column,
    name,
    colour,
    words,
}: {
    column: Stems['columns'][number];
    name: string;
    colour: string;
    /** How the server is asked for the same display. */
    words: PictureWords;
}) {
    const frame = useRef<HTMLElement>(null);
    const lines = column.lines.map((line) => ({ stem: line.stem.replace('-', '−'), leaves: leavesOf(line, column.per_leaf) }));
    const most = Math.max(1, ...lines.map((line) => line.leaves.length));
    const leaf = Math.min(LEAF, LONGEST / most);
    // Turned, the text's length is the picture's height.
    const height = STEM + most * leaf + MARGIN;
    const width = lines.length * LINE + 2 * MARGIN;
    const turned = `translate(${MARGIN}px, ${height}px) rotate(-90deg)`;
    const walk = useWalk(
        () =>
            lines.map((line, i) => ({
                lane: 0,
                words: `${line.stem}: ${counted(line.leaves.length, 'leaf', 'leaves')}`,
                x: MARGIN + i * LINE + 1,
                y: height - STEM - line.leaves.length * leaf,
                width: LINE - 1,
                height: line.leaves.length * leaf,
            })),
        () => lines.map((line) => `Stem ${line.stem}: ${line.leaves === '' ? 'no leaf' : line.leaves}.`),
    );
    return (
        <figure ref={frame} className="max-w-full min-w-0 overflow-x-auto">
            <svg
                width={width}
                height={height}
                aria-label={`${name}: stem-and-leaf turned on its side`}
                {...walk.keys}
                className={`block text-small ${walkedLook}`}
            >
                <g
                    style={{ transform: turned }}
                    ref={(group) => {
                        if (group !== null && !window.matchMedia('(prefers-reduced-motion: reduce)').matches) {
                            group.animate([{ transform: 'translate(0px, 0px) rotate(0deg)' }, { transform: turned }], {
                                duration: TURN_MS,
                                easing: 'ease-in-out',
                            });
                        }
                    }}
                >
                    {lines.map((line, i) => (
                        <g key={i} transform={`translate(0 ${i * LINE})`}>
                            <rect
                                data-stem-bar={line.stem}
                                x={STEM}
                                y={1}
                                width={line.leaves.length * leaf}
                                height={LINE - 1}
                                fill={colour}
                                fillOpacity={0.3}
                            />
                            <text x={STEM - 8} y={LINE - 7} textAnchor="end" fill="var(--soft)" className="figures">
                                {line.stem}
                            </text>
                            {leaf >= LEGIBLE && line.leaves !== '' && (
                                <text
                                    x={STEM}
                                    y={LINE - 7}
                                    fill="var(--ink)"
                                    className="figures"
                                    textLength={line.leaves.length * leaf}
                                    lengthAdjust="spacingAndGlyphs"
                                >
                                    {line.leaves}
                                </text>
                            )}
                        </g>
                    ))}
                    <line x1={STEM} x2={STEM} y1={0} y2={lines.length * LINE} stroke="var(--ink)" />
                </g>
                {walk.frame}
            </svg>
            {walk.words}
            <PictureOut
                frame={frame}
                name={`${name}, stem-and-leaf on its side`}
                numbers={() => [['Stem', 'Leaves'], ...lines.map((line) => [line.stem, line.leaves])]}
                words={{ ...words, look: 'turned' }}
            />
        </figure>
    );
}
