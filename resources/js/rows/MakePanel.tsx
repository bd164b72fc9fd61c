import { useState } from 'react';
import { useTypedNumber } from '../ui/TwoReadings';
import { readTyped, written } from '../ui/numbers';
import { useLocation } from 'wouter';
import type { Dataset } from '../api/client';
import { nameInFormula } from '../api/formula';
import { Button } from '../ui/Button';
import { useDraft } from '../ui/useDraft';
import { WordChoice } from '../ui/WordChoice';
import type { ChangeWords } from './changes';
import { Difference } from './Difference';
import { numberChoices, type Parts } from './making';
import { useReread } from './queries';
import { Recode } from './Recode';
import { Trial } from './Trial';
import { Field, field } from './VariablePanel';

type Way = 'formula' | 'difference' | 'rescale' | 'z' | 'classes' | 'recode' | 'stack';

const ways: { value: Way; words: string; sentence: string }[] = [
    { value: 'difference', words: 'a difference', sentence: 'Later minus earlier, with what its sign means.' },
    { value: 'rescale', words: 'another scale', sentence: 'Times or divided by a number, such as per 1,000.' },
    { value: 'z', words: 'z-scores', sentence: 'How many standard deviations each value lies from the mean.' },
    { value: 'classes', words: 'classes of a number', sentence: 'Each value becomes the class that it falls into.' },
    { value: 'recode', words: 'fewer categories', sentence: 'Labels of a category put together.' },
    { value: 'stack', words: 'one variable of several columns', sentence: 'Stacked, or as one block of values: a dataset of its own.' },
    { value: 'formula', words: 'a formula', sentence: 'Any arithmetic over the variables of a row.' },
];

/** New variables out of those that are there; each shows five rows before it is made. */
export function MakePanel({
    dataset,
    onChange,
    isBusy,
}: {
    dataset: Dataset;
    onChange: (change: ChangeWords) => Promise<boolean>;
    isBusy: boolean;
}) {
    const { fields, set } = useDraft<{ way: Way }>(`make ${dataset.id}`, { way: 'difference' });
    const { way } = fields;
    const numbers = dataset.variables.filter((variable) => variable.type === 'number');
    const parts = { dataset, onChange, isBusy };
    return (
        <>
            <h2 className="text-lead">
                Make <WordChoice name="Make" options={ways} value={way} onChange={(value) => set({ way: value as Way })} />
            </h2>
            {way === 'formula' ? (
                <FormulaForm {...parts} />
            ) : way === 'stack' ? (
                <Restack dataset={dataset} />
            ) : way === 'recode' ? (
                <Recode {...parts} />
            ) : numbers.length === 0 ? (
                <p className="mt-3 text-soft">There is no number variable to make it from.</p>
            ) : way === 'difference' ? (
                <Difference {...parts} />
            ) : (
                <OfOne key={way} way={way} {...parts} />
            )}
            <NewVariable dataset={dataset} onChange={onChange} isBusy={isBusy} />
        </>
    );
}

/** The rows once more before intake, where columns can be put together. */
function Restack({ dataset }: { dataset: Dataset }) {
    const reread = useReread(dataset.id);
    const [, navigate] = useLocation();
    return (
        <>
            <p className="mt-3">
                The rows go through intake once more: there, say which columns are one variable. They become a dataset of their own; this
                one stays as it is.
            </p>
            <Button
                className="mt-3"
                look="primary"
                disabled={reread.isPending}
                onClick={() => reread.mutate(undefined, { onSuccess: ({ id }) => navigate(`/imports/${id}`) })}
            >
                Choose the columns
            </Button>
            {reread.isError && <p role="alert">{reread.error.message}</p>}
        </>
    );
}

