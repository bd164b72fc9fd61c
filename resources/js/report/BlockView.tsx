import clsx from 'clsx';
import { type DragEvent, type KeyboardEvent, lazy, type RefObject, Suspense, useRef, useState } from 'react';
import { Link } from 'wouter';
import type { Block, Dataset, NewBlock, OwnWords, Report } from '../api/client';
import { Button } from '../ui/Button';
import { Trouble } from '../ui/Notice';
import { useDraft } from '../ui/useDraft';
import { useNear } from '../ui/useNear';
import { Waiting } from '../ui/Waiting';
import { StaticWords } from '../writing/StaticWords';
import { nameOf } from './document';
import { PaperHtml } from './PaperHtml';
import { useShown } from './queries';
import { ReadingWords } from './ReadingWords';

const WordsEditor = lazy(async () => ({ default: (await import('../writing/WordsEditor')).WordsEditor }));

export interface BlockDeeds {
    onChange: (words: Partial<NewBlock>) => void;
    /** By steps, or beside another one. */
    onMove: (by: -1 | 1) => void;
    onDrop: (dragged: string, isBehind: boolean) => void;
    onTakeOut: () => void;
    onMark: () => void;
}

/** One block: what it shows of the data by now as it will stand on paper, and what can be done with it. */
export function BlockView({
    report,
    block,
    dataset,
    references,
    isFresh,
    isMarked,
    onChange,
    onMove,
    onDrop,
    onTakeOut,
    onMark,
}: BlockDeeds & {
    report: Report;
    block: Block;
    dataset: Dataset;
    /** What other blocks are called, by name. */
    references: Map<string, string>;
    /** Just begun: somebody is about to write. */
    isFresh: boolean;
    /** What is kept is put behind it. */
    isMarked: boolean;
}) {
    const place = useRef<HTMLElement>(null);
    const isNear = useNear(place);
    const number = report.numbers.find((one) => one.block === block.id)?.number ?? null;
    const name = nameOf(block, number);
    const isWords = block.kind === 'heading' || block.kind === 'text';
    const [drop, setDrop] = useState<'above' | 'below' | null>(null);
    const onDragOver = (event: DragEvent) => {
        if (event.dataTransfer.types.includes(DRAGGED)) {
            event.preventDefault();
            const { top, height } = event.currentTarget.getBoundingClientRect();
            setDrop(event.clientY < top + height / 2 ? 'above' : 'below');
        }
    };
    return (
        <article
            ref={place}
            id={block.id}
            aria-label={name}
            tabIndex={-1}
            className={clsx(
                'group relative border-y-2 px-10 py-2 focus:outline-none max-sm:px-4',
                drop === 'above' ? 'border-t-accent' : 'border-t-transparent',
                drop === 'below' || (drop === null && isMarked) ? 'border-b-accent' : 'border-b-transparent',
            )}
            onDragOver={onDragOver}
            onDragLeave={() => setDrop(null)}
            onDrop={(event) => {
                event.preventDefault();
                const dragged = event.dataTransfer.getData(DRAGGED);
                if (dragged !== '' && dragged !== block.id) {
                    onDrop(dragged, drop === 'below');
                }
                setDrop(null);
            }}
        >
            <Deeds {...{ block, name, dataset: dataset.id, place, isMarked, onMove, onTakeOut, onMark }} />
            {block.kind === 'heading' || !isWords ? <Title {...{ block, name, number, onChange }} /> : null}
            {!isWords && <Shown {...{ report, block, dataset, name, isNear, onChange }} />}
            {block.kind !== 'heading' && (
                <Own
                    {...{ block, name, dataset, references, isFresh, onChange }}
                    isNear={isNear || isFresh}
                    isMain={block.kind === 'text'}
                />
            )}
        </article>
    );
}

const DRAGGED = 'application/x-row-tally-block';

