import type { PictureWords } from '../ui/keeping';
import { useRef } from 'react';
import type { DrawnScene } from '../api/client';
import { SceneView } from '../plot/SceneView';
import { useWidth } from '../plot/useWidth';
import { type Asked, PlotPart } from './PlotPart';
import { type SceneKind, useScenes } from './queries';

/** A picture that the server lays out, or one for each group. */
export function ScenesPart({
    kind,
    title,
    other,
    children,
    dataset,
    revision,
    question,
    variable,
    names,
}: Asked & {
    kind: SceneKind;
    title: string;
    /** Of slope lines: to which variable. */
    other?: string;
    /** What stands above. */
    children?: React.ReactNode;
}) {
    const [room, width] = useWidth<HTMLDivElement>();
    const scenes = useScenes(kind, dataset, revision, question, variable, width, other);
    const list = scenes.data?.scenes ?? [];
    // Where each group has a picture of its own they stand beside each other, if there is room.
    const isOfEach = names.length > 1 && (kind === 'qq' || kind === 'strips');
    return (
        <PlotPart title={title} answer={scenes}>
            {children}
            <div className={isOfEach ? 'grid grid-cols-1 gap-6 2xl:grid-cols-2' : undefined}>
                {(list.length === 0 ? [null] : list).map((drawn, i) => (
                    <div key={i} ref={i === 0 ? room : undefined} className="min-w-0">
                        {drawn !== null && (
                            <One
                                drawn={drawn}
                                words={{
                                    picture: kind,
                                    of: variable,
                                    ...(list.length > 1 ? { column: i } : {}),
                                    ...(other === undefined ? {} : { with: other }),
                                }}
                            />
                        )}
                    </div>
                ))}
            </div>
        </PlotPart>
    );
}

function One({ drawn, words }: { drawn: DrawnScene; words: PictureWords }) {
    const frame = useRef<HTMLElement>(null);
    return drawn.scene === null ? <p className="text-soft">{drawn.why}</p> : <SceneView scene={drawn.scene} frame={frame} words={words} />;
}
