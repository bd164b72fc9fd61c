import { type KeyboardEvent, type ReactNode, useId, useLayoutEffect, useRef, useState } from 'react';
import { type Mark, step } from './walking';

/** For the picture that is walked through. */
export const walkedLook = 'outline-none focus-visible:outline-2 focus-visible:outline-offset-2 focus-visible:outline-(--accent)';

/** Lets the keyboard walk from mark to mark of a picture; each is framed and said. What it shows as a whole is told in sentences. */
export function useMarkNavigation<M extends Mark>(
    marks: M[],
    sentences: string[],
    width: number,
    onEnter?: (mark: M) => void,
): {
    /** Of the svg. */
    keys: {
        role: 'img';
        tabIndex: number;
        'aria-describedby': string;
        onBlur: () => void;
        onKeyDown: (event: KeyboardEvent<SVGSVGElement>) => void;
    };
    /** Last in the svg. */
    frame: ReactNode;
    /** Behind the svg. */
    words: ReactNode;
    /** The mark that is framed. */
    mark: M | undefined;
} {
    const [at, setAt] = useState<number | null>(null);
    const about = useId();
    const mark = at === null ? undefined : marks[at];
    return {
        mark,
        keys: {
            role: 'img',
            tabIndex: 0,
            'aria-describedby': about,
            onBlur: () => setAt(null),
            onKeyDown: (event) => {
                if (event.target !== event.currentTarget) {
                    return;
                }
                if (event.key === 'Enter' && mark !== undefined) {
                    onEnter?.(mark);
                    return;
                }
                const next = step(event.key, at, marks);
                if (next !== undefined) {
                    event.preventDefault();
                    setAt(next);
                }
            },
        },
        frame: mark !== undefined && <Framed mark={mark} place={at ?? 0} width={width} />,
        words: (
            <>
                <p id={about} className="sr-only">
                    {`${sentences.join(' ')} Arrow keys go from mark to mark${onEnter === undefined ? '' : ', Enter shows its rows'}.`}
                </p>
                <p aria-live="polite" className="sr-only">
                    {mark?.words}
                </p>
            </>
        ),
    };
}

const MARGIN = 2;
const LINE = 18;

/** A frame around the mark, its words on a ground of their own, so that nothing shines through; both inside the picture. */
function Framed({ mark, place, width }: { mark: Mark; place: number; width: number }) {
    const text = useRef<SVGTextElement>(null);
    const [long, setLong] = useState(0);
    useLayoutEffect(() => setLong(text.current?.getComputedTextLength() ?? 0), [mark.words]);
    const wide = long + 12;
    const left = Math.max(0, Math.min(width - wide, mark.x - MARGIN));
    const top = Math.max(0, mark.y - LINE - 2 * MARGIN);
    return (
        <g pointerEvents="none" data-walked={place}>
            <rect
                x={mark.x - MARGIN}
                y={mark.y - MARGIN}
                width={mark.width + 2 * MARGIN}
                height={mark.height + 2 * MARGIN}
                fill="none"
                stroke="var(--accent)"
                strokeWidth={2}
            />
            <rect x={left} y={top} width={wide} height={LINE} rx={3} fill="var(--accent)" />
            <text ref={text} x={left + 6} y={top + 13} fill="var(--on-accent)" className="font-semibold">
                {mark.words}
            </text>
        </g>
    );
}
