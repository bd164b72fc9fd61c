import { written } from '../ui/numbers';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { type Dataset, Refusal } from '../api/client';
import { choicesOf, defaultOf } from '../api/conventions';
import { nameInFormula } from '../api/formula';
import { Button } from '../ui/Button';
import { tell } from '../ui/told';
import { count, counted } from '../ui/format';
import { Waiting } from '../ui/Waiting';
import { WordChoice } from '../ui/WordChoice';
import { WordEntry } from '../ui/WordEntry';
import { WordPopover } from '../ui/WordPopover';
import { rowsKey, useEnds, useFind, useTotal } from './queries';
import { asksForOutliers, type View } from './view';

/** What conditions call them. */
const ASIDE = 'not missing("Set aside")';

const field = 'rounded-md border border-hair-strong bg-surface px-2 py-0.5 text-body';

/** Which rows are seen, in which order, as one sentence; and the ways to a row. */
export function RowsLine({
    dataset,
    view,
    onShow,
    onGo,
    here,
    onBringAllBack,
}: {
    dataset: Dataset;
    view: View;
    onShow: (change: Partial<View>) => void;
    onGo: (place: number) => void;
    here: () => number;
    onBringAllBack: () => void;
}) {
    const total = useTotal(dataset.id, view);
    const queries = useQueryClient();
    const sortKey = view.sort.replace(/:down$/, '');
    return (
        <section
            aria-label="Which rows are seen"
            className="flex shrink-0 flex-wrap items-baseline gap-x-2 gap-y-1.5 border-b border-hair px-4.5 py-2.5 text-lead text-soft"
        >
            <span role="status">
                {view.where === ''
                    ? `All ${count(dataset.rows)} rows`
                    : total.data === undefined || total.isPlaceholderData
                      ? `Of ${count(dataset.rows)} rows those where`
                      : `${count(total.data)} of ${count(dataset.rows)} rows, where`}
            </span>
            <Condition key={view.where} dataset={dataset} where={view.where} onShow={onShow} isWrong={total.isError} />
            {asksForOutliers(view.where) && <Fences view={view} onShow={onShow} />}
            <span>
                , ordered{' '}
                <WordChoice
                    name="Ordered"
                    options={[
                        { value: '', words: 'as entered' },
                        ...dataset.variables.flatMap((variable) => [
                            { value: variable.key, words: `by ${variable.name}, smallest first` },
                            { value: `${variable.key}:down`, words: `by ${variable.name}, largest first` },
                        ]),
                    ]}
                    value={dataset.variables.some((variable) => variable.key === sortKey) ? view.sort : ''}
                    onChange={(sort) => {
                        onShow({ sort });
                        tell(sort === '' ? 'Rows as entered.' : 'Rows in another order.');
                    }}
                />
            </span>
            {dataset.set_aside > 0 && (
                <span>
                    ;{' '}
                    <WordPopover
                        label={`Set aside: ${counted(dataset.set_aside, 'row')}`}
                        words={`${count(dataset.set_aside)} set aside`}
                        className="w-80 max-w-[90vw] p-3"
                    >
                        <p className="text-fine leading-snug text-soft">
                            No figure, picture or comparison counts {dataset.set_aside === 1 ? 'it' : 'them'}. Here{' '}
                            {dataset.set_aside === 1 ? 'it is' : 'they are'} struck through; the reason stands by the number of the row.
                        </p>
                        <p className="mt-2 flex flex-wrap gap-1.5">
                            <Button onClick={() => onShow({ where: ASIDE })}>Show only {dataset.set_aside === 1 ? 'it' : 'them'}</Button>
                            {dataset.role !== 'reader' && <Button onClick={onBringAllBack}>Bring all back</Button>}
                        </p>
                    </WordPopover>
                </span>
            )}
            {view.hidden.length > 0 && (
                <span>
                    ;{' '}
                    <button
                        type="button"
                        className="border-b-2 border-accent font-semibold text-ink"
                        onClick={() => onShow({ hidden: [] })}
                        title="Show them again"
                    >
                        {count(view.hidden.length)} hidden
                    </button>
                </span>
            )}
            {(total.isPending || total.isPlaceholderData) && <Waiting what="Looking through the rows" />}
            {total.isError && (
                <p role="alert" className="basis-full border-l-3 border-alarm pl-3 text-body text-ink">
                    {total.error.message}{' '}
                    {!(total.error instanceof Refusal && total.error.status === 422) && (
                        <Button className="px-2! py-0.5!" onClick={() => void queries.invalidateQueries({ queryKey: rowsKey(dataset.id) })}>
                            Try again
                        </Button>
                    )}
                </p>
            )}
            <span className="ml-auto flex items-center gap-2 text-small">
                <GoTo key={dataset.id} most={total.data ?? dataset.rows} onGo={onGo} />
                <Find dataset={dataset.id} view={view} onGo={onGo} here={here} />
            </span>
        </section>
    );
}