/** Moved by its handle, by pointer and by keys; the rest by words. */
function Deeds({
    block,
    name,
    dataset,
    place,
    isMarked,
    onMove,
    onTakeOut,
    onMark,
}: {
    block: Block;
    name: string;
    dataset: number;
    place: RefObject<HTMLElement | null>;
    isMarked: boolean;
} & Pick<BlockDeeds, 'onMove' | 'onTakeOut' | 'onMark'>) {
    const onKeyDown = (event: KeyboardEvent) => {
        if (event.key === 'ArrowUp' || event.key === 'ArrowDown') {
            event.preventDefault();
            onMove(event.key === 'ArrowUp' ? -1 : 1);
        }
    };
    const look = 'inline-flex min-h-6 items-center rounded-sm px-1 text-fine text-soft underline-offset-4 hover:text-ink hover:underline';
    return (
        <p className="flex min-h-6 flex-wrap items-center gap-x-3">
            <button
                type="button"
                draggable
                aria-label={`Move ${name}`}
                aria-description="Up and down by the arrow keys, or drag it"
                title="Drag it, or move it by the arrow keys"
                className="-ml-7 size-6 cursor-grab rounded-sm text-soft hover:bg-accent-wash max-sm:ml-0"
                onKeyDown={onKeyDown}
                onDragStart={(event) => {
                    event.dataTransfer.setData(DRAGGED, block.id);
                    event.dataTransfer.effectAllowed = 'move';
                    if (place.current !== null) {
                        event.dataTransfer.setDragImage(place.current, 20, 10);
                    }
                }}
            >
                <svg width="10" height="14" viewBox="0 0 10 14" aria-hidden="true" fill="currentColor" className="mx-auto">
                    {[2, 7, 12].map((y) => (
                        <g key={y}>
                            <circle cx="2.5" cy={y} r="1.3" />
                            <circle cx="7.5" cy={y} r="1.3" />
                        </g>
                    ))}
                </svg>
            </button>
            {block.kind !== 'heading' && block.kind !== 'text' && block.kind !== 'rows' && (
                <Link to={`/datasets/${dataset}/${block.place ?? 'profile'}?${block.address ?? ''}`} className={look}>
                    See where it comes from
                </Link>
            )}
            {block.kind === 'rows' && (
                <Link to={`/datasets/${dataset}/rows?${rowsAddress(block.address ?? '')}`} className={look}>
                    See them in Rows
                </Link>
            )}
            <button
                type="button"
                className={look}
                aria-pressed={isMarked}
                aria-label={`${isMarked ? 'What is kept comes here' : 'Keep here'}, behind ${name}`}
                onClick={onMark}
            >
                {isMarked ? 'What is kept comes here' : 'Keep here'}
            </button>
            <button type="button" className={look} aria-label={`Take out ${name}`} onClick={onTakeOut}>
                Take out
            </button>
        </p>
    );
}

function rowsAddress(address: string): string {
    const where = new URLSearchParams(address).get('where');
    return where === null ? '' : new URLSearchParams({ where }).toString();
}

/** Title and caption, typed over in place. */
function Title({
    block,
    name,
    number,
    onChange,
}: {
    block: Block;
    name: string;
    number: string | null;
} & Pick<BlockDeeds, 'onChange'>) {
    const isHeading = block.kind === 'heading';
    const draft = useDraft(`block ${block.id}`, { title: block.title ?? '', caption: block.caption ?? '' });
    const { title, caption } = draft.fields;
    const save = () => {
        if (isHeading && title.trim() === '') {
            draft.set({ title: block.title ?? '' });
        } else if (draft.isUnsaved) {
            onChange({ title: title.trim(), ...(isHeading ? {} : { caption: caption.trim() }) });
        }
    };
    const field = 'h-6 min-w-0 rounded-sm border-b border-transparent bg-transparent hover:border-hair-strong focus:border-accent';
    if (isHeading) {
        return (
            <p className="flex items-baseline gap-3">
                <input
                    aria-label={`Heading ${block.title ?? ''}`}
                    dir="auto"
                    value={title}
                    maxLength={200}
                    onChange={(event) => draft.set({ title: event.target.value })}
                    onBlur={save}
                    className={clsx(field, 'h-8 flex-1 font-semibold', block.level === 2 ? 'text-base' : 'text-title')}
                />
                <button
                    type="button"
                    className="min-h-6 text-fine text-soft hover:underline"
                    aria-label={`${block.level === 2 ? 'lower' : 'upper'} level of ${name}`}
                    onClick={() => onChange({ level: block.level === 2 ? 1 : 2 })}
                >
                    {block.level === 2 ? 'lower' : 'upper'} level
                </button>
            </p>
        );
    }
    return (
        <p className="flex flex-wrap items-baseline gap-x-3 text-small">
            {number !== null && <span className="font-semibold">{number}.</span>}
            <input
                aria-label={`Title of ${name}`}
                placeholder="Title"
                dir="auto"
                value={title}
                maxLength={200}
                onChange={(event) => draft.set({ title: event.target.value })}
                onBlur={save}
                className={clsx(field, 'flex-1 basis-52 font-semibold placeholder:font-normal placeholder:text-soft')}
            />
            <input
                aria-label={`Caption of ${name}`}
                placeholder="Caption"
                dir="auto"
                value={caption}
                maxLength={1000}
                onChange={(event) => draft.set({ caption: event.target.value })}
                onBlur={save}
                className={clsx(field, 'flex-1 basis-52 placeholder:text-soft')}
            />
        </p>
    );
}

