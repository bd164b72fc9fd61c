import { lazy, Suspense, useState } from 'react';
import type { Edition } from '../api/client';
import { Button } from '../ui/Button';
import { copyText } from '../ui/copying';
import { moment } from '../ui/format';
import { useMayChange } from '../ui/mayChange';
import { Notice } from '../ui/Notice';
import { Waiting } from '../ui/Waiting';
import { WordPopover } from '../ui/WordPopover';
import { FigureChanges } from './FigureChanges';
import { EditionForms } from './HandOver';
import { useEditionChanges, useEditions, useLinks } from './queries';

const DayChoice = lazy(async () => ({ default: (await import('../ui/DayChoice')).DayChoice }));

/** What was handed over: each edition with its files, its links, and what changed since the one before. */
export function Editions({ report }: { report: number }) {
    const editions = useEditions(report);
    if (editions.isError) {
        return <Notice onRetry={() => void editions.refetch()}>{editions.error.message}</Notice>;
    }
    if (editions.data === undefined || editions.data.length === 0) {
        return null;
    }
    return (
        <section aria-labelledby="editions" className="mt-8">
            <h2 id="editions" className="text-title">
                Handed over
            </h2>
            <ul>
                {editions.data.map((edition) => (
                    <OneEdition key={edition.id} edition={edition} hasBefore={edition.number > 1} />
                ))}
            </ul>
        </section>
    );
}

function OneEdition({ edition, hasBefore }: { edition: Edition; hasBefore: boolean }) {
    const [isOpen, setIsOpen] = useState(false);
    const changes = useEditionChanges(edition.id, isOpen);
    const { revoke } = useLinks(edition);
    const mayChange = useMayChange();
    return (
        <li className="border-b border-hair py-3 text-small">
            <p>
                <span className="font-semibold">Edition {edition.number}</span>
                <span className="text-soft">
                    , {moment(edition.made_at)}, of revision {edition.revision} of the data
                    {edition.has_rows && ', with the rows'}
                </span>
                {edition.note !== '' && <bdi> · {edition.note}</bdi>}
            </p>
            <div className="mt-1 flex flex-wrap items-baseline gap-x-5 gap-y-1">
                <EditionForms edition={edition} />
                {mayChange && <LinkMaker edition={edition} />}
                {hasBefore && (
                    <Button
                        look="quiet"
                        className="min-h-6 px-0! py-0! text-small"
                        aria-expanded={isOpen}
                        onClick={() => setIsOpen(!isOpen)}
                    >
                        What changed since the one before
                    </Button>
                )}
            </div>
            {isOpen && changes.data !== undefined && changes.data.changes.length === 0 && <p className="text-soft">No number.</p>}
            {isOpen && changes.data !== undefined && changes.data.changes.length > 0 && <FigureChanges changes={changes.data.changes} />}
            <ul>
                {edition.links.map((link) => (
                    <li key={link.id} className="mt-1 flex flex-wrap items-baseline gap-x-3">
                        <span className="figures min-w-0 truncate">{address(link.path)}</span>
                        <span className="text-soft">
                            {[
                                link.is_open
                                    ? link.opened === 0
                                        ? 'not read yet'
                                        : `read ${link.opened === 1 ? 'once' : `${link.opened} times`}`
                                    : 'has ended',
                                ...(link.has_passphrase ? ['with a passphrase'] : []),
                                ...(link.has_rows ? ['with the rows'] : []),
                                ...(link.expires_at !== null && link.is_open ? [`until ${moment(link.expires_at)}`] : []),
                            ].join(', ')}
                        </span>
                        <button
                            type="button"
                            className="min-h-6 hover:underline"
                            onClick={() => void copyText(address(link.path), 'the link')}
                        >
                            Copy
                        </button>
                        <button
                            type="button"
                            className="min-h-6 hover:underline"
                            disabled={revoke.isPending}
                            aria-label={`Take it back: ${address(link.path)}`}
                            onClick={() => revoke.mutate(link.id)}
                        >
                            Take it back
                        </button>
                    </li>
                ))}
            </ul>
        </li>
    );
}

function address(path: string): string {
    return `${window.location.origin}${path}`;
}

/** Where the day ends for whoever chose it. */
function endOf(day: Date): Date {
    return new Date(day.getFullYear(), day.getMonth(), day.getDate() + 1);
}

function LinkMaker({ edition }: { edition: Edition }) {
    const { make } = useLinks(edition);
    const [isOpen, setIsOpen] = useState(false);
    const [passphrase, setPassphrase] = useState('');
    const [last, setLast] = useState<Date | null>(null);
    const [rows, setRows] = useState(false);
    return (
        <WordPopover
            label={`Make a link to edition ${edition.number}`}
            words="Make a link"
            className="max-h-[var(--radix-popover-content-available-height)] w-96 max-w-[94vw] overflow-y-auto p-4"
            wordClassName="inline-block min-h-6"
            open={isOpen}
            onOpenChange={setIsOpen}
        >
            <form
                onSubmit={(event) => {
                    event.preventDefault();
                    make.mutate(
                        {
                            rows,
                            expires_at: last === null ? null : endOf(last).toISOString(),
                            ...(passphrase === '' ? {} : { passphrase }),
                        },
                        { onSuccess: () => setIsOpen(false) },
                    );
                }}
            >
                <p className="text-small text-soft">Whoever has the link reads this edition without an account.</p>
                <label className="mt-2 block">
                    <span className="text-small text-soft">Passphrase, if one is to be asked for</span>
                    <input
                        value={passphrase}
                        minLength={6}
                        maxLength={200}
                        autoComplete="off"
                        onChange={(event) => setPassphrase(event.target.value)}
                        className="mt-0.5 w-full rounded-md border border-hair-strong bg-paper px-2.5 py-1"
                    />
                </label>
                <Suspense fallback={<Waiting what="Opening" />}>
                    <DayChoice name="Last day on which it opens" none="It opens until it is taken back." value={last} onChange={setLast} />
                </Suspense>
                {edition.has_rows && (
                    <label className="mt-2 flex items-center gap-2 text-small">
                        <input
                            type="checkbox"
                            className="accent-accent"
                            checked={rows}
                            onChange={(event) => setRows(event.target.checked)}
                        />
                        readers may have the rows
                    </label>
                )}
                {make.isError && (
                    <p role="alert" className="mt-2 text-small text-alarm">
                        {make.error.message}
                    </p>
                )}
                <p className="mt-3">
                    <Button type="submit" look="primary" disabled={make.isPending}>
                        Make it
                    </Button>
                </p>
            </form>
        </WordPopover>
    );
}
