import { fetched } from '../ui/fetched';
import clsx from 'clsx';
import { lazy, Suspense, useEffect, useRef, useState } from 'react';
import { useLocation, useParams } from 'wouter';
import { useAddress } from '../ui/useAddress';
import { Account } from '../account/Account';
import { useDataset } from '../api/datasets';
import { CopiedNote, say } from '../ui/copying';
import { tell } from '../ui/told';
import { counted } from '../ui/format';
import { Keeping, type ToKeep } from '../ui/keeping';
import { MayChange } from '../ui/mayChange';
import { Notice, SaidElsewhere } from '../ui/Notice';
import { GONE_WHEN_SLOW, Waiting } from '../ui/Waiting';
import { BasisLine, rowWord } from '../asking/BasisLine';
import { DatasetBar } from '../asking/DatasetBar';
import { chosenFigures, FigureChoice } from './FigureChoice';
import { groupName } from '../asking/groups';
import { OverviewTable } from './OverviewTable';
import { useFigureChoices, useKeeping } from '../asking/queries';
import { type Place, useOverview, useProfile } from './queries';
import { inWords, type Question, readQuestion, rowsWords, toggled, writeQuestion } from '../asking/question';
import { VariableRail } from './VariableRail';

// The overview needs neither.
export const Sheet = fetched(async () => (await import('./Sheet')).Sheet);
const WorthALook = lazy(async () => ({ default: (await import('./WorthALook')).WorthALook }));
const WorkingPanel = lazy(async () => ({ default: (await import('./WorkingPanel')).WorkingPanel }));

