import clsx from 'clsx';
import type { Stack, Variable } from '../api/client';
import { laneColour } from '../plot/colours';
import { DotPlot } from '../plot/DotPlot';
import { PointPlot } from '../plot/PointPlot';
import { Button } from '../ui/Button';
import { asSentence, count } from '../ui/format';
import { BoxesPart } from './BoxesPart';
import { type Asked, PlotPart } from './PlotPart';
import { useDots, useQq, useStrips } from './queries';
import type { Question } from './question';
import { SlopesPart } from './SlopesPart';
import { StemsPart } from './StemsPart';

const kinds = [
    { key: 'boxes', words: 'Box plots' },
    { key: 'stems', words: 'Stem-and-leaf' },
    { key: 'dots', words: 'Dot plot' },
    { key: 'qq', words: 'Normal Q–Q' },
    { key: 'strips', words: 'Ordered strip' },
    { key: 'slopes', words: 'Slope lines' },
] as const;

/** More pictures of one variable, opened one by one; which are open stands in the address. */
export function MorePlots({
    stack,
    order,
    numbers,
    labelsOf,
    onAsk,
    ...asked
}: Asked & {
    stack: Stack;
    order: number[];
    numbers: Variable[];
    labelsOf: (where: string) => Promise<string>;
    onAsk: (change: Partial<Question>) => void;
}) {
    const own = numbers.find((variable) => variable.key === asked.variable);
    // What is measured alike comes first: that is what changes from before to after.
    const others = numbers
        .filter((variable) => variable.key !== asked.variable)
        .sort((a, b) => Number(b.unit === own?.unit) - Number(a.unit === own?.unit));
    const open = asked.question.plots;
    return (
        <section aria-label={`More plots of ${asked.axisName}`} className="mt-6">
            <p className="flex flex-wrap items-center gap-1.5 text-small">
                <span className="mr-2 text-soft">More plots</span>
                {kinds
                    .filter(({ key }) => key !== 'slopes' || others.length > 0)
                    .map(({ key, words }) => (
                        <Button
                            key={key}
                            aria-pressed={open.includes(key)}
                            className={clsx('py-1!', open.includes(key) && 'border-accent! bg-accent-wash')}
                            onClick={() => onAsk({ plots: open.includes(key) ? open.filter((other) => other !== key) : [...open, key] })}
                        >
                            {words}
                        </Button>
                    ))}
            </p>
            {open.includes('boxes') && (
                <BoxesPart stack={stack} variable={asked.variable} names={asked.names} order={order} axisName={asked.axisName} />
            )}
            {open.includes('stems') && <StemsPart {...asked} variableName={own?.name ?? ''} labelsOf={labelsOf} />}
            {open.includes('dots') && <DotsPart {...asked} />}
            {open.includes('qq') && <QqPart {...asked} />}
            {open.includes('strips') && <StripsPart {...asked} />}
            {open.includes('slopes') && <SlopesPart {...asked} others={others} />}
        </section>
    );
}

function DotsPart({ dataset, revision, question, variable, names, axisName }: Asked) {
    const dots = useDots(dataset, revision, question, variable);
    return (
        <PlotPart title="Dot plot" answer={dots}>
            {dots.data !== undefined && <DotPlot dots={dots.data} variable={variable} names={names} axisName={axisName} />}
        </PlotPart>
    );
}

function QqPart({ dataset, revision, question, variable, names, axisName }: Asked) {
    const qq = useQq(dataset, revision, question, variable);
    return (
        <PlotPart title="Normal Q–Q" answer={qq}>
            <div className="grid grid-cols-1 gap-6 2xl:grid-cols-2">
                {qq.data?.columns.map((column, i) =>
                    column.axes === null ? (
                        <p key={i} className="text-soft">
                            {names[i]}: needs at least 2 values, and whole counts.
                        </p>
                    ) : (
                        <PointPlot
                            key={i}
                            points={column.points}
                            xAxis={column.axes.z}
                            yAxis={column.axes.value}
                            xName="z expected of a normal distribution"
                            yName={axisName}
                            colour={laneColour(i)}
                            line={column.line}
                            words={{ picture: 'qq', of: variable, column: i }}
                            title={`${axisName}, normal Q–Q plot${names.length > 1 ? ` of ${names[i] ?? ''}` : ''}`}
                            caption={asSentence(
                                `${names.length > 1 ? `${names[i] ?? ''}: ` : ''}near the line, which runs through the quartiles, the values are like those of a normal distribution.${column.points.length < column.n ? ` ${count(column.points.length)} of ${count(column.n)} points are drawn.` : ''}`,
                            )}
                        />
                    ),
                )}
            </div>
        </PlotPart>
    );
}

const shareAxis = { from: 0, to: 1, ticks: [0, 0.25, 0.5, 0.75, 1].map((at) => ({ at, text: `${100 * at} %` })) };

function StripsPart({ dataset, revision, question, variable, names, axisName }: Asked) {
    const strips = useStrips(dataset, revision, question, variable);
    const axis = strips.data?.axis;
    return (
        <PlotPart title="Ordered strip" answer={strips}>
            <div className="grid grid-cols-1 gap-6 2xl:grid-cols-2">
                {axis != null &&
                    strips.data?.columns.map((column, i) => (
                        <PointPlot
                            key={i}
                            points={column.points.map(([share = 0, value = 0]) => [value, share])}
                            xAxis={axis}
                            yAxis={shareAxis}
                            xName={axisName}
                            yName="share of the rows, in order"
                            colour={laneColour(i)}
                            cuts={column.cuts.map((cut) => ({ name: cut.name, x: cut.value, y: cut.share }))}
                            words={{ picture: 'strips', of: variable, column: i }}
                            title={`${axisName}, ordered strip${names.length > 1 ? ` of ${names[i] ?? ''}` : ''}`}
                            caption={asSentence(
                                `${names.length > 1 ? `${names[i] ?? ''}: ` : ''}the values in order, with the quarter cuts of the basis.`,
                            )}
                        />
                    ))}
            </div>
        </PlotPart>
    );
}
