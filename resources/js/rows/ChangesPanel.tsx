import clsx from 'clsx';
import type { Dataset } from '../api/client';
import { Button } from '../ui/Button';
import { moment } from '../ui/format';
import { Notice } from '../ui/Notice';
import type { ChangeWords } from './changes';
import { useHistory } from './queries';

/** All changes in words, with who and when; what can be undone, done again, or brought back by itself. */
export function ChangesPanel({
    dataset,
    onChange,
    isBusy,
}: {
    dataset: Dataset;
    onChange: (change: ChangeWords) => Promise<boolean>;
    isBusy: boolean;
}) {
    const history = useHistory(dataset.id, dataset.revision);
    const data = history.data;
    if (history.isError) {
        return <Notice onRetry={() => void history.refetch()}>{history.error.message}</Notice>;
    }
    return (
        <>
            <h2 className="text-lead">Changes</h2>
            <div className="mt-2 flex gap-2">
                <Button
                    disabled={isBusy || (data?.undo ?? null) === null}
                    title={data?.undo ?? undefined}
                    onClick={() => void onChange({ kind: 'undo' })}
                >
                    Undo
                </Button>
                <Button
                    disabled={isBusy || (data?.redo ?? null) === null}
                    title={data?.redo ?? undefined}
                    onClick={() => void onChange({ kind: 'redo' })}
                >
                    Do again
                </Button>
            </div>
            {data !== undefined && data.deleted_variables.length + data.deleted_rows.length > 0 && (
                <section className="mt-3 border-t border-hair pt-2">
                    <h3 className="text-small font-semibold">Deleted, can be brought back</h3>
                    <ul className="max-h-60 overflow-y-auto">
                        {data.deleted_variables.map((variable) => (
                            <li key={variable.key} className="flex items-center gap-2 py-1 text-small">
                                <span className="flex-1 truncate">
                                    variable <bdi className="font-semibold">{variable.name}</bdi>
                                </span>
                                <Button
                                    className="px-2! py-0.5! text-small!"
                                    disabled={isBusy}
                                    onClick={() => void onChange({ kind: 'restore-variable', variable: variable.key })}
                                >
                                    Bring back
                                </Button>
                            </li>
                        ))}
                        {data.deleted_rows.map((row) => (
                            <li key={row.id} className="flex items-center gap-2 py-1 text-small">
                                <span className="flex-1 truncate" title={row.entries}>
                                    row <span className="figures">{row.position}</span>: <bdi className="text-soft">{row.entries}</bdi>
                                </span>
                                <Button
                                    className="px-2! py-0.5! text-small!"
                                    disabled={isBusy}
                                    onClick={() => void onChange({ kind: 'restore-row', deleted_row: row.id })}
                                >
                                    Bring back
                                </Button>
                            </li>
                        ))}
                    </ul>
                </section>
            )}
            <ol className="mt-3 border-t border-hair">
                {data?.changes.map((change) => (
                    <li key={change.number} className="border-b border-hair py-1.5 text-small">
                        <bdi className={clsx(change.undone && 'text-soft line-through')}>{change.summary}</bdi>
                        <span className="block text-fine text-soft">
                            {change.by}, {moment(change.at)}
                            {change.undone && ' · undone'}
                        </span>
                    </li>
                ))}
            </ol>
        </>
    );
}
