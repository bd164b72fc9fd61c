import { count } from '../ui/format';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Account } from '../account/Account';
import { api, bodyOf, type CheckResult, pageToken, Refusal, type ReportCheck } from '../api/client';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { TopBar } from '../ui/TopBar';

const LOOK_EVERY_MS = 400;

/** A report that somebody handed over is checked: its text against its record, its figures against the rows. */
export function CheckPage() {
    const [report, setReport] = useState<File | null>(null);
    const [rows, setRows] = useState<File | null>(null);
    const start = useStart();
    const check = useCheck(start.data?.id ?? null);
    const cancel = useMutation({
        mutationFn: (reportCheck: number) => api.DELETE('/checks/{reportCheck}', { params: { path: { reportCheck } } }),
    });
    useEffect(() => {
        document.title = 'Check a report · Row Tally';
    }, []);
    const now = check.data ?? start.data;
    const isUnderWay = start.isPending || now?.status === 'waiting' || now?.status === 'checking';
    return (
        <div className="flex h-full flex-col">
            <TopBar account={<Account />}>
                <h1 className="text-base">Check a report</h1>
            </TopBar>
            <main className="min-h-0 flex-1 overflow-y-auto px-6 pb-16">
                <div className="mx-auto max-w-4xl py-6">
                    <p className="max-w-2xl">
                        A report that was made here carries a record of every figure that it states. Drop it here: every figure is worked
                        out anew from the rows, and the text is held against the record.
                    </p>
                    <form
                        className="mt-4"
                        onSubmit={(event) => {
                            event.preventDefault();
                            if (report !== null) {
                                start.mutate({ report, rows });
                            }
                        }}
                    >
                        <div className="grid grid-cols-2 gap-4 max-sm:grid-cols-1">
                            <FileDrop
                                label="The report"
                                sentence="PDF, page (HTML), one of the zips, or record.json."
                                file={report}
                                onFile={setReport}
                            />
                            <FileDrop
                                label="The rows, unless they came along"
                                sentence="The file that the report names, or the rows as they were taken out."
                                file={rows}
                                onFile={setRows}
                            />
                        </div>
                        <p className="mt-4">
                            <Button type="submit" look="primary" disabled={report === null || isUnderWay}>
                                Check it
                            </Button>
                        </p>
                    </form>
                    {start.isError && <Notice>{start.error.message}</Notice>}
                    {check.isError && <Notice onRetry={() => void check.refetch()}>{check.error.message}</Notice>}
                    {isUnderWay && (
                        <p role="status" className="mt-6 flex items-center gap-3">
                            {now === undefined
                                ? 'Handing it in …'
                                : now.status === 'waiting'
                                  ? `Waiting for its turn … ${now.seconds} s`
                                  : `Checking … ${now.seconds} s`}
                            {now !== undefined && (
                                <Button className="px-2! py-0.5!" disabled={cancel.isPending} onClick={() => cancel.mutate(now.id)}>
                                    Cancel
                                </Button>
                            )}
                        </p>
                    )}
                    {now?.status === 'failed' && <Notice>{now.error}</Notice>}
                    {now?.status === 'cancelled' && <p className="mt-6 text-soft">It was cancelled.</p>}
                    {now?.result != null && <Found result={now.result} name={now.name} />}
                </div>
            </main>
        </div>
    );
}

function useStart() {
    return useMutation({
        mutationFn: async ({ report, rows }: { report: File; rows: File | null }): Promise<ReportCheck> => {
            const body = new FormData();
            body.set('report', report);
            if (rows !== null) {
                body.set('rows', rows);
            }
            const answer = await fetch('/api/checks', {
                method: 'POST',
                body,
                headers: { Accept: 'application/json', 'X-XSRF-TOKEN': pageToken() },
            });
            const told = (await answer.json().catch(() => null)) as (ReportCheck & { message?: string }) | null;
            if (!answer.ok || told === null) {
                throw new Refusal(answer.status, told?.message ?? 'The server does not answer. Try again.');
            }
            return told;
        },
        meta: { isSaidInPlace: true },
    });
}

function useCheck(reportCheck: number | null) {
    return useQuery({
        queryKey: ['check', reportCheck],
        queryFn: async ({ signal }) =>
            bodyOf(await api.GET('/checks/{reportCheck}', { params: { path: { reportCheck: reportCheck ?? 0 } }, signal })),
        enabled: reportCheck !== null,
        refetchInterval: ({ state }) =>
            state.data === undefined || state.data.status === 'waiting' || state.data.status === 'checking' ? LOOK_EVERY_MS : false,
        staleTime: Infinity,
    });
}

