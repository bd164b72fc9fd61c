import { Checkbox } from 'radix-ui';
import { useState } from 'react';
import type { Dataset } from '../api/client';
import { Button } from '../ui/Button';
import { Tick } from '../ui/Tick';
import { WordChoice } from '../ui/WordChoice';
import { type Begin as Beginning, useBegin } from './queries';

type Plan = NonNullable<Beginning['plan']>;

const plans: { plan: Plan; words: string; sentence: string; of: string; by: string | null }[] = [
    {
        plan: 'dataset',
        words: 'Describe this dataset',
        sentence: 'What stands out, a line for each variable, then each with its sentence, its picture and its figures.',
        of: 'Of these variables; of all where none is ticked',
        by: null,
    },
    {
        plan: 'variable',
        words: 'One variable in depth',
        sentence: 'One number from all sides: shape, figures, values that stand apart, and whether it looks normal.',
        of: 'Of this number',
        by: null,
    },
    {
        plan: 'groups',
        words: 'Compare groups',
        sentence: 'A number by group: boxes side by side, figures of each, and how two of them differ.',
        of: 'Of these numbers',
        by: 'by groups of',
    },
    {
        plan: 'pairs',
        words: 'Before and after',
        sentence: 'The same rows in two numbers: who rose and who fell, how far, and how sure that is.',
        of: 'Of two numbers, the earlier first',
        by: null,
    },
    {
        plan: 'classes',
        words: 'A table of classes',
        sentence: 'Counts of classes as they came, their picture, and the figures estimated from them.',
        of: 'Of the variable whose labels are classes',
        by: 'with the counts in',
    },
];

/** Nobody begins with an empty page: a plan fills a report for the variables that are ticked. */
export function Begin({ dataset, onBegun }: { dataset: Dataset; onBegun: (report: number) => void }) {
    const begin = useBegin(dataset.id);
    const [plan, setPlan] = useState<Plan>('dataset');
    const [ticked, setTicked] = useState<string[]>([]);
    const [by, setBy] = useState<string | null>(null);
    const chosen = plans.find((one) => one.plan === plan) ?? plans[0];
    const isTold = (type: string) =>
        plan === 'classes' ? type === 'category' : plan === 'dataset' ? ['number', 'category', 'date'].includes(type) : type === 'number';
    const told = dataset.variables.filter(({ type }) => isTold(type));
    const splits = dataset.variables.filter(({ type }) => (plan === 'classes' ? type === 'number' : type === 'category'));
    const split = splits.find(({ key }) => key === by) ?? splits[0];
    const of = ticked.filter((key) => told.some((variable) => variable.key === key));
    const start = (body: Beginning) => begin.mutate(body, { onSuccess: ({ id }) => onBegun(id) });
    return (
        <section aria-labelledby="begin" className="py-6">
            <h2 id="begin" className="text-title">
                Begin a report
            </h2>
            <div role="radiogroup" aria-label="Plan" className="mt-3 grid grid-cols-3 gap-3 max-lg:grid-cols-2 max-sm:grid-cols-1">
                {plans.map((one) => (
                    <label
                        key={one.plan}
                        className="block cursor-pointer rounded-lg border border-hair-strong bg-surface p-3 has-checked:border-accent has-checked:bg-accent-wash has-focus-visible:outline-2"
                    >
                        <input
                            type="radio"
                            name="plan"
                            className="mr-2 accent-accent"
                            checked={one.plan === plan}
                            onChange={() => setPlan(one.plan)}
                        />
                        <span className="font-semibold">{one.words}</span>
                        <span className="mt-1 block text-small text-soft">{one.sentence}</span>
                    </label>
                ))}
            </div>
            <fieldset className="mt-5">
                <legend className="text-small text-soft">{chosen?.of}</legend>
                <div className="mt-1 flex max-h-64 flex-wrap gap-x-5 gap-y-1 overflow-y-auto">
                    {told.map(({ key, name }) => (
                        <label key={key} className="flex min-h-7 items-center gap-2">
                            <Checkbox.Root
                                aria-label={name}
                                checked={of.includes(key)}
                                onCheckedChange={(isOn) =>
                                    setTicked(isOn === true ? [...ticked, key] : ticked.filter((other) => other !== key))
                                }
                                className="flex size-4.5 shrink-0 items-center justify-center rounded-sm border border-hair-strong bg-paper text-accent data-[state=checked]:border-accent"
                            >
                                <Checkbox.Indicator>
                                    <Tick />
                                </Checkbox.Indicator>
                            </Checkbox.Root>
                            <bdi>{name}</bdi>
                        </label>
                    ))}
                    {told.length === 0 && <span className="text-soft">This dataset has none.</span>}
                </div>
            </fieldset>
            {chosen?.by != null && split !== undefined && (
                <p className="mt-3">
                    {chosen.by}{' '}
                    <WordChoice
                        name={plan === 'classes' ? 'Counts' : 'Groups'}
                        options={splits.map(({ key, name }) => ({ value: key, words: name }))}
                        value={split.key}
                        onChange={setBy}
                    />
                </p>
            )}
            <p className="mt-5 flex flex-wrap items-center gap-3">
                <Button
                    look="primary"
                    disabled={begin.isPending}
                    onClick={() =>
                        start({
                            title: dataset.title,
                            plan,
                            of,
                            ...(chosen?.by == null || split === undefined ? {} : { by: split.key }),
                        })
                    }
                >
                    Fill the report
                </Button>
                <Button disabled={begin.isPending} onClick={() => start({ title: dataset.title })}>
                    Begin with an empty one
                </Button>
            </p>
            {begin.isError && (
                <p role="alert" className="mt-3 max-w-2xl border-l-3 border-alarm pl-3">
                    {begin.error.message}
                </p>
            )}
            <p className="mt-4 max-w-3xl text-small text-soft">
                Beside every picture, table and sentence of the profile and of a comparison stands “Keep”: what is kept there comes into the
                report that was changed last, as the question that it answers. Whatever is in a report can be changed, and follows the data.
            </p>
        </section>
    );
}