/** The overview of all variables, or the sheets of those that are ticked. */
export function ProfilePage() {
    const id = Number(useParams().dataset);
    const [address, setAddress] = useAddress();
    const [, navigate] = useLocation();
    const [place, setPlace] = useState<Place | null>(null);
    const question = readQuestion(address);
    const dataset = useDataset(id);
    const choices = useFigureChoices();
    const variables = dataset.data?.variables ?? [];
    // Nothing is asked before it is known which figures are wanted: it would be asked twice.
    const chosen = choices.data === undefined ? null : chosenFigures(question, choices.data).join();
    const profile = useProfile(id, dataset.data?.revision, question, chosen);
    const overview = useOverview(id, dataset.data?.revision, question, chosen);
    const isOverview = question.of.length === 0;
    const answer = isOverview ? overview : profile;
    // How labels are taken as classes belongs to the variables in sight.
    const ask = (change: Partial<Question>) =>
        setAddress(
            writeQuestion({
                ...question,
                ...(change.of === undefined ? {} : { limits: '', amend: '', cumulative: '', count_columns: '', zoom: '' }),
                ...change,
            }),
        );

    // Whoever comes without a question finds what was answered on the way in: the classes, and their counts in force.
    const isArrival = useRef(address.size === 0);
    const arrived = dataset.data;
    useEffect(() => {
        if (isArrival.current && arrived !== undefined) {
            isArrival.current = false;
            if (arrived.counts !== null) {
                const of = arrived.counted === null ? [] : [arrived.counted];
                setAddress(writeQuestion({ ...readQuestion(new URLSearchParams()), of, counts: arrived.counts }), { replace: true });
            }
        }
    }, [arrived, setAddress]);

    useEffect(() => {
        if (!isOverview) {
            // While the figures are worked out.
            void Sheet.fetch();
        }
    }, [isOverview]);

    useEffect(() => {
        document.title = `${dataset.data?.title ?? 'Profile'} · Row Tally`;
    }, [dataset.data?.title]);

    const asked = inWords(question, variables);
    const isThere = answer.data !== undefined && !answer.isPlaceholderData;
    const toldLast = useRef<string | null>(null);
    useEffect(() => {
        if (isThere && toldLast.current !== asked) {
            if (toldLast.current !== null) {
                tell(`${asked}.`);
            }
            toldLast.current = asked;
        }
    }, [isThere, asked]);

    const keep = useKeeping(id);
    const keepItem = (item: ToKeep) => {
        if (answer.data !== undefined) {
            keep.mutate(
                { item, place: 'profile', address: address.toString() },
                { onSuccess: () => say(`Kept for the report: ${item.title}`) },
            );
        }
    };
    const failure = dataset.error ?? choices.error;
    return (
        <div className="flex h-full flex-col">
            <DatasetBar id={id} dataset={dataset.data} here="profile" account={<Account />} />
            {failure !== null && (
                <div className="px-6">
                    <Notice onRetry={() => [dataset, choices].filter(({ isError }) => isError).forEach((answer) => void answer.refetch())}>
                        {failure.message}
                    </Notice>
                </div>
            )}
            {failure === null && (dataset.isPending || choices.isPending) && (
                <div className="px-6 py-4">
                    <Waiting what="Opening the profile" />
                </div>
            )}
            {dataset.data !== undefined && choices.data !== undefined && (
                <>
                    <BasisLine
                        dataset={id}
                        rows={dataset.data.rows}
                        rowWord={rowWord(dataset.data)}
                        aside={dataset.data.set_aside}
                        answer={answer.data}
                        question={question}
                        variables={variables}
                        onAsk={ask}
                    />
                    <div className="relative flex min-h-0 flex-1 small:flex-col">
                        <VariableRail
                            variables={variables}
                            rows={dataset.data.rows}
                            chosen={question.of}
                            by={question.by}
                            noEntry={question.no_entry}
                            onOverview={() => ask({ of: [] })}
                            onShowOnly={(key) => ask({ of: [key] })}
                            onToggle={(key) => ask({ of: toggled(question.of, key, variables) })}
                            onSplit={(by) => ask({ by })}
                            onNoEntry={(word) => ask({ no_entry: word })}
                        />
                        <main aria-busy={answer.isFetching} className="relative min-w-0 flex-1 overflow-y-auto px-6 pt-3 pb-10">
                            {dataset.data.notes.length > 0 && <ReadingNotes notes={dataset.data.notes} />}
                            <p className="mb-2 text-small text-soft">
                                Shown: <FigureChoice question={question} choices={choices.data} onAsk={ask} />
                                {question.percentiles !== '' && ` and percentiles ${question.percentiles.replaceAll(',', ', ')}`}
                            </p>
                            {answer.isError && <Notice onRetry={() => void answer.refetch()}>{answer.error.message}</Notice>}
                            {answer.isFetching && <Waiting key={question.of.join()} what="Working it out" />}
                            {!answer.isError && (
                                <MayChange value={dataset.data.role !== 'reader'}>
                                    <Keeping value={dataset.data.role === 'reader' ? null : keepItem}>
                                        <SaidElsewhere value={answer.isPlaceholderData}>
                                            <div
                                                aria-busy={answer.isPlaceholderData}
                                                className={clsx('transition-opacity', answer.isPlaceholderData && GONE_WHEN_SLOW)}
                                            >
                                                {isOverview && overview.data !== undefined && (
                                                    <OverviewTable
                                                        overview={overview.data}
                                                        title={dataset.data.title}
                                                        onShow={(key) => ask({ of: [key] })}
                                                        onOpen={(variable, figure, column) => setPlace({ variable, figure, column })}
                                                    />
                                                )}
                                                {isOverview && overview.data !== undefined && (
                                                    <Suspense fallback={null}>
                                                        <WorthALook
                                                            dataset={id}
                                                            revision={overview.data.revision}
                                                            question={question}
                                                            onShow={(key) => ask({ of: [key] })}
                                                        />
                                                    </Suspense>
                                                )}
                                                {!isOverview && (
                                                    <Suspense fallback={<Waiting what="Opening" />}>
                                                        {profile.data?.sheets.map((sheet) => (
                                                            <Sheet
                                                                key={sheet.variable}
                                                                dataset={id}
                                                                sheet={sheet}
                                                                profile={profile.data}
                                                                question={question}
                                                                variables={variables}
                                                                numbers={variables.filter((variable) => variable.type === 'number')}
                                                                idKey={variables.find((variable) => variable.type === 'id')?.key}
                                                                onAsk={ask}
                                                                onOpen={(figure, column) =>
                                                                    setPlace({ variable: sheet.variable, figure, column })
                                                                }
                                                                onShowRows={(where) =>
                                                                    navigate(
                                                                        `/datasets/${id}/rows?${rowsWords(where, question).toString()}`,
                                                                    )
                                                                }
                                                            />
                                                        ))}
                                                    </Suspense>
                                                )}
                                            </div>
                                        </SaidElsewhere>
                                    </Keeping>
                                </MayChange>
                            )}
                        </main>
                        {place !== null && (
                            <Suspense fallback={null}>
                                <WorkingPanel
                                    dataset={id}
                                    revision={dataset.data.revision}
                                    question={question}
                                    place={place}
                                    names={['Overall', ...(answer.data?.groups ?? []).map(groupName)]}
                                    variable={variables.find((variable) => variable.key === place.variable)?.name ?? place.variable}
                                    onMove={setPlace}
                                    onClose={() => setPlace(null)}
                                />
                            </Suspense>
                        )}
                    </div>
                    <CopiedNote />
                </>
            )}
        </div>
    );
}

/** What the reading of the file has to say, out of the way but not hidden. */
function ReadingNotes({ notes }: { notes: string[] }) {
    return (
        <details className="mb-2 text-small text-soft">
            <summary className="cursor-pointer">How the file was read: {counted(notes.length, 'remark')}</summary>
            {notes.map((note) => (
                <p key={note} dir="auto" className="mt-1 max-w-3xl border-l-3 border-hair-strong pl-3">
                    {note}
                </p>
            ))}
        </details>
    );
}
