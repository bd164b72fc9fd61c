import { ClassesPlot } from '../plot/ClassesPlot';
import { TableOut } from '../ui/copying';
import { count } from '../ui/format';
import { Notice } from '../ui/Notice';
import { Waiting } from '../ui/Waiting';
import { WordChoice } from '../ui/WordChoice';
import { CopyFigure } from './CopyFigure';
import { figureName, fullText } from './figureCells';
import { useClasses } from './queries';
import type { Question } from './question';
import { StatedEntry } from './StatedEntry';

/** A category whose labels are classes: what they cover, figures estimated from them, histogram, polygon and ogive. */
export function ClassesPart({
    dataset,
    revision,
    question,
    variable,
    names,
    axisName,
    basis,
    onAsk,
}: {
    dataset: number;
    revision: number;
    question: Question;
    variable: string;
    names: string[];
    axisName: string;
    basis: string;
    onAsk: (change: Partial<Question>) => void;
}) {
    const classes = useClasses(dataset, revision, question, variable);
    const data = classes.data;
    const figureCells = () =>
        data === undefined
            ? []
            : [[axisName, ...names], ...data.figures.map((row) => [figureName(row), ...row.values.map(fullText)]), ['Basis', basis]];
    const classCells = () =>
        data === undefined
            ? []
            : [
                  [
                      ...['Class', 'Boundaries', 'Width', 'Midpoint'],
                      ...names.flatMap((name) => ['count', '%', 'cumulative %', '% per unit'].map((what) => `${name}: ${what}`)),
                  ],
                  ...data.rows.map((row) => [
                      ...[row.label, row.boundaries, row.width, row.midpoint],
                      ...names.flatMap((_, i) => [
                          String(row.counts[i]),
                          row.percents[i] ?? '',
                          row.cumulative_texts[i] ?? '',
                          row.density_texts[i] ?? '',
                      ]),
                  ]),
                  ['Basis', basis],
              ];
    return (
        <section aria-label="As classes" className="mt-3">
            {classes.isError && <Notice onRetry={() => void classes.refetch()}>{classes.error.message}</Notice>}
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
                            {data.unit !== null && `, in units of ${data.unit}`}. Modal class by density: {data.modal_classes.join(', ')}.
                            {data.total_left_out !== null && ` “${data.total_left_out}” is the sum of the others and was left out.`}
                            {data.rows.some((row) => row.is_open) && ' An open class is taken to be as wide as its neighbour.'}
                        </span>
                        <TableOut table={figureCells} name={`${axisName}, from classes`} />
                    </p>
                    <div className="flex items-start gap-8 max-xl:flex-col max-xl:gap-4">
                        <div className="max-w-full overflow-x-auto" tabIndex={0} role="region" aria-label="Figures from classes">
                            <table className="border-collapse text-small whitespace-nowrap">
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
                        <ClassesPlot grouped={data} column={0} axisName={axisName} name={names[0] ?? ''} />
                    </div>
                    <div className="mt-4 border-t border-hair pt-3">
                        <StatedEntry dataset={dataset} revision={revision} question={question} variable={variable} />
                    </div>
                    <div className="mt-5 flex flex-wrap items-baseline gap-x-6">
                        <h3 className="font-semibold">The classes</h3>
                        <TableOut table={classCells} name={`${axisName}, classes`} />
                    </div>
                    <div className="max-w-full overflow-x-auto" tabIndex={0} role="region" aria-label="Classes">
                        <table className="border-collapse text-small whitespace-nowrap">
                            <thead>
                                <tr className="border-b border-hair-strong text-soft">
                                    {['Class', 'Boundaries', 'Width', 'Midpoint'].map((head, i) => (
                                        <th key={head} className={`py-1 pr-4 font-normal ${i === 0 ? 'text-left' : 'text-right'}`}>
                                            {head}
                                        </th>
                                    ))}
                                    {names.map((name, i) => (
                                        <th key={i} className="max-w-32 px-3 py-1 text-right font-normal whitespace-normal">
                                            <bdi>{names.length === 1 ? 'Count' : name}</bdi>
                                        </th>
                                    ))}
                                    {['%', 'Cumulative %', '% per unit'].map((head) => (
                                        <th key={head} className="px-3 py-1 text-right font-normal">
                                            {head}
                                        </th>
                                    ))}
                                </tr>
                            </thead>
                            <tbody>
                                {data.rows.map((row, i) => (
                                    <tr key={i} className="border-b border-hair">
                                        <th scope="row" className="py-1 pr-4 text-left font-normal">
                                            <bdi>{row.label}</bdi>
                                            {row.is_open && <span className="ml-2 text-fine text-accent">open, width assumed</span>}
                                        </th>
                                        {[row.boundaries, row.width, row.midpoint].map((text, k) => (
                                            <td key={k} className="figures py-1 pr-4 text-right">
                                                {text}
                                            </td>
                                        ))}
                                        {row.counts.map((number, k) => (
                                            <td key={k} className="figures px-3 py-1 text-right">
                                                {count(number)}
                                            </td>
                                        ))}
                                        {[row.percents[0], row.cumulative_texts[0], row.density_texts[0]].map((text, k) => (
                                            <td key={k} className="figures px-3 py-1 text-right">
                                                {text}
                                            </td>
                                        ))}
                                    </tr>
                                ))}
                            </tbody>
                        </table>
                    </div>
                </>
            )}
        </section>
    );
}