/** What the condition calls an outlier. */
function Fences({ view, onShow }: { view: View; onShow: (change: Partial<View>) => void }) {
    const fences = view.fences === '' ? defaultOf('fences') : view.fences;
    return (
        <span>
            , outliers beyond{' '}
            <WordEntry
                name="Fences"
                words={`${written(fences)} IQR`}
                isNumber
                value={fences}
                help="How many interquartile ranges beyond the quartiles a value is called an outlier."
                common={choicesOf('fences')}
                onChange={(value) => onShow({ fences: value })}
            />{' '}
            of quartiles by{' '}
            <WordChoice
                name="Quartiles by"
                options={choicesOf('quartiles')}
                value={view.quartiles === '' ? defaultOf('quartiles') : view.quartiles}
                onChange={(quartiles) => onShow({ quartiles })}
            />
        </span>
    );
}

function Condition({
    dataset,
    where,
    onShow,
    isWrong,
}: {
    dataset: Dataset;
    where: string;
    onShow: (change: Partial<View>) => void;
    isWrong: boolean;
}) {
    const [text, setText] = useState(where);
    const number = dataset.variables.find((variable) => variable.type === 'number');
    const lowest = useEnds(dataset.id, dataset.revision).data?.[number?.key ?? '']?.lowest;
    return (
        <form
            className="flex min-w-0 max-w-full flex-wrap items-baseline gap-1.5"
            onSubmit={(event) => {
                event.preventDefault();
                onShow({ where: text.trim() });
            }}
        >
            <input
                aria-label="Condition"
                aria-invalid={isWrong}
                value={text}
                onChange={(event) => setText(event.target.value)}
                onBlur={() => text.trim() !== where && onShow({ where: text.trim() })}
                placeholder={
                    number === undefined || lowest === undefined
                        ? 'only where …'
                        : `only where, say, ${nameInFormula(number.name)} > ${lowest}`
                }
                size={Math.min(60, Math.max(34, text.length))}
                className={`figures max-w-full min-w-0 ${field}`}
            />
            {where !== '' && (
                <button type="button" className="text-small underline underline-offset-4" onClick={() => onShow({ where: '' })}>
                    show all
                </button>
            )}
        </form>
    );
}

function GoTo({ most, onGo }: { most: number; onGo: (place: number) => void }) {
    const [text, setText] = useState('');
    return (
        <form
            onSubmit={(event) => {
                event.preventDefault();
                const row = Math.round(Number(text));
                if (row >= 1) {
                    onGo(Math.min(row, most) - 1);
                }
            }}
        >
            <input
                aria-label="Go to row"
                inputMode="numeric"
                placeholder="go to row"
                value={text}
                size={9}
                onChange={(event) => setText(event.target.value)}
                className={field}
            />
        </form>
    );
}

function Find({ dataset, view, onGo, here }: { dataset: number; view: View; onGo: (place: number) => void; here: () => number }) {
    const [text, setText] = useState('');
    const find = useFind(dataset, view);
    return (
        <form
            className="flex items-center gap-2"
            onSubmit={(event) => {
                event.preventDefault();
                if (text !== '') {
                    find.mutate({ text, from: here() + 1 }, { onSuccess: (place) => place !== null && onGo(place) });
                }
            }}
        >
            <input
                aria-label="Find text"
                type="search"
                placeholder="find"
                value={text}
                size={12}
                onChange={(event) => {
                    setText(event.target.value);
                    find.reset();
                }}
                className={field}
            />
            <span role="status" className="max-w-40">
                {find.isPending && 'looking …'}
                {find.data === null && 'not below here'}
            </span>
        </form>
    );
}