/** What the data give. */
export function Shown({
    report,
    block,
    dataset,
    name,
    isNear,
    onChange,
}: {
    report: Report;
    block: Block;
    dataset: Dataset;
    name: string;
    isNear: boolean;
} & Pick<BlockDeeds, 'onChange'>) {
    const shown = useShown(report, block, dataset.revision, isNear);
    if (shown.isError) {
        return <Trouble onRetry={() => void shown.refetch()}>{shown.error.message}</Trouble>;
    }
    if (shown.data === undefined) {
        return (
            <div className="min-h-40">
                <Waiting what={`Working out ${name}`} />
            </div>
        );
    }
    return (
        <>
            {shown.data.lacks.length > 0 && (
                <p role="note" className="my-1 border-l-3 border-alarm pl-3 text-small">
                    {shown.data.lacks.join(' ')}
                </p>
            )}
            {block.kind === 'readings' ? (
                <ReadingWords block={block} said={shown.data.said} onChange={onChange} />
            ) : (
                <PaperHtml html={shown.data.html} name={name} />
            )}
        </>
    );
}

/** Somebody's own words: all of a text, or a note below what is shown. */
function Own({
    block,
    name,
    dataset,
    references,
    isNear,
    isFresh,
    isMain,
    onChange,
}: {
    block: Block;
    name: string;
    dataset: Dataset;
    references: Map<string, string>;
    isNear: boolean;
    isFresh: boolean;
    isMain: boolean;
} & Pick<BlockDeeds, 'onChange'>) {
    const [isOpen, setIsOpen] = useState(isMain || block.words !== undefined);
    const draft = useDraft<{ words: OwnWords | null }>(`words ${block.id}`, { words: block.words ?? null });
    const { words } = draft.fields;
    const save = () => {
        if (draft.isUnsaved) {
            onChange({ words: words ?? { type: 'doc' } });
        }
    };
    if (!isOpen && !draft.isUnsaved) {
        return (
            <button
                type="button"
                className="min-h-6 text-fine text-soft underline-offset-4 hover:text-ink hover:underline"
                aria-label={`Write below it: ${name}`}
                onClick={() => setIsOpen(true)}
            >
                Write below it
            </button>
        );
    }
    const still = (
        <div className="min-h-10">{words !== null && <StaticWords dataset={dataset} words={words} references={references} />}</div>
    );
    return (
        <>
            {isNear ? (
                <Suspense fallback={still}>
                    <WordsEditor
                        label={isMain ? name : `Words below ${name}`}
                        placeholder="In your words"
                        dataset={dataset}
                        address={block.address ?? ''}
                        words={words}
                        references={references}
                        isFresh={isFresh || (!isMain && block.words === undefined)}
                        onWords={(now) => draft.set({ words: now })}
                        onLeave={save}
                    />
                </Suspense>
            ) : (
                still
            )}
            {draft.isUnsaved && (
                <p className="flex items-center gap-3 text-small">
                    <span className="text-alarm">Not saved yet.</span>
                    <Button className="px-2! py-0.5!" onClick={save}>
                        Save
                    </Button>
                </p>
            )}
        </>
    );
}
