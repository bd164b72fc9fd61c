import { machineForm, written } from '../ui/numbers';
import { OneStop } from '../ui/OneStop';
import { useState } from 'react';
import type { Frequencies, Sheet } from '../api/client';
import { laneColour } from '../plot/colours';
import { areTallied } from '../plot/fives';
import { TallyMarks } from '../plot/TallyMarks';
import { TableOut } from '../ui/copying';
import { count } from '../ui/format';
import { NumberToChange } from '../ui/NumberToChange';
import { WordChoice } from '../ui/WordChoice';
import { MOST_EDGES, moved } from './edges';
import { labelName } from '../asking/groups';
import type { Question } from '../asking/question';
import { TallyOut } from './TallyOut';

const heads = { labels: 'Label', values: 'Value', classes: 'Class' };
const shares = [
    { value: 'counts', words: 'counts' },
    { value: 'percent', words: '% of each column' },
    { value: 'percent_of_row', words: '% of each row' },
    { value: 'percent_of_total', words: '% of all' },
] as const;
type Share = (typeof shares)[number]['value'];

/** How often each label, value or class occurs: one way with every percent, by group in counts or one kind of percent. */
export function FrequencyTable({
    table,
    costs,
    edges,
    names,
    variable,
    name,
    basis,
    question,
    onAsk,
}: {
    table: Frequencies;
    /** What the classes alone would give; null where it is not told by classes. */
    costs: Sheet['class_costs'];
    /** The boundaries of the classes, where they can be typed over. */
    edges: number[];
    /** Overall, then the groups. */
    names: string[];
    variable: string;
    /** Of the variable, with its unit. */
    name: string;
    /** In words, for what leaves the page. */
    basis: string;
    question: Question;
    onAsk: (change: Partial<Question>) => void;
}) {
    const [share, setShare] = useState<Share>('counts');
    const [drawn, setDrawn] = useState('bars');
    const isOneWay = names.length === 1;
    const canMove =
        table.kind === 'classes' && question.order === 'own' && edges.length === table.rows.length + 1 && edges.length <= MOST_EDGES;
    const canTally = isOneWay && areTallied(table.rows.map((row) => row.counts[0] ?? 0));
    const cells = () => [
        [
            heads[table.kind],
            ...(isOneWay
                ? ['Count', '% of all rows', '% of those present', 'Cumulative %']
                : names.map((group) => `${group}: ${wordsOf(share)}`)),
        ],
        ...table.rows.map((row) => [
            row.label,
            ...(isOneWay
                ? [
                      String(row.counts[0] ?? 0),
                      ...[row.percent_of_all[0], row.percent[0], row.cumulative[0]].map((text) => machineForm(text ?? '')),
                  ]
                : names.map((_, i) => (share === 'counts' ? String(row.counts[i] ?? 0) : machineForm(shareOf(row, share, i))))),
        ]),
        ['no entry', ...table.missing.map(String)],
    ];
    return (
        <section aria-label={`Frequencies of ${name}`} className="mt-7 max-w-full">
            <div className="mb-1.5 flex flex-wrap items-baseline gap-x-6 gap-y-1 text-small text-soft">
                <h3 className="text-body font-semibold text-ink">How often</h3>
                <span>
                    in{' '}
                    <WordChoice
                        name="Order of the table"
                        options={[
                            { value: 'own', words: table.kind === 'labels' ? 'the order of the labels' : 'the order of the values' },
                            { value: 'count', words: 'order of count' },
                        ]}
                        value={question.order}
                        onChange={(order) => onAsk({ order })}
                    />
                    {!isOneWay && (
                        <>
                            , as{' '}
                            <WordChoice
                                name="Shown as"
                                options={[...shares]}
                                value={share}
                                onChange={(value) => setShare(value as Share)}
                            />
                        </>
                    )}
                    {canTally && (
                        <>
                            , drawn as{' '}
                            <WordChoice
                                name="Drawn as"
                                options={[
                                    { value: 'bars', words: 'bars' },
                                    { value: 'strokes', words: 'strokes in fives' },
                                ]}
                                value={drawn}
                                onChange={setDrawn}
                            />
                        </>
                    )}
                    {table.kind !== 'labels' && (
                        <>
                            , a row for each{' '}
                            <WordChoice
                                name="A row for each"
                                options={[
                                    { value: 'no', words: table.kind === 'values' && question.distinct === 'no' ? 'value' : 'class' },
                                    { value: 'yes', words: 'distinct value', sentence: 'Up to 1,000 of them.' },
                                ]}
                                value={question.distinct}
                                onChange={(distinct) => onAsk({ distinct })}
                            />
                        </>
                    )}
                </span>
                <TableOut table={cells} basis={basis} name={`${name}, frequencies`} keeps={{ kind: 'frequencies', of: variable }} />
                {table.kind !== 'labels' && <TallyOut table={table} names={names} name={name} />}
            </div>
            <OneStop className="max-h-120 max-w-full overflow-auto" role="region" aria-label="Frequency table">
                <table className="first-kept border-collapse text-small whitespace-nowrap">
                    <thead className="sticky top-0 bg-paper">
                        <tr className="border-b border-hair-strong text-soft">
                            <th className="py-1 pr-3 text-left font-normal">{heads[table.kind]}</th>
                            {isOneWay && (
                                <>
                                    <th className="px-3 py-1 text-right font-normal">Count</th>
                                    {(table.missing[0] ?? 0) > 0 && <th className="px-3 py-1 text-right font-normal">% of all rows</th>}
                                    <th className="px-3 py-1 text-right font-normal">% of those present</th>
                                    <th className="px-3 py-1 text-right font-normal">Cumulative %</th>
                                    <td className="w-48" />
                                </>
                            )}
                            {!isOneWay &&
                                names.map((group, i) => (
                                    <th
                                        key={i}
                                        scope="col"
                                        className="max-w-32 px-3 py-1 text-right align-bottom font-medium whitespace-normal"
                                    >
                                        <bdi className="line-clamp-2 break-words" title={group}>
                                            {group}
                                        </bdi>
                                        <span
                                            aria-hidden="true"
                                            className="mt-1 block h-0.75 rounded-full"
                                            style={{ background: laneColour(i) }}
                                        />
                                    </th>
                                ))}
                        </tr>
                    </thead>
                    <tbody>
                        {table.rows.map((row, at) => (
                            <tr key={at} className="border-b border-hair">
                                <th scope="row" className="max-w-72 truncate py-1 pr-3 text-left font-normal">
                                    <bdi title={row.label} className="tabular-nums">
                                        {canMove ? (
                                            <UpTo label={row.label} onChange={(typed) => onAsk({ classes: moved(edges, at + 1, typed) })} />
                                        ) : (
                                            labelName(row.label)
                                        )}
                                    </bdi>
                                </th>
                                {isOneWay ? (
                                    <OneWay row={row} table={table} asStrokes={canTally && drawn === 'strokes'} />
                                ) : (
                                    names.map((_, i) => <Cell key={i}>{shownShare(row, share, i)}</Cell>)
                                )}
                            </tr>
                        ))}
                        <tr className="border-b border-hair font-semibold">
                            <th scope="row" className="py-1 pr-3 text-left">
                                Present
                            </th>
                            {isOneWay ? (
                                <>
                                    <Cell>{count(table.totals[0] ?? 0)}</Cell>
                                    {(table.missing[0] ?? 0) > 0 && <Cell>{''}</Cell>}
                                    <Cell>{written('100.0')}</Cell>
                                    <Cell>{''}</Cell>
                                </>
                            ) : (
                                table.totals.map((total, i) => <Cell key={i}>{count(total)}</Cell>)
                            )}
                        </tr>
                        {table.missing.some((missing) => missing > 0) && (
                            <tr className="text-soft">
                                <th scope="row" className="py-1 pr-3 text-left font-normal">
                                    no entry
                                </th>
                                {table.missing.map((missing, i) => (
                                    <Cell key={i}>{count(missing)}</Cell>
                                ))}
                                {isOneWay && <Cell>{table.missing_percent[0] ?? ''}</Cell>}
                            </tr>
                        )}
                    </tbody>
                </table>
            </OneStop>
            {costs !== null && costs.length > 0 && (
                <p className="mt-2 text-small text-soft">
                    From these classes alone, and how far from the rows:{' '}
                    {costs.map((cost, i) => (
                        <span key={cost.key} data-cost={cost.key}>
                            {i > 0 && ', '}
                            {cost.label} <b className="figures font-medium text-ink">{cost.from_classes}</b>{' '}
                            {Number(cost.difference) === 0 ? '(the same)' : `(${written(cost.difference)})`}
                        </span>
                    ))}
                    .
                </p>
            )}
        </section>
    );
}

