import { day } from '../ui/numbers';
import { lazy, Suspense } from 'react';
import type { Profile, Sheet as SheetData, Variable } from '../api/client';
import { TableOut } from '../ui/copying';
import { count, counted } from '../ui/format';
import { figureName, fullText } from './figureCells';
import { FigureTable, tableWidth } from './FigureTable';
import { groupName } from '../asking/groups';
import { rowLabels } from '../asking/queries';
import { groupsAsked, type Question } from '../asking/question';
import { stackRoom } from './stackRoom';

// Fetched when the figures are there.
const parts = () => import('./sheetParts');
const AskLine = lazy(async () => ({ default: (await parts()).AskLine }));
const ClassesPart = lazy(async () => ({ default: (await parts()).ClassesPart }));
const FrequencyTable = lazy(async () => ({ default: (await parts()).FrequencyTable }));
const JudgePart = lazy(async () => ({ default: (await parts()).JudgePart }));
const MorePlots = lazy(async () => ({ default: (await parts()).MorePlots }));
const ScenesPart = lazy(async () => ({ default: (await parts()).ScenesPart }));
const WhatItSays = lazy(async () => ({ default: (await parts()).WhatItSays }));
const StackPart = lazy(async () => ({ default: (await parts()).StackPart }));

/** A wider table of figures stands above the plots, so that no group is hidden behind an edge. */
const BESIDE_AT_MOST_PX = 560;

