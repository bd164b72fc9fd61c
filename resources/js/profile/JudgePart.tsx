import { useState } from 'react';
import type { Judged, Variable } from '../api/client';
import { type Asked } from '../asking/PlotPart';
import { Button } from '../ui/Button';
import { TableOut } from '../ui/copying';
import { counted } from '../ui/format';
import { Notice } from '../ui/Notice';
import { ReasonEntry } from '../ui/ReasonEntry';
import { Waiting } from '../ui/Waiting';
import { useFarRow, useJudged } from './queries';

type Column = Judged['columns'][number];

/** So many variables are shown of a far row at first. */
const SHOWN = 8;

/** Far rows, and what changes without them; one, two, three SD; how much the figures depend on conventions. */
export function JudgePart({
    dataset,
    revision,
    question,
    variable,
    axisName,
    variables,
    basis,
    onShowRows,
}: Asked & { variables: Variable[]; basis: string; onShowRows: (where: string) => void }) {
    const [isOpen, setIsOpen] = useState(false);
    const answer = useJudged(dataset, revision, question, variable, isOpen);
    const judged = answer.data;
    return (
        <section aria-label={`Judging ${axisName}`} className="mt-6">
            <Button className="py-1!" aria-expanded={isOpen} onClick={() => setIsOpen(!isOpen)}>
                Judge it: far rows, spread, what depends on what
            </Button>
            {isOpen && answer.isError && <Notice onRetry={() => void answer.refetch()}>{answer.error.message}</Notice>}
            {isOpen && answer.isPending && <Waiting what="Looking for far rows" />}
            {isOpen && judged !== undefined && (
                <>
                    <FarRows {...{ dataset, revision, variable, judged, variables, onShowRows }} />
                    <div className="flex flex-wrap items-start gap-x-12 gap-y-4">
                        <FarOut out={judged.z} title="z-scores" name={axisName} basis={basis} />
                        {judged.z_within !== null && (
                            <FarOut out={judged.z_within} title="z-scores within groups" name={axisName} basis={basis} />
                        )}
                    </div>
                    {judged.columns.map((column) => (
                        <div key={column.name ?? ''}>
                            {judged.columns.length > 1 && (
                                <h4 className="mt-5 font-semibold">
                                    <bdi>{column.name ?? 'Overall'}</bdi>
                                </h4>
                            )}
                            <div className="flex flex-wrap items-start gap-x-12 gap-y-4">
                                <Without column={column} />
                                <Spread column={column} />
                                <Depends column={column} />
                            </div>
                        </div>
                    ))}
                </>
            )}
        </section>
    );
}

