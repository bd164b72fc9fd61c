import { memo, type ReactNode, useId } from 'react';
import type { SceneMark } from '../api/client';
import { laneColour } from './colours';

/** Where a mark is, under the names that SVG has for it. */
const PLACES = ['x', 'y', 'x1', 'y1', 'x2', 'y2', 'cx', 'cy', 'r', 'width', 'height', 'd', 'opacity'] as const;

/** Marks as they are, of whatever picture. One that has not changed is not painted again. */
export function Marks({ marks }: { marks: SceneMark[] }): ReactNode {
    return marks.map((mark, i) => (mark.kind === 'group' ? <Group key={i} group={mark} /> : <Mark key={i} mark={mark} />));
}

const Group = memo(function Group({ group }: { group: SceneMark }) {
    const clip = useId();
    return (
        <g {...named(group)} clipPath={group.clip === undefined ? undefined : `url(#${clip})`}>
            {group.clip !== undefined && (
                <clipPath id={clip}>
                    <rect {...group.clip} />
                </clipPath>
            )}
            <Marks marks={group.marks ?? []} />
        </g>
    );
});

const Mark = memo(function Mark({ mark }: { mark: SceneMark }) {
    const { kind, says, rows, text, fill, stroke, wash, thick, dash, anchor, face, turn, length, x = 0, y = 0 } = mark;
    const Kind = kind as 'path';
    return (
        <Kind
            {...Object.fromEntries(PLACES.map((name) => [name, mark[name]]))}
            {...named(mark)}
            data-rows={rows}
            data-says={rows === undefined ? undefined : says}
            fill={ink(fill ?? 'none')}
            fillOpacity={wash}
            stroke={stroke === undefined ? undefined : ink(stroke)}
            strokeWidth={thick}
            strokeDasharray={dash}
            textAnchor={anchor}
            className={rows === undefined ? face : `${face ?? ''} cursor-pointer hover:brightness-75`}
            transform={turn === undefined ? undefined : `rotate(${turn} ${x} ${y})`}
            textLength={length}
            lengthAdjust={length === undefined ? undefined : 'spacingAndGlyphs'}
        >
            {text}
            {says !== undefined && <title>{says}</title>}
        </Kind>
    );
});

function named({ role, id }: SceneMark): Record<string, string> {
    return role === undefined ? {} : { [`data-${role}`]: id ?? '' };
}

/** The colour of an ink in the theme of the page. */
function ink(name: string): string {
    const lane = /^lane-(\d+)$/.exec(name)?.[1];
    return name === 'none' ? name : name === 'current' ? 'currentColor' : lane === undefined ? `var(--${name})` : laneColour(Number(lane));
}
