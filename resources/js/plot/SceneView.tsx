import { type ReactNode, useId } from 'react';
import type { Scene, SceneMark } from '../api/client';
import type { PictureWords } from '../ui/keeping';
import { laneColour } from './colours';
import { PictureOut } from './PictureOut';
import { useWalk, walkedLook } from './useWalk';
import type { FrameOf } from './useWidth';

/** A picture that the server has laid out: painted as it is, walked through by keys, and taken out. It knows no kind of picture. */
export function SceneView({ scene, frame, words }: { scene: Scene; frame: FrameOf<HTMLElement>; words: PictureWords }) {
    const walk = useWalk(
        () => scene.steps,
        () => scene.sentences,
    );
    return (
        <figure ref={frame} className="w-full min-w-0">
            <svg
                width={scene.width}
                height={scene.height}
                aria-label={scene.title}
                {...walk.keys}
                className={`block text-fine ${walkedLook}`}
            >
                <Marks marks={scene.marks} />
                {walk.frame}
            </svg>
            {walk.words}
            <figcaption className="mt-1 max-w-2xl text-fine text-soft">{scene.caption}</figcaption>
            <PictureOut frame={frame} name={scene.title} numbers={() => scene.table} words={words} />
        </figure>
    );
}

/** Where a mark is, under the names that SVG has for it. */
const PLACES = ['x', 'y', 'x1', 'y1', 'x2', 'y2', 'cx', 'cy', 'r', 'width', 'height', 'd', 'opacity'] as const;

function Marks({ marks }: { marks: SceneMark[] }): ReactNode {
    const own = useId();
    return marks.map((mark, i) => {
        if (mark.kind === 'group') {
            const clip = `${own}${i}`;
            return (
                <g
                    key={i}
                    {...(mark.role === undefined ? {} : { [`data-${mark.role}`]: mark.id ?? '' })}
                    clipPath={mark.clip === undefined ? undefined : `url(#${clip})`}
                >
                    {mark.clip !== undefined && (
                        <clipPath id={clip}>
                            <rect {...mark.clip} />
                        </clipPath>
                    )}
                    <Marks marks={mark.marks ?? []} />
                </g>
            );
        }
        const { kind: Kind, role, id, says, text, fill, stroke, thick, dash, anchor, face } = mark;
        return (
            <Kind
                key={i}
                {...Object.fromEntries(PLACES.map((name) => [name, mark[name]]))}
                {...(role === undefined ? {} : { [`data-${role}`]: id ?? '' })}
                fill={ink(fill ?? 'none')}
                stroke={stroke === undefined ? undefined : ink(stroke)}
                strokeWidth={thick}
                strokeDasharray={dash}
                textAnchor={anchor}
                className={face}
            >
                {says === undefined ? text : <title>{says}</title>}
            </Kind>
        );
    });
}

/** The colour of an ink in the theme of the page. */
function ink(name: string): string {
    const lane = /^lane-(\d+)$/.exec(name)?.[1];
    return name === 'none' ? name : lane === undefined ? `var(--${name})` : laneColour(Number(lane));
}