function FarRows({
    dataset,
    revision,
    variable,
    judged,
    variables,
    onShowRows,
}: {
    dataset: number;
    revision: number;
    variable: string;
    judged: Judged;
    variables: Variable[];
    onShowRows: (where: string) => void;
}) {
    const { stays, setAside } = useFarRow(dataset, revision, variable);
    const { total, rows } = judged.far;
    // The variable itself and those that name a row come first.
    const order = [...variables].sort((a, b) => rank(a, variable) - rank(b, variable)).slice(0, SHOWN);
    if (total === 0) {
        return <p className="mt-3 text-soft">No row lies beyond the fences.</p>;
    }
    return (
        <div className="mt-3">
            <h4 className="font-semibold">
                Far rows{' '}
                <span className="text-small font-normal text-soft">
                    {counted(total, 'row')} beyond the fences{total > rows.length && `; the ${rows.length} farthest are shown`}
                </span>
            </h4>
            <div className="max-w-full overflow-x-auto" tabIndex={0} role="region" aria-label="Far rows">
                <table className="border-collapse text-small whitespace-nowrap">
                    <thead>
                        <tr className="border-b border-hair-strong text-soft">
                            <th scope="col" className="py-1 pr-3 text-right font-medium">
                                Row
                            </th>
                            {order.map(({ key, name, unit }) => (
                                <th key={key} scope="col" className="max-w-36 px-2 text-left font-medium whitespace-normal">
                                    <bdi>{name}</bdi> {unit !== null && <span className="text-fine">{unit}</span>}
                                </th>
                            ))}
                            <th scope="col" className="px-2 text-left font-medium">
                                Beyond those of
                            </th>
                            <th scope="col" className="px-2 text-left font-medium">
                                What becomes of it
                            </th>
                        </tr>
                    </thead>
                    <tbody>
                        {rows.map((row) => (
                            <tr key={row.row} className="border-b border-hair">
                                <th scope="row" className="figures py-1 pr-3 text-right font-normal text-soft">
                                    {row.row}
                                </th>
                                {order.map(({ key, type }) => (
                                    <td
                                        key={key}
                                        className={`max-w-40 truncate px-2 ${type === 'number' ? 'figures text-right' : ''} ${key === variable ? 'font-semibold' : ''}`}
                                    >
                                        <bdi>{row.cells[key]}</bdi>
                                    </td>
                                ))}
                                <td className="px-2">
                                    <bdi>{row.beyond.map((name) => name ?? 'all').join(', ')}</bdi>
                                </td>
                                <td className="px-2">
                                    <span className="flex items-baseline gap-3">
                                        <Button
                                            look="quiet"
                                            className={`px-1! py-0! text-small ${row.stays ? 'bg-accent-wash! text-ink!' : ''}`}
                                            aria-pressed={row.stays}
                                            aria-label={`Row ${row.row}: looked at, stays`}
                                            onClick={() => stays.mutate({ row: row.row, stays: !row.stays })}
                                        >
                                            looked at, stays
                                        </Button>
                                        <ReasonEntry
                                            label={`set aside: row ${row.row}`}
                                            words="set aside"
                                            isOne
                                            onReason={(reason) => setAside.mutate({ row: row.row, reason })}
                                        />
                                    </span>
                                </td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            </div>
            <Button look="quiet" className="px-0! text-small" onClick={() => onShowRows(`outlier(${nameOf(variables, variable)})`)}>
                Show them in Rows
            </Button>
        </div>
    );
}

function rank({ key, type }: Variable, variable: string): number {
    return type === 'id' ? 0 : key === variable ? 1 : 2;
}

function nameOf(variables: Variable[], key: string): string {
    const name = variables.find((variable) => variable.key === key)?.name ?? key;
    return `"${name.replaceAll('"', '""')}"`;
}

/** Rows by how many standard deviations they lie out, the farthest first. */
function FarOut({ out, title, name, basis }: { out: Judged['z']; title: string; name: string; basis: string }) {
    const rows = out.rows;
    const cells = () => [['Row', 'Name', name, 'z'], ...rows.map((row) => [String(row.row), row.label ?? '', row.value, String(row.z)])];
    return (
        <div className="mt-5">
            <h4 className="font-semibold">{title}</h4>
            <p className="text-small text-soft">
                {out.over.map(({ k, count, expected }) => (
                    <span key={k} data-over={k} className="mr-4">
                        |z| ≥ {k}: <b className="figures text-ink">{count}</b> (of a normal distribution {expected})
                    </span>
                ))}
            </p>
            {rows.length > 0 && (
                <>
                    <TableOut table={cells} basis={basis} name={`${name}, ${title}`} />
                    <div className="max-h-72 w-fit max-w-full overflow-auto" tabIndex={0} role="region" aria-label={title}>
                        <table className="border-collapse text-small whitespace-nowrap">
                            <thead>
                                <tr className="border-b border-hair-strong">
                                    <th scope="col" className={head}>
                                        Row
                                    </th>
                                    <th scope="col" className="px-2 pb-1 text-left font-medium text-soft">
                                        Name
                                    </th>
                                    <Heads names={['Value', 'z']} />
                                    <th scope="col" className="px-2 pb-1 text-left font-medium text-soft">
                                        Out by
                                    </th>
                                </tr>
                            </thead>
                            <tbody>
                                {rows.map((row) => (
                                    <tr key={row.row} className="border-b border-hair">
                                        <td className={`${cell} text-soft`}>{row.row}</td>
                                        <td className="px-2">
                                            <bdi>{row.label}</bdi>
                                        </td>
                                        <td className={cell}>{row.value}</td>
                                        <td className={`${cell} ${Math.abs(row.z) >= 3 ? 'font-semibold' : ''}`}>{row.text}</td>
                                        <td className="px-2 text-soft">{Math.abs(row.z) >= 3 ? '3 SD or more' : '2 SD or more'}</td>
                                    </tr>
                                ))}
                            </tbody>
                        </table>
                    </div>
                    {out.total > rows.length && (
                        <p className="text-fine text-soft">
                            The {rows.length} farthest of {out.total} are shown.
                        </p>
                    )}
                </>
            )}
        </div>
    );
}

const head = 'px-2 pb-1 text-right font-medium text-soft';
const cell = 'figures px-2 py-0.5 text-right';

/** Heads of columns of numbers. */
function Heads({ names }: { names: string[] }) {
    return names.map((name) => (
        <th key={name} scope="col" className={head}>
            {name}
        </th>
    ));
}

function Without({ column }: { column: Column }) {
    return (
        <table className="mt-2 border-collapse text-small">
            <caption className="pb-1 text-left text-soft">With the far rows and without them</caption>
            <thead>
                <tr className="border-b border-hair-strong">
                    <td />
                    <Heads names={['with', 'without', 'difference']} />
                </tr>
            </thead>
            <tbody>
                {column.without.map((line) => (
                    <tr key={line.key} data-without={line.key} className="border-b border-hair">
                        <th scope="row" className="pr-4 text-left font-normal">
                            {line.label}
                        </th>
                        <td className={cell}>{line.with}</td>
                        <td className={cell}>{line.without}</td>
                        <td className={`${cell} font-semibold`}>{line.difference}</td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}

function Spread({ column }: { column: Column }) {
    return column.spread.length === 0 ? null : (
        <table className="mt-2 border-collapse text-small whitespace-nowrap">
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

/** The span of answers as a small range under each figure: the mark is the answer under the basis. */
function Depends({ column }: { column: Column }) {
    return column.depends.length === 0 ? null : (
        <table className="mt-2 border-collapse text-small">
            <caption className="pb-1 text-left text-soft">
                How much does it depend? Under every rule, as sample or population, without the far rows
            </caption>
            <tbody>
                {column.depends.map((line) => (
                    <tr key={line.key} data-depends={line.key} className="border-b border-hair">
                        <th scope="row" className="pr-4 text-left font-normal">
                            {line.label}
                        </th>
                        <td className={cell}>{line.on === '' ? '' : line.lowText}</td>
                        <td className="w-28">
                            {line.on === '' ? (
                                <span className="text-fine text-soft">always the same</span>
                            ) : (
                                <svg viewBox="0 0 100 10" className="h-2.5 w-full" aria-hidden="true">
                                    <line x1="2" x2="98" y1="5" y2="5" stroke="var(--hair-strong)" strokeWidth="2" />
                                    <rect x={2 + 94 * share(line)} y="0" width="2.5" height="10" fill="var(--accent)" />
                                </svg>
                            )}
                        </td>
                        <td className={cell}>{line.on === '' ? '' : line.highText}</td>
                        <td className="pl-2 text-fine text-soft">{line.on !== '' && `by ${line.on}`}</td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}

function share({ own, low, high }: { own: number; low: number; high: number }): number {
    return high > low ? Math.min(1, Math.max(0, (own - low) / (high - low))) : 0;
}