function FileDrop({
    label,
    sentence,
    file,
    onFile,
}: {
    label: string;
    sentence: string;
    file: File | null;
    onFile: (file: File | null) => void;
}) {
    const [isOver, setIsOver] = useState(false);
    return (
        <label
            className={`block rounded-lg border-2 border-dashed p-4 has-focus-visible:outline-2 ${isOver ? 'border-accent bg-accent-wash' : 'border-hair-strong'}`}
            onDragOver={(event) => {
                event.preventDefault();
                setIsOver(true);
            }}
            onDragLeave={() => setIsOver(false)}
            onDrop={(event) => {
                event.preventDefault();
                setIsOver(false);
                onFile(event.dataTransfer.files[0] ?? null);
            }}
        >
            <span className="font-semibold">{label}</span>
            <span className="block text-small text-soft">{sentence}</span>
            <span className="mt-2 flex flex-wrap items-baseline gap-3 text-small">
                <span className="rounded-md border border-hair-strong bg-surface px-3 py-1 font-medium">Choose a file</span>
                <span className="break-all">{file === null ? 'or drop it here' : file.name}</span>
            </span>
            <input type="file" aria-label={label} className="sr-only" onChange={(event) => onFile(event.target.files?.[0] ?? null)} />
        </label>
    );
}

function headOf({ agree, differing, lacking }: CheckResult, isTextChanged: boolean): string {
    const all = count(agree + differing + lacking);
    if (differing + lacking > 0) {
        return `${count(differing + lacking)} of ${all} figures do not agree`;
    }
    return isTextChanged ? `The text was changed; the ${all} figures of its record agree with the rows` : `Every figure agrees: ${all}`;
}

/** What agrees, what differs, and what cannot be worked out anew. */
function Found({ result, name }: { result: CheckResult; name: string }) {
    const isTextChanged = result.text !== null && (result.text.missing.length > 0 || result.text.added.length > 0);
    const where = (number: string | null, label: string) => (number === null ? label : `${number}: ${label}`);
    return (
        <section aria-label="What was found" className="mt-6">
            <h2 className="text-title">{headOf(result, isTextChanged)}</h2>
            <p className="text-soft">
                <bdi>{result.title}</bdi>, edition {result.edition}, as “<bdi>{name}</bdi>”, against {count(result.rows)} rows.{' '}
                {result.notes.join(' ')}
            </p>
            {result.text === null ? (
                <p className="mt-2 text-small text-soft">There is no text in it to hold against the record.</p>
            ) : isTextChanged ? (
                <div className="mt-3 border-l-3 border-alarm pl-4">
                    <p>
                        The text is not the one that was handed over:{' '}
                        {result.text.missing.length > 0 && (
                            <>
                                it lacks <b className="figures">{result.text.missing.join(', ')}</b>
                            </>
                        )}
                        {result.text.missing.length > 0 && result.text.added.length > 0 && ' and '}
                        {result.text.added.length > 0 && (
                            <>
                                has <b className="figures">{result.text.added.join(', ')}</b> that the record does not have
                            </>
                        )}
                        .
                    </p>
                    {result.text.figures.length > 0 && (
                        <ul className="text-small">
                            {result.text.figures.map((figure, i) => (
                                <li key={i}>
                                    It may be {where(figure.number, figure.label)}, stated as <span className="figures">{figure.text}</span>
                                </li>
                            ))}
                        </ul>
                    )}
                </div>
            ) : (
                <p className="mt-2">The numbers of the text are those of the record.</p>
            )}
            {result.differs.length > 0 && (
                <div className="mt-4 overflow-x-auto" tabIndex={0} role="region" aria-label="Figures that differ">
                    <table className="first-kept border-collapse text-small">
                        <caption className="text-left font-semibold">What differs</caption>
                        <thead>
                            <tr className="border-b border-hair-strong text-soft">
                                <th className="py-1 pr-4 text-left font-normal">Figure</th>
                                <th className="py-1 pr-4 text-right font-normal">Stated</th>
                                <th className="py-1 pr-4 text-right font-normal">Recomputed</th>
                                <th className="py-1 text-right font-normal">Difference</th>
                            </tr>
                        </thead>
                        <tbody>
                            {result.differs.map((one, i) => (
                                <tr key={i} className="border-b border-hair align-baseline">
                                    <th scope="row" className="py-1 pr-4 text-left font-normal">
                                        {where(one.number, one.label)}
                                    </th>
                                    <td className="figures max-w-96 py-1 pr-4 text-right">{one.stated}</td>
                                    <td className="figures max-w-96 py-1 pr-4 text-right font-semibold">{one.recomputed}</td>
                                    <td className="figures py-1 text-right">{one.difference === null ? '' : String(one.difference)}</td>
                                </tr>
                            ))}
                        </tbody>
                    </table>
                    {result.differing > result.differs.length && (
                        <p className="text-small text-soft">and {result.differing - result.differs.length} more</p>
                    )}
                </div>
            )}
            {result.lacks.length > 0 && (
                <>
                    <h3 className="mt-4 text-small font-semibold">What cannot be worked out anew</h3>
                    <ul className="text-small">
                        {result.lacks.map((one, i) => (
                            <li key={i}>
                                {where(one.number, one.label)} <span className="text-soft">({one.why})</span>
                            </li>
                        ))}
                    </ul>
                </>
            )}
        </section>
    );
}
