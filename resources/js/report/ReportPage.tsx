import { count } from '../ui/format';
import clsx from 'clsx';
import { useEffect, useState } from 'react';
import { useParams } from 'wouter';
import { Account } from '../account/Account';
import type { Dataset, NewBlock, Report } from '../api/client';
import { useDataset } from '../api/datasets';
import { rowWord } from '../asking/BasisLine';
import { PeopleHere } from '../asking/PeopleHere';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { Places } from '../ui/Places';
import { TopBar } from '../ui/TopBar';
import { MayChange } from '../ui/mayChange';
import { useAddress } from '../ui/useAddress';
import { useDraft } from '../ui/useDraft';
import { Waiting } from '../ui/Waiting';
import { WordChoice } from '../ui/WordChoice';
import { AddBlock } from './AddBlock';
import { Again } from './Again';
import { Begin } from './Begin';
import { BlockView } from './BlockView';
import { Changed } from './Changed';
import { moved, movedBeside, nameOf, newId, withBlock, withChanged, withLine, without, withTitle } from './document';
import { Editions } from './Editions';
import { HandOver } from './HandOver';
import { Method } from './Method';
import { Pages } from './Pages';
import { ReadReport } from './ReadReport';
import { Sharing } from '../asking/Sharing';
import { useReport, useReportChanges, useReports } from './queries';
import { Unfinished } from './Unfinished';

const NEW = 'new';

/** The reports of a dataset: blocks that follow the data, to be written, arranged and handed over. */
export function ReportPage() {
    const id = Number(useParams().dataset);
    const dataset = useDataset(id);
    const reports = useReports(id);
    const [address, setAddress] = useAddress();
    const asked = address.get('report');
    const listed = reports.data ?? [];
    const chosen = asked === NEW ? null : (listed.find((one) => String(one.id) === asked) ?? listed[0] ?? null);
    const report = useReport(chosen?.id ?? null);
    useEffect(() => {
        document.title = `Report · ${dataset.data?.title ?? ''} · Row Tally`;
    }, [dataset.data?.title]);
    const failure = dataset.error ?? reports.error ?? report.error;
    const open = (to: string) => setAddress(new URLSearchParams({ report: to }));
    return (
        <div className="flex h-full flex-col">
            <TopBar account={<Account />}>
                <h1 dir="auto" title={dataset.data?.title} className="min-w-0 truncate text-base">
                    {dataset.data?.title}
                </h1>
                <Places dataset={id} here="report" />
                {dataset.data !== undefined && <PeopleHere dataset={dataset.data} place="report" />}
            </TopBar>
            <main className="min-h-0 flex-1 overflow-y-auto px-6 pb-24 max-sm:px-2">
                <MayChange value={report.data?.role !== 'reader'}>
                    <div className="mx-auto max-w-5xl">
                        {failure !== null && (
                            <Notice
                                onRetry={() =>
                                    [dataset, reports, report].filter(({ isError }) => isError).forEach((answer) => void answer.refetch())
                                }
                            >
                                {failure.message}
                            </Notice>
                        )}
                        {(reports.isPending || (chosen !== null && report.isPending)) && failure === null && (
                            <Waiting what="Opening the report" />
                        )}
                        {dataset.data !== undefined && reports.data !== undefined && chosen === null && (
                            <>
                                {listed.length > 0 && (
                                    <p className="pt-4">
                                        <Button onClick={() => open(String(listed[0]?.id))}>Back to “{listed[0]?.title}”</Button>
                                    </p>
                                )}
                                {dataset.data.role === 'reader' ? (
                                    <p className="pt-8 text-soft">There is no report of it yet.</p>
                                ) : (
                                    <Begin dataset={dataset.data} onBegun={(made) => open(String(made))} />
                                )}
                            </>
                        )}
                        {dataset.data !== undefined && chosen !== null && report.data?.id === chosen.id && (
                            <OpenReport key={chosen.id} report={report.data} dataset={dataset.data} listed={listed} onOpen={open} />
                        )}
                    </div>
                </MayChange>
            </main>
        </div>
    );
}

