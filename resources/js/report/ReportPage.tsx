import { useEffect } from 'react';
import { useParams } from 'wouter';
import { Account } from '../account/Account';
import { useDataset } from '../api/datasets';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { Places } from '../ui/Places';
import { TopBar } from '../ui/TopBar';
import { Waiting } from '../ui/Waiting';
import { HandOver } from './HandOver';
import { KeptItem } from './KeptItem';
import { useKept, useKeptChanges } from './queries';
import { SetAsideRows } from './SetAsideRows';

/** What was kept of a dataset, in order, with notes: to be read, arranged and printed. */
export function ReportPage() {
    const id = Number(useParams().dataset);
    const dataset = useDataset(id);
    const kept = useKept(id);
    const { describe, arrange, write, renew, remove } = useKeptChanges(id);
    useEffect(() => {
        document.title = `Report · ${dataset.data?.title ?? ''} · Row Tally`;
    }, [dataset.data?.title]);
    const failure = dataset.error ?? kept.error;
    const items = kept.data ?? [];
    const move = (from: number, by: -1 | 1) => {
        const ids = items.map((item) => item.id);
        const [moved] = ids.splice(from, 1);
        if (moved !== undefined) {
            ids.splice(from + by, 0, moved);
            arrange.mutate(ids);
        }
    };
    return (
        <div className="flex h-full flex-col print:block print:h-auto">
            <div className="contents print:hidden">
                <TopBar account={<Account />}>
                    <h1 dir="auto" title={dataset.data?.title} className="min-w-0 truncate text-base">
                        {dataset.data?.title}
                    </h1>
                    <Places dataset={id} here="report" />
                </TopBar>
            </div>
            <main className="min-h-0 flex-1 overflow-y-auto px-6 pb-16 print:overflow-visible">
                <div className="mx-auto max-w-5xl">
                    {failure !== null && (
                        <Notice onRetry={() => [dataset, kept].filter(({ isError }) => isError).forEach((answer) => void answer.refetch())}>
                            {failure.message}
                        </Notice>
                    )}
                    {kept.isPending && <Waiting what="Opening the report" />}
                    {kept.data !== undefined && items.length === 0 && (
                        <p className="py-8 text-soft">
                            Nothing is kept yet. Beside every picture and table of the profile stands “Keep”: what is kept there is held
                            here, with the basis it rests on.
                        </p>
                    )}
                    {dataset.data !== undefined && kept.data !== undefined && (
                        <p className="flex flex-wrap items-center gap-4 pt-4 text-small text-soft print:hidden">
                            {items.length > 0 && 'Titles and notes can be typed over.'}
                            <Button disabled={write.isPending} onClick={() => write.mutate(dataset.data.revision)}>
                                Write something
                            </Button>
                            {items.length > 0 && (
                                <>
                                    <Button onClick={() => window.print()}>Print</Button>
                                    <HandOver dataset={id} />
                                </>
                            )}
                        </p>
                    )}
                    {dataset.data !== undefined &&
                        items.map((item, i) => (
                            <KeptItem
                                key={item.id}
                                item={item}
                                dataset={dataset.data}
                                isFresh={item.id === write.data?.id}
                                isFirst={i === 0}
                                isLast={i === items.length - 1}
                                onDescribe={(words) => describe.mutate({ id: item.id, ...words })}
                                onMove={(by) => move(i, by)}
                                isRenewing={renew.isPending && renew.variables === item.id}
                                onRenew={() => renew.mutate(item.id)}
                                onRemove={() => remove.mutate(item.id)}
                            />
                        ))}
                    {dataset.data !== undefined && dataset.data.set_aside > 0 && <SetAsideRows dataset={dataset.data} />}
                </div>
            </main>
        </div>
    );
}