/** The sheet of one variable: figures and plots together, or the labels of a category. */
export function Sheet({
    dataset,
    sheet,
    profile,
    question,
    numbers,
    variables,
    idKey,
    onAsk,
    onOpen,
    onShowRows,
}: {
    dataset: number;
    sheet: SheetData;
    profile: Profile;
    question: Question;
    /** Variables that could be counts. */
    numbers: Variable[];
    variables: Variable[];
    /** The variable that names the rows, where there is one. */
    idKey: string | undefined;
    onAsk: (change: Partial<Question>) => void;
    onOpen: (figure: string, column: number) => void;
    /** Opens the rows that a condition leaves. */
    onShowRows: (where: string) => void;
}) {
    const names = ['Overall', ...profile.groups.map(groupName)];
    const labelsOf = (where: string) => rowLabels(dataset, idKey, where);
    const isBeside = tableWidth(sheet.figures, names) <= BESIDE_AT_MOST_PX;
    const heading = `sheet-${sheet.variable}`;
    const axisName = sheet.unit === null ? sheet.name : `${sheet.name} (${sheet.unit})`;
    const asked = { dataset, revision: profile.revision, question, variable: sheet.variable, names, axisName };
    const cells = (text: typeof fullText) => [
        [axisName, ...names],
        ...sheet.figures.map((row) => [figureName(row), ...row.values.map(text)]),
    ];
    return (
        <section aria-labelledby={heading} className="border-b border-hair pt-4 pb-8 last:border-b-0">
            <div className="mb-2 flex flex-wrap items-baseline gap-x-3">
                <h2 id={heading} dir="auto" className="max-w-full text-title break-words">
                    {sheet.name}
                </h2>
                <span className="mr-3 text-small text-soft">{description(sheet)}</span>
                {sheet.type === 'number' && (
                    <TableOut
                        table={() => cells(fullText)}
                        basis={profile.basis.words}
                        name={sheet.name}
                        keeps={{ kind: 'figures', of: sheet.variable }}
                    />
                )}
            </div>
            {sheet.unread.total > 0 && <Unread sheet={sheet} />}
            {sheet.type === 'number' && (
                <>
                    <div className={isBeside ? 'flex items-start gap-8 max-xl:flex-col max-xl:gap-4' : 'space-y-6'}>
                        <FigureTable rows={sheet.figures} names={names} unit={sheet.unit} isBeside={isBeside} onOpen={onOpen} />
                        {sheet.class_edges === null ? (
                            <p className="py-6 text-soft">There is no value to draw.</p>
                        ) : (
                            <Suspense
                                fallback={
                                    <div className="w-full min-w-0 flex-1" style={{ minHeight: stackRoom(names.length - 1, question) }} />
                                }
                            >
                                <StackPart
                                    {...asked}
                                    unit={sheet.unit}
                                    figures={sheet.figures}
                                    labelsOf={labelsOf}
                                    onAsk={onAsk}
                                    onShowRows={onShowRows}
                                />
                            </Suspense>
                        )}
                    </div>
                </>
            )}
            <Suspense fallback={null}>
                {(sheet.type === 'number' || sheet.type === 'category') && (
                    <WhatItSays name={sheet.name} isNumber={sheet.type === 'number'} {...asked} />
                )}
                {sheet.type === 'number' && (
                    <>
                        {sheet.class_edges !== null && <MorePlots {...asked} labelsOf={labelsOf} onAsk={onAsk} onShowRows={onShowRows} />}
                        {sheet.class_edges !== null && (
                            <JudgePart {...asked} variables={variables} basis={profile.basis.words} onShowRows={onShowRows} />
                        )}
                        <AskLine
                            dataset={dataset}
                            revision={profile.revision}
                            question={question}
                            variable={sheet.variable}
                            unit={sheet.unit}
                        />
                    </>
                )}
                {sheet.reads_as_classes && (
                    <ClassesPart
                        {...asked}
                        basis={profile.basis.words}
                        countsUnit={profile.basis.counts_unit}
                        numbers={numbers}
                        onAsk={onAsk}
                    />
                )}
                {sheet.frequencies !== null && (sheet.type !== 'number' || sheet.class_edges !== null) && (
                    <FrequencyTable
                        table={sheet.frequencies}
                        costs={sheet.class_costs}
                        edges={sheet.class_edges ?? []}
                        names={names}
                        variable={sheet.variable}
                        name={axisName}
                        basis={profile.basis.words}
                        question={question}
                        onAsk={onAsk}
                    />
                )}
                {sheet.type === 'category' && !sheet.reads_as_classes && sheet.frequencies !== null && (
                    <ScenesPart key={groupsAsked(question)} kind="labels" title={null} onShowRows={onShowRows} {...asked} />
                )}
            </Suspense>
            {sheet.dates !== null && (
                <p className="py-2">
                    From <span className="figures">{day(sheet.dates.first)}</span> to{' '}
                    <span className="figures">{day(sheet.dates.last)}</span>: {sheet.dates.span}.
                </p>
            )}
            {(sheet.type === 'id' || sheet.type === 'text') && (
                <p className="py-2 text-soft">
                    {sheet.type === 'id'
                        ? 'It names the rows, so no figures are made of it.'
                        : 'Its entries are text, so no figures are made of it.'}
                </p>
            )}
        </section>
    );
}

function description(sheet: SheetData): string {
    const unit = sheet.unit === null ? '' : `${sheet.unit} · `;
    if (sheet.missing === 0 && sheet.figures[0]?.values[0]?.value === 0) {
        return `${unit}no rows yet`;
    }
    return `${unit}${sheet.missing === 0 ? 'every row has an entry' : `${counted(sheet.missing, 'row')} without a value`}`;
}

/** The cells that are no numbers: how many, and the first of them with their rows. */
function Unread({ sheet }: { sheet: SheetData }) {
    const { total, first } = sheet.unread;
    return (
        <details className="mb-3 border-l-3 border-accent pl-3 text-small">
            <summary className="cursor-pointer">
                {counted(total, 'cell')} could not be read as a number; kept as text, and counted as missing
            </summary>
            <ul className="mt-1 columns-3xs text-soft">
                {first.map((cell) => (
                    <li key={cell.row} className="truncate">
                        row <span className="figures">{count(cell.row)}</span>: <bdi className="text-ink">{cell.text}</bdi>
                    </li>
                ))}
                {total > first.length && <li>and {count(total - first.length)} more</li>}
            </ul>
        </details>
    );
}
