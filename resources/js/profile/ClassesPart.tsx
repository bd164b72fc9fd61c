import { Refusal } from '../api/client';
import { Button } from '../ui/Button';
import { TableOut } from '../ui/copying';
import { Notice } from '../ui/Notice';
import { Waiting } from '../ui/Waiting';
import { NumberToChange } from '../ui/NumberToChange';
import { WordChoice } from '../ui/WordChoice';
import { WordTicks } from '../ui/WordTicks';
import { amend, isAmended } from './amendments';
import { ClassRows } from './ClassRows';
import { CopyFigure } from './CopyFigure';
import { figureName, fullText } from './figureCells';
import type { Asked } from '../asking/PlotPart';
import { useClasses } from './queries';
import { groupsAsked, type Question } from '../asking/question';
import { ScenesPart } from '../asking/ScenesPart';
import { StatedEntry } from './StatedEntry';

/** A category whose labels are classes: what they cover, figures estimated from them, histogram, polygon and ogive. */
export function ClassesPart({
    dataset,
    revision,
    question,
    variable,
    names: groupNames,
    axisName,
    basis,
    countsUnit,
    numbers,
    onAsk,
}: Asked & {
    basis: string;
    /** What a count of 1 stands for; null = one. */
    countsUnit: string | null;
    /** Variables that could be counts. */
    numbers: { key: string; name: string }[];
    onAsk: (change: Partial<Question>) => void;
}) {
    const classes = useClasses(dataset, revision, question, variable);
    const data = classes.data;
    const names = data?.names ?? groupNames;
    const columns = question.count_columns.split(',').filter((key) => key !== '');
    const figureCells = (text: typeof fullText) =>
        data === undefined ? [] : [[axisName, ...names], ...data.figures.map((row) => [figureName(row), ...row.values.map(text)])];
    return (
        <section aria-label="As classes" className="mt-3">
            {classes.isError && <Notice onRetry={() => void classes.refetch()}>{classes.error.message}</Notice>}
            {classes.error instanceof Refusal && classes.error.codes.includes('lacks-cumulative') && (
                <p className="mt-2 flex flex-wrap gap-2">
                    <Button onClick={() => onAsk({ cumulative: 'yes' })}>The counts add up as they go</Button>
                    <Button onClick={() => onAsk({ cumulative: 'no' })}>Each count is of its own class</Button>
                </p>
            )}
            {question.cumulative === 'yes' && data !== undefined && !classes.isError && (
                <p className="mb-2 text-small text-soft">
                    The counts were taken as adding up as they go: of each, the one before was taken off.{' '}
                    <button
                        type="button"
                        className="font-semibold text-ink underline decoration-accent decoration-2 underline-offset-4"
                        onClick={() => onAsk({ cumulative: '' })}
                    >
                        Take that back
                    </button>
                </p>
            )}
            {classes.isPending && <Waiting what="Reading the classes" />}
            {data !== undefined && !classes.isError && (
                <>
                    <p className="mb-2 flex flex-wrap gap-x-6 text-small text-soft">
                        <span>
                            The labels read as classes; their limits are{' '}
                            <WordChoice
                                name="Limits are"
                                options={data.limits_choices}
                                value={data.limits}
                                onChange={(limits) => onAsk({ limits })}
                            />
                            {data.unit !== null && (
                                <>
                                    , in units of{' '}
                                    <NumberToChange
                                        name="Rounding unit"
                                        text={data.unit}
                                        isChanged={isAmended(question.amend, 'unit', null)}
                                        onChange={(unit) => onAsk({ amend: amend(question.amend, 'unit', null, unit) })}
                                    />
                                </>
                            )}
                            {numbers.length > 1 && question.by.length === 0 && (
                                <>
                                    ; counts in{' '}
                                    <WordTicks
                                        name="A column of counts for each group"
                                        words={
                                            columns.length === 0 ? 'one column, as in the basis' : `${columns.length} columns, a group each`
                                        }
                                        help="Where the table has a column of counts for each group, tick them: each becomes a column here, beside all of them together."
                                        options={numbers.map((variable) => ({ value: variable.key, words: variable.name }))}
                                        chosen={columns}
                                        onChange={(keys) => onAsk({ count_columns: keys.join(',') })}
                                    />
                                </>
                            )}
                            . Modal class by density: {data.modal_classes.join(', ')}.
                            {data.total_left_out !== null && ` “${data.total_left_out}” is the sum of the others and was left out.`}
                            {data.rows.some((row, i) => row.is_open && !isAmended(question.amend, 'width', i)) &&
                                ' An open class is taken to be as wide as its neighbour; its width can be changed below.'}
                        </span>
                        <TableOut
                            table={() => figureCells(fullText)}
                            basis={`${basis} ${data.words}`}
                            name={`${axisName}, from classes`}
                            keeps={{ kind: 'classes', of: variable }}
                        />
                    </p>
                    <div className="flex items-start gap-8 max-xl:flex-col max-xl:gap-4">
                        <div className="max-w-full overflow-x-auto" tabIndex={0} role="region" aria-label="Figures from classes">
                            <table className="first-kept border-collapse text-small whitespace-nowrap">
                                {names.length > 1 && (
                                    <thead>
                                        <tr className="text-soft">
                                            <td />
                                            {names.map((name, i) => (
                                                <th
                                                    key={i}
                                                    scope="col"
                                                    className="max-w-32 px-2 pb-1 text-right font-medium whitespace-normal"
                                                >
                                                    <bdi>{name}</bdi>
                                                </th>
                                            ))}
                                        </tr>
                                    </thead>
                                )}
                                <tbody>
                                    {data.figures.map((row) => (
                                        <tr key={row.key} className="border-b border-hair">
                                            <th scope="row" className="py-1 pr-4 text-left font-normal">
                                                {row.label} <i className="font-serif text-soft">{row.symbol}</i>
                                                {row.key === 'n' && countsUnit !== null && (
                                                    <span className="ml-1 text-fine text-soft">{countsUnit}</span>
                                                )}
                                            </th>
                                            {row.values.map((figure, i) => (
                                                <td key={i} data-grouped={row.key} className="figures p-0 text-right">
                                                    {figure.text === null ? (
                                                        <span className="px-2 text-fine text-soft">{figure.reason}</span>
                                                    ) : (
                                                        <CopyFigure figure={figure} />
                                                    )}
                                                </td>
                                            ))}
                                        </tr>
                                    ))}
                                </tbody>
                            </table>
                        </div>
                        <div className="w-full min-w-0 flex-1">
                            <ScenesPart
                                key={`${groupsAsked(question)} ${question.count_columns}`}
                                kind="classes"
                                title={null}
                                {...{ dataset, revision, question, variable, names, axisName }}
                            />
                        </div>
                    </div>
                    <div className="mt-4 border-t border-hair pt-3">
                        <StatedEntry dataset={dataset} revision={revision} question={question} variable={variable} />
                    </div>
                    <ClassRows
                        variable={variable}
                        data={data}
                        names={names}
                        axisName={axisName}
                        basis={`${basis} ${data.words}`}
                        amended={question.amend}
                        onAmend={(amend) => onAsk({ amend })}
                    />
                </>
            )}
        </section>
    );
}
