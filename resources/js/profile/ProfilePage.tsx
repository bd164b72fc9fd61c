import clsx from 'clsx';
import { useEffect } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { Account } from '../account/Account';
import { useDataset } from '../api/datasets';
import { counted } from '../ui/format';
import { Notice } from '../ui/Notice';
import { Places } from '../ui/Places';
import { TopBar } from '../ui/TopBar';
import { Waiting } from '../ui/Waiting';
import { BasisLine } from './BasisLine';
import { type Question, readQuestion, shownKeys, toggled, writeQuestion } from './question';
import { useConventions, useProfile } from './queries';
import { Sheet } from './Sheet';
import { VariableRail } from './VariableRail';

export function ProfilePage() {
    const id = Number(useParams().dataset);
    const [address, setAddress] = useSearchParams();
    const navigate = useNavigate();
    const question = readQuestion(address);
    const dataset = useDataset(id);
    const conventions = useConventions();
    const variables = dataset.data?.variables ?? [];
    const keys = shownKeys(question, variables);
    const profile = useProfile(id, dataset.data?.revision, keys, question);
    const ask = (change: Partial<Question>) => setAddress(writeQuestion({ ...question, ...change }));

    useEffect(() => {
        document.title = `${dataset.data?.title ?? 'Profile'} · Row Tally`;
    }, [dataset.data?.title]);

    const failure = dataset.error ?? conventions.error;
    return (
        <div className="flex h-full flex-col">
            <TopBar account={<Account />}>
                <h1 dir="auto" title={dataset.data?.title} className="min-w-0 truncate text-base">
                    {dataset.data?.title}
                </h1>
                {dataset.data !== undefined && (
                    <span className="shrink-0 text-small text-soft max-md:hidden">
                        {counted(dataset.data.rows, 'row')} × {counted(dataset.data.variables.length, 'variable')}
                    </span>
                )}
                <Places dataset={id} here="profile" />
            </TopBar>
            {failure !== null && (
                <div className="px-6">
                    <Notice onRetry={() => void dataset.refetch()}>{failure.message}</Notice>
                </div>
            )}
            {dataset.data !== undefined && conventions.data !== undefined && (
                <>
                    <BasisLine
                        rows={dataset.data.rows}
                        profile={profile.data}
                        question={question}
                        conventions={conventions.data}
                        onAsk={ask}
                    />
                    <div className="flex min-h-0 flex-1 max-md:flex-col">
                        <VariableRail
                            variables={variables}
                            rows={dataset.data.rows}
                            chosen={keys}
                            by={question.by}
                            onShowOnly={(key) => ask({ of: [key] })}
                            onToggle={(key) => ask({ of: toggled(keys, key, variables) })}
                            onSplit={(by) => ask({ by })}
                        />
                        <main aria-busy={profile.isFetching} className="min-w-0 flex-1 overflow-y-auto px-6 pb-10">
                            {dataset.data.notes.length > 0 && <ReadingNotes notes={dataset.data.notes} />}
                            {keys.length === 0 && (
                                <p className="py-8 text-soft">No variable is ticked. Choose one in the list of variables.</p>
                            )}
                            {profile.isError && keys.length > 0 && (
                                <Notice onRetry={() => void profile.refetch()}>{profile.error.message}</Notice>
                            )}
                            {profile.isFetching && <Waiting key={keys.join()} what="Working it out" />}
                            {keys.length > 0 && !profile.isError && profile.data !== undefined && (
                                // Figures of the question before are shown faintly, if the next answer is not there at once.
                                <div className={clsx('transition-opacity', profile.isPlaceholderData && 'opacity-40 delay-150')}>
                                    {profile.data.sheets.map((sheet) => (
                                        <Sheet
                                            key={sheet.variable}
                                            sheet={sheet}
                                            profile={profile.data}
                                            splitName={variables.find(({ key }) => key === profile.data.by)?.name ?? null}
                                            onShowRows={(where) =>
                                                void navigate(`/datasets/${id}/rows?${new URLSearchParams({ where }).toString()}`)
                                            }
                                        />
                                    ))}
                                </div>
                            )}
                        </main>
                    </div>
                </>
            )}
        </div>
    );
}

/** What the reading of the file has to say, out of the way but not hidden. */
function ReadingNotes({ notes }: { notes: string[] }) {
    return (
        <details className="mt-3 text-small text-soft">
            <summary className="cursor-pointer">How the file was read: {counted(notes.length, 'remark')}</summary>
            {notes.map((note) => (
                <p key={note} dir="auto" className="mt-1 max-w-3xl border-l-3 border-hair-strong pl-3">
                    {note}
                </p>
            ))}
        </details>
    );
}
