import { machineForm } from '../ui/numbers';
import { OneStop } from '../ui/OneStop';
import { useState } from 'react';
import type { Grouped } from '../api/client';
import { TableOut } from '../ui/copying';
import { count } from '../ui/format';
import { NumberToChange } from '../ui/NumberToChange';
import { WordChoice } from '../ui/WordChoice';
import { amend, type Amended, isAmended } from './amendments';

const measures = [
    { value: 'counts', words: 'counts' },
    { value: 'percents', words: '%' },
    { value: 'cumulative_texts', words: 'cumulative %' },
    { value: 'density_texts', words: '% per unit' },
] as const;
type Measure = (typeof measures)[number]['value'];
type Row = Grouped['rows'][number];

/** The classes as they were taken: boundaries, widths and midpoints, which can be changed, and how many there are in each. */
export function ClassRows({
    variable,
    data,
    names,
    axisName,
    basis,
    amended,
    onAmend,
}: {
    variable: string;
    data: Grouped;
    names: string[];
    axisName: string;
    basis: string;
    /** The words of the address. */
    amended: string;
    onAmend: (words: string) => void;
}) {
    const [measure, setMeasure] = useState<Measure>('counts');
    const isOneWay = names.length === 1;
    const change = (what: Amended, place: number) => (value: string) => onAmend(amend(amended, what, place, value));
    const changeable = (name: string, what: Amended, place: number, text: string) => (
        <NumberToChange name={name} text={text} isChanged={isAmended(amended, what, place)} onChange={change(what, place)} />
    );
    const cells = () => [
        [
            ...['Class', 'Boundaries', 'Width', 'Midpoint'],
            ...names.flatMap((name) => ['count', '%', 'cumulative %', '% per unit'].map((what) => `${name}: ${what}`)),
        ],
        ...data.rows.map((row) => [
            ...[row.label, row.boundaries, machineForm(row.width), machineForm(row.midpoint)],
            ...names.flatMap((_, i) => [
                String(row.counts[i]),
                ...[row.percents[i], row.cumulative_texts[i], row.density_texts[i]].map((text) => machineForm(text ?? '')),
            ]),
        ]),
    ];
    return (
        <>
            <div className="mt-5 mb-1 flex flex-wrap items-baseline gap-x-6 text-small text-soft">
                <h3 className="text-body font-semibold text-ink">The classes</h3>
                {!isOneWay && (
                    <span>
                        as{' '}
                        <WordChoice
                            name="Classes shown as"
                            options={[...measures]}
                            value={measure}
                            onChange={(value) => setMeasure(value as Measure)}
                        />
                    </span>
                )}
                {data.amended !== '' && (
                    <span>
                        changed by hand: {data.amended}{' '}
                        <button
                            type="button"
                            className="ml-1 font-semibold text-ink underline decoration-accent decoration-2 underline-offset-4"
                            onClick={() => onAmend('')}
                        >
                            As the labels tell
                        </button>
                    </span>
                )}
                <TableOut table={cells} basis={basis} name={`${axisName}, classes`} keeps={{ kind: 'classes', of: variable }} />
            </div>
            <OneStop className="max-w-full overflow-x-auto" role="region" aria-label="Classes">
                <table className="first-kept border-collapse text-small whitespace-nowrap">
                    <thead>
                        <tr className="border-b border-hair-strong text-soft">
                            {['Class', 'From', 'To', 'Width', 'Midpoint'].map((head, i) => (
                                <th key={head} className={`py-1 pr-4 font-normal ${i === 0 ? 'text-left' : 'text-right'}`}>
                                    {head}
                                </th>
                            ))}
                            {(isOneWay ? ['Count', '%', 'Cumulative %', '% per unit'] : names).map((head, i) => (
                                <th key={i} className="max-w-32 px-3 py-1 text-right font-normal whitespace-normal">
                                    <bdi>{head}</bdi>
                                </th>
                            ))}
                        </tr>
                    </thead>
                    <tbody>
                        {data.rows.map((row, i) => (
                            <tr key={i} className="border-b border-hair">
                                <th scope="row" className="py-1 pr-4 text-left font-normal">
                                    <bdi>{row.label}</bdi>
                                    {row.is_open && (
                                        <span className="ml-2 text-fine text-accent">
                                            open, width {isAmended(amended, 'width', i) ? 'set by hand' : 'assumed'}
                                        </span>
                                    )}
                                </th>
                                <td className="figures py-1 pr-4 text-right">
                                    {changeable(`Lower boundary of ${row.label}`, 'edge', i, row.lower_text)}
                                </td>
                                <td className="figures py-1 pr-4 text-right">
                                    {changeable(`Upper boundary of ${row.label}`, 'edge', i + 1, row.upper_text)}
                                </td>
                                <td className="figures py-1 pr-4 text-right">
                                    {row.is_open ? changeable(`Width of ${row.label}`, 'width', i, row.width) : row.width}
                                </td>
                                <td className="figures py-1 pr-4 text-right">
                                    {changeable(`Midpoint of ${row.label}`, 'middle', i, row.midpoint)}
                                </td>
                                {isOneWay
                                    ? measures.map(({ value }) => <Measured key={value} row={row} measure={value} column={0} />)
                                    : names.map((_, k) => <Measured key={k} row={row} measure={measure} column={k} />)}
                            </tr>
                        ))}
                    </tbody>
                </table>
            </OneStop>
        </>
    );
}

function Measured({ row, measure, column }: { row: Row; measure: Measure; column: number }) {
    return (
        <td className="figures px-3 py-1 text-right">
            {measure === 'counts' ? count(row.counts[column] ?? 0) : (row[measure][column] ?? '')}
        </td>
    );
}
