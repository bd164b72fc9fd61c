import { useState } from 'react';
import type { CompareWords, DrawnScenes } from '../api/client';
import { laneColour } from '../plot/colours';
import { SceneView } from '../plot/SceneView';
import { useWidth } from '../plot/useWidth';
import { WordChoice } from '../ui/WordChoice';
import { type Asked, PlotPart } from './PlotPart';
import { pictureSource, useScenes } from './queries';
import { classWords } from './question';

/** A picture of whatever kind, or one for each group, under a sentence of what can be chosen of it. */
export function ScenesPart({
    kind,
    title,
    dataset,
    revision,
    question,
    variable,
    names,
    labelsOf,
    onShowRows,
    compareWords,
    look: firstLook = [],
    isFigured = true,
}: Asked & {
    kind: string;
    /** null = it needs no heading of its own. */
    title: string | null;
    labelsOf?: (where: string) => Promise<string>;
    onShowRows?: (where: string) => void;
    /** Where it is a picture of things compared. */
    compareWords?: CompareWords;
    /** What is chosen of it at first. */
    look?: { name: string; value: string }[];
    /** false = the figures beside it are still awaited: what both fail for is theirs to say, once. */
    isFigured?: boolean;
}) {
    const [room, width] = useWidth<HTMLDivElement>();
    const [chosen, setChosen] = useState(firstLook);
    const look = chosen.map(({ name, value }) => `${name}:${value}`).join(',');
    const words = {
        ...(look === '' ? {} : { look }),
        ...(question.lane_order === '' ? {} : { lane_order: question.lane_order }),
        classWords: classWords(question),
        ...(compareWords === undefined ? {} : { compareWords }),
    };
    const asked = { dataset, kind, question, variable, words, width };
    const answer = useScenes(asked, revision);
    const scenes = answer.data?.scenes ?? [];
    return (
        <PlotPart title={title} answer={isFigured ? answer : { ...answer, error: null }}>
            <OptionLine
                options={answer.data?.options ?? []}
                onChoose={(name, value) => setChosen([...chosen.filter((other) => other.name !== name), { name, value }])}
            />
            <div ref={room} className="flex flex-wrap gap-x-10 gap-y-5">
                {scenes.map(({ name, scene, why }, i) => (
                    <div key={i} className="max-w-full min-w-0" style={{ width: scene === null ? undefined : Math.max(scene.width, 288) }}>
                        {scenes.length > 1 && (
                            <h4 className="text-small font-semibold" style={{ color: laneColour(i) }}>
                                <bdi>{name}</bdi>
                            </h4>
                        )}
                        {scene === null ? (
                            <p className="text-soft">{why}</p>
                        ) : (
                            <SceneView
                                scene={scene}
                                isWide={scene.width > (answer.data?.width ?? 0)}
                                source={pictureSource(asked, names.length > 1 && scenes.length > 1 ? i : null)}
                                labelsOf={labelsOf}
                                onRows={onShowRows}
                            />
                        )}
                    </div>
                ))}
            </div>
        </PlotPart>
    );
}

/** What can be chosen of a picture, as a sentence. */
function OptionLine({ options, onChoose }: { options: DrawnScenes['options']; onChoose: (name: string, value: string) => void }) {
    return (
        options.length > 0 && (
            <p className="mb-2 text-small text-soft">
                {options.map(({ name, label, before, values, value }) => (
                    <span key={name}>
                        {before}
                        <WordChoice name={label} options={values} value={value} onChange={(to) => onChoose(name, to)} />
                    </span>
                ))}
                .
            </p>
        )
    );
}