/** "20 to under 25", where 25 can be typed over. */
function UpTo({ label, onChange }: { label: string; onChange: (typed: string) => void }) {
    const [, before = label, upper] = /^(.* )([^ ]+)$/.exec(label) ?? [];
    return (
        <>
            {before}
            {upper !== undefined && (
                <NumberToChange name={`Where the class ${label} ends`} text={upper} isChanged={false} onChange={onChange} />
            )}
        </>
    );
}

type Row = Frequencies['rows'][number];

function OneWay({ row, table, asStrokes }: { row: Row; table: Frequencies; asStrokes: boolean }) {
    const highest = Math.max(1, ...table.rows.map((other) => other.counts[0] ?? 0));
    return (
        <>
            <Cell>{count(row.counts[0] ?? 0)}</Cell>
            {(table.missing[0] ?? 0) > 0 && <Cell>{row.percent_of_all[0] ?? ''}</Cell>}
            <Cell>{row.percent[0] ?? ''}</Cell>
            <Cell>{row.cumulative[0] ?? ''}</Cell>
            <td className="w-48 py-1 pl-3">
                {asStrokes ? (
                    <TallyMarks count={row.counts[0] ?? 0} />
                ) : (
                    <div className="h-3.5 bg-bar" style={{ width: `${(100 * (row.counts[0] ?? 0)) / highest}%` }} />
                )}
            </td>
        </>
    );
}

function Cell({ children }: { children: string }) {
    return <td className="figures px-3 py-1 text-right">{children}</td>;
}

function shareOf(row: Row, share: Share, column: number): string {
    return share === 'counts' ? String(row.counts[column] ?? 0) : (row[share][column] ?? '');
}

function shownShare(row: Row, share: Share, column: number): string {
    return share === 'counts' ? count(row.counts[column] ?? 0) : (row[share][column] ?? '–');
}

function wordsOf(share: Share): string {
    return shares.find(({ value }) => value === share)?.words ?? share;
}
