import { useState } from 'react';
import type { Judged, Variable } from '../api/client';
import { type Asked } from '../asking/PlotPart';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { Waiting } from '../ui/Waiting';
import { FarOut } from './FarOut';
import { FarRows } from './FarRows';
import { cell, Heads, Wide } from './judgedCells';
import { useJudged } from './queries';
import { ShapePart } from './ShapePart';

type Column = Judged['columns'][number];

/** Far rows, and what changes without them; the shape with one, two, three SD; how much the figures depend on conventions. */
export function JudgePart({
    dataset,
    revision,
    question,
    variable,
    names,
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
                Judge it: far rows, shape, what depends on what
            </Button>
            {isOpen && answer.isError && <Notice onRetry={() => void answer.refetch()}>{answer.error.message}</Notice>}
            {isOpen && answer.isPending && <Waiting what="Looking for far rows" />}
            {isOpen && judged !== undefined && (
                <>
                    <FarRows {...{ dataset, revision, variable, judged, variables, onShowRows }} />
                    {judged.columns.map((column) => (
                        <div key={column.name ?? ''}>
                            {judged.columns.length > 1 && (
                                <h4 className="mt-5 font-semibold">
                                    <bdi>{column.name ?? 'Overall'}</bdi>
                                </h4>
                            )}
                            <div className="flex flex-wrap items-start gap-x-12 gap-y-4">
                                <Without column={column} />
                                {column.depends.length > 0 && (
                                    <Wide label={`How much does it depend, ${column.name ?? 'overall'}`}>
                                        <Depends column={column} />
                                    </Wide>
                                )}
                            </div>
                        </div>
                    ))}
                    <div className="flex flex-wrap items-start gap-x-12 gap-y-4">
                        <FarOut out={judged.z} title="z-scores" name={axisName} basis={basis} onShowRows={onShowRows} />
                        {judged.z_within !== null && (
                            <FarOut
                                out={judged.z_within}
                                title="z-scores within groups"
                                name={axisName}
                                basis={basis}
                                onShowRows={onShowRows}
                            />
                        )}
                    </div>
                    <ShapePart {...{ dataset, revision, question, variable, names, axisName, onShowRows }} columns={judged.columns} />
                </>
            )}
        </section>
    );
}

function Without({ column }: { column: Column }) {
    return (
        <table className="first-kept mt-2 border-collapse text-small">
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

/** The span of answers as a small range under each figure: the mark is the answer under the basis. */
function Depends({ column }: { column: Column }) {
    return (
        <table className="first-kept mt-2 border-collapse text-small">
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
