import clsx from 'clsx';
import { useState } from 'react';
import { laneColour } from '../plot/colours';
import { DotPlot } from '../plot/DotPlot';
import { PointPlot } from '../plot/PointPlot';
import { backToBack, keyOf, stemText } from '../plot/stemText';
import { Button } from '../ui/Button';
import { copyText } from '../ui/copying';
import { count } from '../ui/format';
import { Notice } from '../ui/Notice';
import { Waiting } from '../ui/Waiting';
import { WordChoice } from '../ui/WordChoice';
import { type StemWords, useDots, useQq, useStems, useStrips } from './queries';
import type { Question } from './question';

const kinds = [
    { key: 'stems', words: 'Stem-and-leaf' },
    { key: 'dots', words: 'Dot plot' },
    { key: 'qq', words: 'Normal Q–Q' },
    { key: 'strips', words: 'Ordered strip' },
] as const;

interface Asked {
    dataset: number;
    revision: number;
    question: Question;
    variable: string;
    names: string[];
    axisName: string;
}

/** More pictures of one variable, opened one by one; which are open stands in the address. */
export function MorePlots({ onAsk, ...asked }: Asked & { onAsk: (change: Partial<Question>) => void }) {
    const open = asked.question.plots;
    return (
        <section aria-label={`More plots of ${asked.axisName}`} className="mt-6">
            <p className="flex flex-wrap items-center gap-1.5 text-small">
                <span className="mr-2 text-soft">More plots</span>
                {kinds.map(({ key, words }) => (
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
            {open.includes('stems') && <StemsPart {...asked} />}
            {open.includes('dots') && <DotsPart {...asked} />}
            {open.includes('qq') && <QqPart {...asked} />}
            {open.includes('strips') && <StripsPart {...asked} />}
        </section>
    );
}

function StemsPart({ dataset, revision, question, variable, names }: Asked) {
    const [words, setWords] = useState<StemWords>({ apart: 'no' });
    const [back, setBack] = useState(false);
    const stems = useStems(dataset, revision, question, variable, words);
    const data = stems.data;
    const exponent =
        data === undefined ? 0 : data.leaf_unit.includes('.') ? -(data.leaf_unit.split('.')[1] ?? '').length : data.leaf_unit.length - 1;
    const [, first, second] = data?.columns ?? [];
    const isBack = back && names.length === 3 && first !== undefined && second !== undefined;
    const texts =
        data === undefined
            ? []
            : isBack
              ? [{ name: `${names[1] ?? ''} and ${names[2] ?? ''}`, text: backToBack(first, second, [names[1] ?? '', names[2] ?? '']) }]
              : data.columns.map((column, i) => ({ name: names[i] ?? '', text: stemText(column) }));
    return (
        <Part title="Stem-and-leaf" error={stems.error} isPending={stems.isPending}>
            {data !== undefined && (
                <>
                    <p className="mb-2 text-small text-soft">
                        Leaf unit{' '}
                        <WordChoice
                            name="Leaf unit"
                            options={[-2, -1, 0, 1, 2].map((step) => {
                                const power = exponent + step;
                                return {
                                    value: String(power),
                                    words: power >= 0 ? `1${'0'.repeat(power)}` : `0.${'0'.repeat(-power - 1)}1`,
                                };
                            })}
                            value={String(exponent)}
                            onChange={(unit) => setWords({ ...words, unit: Number(unit), lines: data.lines_per_stem })}
                        />
                        ,{' '}
                        <WordChoice
                            name="Lines a stem"
                            options={[1, 2, 5].map((number) => ({
                                value: String(number),
                                words: number === 1 ? 'one line a stem' : `${number} lines a stem`,
                            }))}
                            value={String(data.lines_per_stem)}
                            onChange={(lines) => setWords({ ...words, unit: exponent, lines: Number(lines) as 1 | 2 | 5 })}
                        />
                        ; far outliers{' '}
                        <WordChoice
                            name="Far outliers"
                            options={[
                                { value: 'no', words: 'on their stems' },
                                { value: 'yes', words: 'on lines of their own' },
                            ]}
                            value={words.apart}
                            onChange={(apart) => setWords({ ...words, apart: apart as 'yes' | 'no' })}
                        />
                        {names.length === 3 && (
                            <>
                                ;{' '}
                                <WordChoice
                                    name="Two groups"
                                    options={[
                                        { value: 'no', words: 'one after the other' },
                                        { value: 'yes', words: 'back to back' },
                                    ]}
                                    value={back ? 'yes' : 'no'}
                                    onChange={(word) => setBack(word === 'yes')}
                                />
                            </>
                        )}
                        . {keyOf(data)}; leaves are cut off, not rounded.
                    </p>
                    <div className="flex flex-wrap gap-x-10 gap-y-5">
                        {texts.map(({ name, text }, i) => (
                            <div key={i} className="max-w-full min-w-0">
                                <h4 className="text-small font-semibold" style={{ color: laneColour(i) }}>
                                    {name}
                                    {(data.columns[i]?.per_leaf ?? 1) > 1 && !isBack && (
                                        <span className="ml-2 font-normal text-soft">
                                            one leaf = {count(data.columns[i]?.per_leaf ?? 1)} rows
                                        </span>
                                    )}
                                </h4>
                                <pre className="figures max-w-full overflow-x-auto text-small leading-snug">{text}</pre>
                                <button
                                    type="button"
                                    className="text-fine text-soft underline-offset-4 hover:text-ink hover:underline"
                                    onClick={() => void copyText(text, `the stem-and-leaf of ${name}`)}
                                >
                                    Copy as text
                                </button>
                            </div>
                        ))}
                    </div>
                </>
            )}
        </Part>
    );
}

function DotsPart({ dataset, revision, question, variable, names, axisName }: Asked) {
    const dots = useDots(dataset, revision, question, variable);
    return (
        <Part title="Dot plot" error={dots.error} isPending={dots.isPending}>
            {dots.data !== undefined && <DotPlot dots={dots.data} names={names} axisName={axisName} />}
        </Part>
    );
}

function QqPart({ dataset, revision, question, variable, names, axisName }: Asked) {
    const qq = useQq(dataset, revision, question, variable);
    return (
        <Part title="Normal Q–Q" error={qq.error} isPending={qq.isPending}>
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
                            title={`${axisName}, normal Q–Q plot${names.length > 1 ? ` of ${names[i] ?? ''}` : ''}`}
                            caption={`${names.length > 1 ? `${names[i] ?? ''}: ` : ''}near the line, which runs through the quartiles, the values are like those of a normal distribution.${column.points.length < column.n ? ` ${count(column.points.length)} of ${count(column.n)} points are drawn.` : ''}`}
                        />
                    ),
                )}
            </div>
        </Part>
    );
}

const shareAxis = { from: 0, to: 1, ticks: [0, 0.25, 0.5, 0.75, 1].map((at) => ({ at, text: `${100 * at} %` })) };

function StripsPart({ dataset, revision, question, variable, names, axisName }: Asked) {
    const strips = useStrips(dataset, revision, question, variable);
    const axis = strips.data?.axis;
    return (
        <Part title="Ordered strip" error={strips.error} isPending={strips.isPending}>
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
                            title={`${axisName}, ordered strip${names.length > 1 ? ` of ${names[i] ?? ''}` : ''}`}
                            caption={`${names.length > 1 ? `${names[i] ?? ''}: ` : ''}the values in order, with the quarter cuts of the basis.`}
                        />
                    ))}
            </div>
        </Part>
    );
}

function Part({
    title,
    error,
    isPending,
    children,
}: {
    title: string;
    error: Error | null;
    isPending: boolean;
    children: React.ReactNode;
}) {
    return (
        <section aria-label={title} className="mt-5">
            <h3 className="mb-1 font-semibold">{title}</h3>
            {error !== null && <Notice>{error.message}</Notice>}
            {isPending && <Waiting what="Drawing" />}
            {children}
        </section>
    );
}
