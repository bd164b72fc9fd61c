import { day } from '../ui/numbers';
import { OneStop } from '../ui/OneStop';
import clsx from 'clsx';
import { useState } from 'react';
import type { Overview, VariableType } from '../api/client';
import { laneColour } from '../plot/colours';
import { MicroPlot } from '../plot/MicroPlot';
import { copyText, TableOut } from '../ui/copying';
import { count, counted } from '../ui/format';
import { figureName, fullText, fullWritten } from './figureCells';
import { groupName } from '../asking/groups';
import { type Sorting, sorted } from './sorting';

type Line = Overview['lines'][number];

/** Every variable down, figures across: the description of a dataset at a glance. By group, the groups stand below each variable. */
export function OverviewTable({
    overview,
    title,
    onShow,
    onOpen,
}: {
    overview: Overview;
    /** Of the dataset. */
    title: string;
    onShow: (variable: string) => void;
    onOpen: (variable: string, figure: string, column: number) => void;
}) {
    const [sorting, setSorting] = useState<Sorting | null>(null);
    const names = ['Overall', ...overview.groups.map(groupName)];
    const lines = sorted(overview, sorting);
    const cells = (text: typeof fullText) => [
        ['Variable', 'Unit', ...(names.length > 1 ? ['Group'] : []), ...overview.figures.map(figureName), 'Note'],
        ...lines.flatMap((line) =>
            (line.values.length > 0 ? names : ['Overall']).map((name, column) => [
                line.name,
                line.unit ?? '',
                ...(names.length > 1 ? [name] : []),
                ...overview.figures.map((figure, i) => {
                    const value = line.values[i]?.[column];
                    return value === undefined ? (plainCount(line, figure.key) ?? '') : text(value);
                }),
                inWords(line),
            ]),
        ),
    ];
    return (
        <section aria-label="Overview">
            <div className="mb-2 flex flex-wrap items-baseline gap-x-6 gap-y-1">
                <h2 className="text-title">Overview</h2>
                <span className="text-small text-soft">
                    {counted(overview.lines.length, 'variable')}; press a name for its sheet, a head to sort
                </span>
                <TableOut
                    table={() => cells(fullText)}
                    basis={overview.basis.words}
                    name={`${title}, overview`}
                    keeps={{ kind: 'overview' }}
                />
            </div>
            <OneStop className="max-w-full overflow-x-auto" role="region" aria-label="Overview table">
                <table className="border-collapse text-small whitespace-nowrap">
                    <thead>
                        <tr className="border-b border-hair-strong text-soft">
                            <Head name="Variable" isLeft sorting={sorting} by="name" onSort={setSorting} />
                            <th aria-hidden="true" />
                            {overview.figures.map((figure) => (
                                <Head
                                    key={figure.key}
                                    name={figure.label}
                                    symbol={figure.symbol}
                                    sorting={sorting}
                                    by={figure.key}
                                    onSort={setSorting}
                                />
                            ))}
                        </tr>
                    </thead>
                    {lines.map((line) => (
                        <tbody key={line.variable} className="border-b border-hair">
                            <tr>
                                <th scope="row" className="sticky left-0 max-w-64 bg-paper py-1 pr-3 text-left font-normal">
                                    <button
                                        type="button"
                                        onClick={() => onShow(line.variable)}
                                        title={line.description ?? line.name}
                                        className="max-w-60 truncate align-bottom font-semibold decoration-accent decoration-2 underline-offset-4 hover:underline"
                                    >
                                        <bdi>{line.name}</bdi>
                                    </button>
                                    {line.unit !== null && <span className="ml-1.5 text-fine text-soft">{line.unit}</span>}
                                </th>
                                <td className="py-1 pr-3">
                                    <MicroPlot scene={line.micro} isMuted={line.type !== 'number'} />
                                </td>
                                {line.values.length > 0 ? (
                                    line.values.map((row, i) => (
                                        <FigureCell
                                            key={i}
                                            line={line}
                                            overview={overview}
                                            at={i}
                                            column={0}
                                            figure={row[0]}
                                            onOpen={onOpen}
                                        />
                                    ))
                                ) : (
                                    <Described line={line} overview={overview} />
                                )}
                            </tr>
                            {line.values.length > 0 &&
                                overview.groups.map((group, g) => (
                                    <tr key={g}>
                                        <th
                                            scope="row"
                                            className="sticky left-0 max-w-64 truncate bg-paper py-0.5 pr-4 pl-4 text-left font-normal text-soft"
                                        >
                                            <span
                                                aria-hidden="true"
                                                className="mr-2 inline-block h-2.5 w-1 rounded-full align-middle"
                                                style={{ background: laneColour(g + 1) }}
                                            />
                                            <bdi title={groupName(group)}>{groupName(group)}</bdi>
                                        </th>
                                        <td />
                                        {line.values.map((row, i) => (
                                            <FigureCell
                                                key={i}
                                                line={line}
                                                overview={overview}
                                                at={i}
                                                column={g + 1}
                                                figure={row[g + 1]}
                                                onOpen={onOpen}
                                            />
                                        ))}
                                    </tr>
                                ))}
                        </tbody>
                    ))}
                </table>
            </OneStop>
        </section>
    );
}

