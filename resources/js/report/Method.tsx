import type { Report } from '../api/client';
import { Notice } from '../ui/Notice';
import { useMayChange } from '../ui/mayChange';
import { Waiting } from '../ui/Waiting';
import { useMethod } from './queries';

/** How it was done: always last, made by itself; lines can stay out, and are never written by anybody. */
export function Method({
    report,
    revision,
    onLine,
}: {
    report: Report;
    revision: number;
    onLine: (key: string, isShown: boolean) => void;
}) {
    const method = useMethod(report, revision);
    const mayChange = useMayChange();
    return (
        <section aria-label="How it was done" className="paper-sheet mt-1 rounded-b-md px-10 pt-4 pb-10 max-sm:px-4">
            <h2 className="text-lg font-semibold">How it was done</h2>
            <p className="text-small text-soft">
                Made by itself.{mayChange && ' A line that is not ticked stays out of what is handed over.'}
            </p>
            {method.isError && <Notice onRetry={() => void method.refetch()}>{method.error.message}</Notice>}
            {method.isPending && <Waiting what="Looking how it was done" />}
            {method.data?.map(({ name, lines }) => (
                <div key={name} className="mt-3">
                    <h3 className="text-small font-semibold">{name}</h3>
                    <ul>
                        {lines.map(({ key, text }) => (
                            <li key={key}>
                                <label className="flex min-h-6 items-baseline gap-2 py-0.5 text-small">
                                    <input
                                        type="checkbox"
                                        disabled={!mayChange}
                                        className="size-4.5 shrink-0 translate-y-1 accent-accent"
                                        checked={!report.document.hidden.includes(key)}
                                        onChange={(event) => onLine(key, event.target.checked)}
                                    />
                                    <span dir="auto" className="min-w-0 break-words">
                                        {text}
                                    </span>
                                </label>
                            </li>
                        ))}
                    </ul>
                </div>
            ))}
        </section>
    );
}
