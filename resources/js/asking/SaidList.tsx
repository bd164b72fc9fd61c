import { AboutIt } from '../ui/AboutIt';
import { written } from '../ui/numbers';
import { OneStop } from '../ui/OneStop';
import clsx from 'clsx';
import { useId, useState } from 'react';
import type { Said } from '../api/client';
import { Button } from '../ui/Button';
import { useKeep } from '../ui/keeping';

/** What the figures say, the heaviest first: each opens to its rule, can be edited, and kept. */
export function SaidList({
    readings,
    shown,
    titleOf,
    variable,
}: {
    readings: Said[];
    shown: number;
    titleOf: (reading: Said) => string;
    /** Key of what they are said of; null = of what is compared. */ variable: string | null;
}) {
    const [isWhole, setIsWhole] = useState(false);
    const more = readings.length - shown;
    return (
        <>
            <OneStop>
                <ul className="max-w-3xl">
                    {(isWhole ? readings : readings.slice(0, shown)).map((reading) => (
                        <Sentence
                            key={`${reading.key} ${reading.column ?? ''} ${reading.sentence}`}
                            reading={reading}
                            title={titleOf(reading)}
                            variable={variable}
                        />
                    ))}
                </ul>
            </OneStop>
            {more > 0 && (
                <Button look="quiet" className="px-0! py-1! text-small" aria-expanded={isWhole} onClick={() => setIsWhole(!isWhole)}>
                    {isWhole ? 'Only the weightiest' : `${more} more`}
                </Button>
            )}
        </>
    );
}

function Sentence({ reading, title, variable }: { reading: Said; title: string; variable: string | null }) {
    const keep = useKeep();
    const [isOpen, setIsOpen] = useState(false);
    const [edited, setEdited] = useState<string | null>(null);
    const why = useId();
    const sentence = edited?.trim() ?? reading.sentence;
    const said = reading.column === null ? reading.sentence : `${reading.column}: ${reading.sentence}`;
    const of = variable === null ? {} : { of: variable };
    const named = { key: reading.key, column: reading.column, variable, said };
    return (
        <li className="mt-1.5 border-l-3 border-hair-strong pl-3" data-reading={reading.key}>
            {edited === null ? (
                <p>
                    {reading.column !== null && (
                        <bdi className="font-semibold">
                            {reading.column}
                            {': '}
                        </bdi>
                    )}
                    <span dir="auto">{reading.sentence}</span>{' '}
                    <span className="inline-flex flex-wrap gap-x-3 text-small print:hidden">
                        <Quiet isOpen={isOpen} controls={why} onPress={() => setIsOpen(!isOpen)} about={reading}>
                            Why
                        </Quiet>
                        {keep !== null && (
                            <>
                                <Quiet
                                    onPress={() => keep({ kind: 'readings', title, ...of, readings: [{ ...named, own: null }] })}
                                    about={reading}
                                >
                                    Keep
                                </Quiet>
                                <Quiet onPress={() => setEdited(said)} about={reading}>
                                    Edit
                                </Quiet>
                            </>
                        )}
                    </span>
                </p>
            ) : (
                <form
                    onSubmit={(event) => {
                        event.preventDefault();
                        keep?.({ kind: 'readings', title, ...of, readings: [{ ...named, own: sentence }] });
                        setEdited(null);
                    }}
                >
                    <textarea
                        aria-label={`In your words: ${reading.sentence}`}
                        autoFocus
                        required
                        rows={2}
                        maxLength={2000}
                        value={edited}
                        onChange={(event) => setEdited(event.target.value)}
                        className="w-full rounded-md border border-hair-strong bg-surface px-2 py-1"
                    />
                    <p className="flex gap-2 text-small">
                        <Button type="submit" look="primary" className="px-2! py-0.5!" disabled={sentence === ''}>
                            Keep it so
                        </Button>
                        <Button look="quiet" className="px-2! py-0.5!" onClick={() => setEdited(null)}>
                            Leave it as it was
                        </Button>
                    </p>
                </form>
            )}
            <div id={why} hidden={!isOpen} className="py-1 text-small text-soft">
                <p>Said when: {reading.rule}</p>
                <p>Source: {reading.source}.</p>
                <AboutIt about={{ kind: 'reading', of: reading.key }} name={reading.sentence} words="How it misleads" />
                <dl className="mt-1 grid w-fit grid-cols-[auto_auto] gap-x-4">
                    {Object.entries(reading.figures).map(([name, value]) => (
                        <div key={name} className="contents">
                            <dt>{name.replaceAll('_', ' ')}</dt>
                            <dd className="figures text-right">{value === null ? 'undefined' : written(String(value))}</dd>
                        </div>
                    ))}
                </dl>
            </div>
        </li>
    );
}

function Quiet({
    isOpen,
    controls,
    onPress,
    about,
    children,
}: {
    isOpen?: boolean;
    controls?: string;
    onPress: () => void;
    about: Said;
    children: string;
}) {
    return (
        <button
            type="button"
            aria-expanded={isOpen}
            aria-controls={controls}
            aria-label={`${children}: ${about.sentence}`}
            className={clsx('font-semibold text-accent underline-offset-4 hover:underline', isOpen === true && 'underline')}
            onClick={onPress}
        >
            {children}
        </button>
    );
}
