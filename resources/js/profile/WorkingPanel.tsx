import { AboutIt } from '../ui/AboutIt';
import { useRef } from 'react';
import { usePanelFocus } from '../ui/usePanelFocus';
import { Button } from '../ui/Button';
import { copyText } from '../ui/copying';
import { count } from '../ui/format';
import { Notation } from '../ui/Notation';
import { Notice } from '../ui/Notice';
import { Waiting } from '../ui/Waiting';
import { WordChoice } from '../ui/WordChoice';
import type { Working } from '../api/client';
import { figureName, fullWritten } from './figureCells';
import { type Place, useWorking } from './queries';
import type { Question } from '../asking/question';

/** How one figure came about, beside it: definition, numbers put in, values in order, source, and its other answers. */
export function WorkingPanel({
    dataset,
    revision,
    question,
    place,
    names,
    variable,
    onMove,
    onClose,
}: {
    dataset: number;
    revision: number;
    question: Question;
    place: Place;
    /** Overall, then the groups. */
    names: string[];
    /** Name of the variable. */
    variable: string;
    onMove: (place: Place) => void;
    onClose: () => void;
}) {
    const working = useWorking(dataset, revision, question, place);
    const data = working.data;
    const panel = useRef<HTMLElement>(null);
    usePanelFocus(panel, `${place.variable} ${place.figure}`);
    return (
        <aside
            ref={panel}
            aria-label="Working"
            className="w-105 shrink-0 overflow-y-auto border-l border-hair bg-surface px-5 pt-3 pb-8 max-lg:absolute max-lg:inset-y-0 max-lg:right-0 max-lg:z-10 max-lg:w-full max-lg:max-w-105 max-lg:shadow-lg small:fixed small:inset-0 small:z-15 small:max-w-none"
            onKeyDown={(event) => event.key === 'Escape' && onClose()}
        >
            <div className="flex items-baseline justify-between gap-3">
                <p className="text-small text-soft">
                    Working · <bdi>{variable}</bdi>
                    {names.length > 1 && (
                        <>
                            {' · '}
                            <WordChoice
                                name="Of"
                                options={names.map((name, i) => ({ value: String(i), words: name }))}
                                value={String(place.column)}
                                onChange={(column) => onMove({ ...place, column: Number(column) })}
                            />
                        </>
                    )}
                </p>
                <Button look="quiet" className="-mr-3" onClick={onClose}>
                    Close
                </Button>
            </div>
            {working.isError && <Notice onRetry={() => void working.refetch()}>{working.error.message}</Notice>}
            {working.isPending && <Waiting what="Working it out" />}
            {data !== undefined && (
                <>
                    <h2 className="text-title">{figureName(data)}</h2>
                    <p className="figures mt-1 text-lead">
                        {data.figure.text ?? data.figure.reason}
                        {data.figure.value !== null && (
                            <span className="ml-3 text-small text-soft">in full {fullWritten(data.figure)}</span>
                        )}
                    </p>
                    <p className="mt-1">
                        <AboutIt
                            about={{ kind: 'figure', of: place.figure }}
                            name={data.label}
                            words="When to use it, and how it misleads"
                        />
                    </p>
                    {data.definition !== null && (
                        <Part title="Definition">
                            <Notation>{data.definition}</Notation>
                        </Part>
                    )}
                    {data.lines.length > 0 && (
                        <Part title="With the numbers in it">
                            {data.lines.map((line, i) => (
                                <p key={i} className="text-small break-words">
                                    <Notation>{line}</Notation>
                                </p>
                            ))}
                        </Part>
                    )}
                    {data.order !== null && <Order order={data.order} />}
                    {data.others.map(({ convention, answers }) => (
                        <Part key={convention} title={`${convention} …`}>
                            <table className="w-full border-collapse text-small">
                                <tbody>
                                    {answers.map((answer) => (
                                        <tr key={answer.word} className="border-b border-hair">
                                            <th
                                                scope="row"
                                                className={`py-0.5 pr-3 text-left ${answer.same ? 'font-semibold' : 'font-normal'}`}
                                            >
                                                {answer.words}
                                                {answer.same && <span className="ml-2 text-fine text-accent">in force</span>}
                                            </th>
                                            <td className={`figures py-0.5 text-right ${answer.same ? 'font-semibold' : ''}`}>
                                                {answer.text ?? answer.reason}
                                            </td>
                                        </tr>
                                    ))}
                                </tbody>
                            </table>
                        </Part>
                    ))}
                    {data.source !== null && data.source !== '' && (
                        <Part title="Source">
                            <p className="text-small text-soft">{data.source}</p>
                        </Part>
                    )}
                    <Button className="mt-5" onClick={() => void copyText(data.plain, `the working of ${figureName(data)}`)}>
                        Copy the working
                    </Button>
                </>
            )}
        </aside>
    );
}

function Part({ title, children }: { title: string; children: React.ReactNode }) {
    return (
        <section className="mt-4">
            <h3 className="mb-1 text-fine font-semibold tracking-wide text-soft">{title}</h3>
            {children}
        </section>
    );
}

type Ordered = NonNullable<Working['order']>;

/** The values in order, a cut drawn where it falls: on a value or between two; gaps where values are left out. */
function Order({ order }: { order: Ordered }) {
    const cutAt = (rank: number) => order.cuts.filter((cut) => cut.rank === rank);
    const cutsBetween = (from: number, to: number) => order.cuts.filter((cut) => cut.rank > from && cut.rank < to);
    return (
        <Part title={`The ${count(order.n)} values in order`}>
            <ol className="figures flex flex-wrap items-end gap-x-2 gap-y-3 text-small">
                {order.values.map((value, i) => {
                    const next = order.values[i + 1];
                    const isGap = next !== undefined && next.rank > value.rank + 1;
                    const on = cutAt(value.rank);
                    return (
                        <li key={value.rank} className="flex items-end gap-x-2" title={`rank ${count(value.rank)}`}>
                            <span className={on.length > 0 ? 'border-b-3 border-accent font-semibold' : ''}>
                                {on.map((cut) => (
                                    <span key={cut.name} className="block text-center text-fine leading-none font-semibold text-accent">
                                        {cut.name}
                                    </span>
                                ))}
                                {value.text}
                            </span>
                            {next !== undefined &&
                                cutsBetween(value.rank, next.rank).map((cut) => (
                                    <span
                                        key={cut.name}
                                        className="border-l-3 border-accent pl-1 text-fine leading-none font-semibold text-accent"
                                    >
                                        {cut.name}
                                        <br />
                                        {cut.text}
                                    </span>
                                ))}
                            {isGap && <span className="text-soft">…</span>}
                        </li>
                    );
                })}
            </ol>
        </Part>
    );
}
