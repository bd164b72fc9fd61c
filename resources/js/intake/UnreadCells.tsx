import type { Reading, ReadingChange } from '../api/client';
import { Button } from '../ui/Button';
import { count, counted } from '../ui/format';
import { firstRemedies } from './firstRemedies';

/** Every kind of cell that could not be read, where it stands, and what can be done about all of its kind. */
export function UnreadCells({
    reading,
    isBusy,
    onDecide,
}: {
    reading: Reading;
    isBusy: boolean;
    onDecide: (changes: ReadingChange[]) => void;
}) {
    const suggested = firstRemedies(reading);
    return (
        <aside
            aria-label="Cells that could not be read"
            className="w-92 shrink-0 overflow-y-auto border-l border-hair px-4.5 py-3 max-lg:max-h-64 max-lg:w-auto max-lg:border-t max-lg:border-l-0"
        >
            {reading.in_doubt.length > 0 && (
                <section aria-label="What can be read in two ways" className="mb-4">
                    <h2 className="text-lead">
                        {reading.in_doubt.every(({ column }) => column !== null)
                            ? `${counted(reading.in_doubt.length, 'column')} can be read in two ways`
                            : 'The table can be read in two ways'}
                    </h2>
                    <ul className="mt-2">
                        {reading.in_doubt.map(({ column, text, read_as, could_be, why, remedies }) => (
                            <li key={`${column ?? ''}:${text}`} className="border-t border-hair py-2.5">
                                <p className="text-small">
                                    {column === null ? (
                                        `${why.slice(0, 1).toUpperCase()}${why.slice(1)}: “`
                                    ) : (
                                        <>
                                            In <bdi className="font-semibold">{reading.columns[column]?.name}</bdi> {why}: “
                                        </>
                                    )}
                                    <bdi className="figures">{text}</bdi>” is read as <span className="figures">{read_as}</span> and could
                                    mean <span className="figures">{could_be}</span>.
                                </p>
                                <Remedies remedies={remedies} isBusy={isBusy} onDecide={onDecide} />
                            </li>
                        ))}
                    </ul>
                </section>
            )}
            {reading.unread_cells === 0 ? (
                <p className="text-soft">Every cell could be read.</p>
            ) : (
                <>
                    <h2 className="text-lead">{counted(reading.unread_cells, 'cell')} could not be read</h2>
                    <p className="mt-1 text-small text-soft">Left as they are, they are kept as text and count as missing.</p>
                    {suggested.length > 1 && (
                        <Button className="mt-2" disabled={isBusy} onClick={() => onDecide(suggested)}>
                            Do the first of each
                        </Button>
                    )}
                    <ul className="mt-2">
                        {reading.unread.map((kind) => (
                            <li key={`${kind.column}:${kind.text}`} className="border-t border-hair py-2.5">
                                <p className="text-small">
                                    <bdi className="font-semibold text-accent">{kind.text}</bdi> in{' '}
                                    <bdi className="font-semibold">{reading.columns[kind.column]?.name}</bdi>,{' '}
                                    {kind.count === 1 ? 'line' : `${count(kind.count)} times: lines`}{' '}
                                    <span className="figures">{kind.lines.map(count).join(', ')}</span>
                                    {kind.count > kind.lines.length && ' …'}
                                </p>
                                <Remedies remedies={kind.remedies} isBusy={isBusy} onDecide={onDecide} />
                            </li>
                        ))}
                    </ul>
                </>
            )}
        </aside>
    );
}

function Remedies({
    remedies,
    isBusy,
    onDecide,
}: {
    remedies: Reading['in_doubt'][number]['remedies'];
    isBusy: boolean;
    onDecide: (changes: ReadingChange[]) => void;
}) {
    return (
        <div className="mt-1.5 flex flex-wrap gap-1.5">
            {remedies.map((remedy) => (
                <Button key={remedy.words} className="px-2! py-0.5! text-small!" disabled={isBusy} onClick={() => onDecide(remedy.changes)}>
                    <bdi>{remedy.words}</bdi>
                </Button>
            ))}
        </div>
    );
}
