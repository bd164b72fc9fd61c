import clsx from 'clsx';
import { Checkbox } from 'radix-ui';
import { useState } from 'react';
import type { FigureChoices } from '../api/client';
import { Button } from '../ui/Button';
import { Tick } from '../ui/Tick';
import { WordPopover } from '../ui/WordPopover';
import { PercentileEntry } from './PercentileEntry';
import { useFigureChanges } from './queries';
import type { Question } from '../asking/question';

/** The keys that are shown: those of the address, else what the account chose last. */
export function chosenFigures(question: Question, choices: FigureChoices): string[] {
    if (question.figures === '') {
        return choices.chosen;
    }
    return question.figures.split(',').flatMap((word) => choices.sets.find((set) => set.key === word)?.figures ?? [word]);
}

/** Which figures are shown: sets, single ones, percentiles. Ticking one more never loses others; the choice is remembered. */
export function FigureChoice({
    question,
    choices,
    onAsk,
}: {
    question: Question;
    choices: FigureChoices;
    onAsk: (change: Partial<Question>) => void;
}) {
    const { choose, keep, forget } = useFigureChanges();
    const [name, setName] = useState('');
    const chosen = chosenFigures(question, choices);
    const all = choices.families.flatMap((family) => family.figures.map((figure) => figure.key));
    const same = (keys: string[]) => keys.length === chosen.length && keys.every((key) => chosen.includes(key));
    const take = (keys: string[]) => {
        const ordered = all.filter((key) => keys.includes(key));
        if (ordered.length > 0) {
            choose.mutate(ordered);
            onAsk({ figures: choices.sets.find((set) => set.figures.join() === ordered.join())?.key ?? ordered.join(',') });
        }
    };
    const named = [...choices.sets, ...choices.own].find((set) => same(set.figures))?.name;
    return (
        <WordPopover
            label={`Figures shown: ${named ?? chosen.length}`}
            words={named ?? `${chosen.length} figures`}
            className="max-h-[min(80vh,var(--radix-popover-content-available-height))] w-180 max-w-[94vw] overflow-y-auto p-4"
        >
            <div className="flex flex-wrap gap-1.5">
                {choices.sets.map((set) => (
                    <Button
                        key={set.key}
                        className={clsx(same(set.figures) && 'border-accent! bg-accent-wash')}
                        onClick={() => take(set.figures)}
                    >
                        {set.name}
                    </Button>
                ))}
                {choices.own.map((set) => (
                    <span key={set.id} className="inline-flex">
                        <Button
                            className={clsx('rounded-r-none!', same(set.figures) && 'border-accent! bg-accent-wash')}
                            onClick={() => take(set.figures)}
                        >
                            {set.name}
                        </Button>
                        <Button
                            aria-label={`Delete the set ${set.name}`}
                            title="Delete this set"
                            className="rounded-l-none! border-l-0! px-2! text-soft"
                            onClick={() => forget.mutate(set.id)}
                        >
                            ×
                        </Button>
                    </span>
                ))}
            </div>
            <PercentileEntry key={question.percentiles} value={question.percentiles} onChange={(percentiles) => onAsk({ percentiles })} />
            <div className="mt-4 columns-3 gap-6 max-md:columns-1">
                {choices.families.map((family) => (
                    <fieldset key={family.name} className="mb-3 break-inside-avoid">
                        <legend className="text-fine font-semibold tracking-wide text-soft">{family.name}</legend>
                        {family.figures.map((figure) => (
                            <label key={figure.key} className="flex items-start gap-2 py-0.5 text-small leading-snug">
                                <Checkbox.Root
                                    checked={chosen.includes(figure.key)}
                                    onCheckedChange={(isOn) =>
                                        take(isOn === true ? [...chosen, figure.key] : chosen.filter((key) => key !== figure.key))
                                    }
                                    className="mt-0.5 grid size-3.5 shrink-0 place-items-center rounded-sm border border-hair-strong bg-surface data-[state=checked]:border-accent data-[state=checked]:bg-accent"
                                >
                                    <Checkbox.Indicator className="text-on-accent">
                                        <Tick />
                                    </Checkbox.Indicator>
                                </Checkbox.Root>
                                <span>
                                    {figure.label} <i className="font-serif text-soft">{figure.symbol}</i>
                                </span>
                            </label>
                        ))}
                    </fieldset>
                ))}
            </div>
            <form
                className="mt-3 flex flex-wrap items-center gap-2 border-t border-hair pt-3 text-small"
                onSubmit={(event) => {
                    event.preventDefault();
                    if (name.trim() !== '') {
                        keep.mutate({ name: name.trim(), figures: chosen });
                        setName('');
                    }
                }}
            >
                <label className="flex items-center gap-2">
                    Keep these {chosen.length} as a set of mine
                    <input
                        value={name}
                        maxLength={80}
                        onChange={(event) => setName(event.target.value)}
                        placeholder="name"
                        className="w-44 rounded-md border border-hair-strong bg-paper px-2 py-1"
                    />
                </label>
                <Button type="submit" disabled={name.trim() === ''}>
                    Keep the set
                </Button>
                {keep.isError && <span role="alert">{keep.error.message}</span>}
            </form>
        </WordPopover>
    );
}