interface Opened {
    report: Report;
    dataset: Dataset;
    listed: { id: number; title: string }[];
    onOpen: (report: string) => void;
}

function OpenReport(opened: Opened) {
    return opened.report.role === 'reader' ? (
        <ReadReport report={opened.report} bar={<ReportChoice {...opened} />} />
    ) : (
        <OneReport {...opened} />
    );
}

/** Which of the reports of the dataset is open. */
function ReportChoice({ report, dataset, listed, onOpen }: Opened) {
    return (
        <WordChoice
            name="Report"
            options={[
                ...listed.map(({ id, title }) => ({ value: String(id), words: title })),
                ...(dataset.role === 'reader' ? [] : [{ value: NEW, words: 'Begin another one …' }]),
            ]}
            value={String(report.id)}
            onChange={onOpen}
            className="max-w-44 truncate align-bottom"
        />
    );
}

function OneReport(opened: Opened) {
    const { report, dataset } = opened;
    const { edit, step, mark, remove } = useReportChanges(report);
    const [isPaper, setIsPaper] = useState(false);
    const [fresh, setFresh] = useState<string | null>(null);
    const { blocks } = report.document;
    const numberOf = new Map(report.numbers.map(({ block, number }) => [block, number]));
    const references = new Map(blocks.map((block) => [block.id, numberOf.get(block.id) ?? nameOf(block, null)]));
    const add = (block: NewBlock) => {
        const id = newId();
        setFresh(id);
        edit.mutate(withBlock({ ...block, id }, report.place), { onSuccess: () => show(id) });
    };
    const onKeyDown = (event: KeyboardEvent) => {
        const isTyping = event.target instanceof HTMLElement && event.target.closest('input, textarea, [contenteditable="true"]') !== null;
        if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z' && !isTyping) {
            event.preventDefault();
            step.mutate(event.shiftKey ? 'redo' : 'undo');
        }
    };
    useEffect(() => {
        window.addEventListener('keydown', onKeyDown);
        return () => window.removeEventListener('keydown', onKeyDown);
    });
    return (
        <>
            <div className="sticky top-0 z-10 -mx-2 flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-hair bg-paper px-2 py-2 text-small">
                <ReportChoice {...opened} />
                <Button
                    data-shortcut="undo"
                    className="px-2! py-0.5!"
                    disabled={!report.can_undo || step.isPending}
                    onClick={() => step.mutate('undo')}
                >
                    Undo
                </Button>
                <Button className="px-2! py-0.5!" disabled={!report.can_redo || step.isPending} onClick={() => step.mutate('redo')}>
                    Redo
                </Button>
                <Button className="px-2! py-0.5!" onClick={() => add({ kind: 'text' })}>
                    Write
                </Button>
                <Button className="px-2! py-0.5!" onClick={() => add({ kind: 'heading', title: 'Heading', level: 1 })}>
                    Heading
                </Button>
                <AddBlock dataset={dataset} onAdd={add} />
                <span className="ml-auto flex flex-wrap items-center gap-x-3">
                    {report.role === 'owner' && (
                        <Sharing of={{ kind: 'report', id: report.id, title: report.document.title }} label="Share this report" />
                    )}
                    <Again report={report} />
                    <Button className="px-2! py-0.5!" aria-pressed={isPaper} onClick={() => setIsPaper(!isPaper)}>
                        {isPaper ? 'Back to writing' : 'As pages'}
                    </Button>
                    <HandOver report={report} />
                </span>
            </div>
            <Changed report={report} revision={dataset.revision} onShow={show} />
            <Unfinished report={report} revision={dataset.revision} onShow={show} />
            {isPaper ? (
                <Pages report={report} revision={dataset.revision} />
            ) : (
                <div className="paper-sheet mx-auto mt-4 max-w-4xl rounded-md border border-hair">
                    <div className="px-10 pt-8 max-sm:px-4">
                        <ReportTitle report={report} onTitle={(title) => edit.mutate(withTitle(title))} />
                        <p className="border-b border-ink pb-3 text-soft">
                            {dataset.title} · {count(dataset.rows)} {rowWord(dataset)[dataset.rows === 1 ? 0 : 1]} ×{' '}
                            {dataset.variables.length} variables
                        </p>
                    </div>
                    {blocks.length === 0 && (
                        <p className="px-10 py-6 text-soft max-sm:px-4">
                            Nothing in it yet. Write, add something of the data, or press “Keep” beside a picture, a table or a sentence of
                            the profile.
                        </p>
                    )}
                    {blocks.map((block) => (
                        <BlockView
                            key={block.id}
                            report={report}
                            block={block}
                            dataset={dataset}
                            references={references}
                            isFresh={block.id === fresh}
                            isMarked={report.place === block.id}
                            onChange={(words) => edit.mutate(withChanged(block.id, words))}
                            onMove={(by) =>
                                edit.mutate(
                                    moved(block.id, (from) => from + by),
                                    { onSuccess: () => refocus(block.id) },
                                )
                            }
                            onDrop={(dragged, isBehind) => edit.mutate(movedBeside(dragged, block.id, isBehind))}
                            onTakeOut={() => edit.mutate(without(block.id))}
                            onMark={() => mark.mutate(report.place === block.id ? null : block.id)}
                        />
                    ))}
                    <Method report={report} revision={dataset.revision} onLine={(key, isShown) => edit.mutate(withLine(key, isShown))} />
                </div>
            )}
            <Editions report={report.id} />
            {dataset.role !== 'reader' && <RemoveReport report={report} isPending={remove.isPending} onRemove={() => remove.mutate()} />}
        </>
    );
}

