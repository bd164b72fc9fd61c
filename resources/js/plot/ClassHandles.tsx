import { useState } from 'react';
import { pixelOf, placeIn, type SceneAxis, valueAt } from './axes';
import { roundStep, toStep } from './steps';

/** At most so many classes are drawn while a handle is moved. */
const MOST = 200;
const REACH = 7;

interface Draft {
    start: number;
    width: number;
}

/**
 * Two handles under the bars: where the classes begin, and how wide they are. Dragged or moved by arrow keys; both stay on round
 * numbers, and the bars follow.
 */
export function ClassHandles({
    axis,
    width: pictureWidth,
    textY,
    axisName,
    onBegin,
    onMove,
    onEnd,
}: {
    axis: SceneAxis & Required<Pick<SceneAxis, 'classes'>>;
    /** Of the picture as it was laid out. */
    width: number;
    /** Where it says what they are while they move. */
    textY: number;
    axisName: string;
    onBegin: () => void;
    /** Classes while a handle is moved, in the words of the address. */
    onMove: (classes: string) => void;
    onEnd: (classes: string) => void;
}) {
    const [draft, setDraft] = useState<Draft | null>(null);
    const { start: first, second, base } = axis.classes;
    const x = (value: number) => pixelOf(axis, value);
    const { start, width } = draft ?? { start: first, width: second - first };
    // Of coarse values, whole numbers say, classes keep holding equally many possible ones.
    const offset = axis.classes.step === null ? 0 : first;
    const step = axis.classes.step ?? roundStep((second - first) / 20);
    const least = Math.max(step, roundStep((axis.to - axis.from) / MOST));
    const moved = (which: keyof Draft, to: number): Draft =>
        which === 'start'
            ? {
                  start: offset + toStep(Math.max(axis.from - width, Math.min(axis.to - width, to)) - offset, step),
                  width,
              }
            : { start, width: Math.max(least, toStep(to, step)) };
    const take = (next: Draft) => {
        if (next.start !== start || next.width !== width) {
            setDraft(next);
            onMove(words(next));
        }
    };
    const handles = [
        { which: 'start' as const, at: start, name: `Where the classes of ${axisName} begin`, said: `from ${start}` },
        { which: 'width' as const, at: start + width, name: `How wide the classes of ${axisName} are`, said: `${width} wide` },
    ];
    return (
        <g>
            {draft !== null && (
                <g pointerEvents="none">
                    {Array.from({ length: Math.min(MOST, Math.ceil((axis.to - start) / width) + 1) }, (_, i) => (
                        <line key={i} x1={x(start + i * width)} x2={x(start + i * width)} y1={base} y2={base + 5} stroke="var(--accent)" />
                    ))}
                    <text x={x(start)} y={textY} fill="var(--accent)" className="figures halo font-semibold">
                        {`from ${start}, ${width} wide`}
                    </text>
                </g>
            )}
            {handles.map(({ which, at, name, said }) => (
                <g
                    key={which}
                    role="slider"
                    tabIndex={0}
                    aria-label={name}
                    aria-valuenow={which === 'start' ? start : width}
                    aria-valuetext={said}
                    data-handle={which}
                    className="pointer-events-auto cursor-ew-resize outline-none [&:focus-visible>path]:stroke-[2.5]"
                    onPointerDown={(event) => {
                        event.stopPropagation();
                        event.currentTarget.setPointerCapture(event.pointerId);
                        setDraft({ start, width });
                        onBegin();
                    }}
                    onPointerMove={(event) => {
                        if (draft !== null) {
                            event.stopPropagation();
                            const svg = event.currentTarget.ownerSVGElement;
                            const value = svg === null ? first : valueAt(axis, placeIn(svg, event.clientX, pictureWidth));
                            take(moved(which, which === 'start' ? value : value - start));
                        }
                    }}
                    onPointerUp={(event) => {
                        event.stopPropagation();
                        if (draft !== null && (draft.start !== first || draft.width !== second - first)) {
                            onEnd(words(draft));
                        }
                        setDraft(null);
                    }}
                    onKeyDown={(event) => {
                        const by = { ArrowRight: step, ArrowUp: step, ArrowLeft: -step, ArrowDown: -step }[event.key];
                        if (by !== undefined) {
                            event.preventDefault();
                            onEnd(words(moved(which, (which === 'start' ? start : width) + by)));
                        }
                    }}
                >
                    <title>{`${name}: drag it, or use the arrow keys`}</title>
                    <rect x={x(at) - REACH} y={base - 3} width={2 * REACH} height={16} fill="transparent" />
                    <path
                        d={which === 'start' ? `M${x(at)} ${base}v9h5z` : `M${x(at)} ${base}v9h-5z`}
                        fill="var(--accent)"
                        stroke="var(--accent)"
                        strokeLinejoin="round"
                    />
                </g>
            ))}
        </g>
    );
}

function words({ start, width }: Draft): string {
    return `${start}:${width}`;
}
