import { useState } from 'react';
import type { FigureRow } from '../api/client';
import { readAxis } from '../plot/axes';
import { SceneView } from '../plot/SceneView';
import { useWidth } from '../plot/useWidth';
import { Notice } from '../ui/Notice';
import { Waiting } from '../ui/Waiting';
import type { Asked } from '../asking/PlotPart';
import { pictureSource, triedScene, useScenes } from '../asking/queries';
import { useCrosshair } from './queries';
import { defaults, type Question } from '../asking/question';
import { RangeNote } from './RangeNote';
import { StackLine } from './StackLine';
import { stackRoom } from './stackRoom';

/** The aligned stack with the sentence that says how it is drawn, its axis to be read and chosen from. */
export function StackPart({
    dataset,
    revision,
    question,
    variable,
    names,
    axisName,
    unit,
    figures,
    labelsOf,
    onAsk,
    onShowRows,
}: Asked & {
    unit: string | null;
    figures: FigureRow[];
    labelsOf: (where: string) => Promise<string>;
    onAsk: (change: Partial<Question>) => void;
    onShowRows: (where: string) => void;
}) {
    const [room, width] = useWidth<HTMLDivElement>();
    const [range, setRange] = useState<{ from: string; to: string } | null>(null);
    const [isNear, setIsNear] = useState(false);
    const crosshair = useCrosshair(dataset, revision, question, variable, isNear);
    const words = {
        ...(question.arrange === defaults.arrange ? {} : { look: `arrange:${question.arrange}` }),
        ...(question.lane_order === '' ? {} : { lane_order: question.lane_order }),
    };
    const asked = { dataset, kind: 'stack', question, variable, words, width };
    const answer = useScenes(asked, revision);
    const drawn = answer.data?.scenes[0];
    return (
        <div
            ref={room}
            className="min-h-72 w-full min-w-0 flex-1"
            style={answer.isPending ? { minHeight: stackRoom(names.length - 1, question) } : undefined}
        >
            {answer.isError && <Notice onRetry={() => void answer.refetch()}>{answer.error.message}</Notice>}
            {answer.isPending && <Waiting what="Drawing" />}
            {drawn?.scene === null && <p className="py-6 text-soft">{drawn.why}</p>}
            {drawn?.scene != null && (
                <>
                    <StackLine
                        classes={readAxis(drawn.scene)?.classes}
                        options={answer.data?.options ?? []}
                        groups={names.length - 1}
                        figures={figures}
                        question={question}
                        onAsk={onAsk}
                    />
                    <SceneView
                        scene={drawn.scene}
                        isWide={false}
                        source={pictureSource(asked, null)}
                        tools={{
                            name: axisName,
                            crosshair: crosshair.data?.crosshair ?? null,
                            onNear: () => setIsNear(true),
                            onRange: setRange,
                            tryClasses: triedScene(asked),
                            onClasses: (classes) => onAsk({ classes }),
                        }}
                        labelsOf={labelsOf}
                        onRows={onShowRows}
                        onAsk={onAsk}
                    />
                    {range !== null && (
                        <RangeNote
                            dataset={dataset}
                            revision={revision}
                            question={question}
                            variable={variable}
                            unit={unit}
                            range={range}
                            onZoom={(zoom) => {
                                setRange(null);
                                onAsk({ zoom });
                            }}
                            onShowRows={onShowRows}
                        />
                    )}
                </>
            )}
        </div>
    );
}