/** A block is brought into sight and takes the focus. */
function show(id: string) {
    requestAnimationFrame(() => {
        const block = document.getElementById(id);
        block?.scrollIntoView({ block: 'center' });
        if (block?.contains(document.activeElement) === false) {
            block.focus();
        }
    });
}

/** The handle of a block that was moved by keys keeps the focus. */
function refocus(id: string) {
    requestAnimationFrame(() => document.getElementById(id)?.querySelector<HTMLElement>('button[draggable]')?.focus());
}

function ReportTitle({ report, onTitle }: { report: Report; onTitle: (title: string) => void }) {
    const draft = useDraft(`report ${report.id}`, { title: report.document.title });
    const { title } = draft.fields;
    return (
        <input
            aria-label="Title of the report"
            dir="auto"
            value={title}
            maxLength={200}
            onChange={(event) => draft.set({ title: event.target.value })}
            onBlur={() => {
                if (title.trim() === '') {
                    draft.set({ title: report.document.title });
                } else if (draft.isUnsaved) {
                    onTitle(title.trim());
                }
            }}
            className="w-full border-b border-transparent bg-transparent font-head text-3xl font-semibold hover:border-hair-strong focus:border-accent"
        />
    );
}

/** Deleting takes its editions and links with it: it is asked twice. */
function RemoveReport({ report, isPending, onRemove }: { report: Report; isPending: boolean; onRemove: () => void }) {
    const [isAsked, setIsAsked] = useState(false);
    return (
        <p className={clsx('mt-10 flex flex-wrap items-center gap-3 text-small', !isAsked && 'text-soft')}>
            {isAsked ? (
                <>
                    <span>“{report.document.title}” goes for good, with its editions and links.</span>
                    <Button className="px-2! py-0.5!" disabled={isPending} onClick={onRemove}>
                        Delete it
                    </Button>
                    <Button look="quiet" className="px-2! py-0.5!" autoFocus onClick={() => setIsAsked(false)}>
                        Keep it
                    </Button>
                </>
            ) : (
                <Button look="quiet" className="px-0! py-0! text-small" onClick={() => setIsAsked(true)}>
                    Delete this report
                </Button>
            )}
        </p>
    );
}
