import type { Judged } from '../api/client';
import type { Asked } from '../asking/PlotPart';
import { ScenesPart } from '../asking/ScenesPart';
import { cell, Heads, Wide } from './judgedCells';

type Column = Judged['columns'][number];

/** The marks that the shape is judged by. */
const MARKS = 'mean,median,sd1,sd2,sd3';

/** One shape in one place: the histogram with mean, median, SD limits and a normal curve beside the Q–Q plot, and what goes with them. */
export function ShapePart({ columns, onShowRows, ...asked }: Asked & { columns: Column[]; onShowRows: (where: string) => void }) {
    const question = { ...asked.question, curve: 'yes', marks: MARKS, zoom: '' };
    return (
        <section aria-label={`Shape of ${asked.axisName}`} className="mt-5">
            <h4 className="font-semibold">Shape</h4>
            <div className="flex items-start gap-x-10 max-xl:flex-col">
                {/* Of many groups it stays beside the plot that is looked at. */}
                <div className="w-full min-w-0 flex-1 xl:sticky xl:top-2">
                    <ScenesPart kind="stack" title={null} onShowRows={onShowRows} {...asked} question={question} />
                </div>
                <div className="w-full min-w-0 flex-1">
                    <ScenesPart kind="qq" title={null} onShowRows={onShowRows} {...asked} />
                </div>
            </div>
            {columns.map((column) => (
                <div key={column.name ?? ''}>
                    {columns.length > 1 && (
                        <h5 className="mt-4 text-small font-semibold">
                            <bdi>{column.name ?? 'Overall'}</bdi>
                        </h5>
                    )}
                    <div className="flex flex-wrap items-start gap-x-12 gap-y-4">
                        <Figures column={column} />
                        <Wide label={`Tests of the shape, ${column.name ?? 'overall'}`}>
                            <Tests column={column} />
                        </Wide>
                    </div>
                    {column.spread.length > 0 && (
                        <Wide label={`One to three standard deviations, ${column.name ?? 'overall'}`}>
                            <Spread column={column} />
                        </Wide>
                    )}
                </div>
            ))}
        </section>
    );
}

function Figures({ column }: { column: Column }) {
    return (
        <table className="first-kept mt-2 border-collapse text-small">
            <caption className="pb-1 text-left text-soft">Of a normal distribution skewness and excess kurtosis are 0</caption>
            <tbody>
                {column.shape.figures.map((line) => (
                    <tr key={line.key} data-shape={line.key} className="border-b border-hair">
                        <th scope="row" className="pr-4 text-left font-normal">
                            {line.label}
                        </th>
                        <td className={line.text === null ? 'px-2 text-right text-fine text-soft' : cell}>{line.text ?? line.why}</td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}

/** What the p of each test means; a small one is unlike a normal distribution, a large one shows nothing. */
function Tests({ column }: { column: Column }) {
    return (
        <table className="first-kept mt-2 border-collapse text-small">
            <caption className="pb-1 text-left text-soft">Against a normal distribution, and what p means</caption>
            <thead>
                <tr className="border-b border-hair-strong">
                    <td />
                    <Heads names={['statistic', 'p']} />
                    <th scope="col" className="px-2 pb-1 text-left font-medium text-soft">
                        Of as many values
                    </th>
                </tr>
            </thead>
            <tbody>
                {column.shape.tests.map((line) => (
                    <tr key={line.key} data-shape={line.key} className="border-b border-hair">
                        <th scope="row" className="pr-4 text-left font-normal">
                            {line.label}
                        </th>
                        <td className={cell}>{line.statistic}</td>
                        <td className={cell}>{line.p}</td>
                        <td className="max-w-80 px-2">{line.meaning}</td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}

function Spread({ column }: { column: Column }) {
    return (
        <table className="first-kept mt-5 border-collapse text-small whitespace-nowrap">
            <caption className="pb-1 text-left text-soft">One, two, three standard deviations either side of the mean</caption>
            <thead>
                <tr className="border-b border-hair-strong">
                    <td />
                    <Heads names={['from', 'to', 'lie there', '%', 'of a normal distribution', 'percentiles beside it']} />
                </tr>
            </thead>
            <tbody>
                {column.spread.map((line) => (
                    <tr key={line.k} data-spread={line.k} className="border-b border-hair">
                        <th scope="row" className="pr-4 text-left font-normal">
                            ± {line.k} SD
                        </th>
                        <td className={cell}>{line.low}</td>
                        <td className={cell}>{line.high}</td>
                        <td className={`${cell} font-semibold`}>{line.count}</td>
                        <td className={cell}>{line.percent}</td>
                        <td className={cell}>
                            {line.expectedCount} ({line.expectedPercent} %)
                        </td>
                        <td className={cell}>
                            {line.lowPercentile !== null &&
                                `${line.k === 1 ? '16th, 84th' : '2.5th, 97.5th'}: ${line.lowPercentile}, ${line.highPercentile ?? ''}`}
                        </td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}
