import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useRef } from 'react';
import { Link } from 'wouter';
import type { Dataset, Kept, OwnWords } from '../api/client';
import { Button } from '../ui/Button';
import { withFaces } from '../plot/faces';
import { CellTable } from '../ui/CellTable';
import { moment } from '../ui/format';
import { useDraft } from '../ui/useDraft';
import { useNear } from '../ui/useNear';
import { StaticWords } from '../writing/StaticWords';

const WordsEditor = lazy(async () => ({ default: (await import('../writing/WordsEditor')).WordsEditor }));

/** One kept picture, table or sentence, or own words: its title and note, which can be typed over, the basis it rests on, and whether the data have changed since. */
export function KeptItem({
    item,
    dataset,
    isFresh,
    isFirst,
    isLast,
    onDescribe,
    onMove,
    isRenewing,
    onRenew,
    onRemove,
}: {
    item: Kept;
    dataset: Dataset;
    /** Just begun: somebody is about to write. */
    isFresh: boolean;
    isFirst: boolean;
    isLast: boolean;
    onDescribe: (words: { title?: string; note?: OwnWords | null; sentence?: string }) => void;
    onMove: (by: -1 | 1) => void;
    isRenewing: boolean;
    /** Asks for it once more, of the data as they are now. */
    onRenew: () => void;
    onRemove: () => void;
}) {
    const draft = useDraft(`kept ${item.id}`, { title: item.title, note: item.note });
    const { title, note } = draft.fields;
    const place = useRef<HTMLDivElement>(null);
    // A report may have hundreds of notes: only those in sight can be written in, the others are read.
    const isNear = useNear(place);
    const save = () => {
        const words = { ...draft.unsaved, ...(draft.unsaved.title === undefined ? {} : { title: title.trim() }) };
        if (words.title === '') {
            draft.set({ title: item.title });
        } else if (draft.isUnsaved) {
            onDescribe(words);
        }
    };
    return (
        <article aria-label={item.title} className="border-b border-hair py-6 last:border-b-0">
            <div className="flex break-after-avoid flex-wrap items-baseline gap-x-3 gap-y-1">
                <input
                    aria-label={`Title of ${item.title}`}
                    value={title}
                    maxLength={200}
                    onChange={(event) => draft.set({ title: event.target.value })}
                    onBlur={save}
                    className="min-w-0 flex-1 basis-60 border-b border-transparent bg-transparent text-title font-semibold hover:border-hair-strong focus:border-accent"
                />
                <span className="flex shrink-0 gap-1.5 print:hidden">
                    <Button aria-label={`Move ${item.title} up`} disabled={isFirst} onClick={() => onMove(-1)}>
                        ↑
                    </Button>
                    <Button aria-label={`Move ${item.title} down`} disabled={isLast} onClick={() => onMove(1)}>
                        ↓
                    </Button>
                    <Button look="quiet" aria-label={`Take out ${item.title}`} onClick={onRemove}>
                        Take out
                    </Button>
                </span>
            </div>
            {item.picture !== null && <Picture svg={item.picture} alt={item.title} />}
            {item.cells !== null && <CellTable name={item.title} cells={item.cells.filter((row) => row[0] !== 'Basis')} />}
            {item.reading !== null && <Sentence item={item} onSay={(sentence) => onDescribe({ sentence })} />}
            <div ref={place} className="mt-3">
                {isNear || isFresh ? (
                    <Suspense fallback={<Still dataset={dataset} words={note} />}>
                        <WordsEditor
                            label={item.kind === 'text' ? item.title : `Note on ${item.title}`}
                            placeholder="What it says, in your words"
                            dataset={dataset}
                            address={item.address}
                            words={note}
                            isFresh={isFresh}
                            onWords={(words) => draft.set({ note: words })}
                            onLeave={save}
                        />
                    </Suspense>
                ) : (
                    <Still dataset={dataset} words={note} />
                )}
            </div>
            {draft.isUnsaved && <NotSaved onSave={save} />}
            {item.kind !== 'text' && <Origin {...{ item, dataset, isRenewing, onRenew }} />}
        </article>
    );
}

/** A note that is not written in just now. */
function Still({ dataset, words }: { dataset: Dataset; words: OwnWords | null }) {
    return <div className="min-h-14">{words !== null && <StaticWords dataset={dataset} words={words} />}</div>;
}

/** What it rests on, when it was kept, and whether the data have changed since. */
function Origin({
    item,
    dataset: { id, revision },
    isRenewing,
    onRenew,
}: {
    item: Kept;
    dataset: Dataset;
    isRenewing: boolean;
    onRenew: () => void;
}) {
    return (
        <p className="mt-1 max-w-3xl text-fine text-soft">
            {item.basis} Kept {moment(item.kept_at)}.{' '}
            {item.revision !== revision && (
                <span className="font-semibold text-alarm">
                    The data have changed since (then revision {item.revision}, now {revision}); what stands here is as it was.{' '}
                </span>
            )}
            {item.revision !== revision && item.can_renew && (
                <Button
                    className="mr-2 px-1.5! py-0! text-fine print:hidden"
                    disabled={isRenewing}
                    aria-label={`Bring ${item.title} up to date`}
                    onClick={onRenew}
                >
                    Bring it up to date
                </Button>
            )}
            <Link
                to={`/datasets/${id}/${item.place}?${item.address}`}
                className="font-semibold text-ink underline decoration-accent decoration-2 underline-offset-4 print:hidden"
            >
                See it as it is now
            </Link>
        </p>
    );
}

/** A kept sentence, which can be typed over; what its rule said stays beside it. */
function Sentence({ item, onSay }: { item: Kept; onSay: (sentence: string) => void }) {
    const reading = item.reading ?? { sentence: '', said: '', rule: '', source: '' };
    const draft = useDraft(`sentence ${item.id}`, { sentence: reading.sentence });
    const { sentence } = draft.fields;
    const save = () => {
        if (sentence.trim() === '') {
            draft.set({ sentence: reading.sentence });
        } else if (draft.isUnsaved) {
            onSay(sentence.trim());
        }
    };
    return (
        <>
            <textarea
                aria-label={`Sentence of ${item.title}`}
                value={sentence}
                rows={Math.max(2, Math.ceil(sentence.length / 90))}
                maxLength={2000}
                onChange={(event) => draft.set({ sentence: event.target.value })}
                onBlur={save}
                className="mt-2 field-sizing-content w-full max-w-3xl resize-none rounded-md border border-transparent bg-transparent px-2 py-1 hover:border-hair-strong focus:border-accent"
            />
            {draft.isUnsaved && <NotSaved onSave={save} />}
            <p className="max-w-3xl px-2 text-fine text-soft">
                {reading.sentence !== reading.said && `Edited; the rule said: ${reading.said} `}
                Said when: {reading.rule} Source: {reading.source}.
            </p>
        </>
    );
}

function NotSaved({ onSave }: { onSave: () => void }) {
    return (
        <p className="flex items-center gap-3 text-small print:hidden">
            <span className="text-alarm">Not saved yet.</span>
            <Button className="px-2! py-0.5!" onClick={onSave}>
                Save
            </Button>
        </p>
    );
}

/** A picture as it was drawn, with the faces of the interface, which an image does not have of the page. */
function Picture({ svg, alt }: { svg: string; alt: string }) {
    const drawn = useQuery({ queryKey: ['faces', svg], queryFn: () => withFaces(svg), staleTime: Infinity });
    return <img src={`data:image/svg+xml;charset=utf-8,${encodeURIComponent(drawn.data ?? svg)}`} alt={alt} className="mt-2 max-w-full" />;
}