function OfOne({ way, dataset, onChange, isBusy }: Parts & { way: 'rescale' | 'z' | 'classes' }) {
    const choices = numberChoices(dataset);
    const { fields, set } = useDraft(`make ${dataset.id} ${way}`, {
        of: choices[0]?.value ?? '',
        sign: '*',
        number: '10',
        start: '0',
        width: '10',
    });
    const { sign, number, start, width } = fields;
    // The variable of a draft may be gone.
    const of = (choices.find(({ value }) => value === fields.of) ?? choices[0])?.value ?? '';
    const variable = dataset.variables.find(({ key }) => key === of);
    const name = variable === undefined ? '' : nameInFormula(variable.name);
    const made = {
        rescale: {
            formula: number === '' ? '' : `${name} ${sign} ${number}`,
            name: `${variable?.name ?? ''} ${sign === '*' ? '×' : '÷'} ${number}`,
            unit: '',
        },
        z: { formula: `z(${name})`, name: `z of ${variable?.name ?? ''}`, unit: '' },
        classes: {
            formula: start === '' || width === '' ? '' : `classes(${name}, ${start}, ${width})`,
            name: `${variable?.name ?? ''} in classes`,
            unit: '',
        },
    }[way];
    const typed = (label: string, name: 'number' | 'start' | 'width') => (
        <TypedNumber label={label} plain={fields[name]} onUse={(plain) => set({ [name]: plain })} />
    );
    return (
        <>
            <p className="mt-3 leading-loose">
                Of <WordChoice name="Of" options={choices} value={of} onChange={(key) => set({ of: key })} />
                {way === 'rescale' && (
                    <>
                        {' '}
                        <WordChoice
                            name="Scale"
                            options={[
                                { value: '*', words: 'times' },
                                { value: '/', words: 'divided by' },
                            ]}
                            value={sign}
                            onChange={(chosen) => set({ sign: chosen })}
                        />{' '}
                        {typed('Number', 'number')}
                    </>
                )}
                {way === 'classes' && (
                    <>
                        , from {typed('Start', 'start')} in steps of {typed('Width', 'width')}; a value on an edge belongs to the class
                        above it
                    </>
                )}
            </p>
            <Trial
                key={made.formula}
                dataset={dataset}
                formula={made.formula}
                name={made.name}
                unit={made.unit}
                description=""
                onChange={onChange}
                isBusy={isBusy}
            />
        </>
    );
}

/** A number in a sentence, taken while it is typed, in anybody's marks. */
function TypedNumber({ label, plain, onUse }: { label: string; plain: string; onUse: (plain: string) => void }) {
    const [text, setText] = useState(written(plain));
    const number = useTypedNumber((next) => {
        setText(written(next));
        onUse(next);
    });
    return (
        <>
            <input
                aria-label={label}
                value={text}
                size={6}
                onChange={(event) => {
                    const read = readTyped(event.target.value);
                    setText(event.target.value);
                    onUse(read !== null && 'plain' in read ? read.plain : '');
                }}
                onBlur={() => text.trim() !== '' && number.take(text)}
                className={`${field} w-20! inline`}
            />
            {number.question}
        </>
    );
}

function FormulaForm({ dataset, onChange, isBusy }: Parts) {
    const draft = useDraft(`make ${dataset.id} formula`, { formula: '' });
    const { formula } = draft.fields;
    return (
        <>
            <label className="mt-3 block text-small text-soft">
                Formula
                <textarea
                    rows={3}
                    spellCheck={false}
                    className={`figures ${field} text-ink`}
                    value={formula}
                    onChange={(event) => draft.set({ formula: event.target.value })}
                    placeholder='such as  ("Spring weight" - 10) * 2'
                />
            </label>
            <p className="text-fine text-soft">
                + − × / ^ mod, comparisons, and or not; abs sqrt ln log10 exp round floor ceil min max mean sum if missing z rank classes
                outlier. Names with blanks stand in double quotes, texts in single ones.
            </p>
            <Trial
                place="formula"
                dataset={dataset}
                formula={formula}
                name=""
                unit=""
                description=""
                onChange={onChange}
                onMade={draft.forget}
                isBusy={isBusy}
            />
        </>
    );
}

/** An empty variable, to be typed into. */
function NewVariable({ dataset, onChange, isBusy }: Parts) {
    const { fields, set, forget } = useDraft(`make ${dataset.id} empty`, { name: '', type: 'number' });
    const { name, type } = fields;
    return (
        <form
            className="mt-6 border-t border-hair pt-3"
            onSubmit={(event) => {
                event.preventDefault();
                void onChange({ kind: 'add-variable', name, type }).then((isDone) => isDone && forget());
            }}
        >
            <h3 className="text-small font-semibold">
                Or add an empty{' '}
                <WordChoice
                    name="Type"
                    options={['number', 'category', 'date', 'id', 'text'].map((value) => ({ value, words: value }))}
                    value={type}
                    onChange={(chosen) => set({ type: chosen })}
                />
            </h3>
            <div className="mt-2 flex items-end gap-2">
                <Field name="Name of the new variable" value={name} onChange={(text) => set({ name: text })} />
                <Button type="submit" disabled={isBusy || name.trim() === ''}>
                    Add
                </Button>
            </div>
        </form>
    );
}