function Head({
    name,
    symbol = '',
    by,
    sorting,
    isLeft = false,
    onSort,
}: {
    name: string;
    symbol?: string;
    by: string;
    sorting: Sorting | null;
    isLeft?: boolean;
    onSort: (sorting: Sorting | null) => void;
}) {
    const isBy = sorting?.by === by;
    const next = !isBy
        ? { by, descending: by !== 'name' }
        : sorting.descending === (by !== 'name')
          ? { by, descending: !sorting.descending }
          : null;
    return (
        <th
            scope="col"
            aria-sort={!isBy ? 'none' : sorting.descending ? 'descending' : 'ascending'}
            className={clsx(
                'py-1 align-bottom font-normal',
                isLeft
                    ? 'sticky left-0 bg-paper pr-3 text-left text-fine'
                    : 'max-w-20 px-1 text-right text-fine whitespace-normal 2xl:px-2',
            )}
        >
            <button type="button" className="text-right leading-tight hover:text-ink hover:underline" onClick={() => onSort(next)}>
                {name} {symbol !== '' && <i className="font-serif">{symbol}</i>}
                {isBy && <span aria-hidden="true">{sorting.descending ? ' ↓' : ' ↑'}</span>}
            </button>
        </th>
    );
}

function FigureCell({
    line,
    overview,
    at,
    column,
    figure,
    onOpen,
}: {
    line: Line;
    overview: Overview;
    at: number;
    column: number;
    figure: Line['values'][number][number] | undefined;
    onOpen: (variable: string, figure: string, column: number) => void;
}) {
    const name = overview.figures[at];
    if (figure === undefined || name === undefined) {
        return <td />;
    }
    if (figure.text === null) {
        return (
            <td data-figure={name.key} className="max-w-24 px-1 2xl:px-2 text-right text-soft" title={figure.reason ?? ''}>
                <span className="block truncate text-fine">{figure.reason}</span>
            </td>
        );
    }
    return (
        <td data-figure={name.key} className="group relative figures p-0 text-right">
            <button
                type="button"
                title={`Copy ${fullWritten(figure)}`}
                className="w-full px-1 py-1 2xl:px-2 text-right hover:bg-accent-wash"
                onClick={() => void copyText(fullWritten(figure))}
            >
                {figure.text}
            </button>
            <button
                type="button"
                aria-label={`How ${figureName(name)} of ${line.name} came about`}
                title="How it came about"
                className="absolute top-1 -left-1.5 size-4 rounded-full bg-accent text-fine leading-4 text-on-accent opacity-0 group-hover:opacity-100 focus-visible:opacity-100 before:content-['=']"
                onClick={() => onOpen(line.variable, name.key, column)}
            />
        </td>
    );
}

/** What is said of a variable that has no figures: how many are there, and its labels or dates in words. */
function Described({ line, overview }: { line: Line; overview: Overview }) {
    const known = overview.figures.map((figure) => plainCount(line, figure.key));
    const last = known.findLastIndex((text) => text !== null);
    return (
        <>
            {known.slice(0, last + 1).map((text, i) => (
                <td key={i} className="figures px-1 2xl:px-2 py-1 text-right">
                    {text}
                </td>
            ))}
            <td
                colSpan={overview.figures.length - last - 1}
                className="max-w-0 truncate px-1 2xl:px-2 py-1 text-soft"
                title={inWords(line)}
            >
                {inWords(line)}
            </td>
        </>
    );
}

function plainCount(line: Line, figure: string): string | null {
    if (figure === 'missing') {
        return count(line.missing);
    }
    return figure === 'n' && line.labels !== null ? count(line.labels.n) : null;
}

const kinds: Record<VariableType, string> = { number: '', category: 'category', date: 'date', id: 'names the rows', text: 'text' };

function inWords(line: Line): string {
    if (line.labels !== null) {
        const { distinct, commonest } = line.labels;
        return `${counted(distinct, 'label')}${commonest === null ? '' : `; commonest ${commonest.label.trim() === '' ? `“${commonest.label}”` : commonest.label}, ${count(commonest.count)} (${commonest.percent ?? '–'} %)`}`;
    }
    if (line.dates !== null) {
        return `${day(line.dates.first)} to ${day(line.dates.last)}, ${line.dates.span}`;
    }
    return kinds[line.type];
}
