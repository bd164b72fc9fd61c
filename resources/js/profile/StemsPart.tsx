import { useState } from 'react';
import { conditionOfLeaf } from '../api/formula';
import { laneColour } from '../plot/colours';
import { backToBack, keyOf, stemText } from '../plot/stemText';
import { StemText } from '../plot/StemText';
import { TurnedStems } from '../plot/TurnedStems';
import { copyText } from '../ui/copying';
import { type PictureWords, useKeep } from '../ui/keeping';
import { count } from '../ui/format';
import { WordChoice } from '../ui/WordChoice';
import { type Asked, PlotPart } from './PlotPart';
import { type StemWords, useStems } from './queries';

/** Stem-and-leaf as text, overall and by group, two groups back to back, or turned on its side. */
export function StemsPart({
    dataset,
    revision,
    question,
    variable,
    variableName,
    names,
    axisName,
    labelsOf,
}: Asked & { variableName: string; labelsOf: (where: string) => Promise<string> }) {
    const [words, setWords] = useState<StemWords>({ apart: 'no' });
    const [back, setBack] = useState(false);
    const [isTurned, setIsTurned] = useState(false);
    const stems = useStems(dataset, revision, question, variable, words);
    const data = stems.data;
    const keep = useKeep();
    const pictureWords = (column: number): PictureWords => ({ ...words, picture: 'stems', of: variable, column });
    const exponent = data?.units.find((unit) => unit.text === data.leaf_unit)?.exponent ?? 0;
    const [, first, second] = data?.columns ?? [];
    const isBack = back && names.length === 3 && first !== undefined && second !== undefined;
    const texts =
        data === undefined
            ? []
            : isBack
              ? [{ name: `${names[1] ?? ''} and ${names[2] ?? ''}`, text: backToBack(first, second, [names[1] ?? '', names[2] ?? '']) }]
              : data.columns.map((column, i) => ({ name: names[i] ?? '', text: stemText(column) }));
    return (
        <PlotPart title="Stem-and-leaf" answer={stems}>
            {data !== undefined && (
                <>
                    <p className="mb-2 text-small text-soft">
                        Leaf unit{' '}
                        <WordChoice
                            name="Leaf unit"
                            options={data.units.map((unit) => ({ value: String(unit.exponent), words: unit.text }))}
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
                        ;{' '}
                        <WordChoice
                            name="Stems stand"
                            options={[
                                { value: 'no', words: 'as text' },
                                { value: 'yes', words: 'turned on its side', sentence: 'So that its lines are the bars of a histogram.' },
                            ]}
                            value={isTurned ? 'yes' : 'no'}
                            onChange={(word) => setIsTurned(word === 'yes')}
                        />
                        . {keyOf(data)}; leaves are cut off, not rounded. On the left, how many lie on a line and further out; ½ marks the
                        line of the median, with its own count.
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
                                {isTurned && !isBack && data.columns[i] !== undefined ? (
                                    <TurnedStems
                                        column={data.columns[i]}
                                        name={`${axisName}, ${name}`}
                                        colour={laneColour(i)}
                                        words={pictureWords(i)}
                                    />
                                ) : (
                                    <StemText
                                        text={text}
                                        leafUnit={data.leaf_unit}
                                        labelsOf={
                                            isBack ? undefined : (leaf) => labelsOf(conditionOfLeaf(variableName, leaf, question.where))
                                        }
                                    />
                                )}
                                <button
                                    type="button"
                                    className="text-fine text-soft underline-offset-4 hover:text-ink hover:underline"
                                    onClick={() => void copyText(text, `the stem-and-leaf of ${name}`)}
                                >
                                    Copy as text
                                </button>
                                {keep !== null && !isBack && !isTurned && (
                                    <button
                                        type="button"
                                        className="ml-4 text-fine text-soft underline-offset-4 hover:text-ink hover:underline"
                                        onClick={() => keep({ title: `${axisName}, ${name}, stem-and-leaf`, picture: pictureWords(i) })}
                                    >
                                        Keep
                                    </button>
                                )}
                            </div>
                        ))}
                    </div>
                </>
            )}
        </PlotPart>
    );
}
