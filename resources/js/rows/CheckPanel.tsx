import clsx from 'clsx';
import type { CheckLine, Dataset } from '../api/client';
import { counted } from '../ui/format';
import { Notice } from '../ui/Notice';
import { useMayChange } from '../ui/mayChange';
import { Waiting } from '../ui/Waiting';
import { useCheck, useLookedAt } from './queries';
import { SecondEntries } from './SecondEntries';
import type { View } from './view';

/** What to look at before the entries are trusted; each line leads to its rows and can be ticked off. */
export function CheckPanel({
    dataset,
    onShow,
    onGo,
}: {
    dataset: Dataset;
    onShow: (change: Partial<View>) => void;
    onGo: (row: number, key: string) => void;
}) {
    const check = useCheck(dataset.id, dataset.revision);
    const lookedAt = useLookedAt(dataset.id, dataset.revision);
    const lines = check.data ?? [];
    const rest = lines.filter((line) => !line.suspect);
    const suspects = lines.filter((line) => line.suspect && !line.looked_at).length;
    const look = (line: CheckLine, isLookedAt: boolean) =>
        lookedAt.mutate({ variable: line.variable, code: line.code, looked_at: isLookedAt });
    return (
        <>
            <h2 className="text-lead">Entry check</h2>
            {check.isPending && <Waiting what="Looking through the entries" />}
            {check.isError && <Notice onRetry={() => void check.refetch()}>{check.error.message}</Notice>}
            {check.data !== undefined && (
                <p className="mt-1 text-small text-soft">
                    {suspects === 0
                        ? 'Nothing looks like a mistake that you have not looked at.'
                        : `${suspects === 1 ? 'One thing looks' : `${suspects} things look`} like a mistake.`}{' '}
                    A line leads to its rows.
                </p>
            )}
            <Lines lines={lines.filter((line) => line.suspect)} onShow={onShow} onLook={look} />
            {rest.length > 0 && (
                <details className="mt-3 border-t border-hair pt-2">
                    <summary className="cursor-pointer text-small font-semibold">
                        What else there is: {counted(rest.length, 'line')}
                    </summary>
                    <Lines lines={rest} onShow={onShow} onLook={look} />
                </details>
            )}
            <SecondEntries dataset={dataset} onGo={onGo} />
        </>
    );
}

/** Lines of the check, by variable. */
function Lines({
    lines: all,
    onShow,
    onLook,
}: {
    lines: CheckLine[];
    onShow: (change: Partial<View>) => void;
    onLook: (line: CheckLine, isLookedAt: boolean) => void;
}) {
    const mayChange = useMayChange();
    const byVariable = new Map<string, CheckLine[]>();
    for (const line of all) {
        byVariable.set(line.variable, [...(byVariable.get(line.variable) ?? []), line]);
    }
    return (
        <>
            {[...byVariable.entries()].map(([key, lines]) => (
                <section key={key} className="mt-3 border-t border-hair pt-2">
                    <h3 className="text-small font-semibold">
                        <bdi>{lines[0]?.name}</bdi>
                    </h3>
                    <ul>
                        {lines.map((line) => (
                            <li key={line.code} className="flex items-start gap-2 py-1 text-small">
                                <input
                                    type="checkbox"
                                    className="mt-1 accent-(--accent)"
                                    aria-label={`Looked at: ${line.name}, ${line.words}`}
                                    checked={line.looked_at}
                                    disabled={!mayChange}
                                    onChange={(event) => onLook(line, event.target.checked)}
                                />
                                <button
                                    type="button"
                                    disabled={line.where === null}
                                    onClick={() => onShow({ where: line.where ?? '' })}
                                    className={clsx(
                                        'flex-1 text-left underline-offset-4 enabled:hover:underline',
                                        line.suspect && !line.looked_at && 'font-semibold text-accent',
                                        line.looked_at && 'text-soft',
                                    )}
                                >
                                    {line.words}
                                    {line.entries !== '' && (
                                        <bdi className="figures block font-normal whitespace-pre-wrap text-soft">{line.entries}</bdi>
                                    )}
                                </button>
                            </li>
                        ))}
                    </ul>
                </section>
            ))}
        </>
    );
}
