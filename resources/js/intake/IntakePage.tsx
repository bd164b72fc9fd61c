import { useEffect, useRef } from 'react';
import { useLocation, useParams } from 'wouter';
import { Account } from '../account/Account';
import { Button } from '../ui/Button';
import { counted } from '../ui/format';
import { Notice } from '../ui/Notice';
import { TopBar } from '../ui/TopBar';
import { Waiting } from '../ui/Waiting';
import { CountsLine } from './CountsLine';
import { FirstRows } from './FirstRows';
import { ImportProgress } from './ImportProgress';
import { useBeginImport, useCancelImport, useDecide, useImport, useReading } from './queries';
import { ReadingLine } from './ReadingLine';
import { UnreadCells } from './UnreadCells';

/** How a file is read: its first rows under decisions that can all be changed, before anything is brought in. */
export function IntakePage() {
    const id = Number(useParams().import);
    const started = useImport(id);
    const isWaiting = started.data?.status === 'waiting';
    const reading = useReading(id, isWaiting);
    const decide = useDecide(id);
    const begin = useBeginImport(id);
    const cancel = useCancelImport();
    useEffect(() => {
        document.title = `${started.data?.title ?? 'Intake'} · Row Tally`;
    }, [started.data?.title]);
    // A table of classes or values with counts goes straight on to its figures: there is nothing to choose.
    const [, navigate] = useLocation();
    const goesOn = useRef(false);
    useEffect(() => {
        if (goesOn.current && started.data?.status === 'done') {
            navigate(`/datasets/${started.data.dataset_id}/profile`);
        }
    }, [started.data, navigate]);
    const failure = started.error ?? reading.error;
    return (
        <div className="flex h-full flex-col">
            <TopBar account={<Account />}>
                <h1 dir="auto" className="min-w-0 truncate text-base">
                    {started.data?.title}
                </h1>
                <span className="shrink-0 text-small text-soft">how it is read</span>
            </TopBar>
            {failure !== null && (
                <div className="px-6">
                    <Notice onRetry={() => void (started.isError ? started.refetch() : reading.refetch())}>{failure.message}</Notice>
                </div>
            )}
            {started.data !== undefined && !isWaiting && (
                <main className="mx-auto w-full max-w-5xl px-6">
                    <ImportProgress id={id} fileName={started.data.title} />
                </main>
            )}
            {isWaiting && started.data?.error != null && (
                <div className="px-6">
                    <Notice>{started.data.error} Decide otherwise below, and bring the rows in again.</Notice>
                </div>
            )}
            {isWaiting && reading.isPending && (
                <div className="p-6">
                    <Waiting what="Looking at the file" />
                </div>
            )}
            {isWaiting && reading.data !== undefined && (
                <>
                    <ReadingLine reading={reading.data} onDecide={decide.mutate} />
                    <CountsLine reading={reading.data} onDecide={decide.mutate} />
                    {decide.isError && (
                        <div className="px-5">
                            <Notice onRetry={() => decide.mutate(decide.variables)}>
                                {decide.error.message} What was decided before still holds.
                            </Notice>
                        </div>
                    )}
                    <div className="flex min-h-0 flex-1 max-lg:flex-col">
                        <main aria-busy={decide.isPending} className="min-h-0 min-w-0 flex-1 overflow-auto">
                            <FirstRows reading={reading.data} onDecide={decide.mutate} />
                        </main>
                        <UnreadCells reading={reading.data} isBusy={decide.isPending} onDecide={decide.mutate} />
                    </div>
                    <footer className="flex shrink-0 items-center gap-3 border-t border-hair bg-surface px-5 py-3">
                        <Button
                            look="primary"
                            disabled={begin.isPending || decide.isPending}
                            onClick={() => {
                                goesOn.current = (reading.data.counts ?? -1) >= 0;
                                begin.mutate();
                            }}
                        >
                            Bring in the rows
                        </Button>
                        <Button look="quiet" onClick={() => cancel.mutate(id)}>
                            Discard
                        </Button>
                        <span className="ml-auto text-small text-soft">
                            {reading.data.is_whole
                                ? `All ${counted(reading.data.rows_looked_at, 'row')} were looked at.`
                                : `The first ${counted(reading.data.rows_looked_at, 'row')} were looked at; the rest is read in the same way.`}
                        </span>
                    </footer>
                </>
            )}
        </div>
    );
}
