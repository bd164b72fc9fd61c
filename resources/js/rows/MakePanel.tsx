import { useState } from 'react';
import { useNavigate } from 'react-router';
import { type Dataset, Refusal } from '../api/client';
import { nameInFormula } from '../api/formula';
import { Button } from '../ui/Button';
import { count } from '../ui/format';
import { WordChoice } from '../ui/WordChoice';
import type { ChangeWords } from './changes';
import { useFormulaTrial, useReread } from './queries';
import { Recode } from './Recode';
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
    const [way, setWay] = useState<Way>('difference');
    const numbers = dataset.variables.filter((variable) => variable.type === 'number');
    const parts = { dataset, onChange, isBusy };
    return (
        <>
            <h2 className="text-lead">
                Make <WordChoice name="Make" options={ways} value={way} onChange={(value) => setWay(value as Way)} />
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
            <NewVariable onChange={onChange} isBusy={isBusy} />
        </>
    );
}

interface Parts {
    dataset: Dataset;
    onChange: (change: ChangeWords) => Promise<boolean>;
    isBusy: boolean;
}

function numberChoices(dataset: Dataset) {
    return dataset.variables.filter(({ type }) => type === 'number').map(({ key, name }) => ({ value: key, words: name }));
}

/** The rows once more before intake, where columns can be put together. */
function Restack({ dataset }: { dataset: Dataset }) {
    const reread = useReread(dataset.id);
    const navigate = useNavigate();
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
                onClick={() => reread.mutate(undefined, { onSuccess: ({ id }) => void navigate(`/imports/${id}`) })}
            >
                Choose the columns
            </Button>
            {reread.isError && <p role="alert">{reread.error.message}</p>}
        </>
    );
}

/** Later minus earlier: which is which is named, and what the sign says is a sentence. */
function Difference({ dataset, onChange, isBusy }: Parts) {
    const choices = numberChoices(dataset);
    const [later, setLater] = useState(choices[1]?.value ?? choices[0]?.value ?? '');
    const [earlier, setEarlier] = useState(choices[0]?.value ?? '');
    const [good, setGood] = useState<'less' | 'more' | 'neither'>('neither');
    const variableOf = (key: string) => dataset.variables.find((variable) => variable.key === key);
    const [a, b] = [variableOf(later), variableOf(earlier)];
    const formula = a === undefined || b === undefined ? '' : `${nameInFormula(a.name)} - ${nameInFormula(b.name)}`;
    const sides = { less: 'the good direction', more: 'the bad direction', neither: '' };
    const negative = `Negative: less in ${a?.name ?? ''} than in ${b?.name ?? ''}${good === 'neither' ? '' : `, ${sides[good]}`}.`;
    return (
        <>
            <p className="mt-3 leading-loose">
                Later: <WordChoice name="Later" options={choices} value={later} onChange={setLater} />
                <br />
                Earlier: <WordChoice name="Earlier" options={choices} value={earlier} onChange={setEarlier} />{' '}
                <Button
                    className="ml-2 px-2! py-0.5! text-small!"
                    onClick={() => {
                        setLater(earlier);
                        setEarlier(later);
                    }}
                >
                    Swap
                </Button>
                <br />
                Good is{' '}
                <WordChoice
                    name="Good is"
                    options={[
                        { value: 'less', words: 'less afterwards' },
                        { value: 'more', words: 'more afterwards' },
                        { value: 'neither', words: 'neither' },
                    ]}
                    value={good}
                    onChange={(value) => setGood(value as typeof good)}
                />
            </p>
            <p className="mt-1 border-l-3 border-accent pl-3">
                <bdi>{negative}</bdi>
            </p>
            <Trial
                key={formula}
                dataset={dataset}
                formula={formula}
                name={a === undefined || b === undefined ? '' : `${a.name} − ${b.name}`}
                unit={a?.unit === b?.unit ? (a?.unit ?? '') : ''}
                description={negative}
                onChange={onChange}
                isBusy={isBusy}
            />
        </>
    );
}

function OfOne({ way, dataset, onChange, isBusy }: Parts & { way: 'rescale' | 'z' | 'classes' }) {
    const choices = numberChoices(dataset);
    const [of, setOf] = useState(choices[0]?.value ?? '');
    const [sign, setSign] = useState('*');
    const [number, setNumber] = useState('10');
    const [start, setStart] = useState('0');
    const [width, setWidth] = useState('10');
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
    const typed = (label: string, value: string, set: (text: string) => void) => (
        <input
            aria-label={label}
            value={value}
            size={6}
            onChange={(event) => set(event.target.value.replace(',', '.'))}
            className={`${field} w-20! inline`}
        />
    );
    return (
        <>
            <p className="mt-3 leading-loose">
                Of <WordChoice name="Of" options={choices} value={of} onChange={setOf} />
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
                            onChange={setSign}
                        />{' '}
                        {typed('Number', number, setNumber)}
                    </>
                )}
                {way === 'classes' && (
                    <>
                        , from {typed('Start', start, setStart)} in steps of {typed('Width', width, setWidth)}; a value on an edge belongs
                        to the class above it
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

function FormulaForm({ dataset, onChange, isBusy }: Parts) {
    const [formula, setFormula] = useState('');
    return (
        <>
            <label className="mt-3 block text-small text-soft">
                Formula
                <textarea
                    rows={3}
                    spellCheck={false}
                    className={`figures ${field} text-ink`}
                    value={formula}
                    onChange={(event) => setFormula(event.target.value)}
                    placeholder='such as  ("Spring weight" - 10) * 2'
                />
            </label>
            <p className="text-fine text-soft">
                + − × / ^ mod, comparisons, and or not; abs sqrt ln log10 exp round floor ceil min max mean sum if missing z rank classes
                outlier. Names with blanks stand in double quotes, texts in single ones.
            </p>
            <Trial dataset={dataset} formula={formula} name="" unit="" description="" onChange={onChange} isBusy={isBusy} />
        </>
    );
}

/** Five rows of what would be made, and the name for it. */
function Trial({
    dataset,
    formula,
    name: initialName,
    unit: initialUnit,
    description,
    onChange,
    isBusy,
}: Parts & { formula: string; name: string; unit: string; description: string }) {
    const [name, setName] = useState(initialName);
    const [unit, setUnit] = useState(initialUnit);
    const trial = useFormulaTrial(dataset.id, dataset.revision, formula);
    const place = trial.error instanceof Refusal ? trial.error.place : null;
    return (
        <>
            {trial.isError && (
                <div role="alert" className="mt-2 border-l-3 border-alarm pl-3 text-small">
                    {place !== null && (
                        <pre className="figures whitespace-pre-wrap">
                            {Array.from(formula).slice(0, place.at).join('')}
                            <mark className="bg-accent-wash text-accent underline decoration-wavy">
                                {Array.from(formula)
                                    .slice(place.at, place.at + Math.max(1, place.length))
                                    .join('') || ' '}
                            </mark>
                            {Array.from(formula)
                                .slice(place.at + Math.max(1, place.length))
                                .join('')}
                        </pre>
                    )}
                    {trial.error.message}
                </div>
            )}
            {trial.data !== undefined && formula !== '' && !trial.isError && (
                <>
                    <div className="mt-3 overflow-x-auto">
                        <table className="text-small whitespace-nowrap">
                            <thead>
                                <tr className="border-b border-hair-strong text-soft">
                                    <th className="pr-3 text-right font-normal">row</th>
                                    {trial.data.inputs.map((input) => (
                                        <th key={input} className="max-w-28 truncate pr-3 text-right font-normal">
                                            <bdi>{input}</bdi>
                                        </th>
                                    ))}
                                    <th className="text-right font-semibold text-ink">result</th>
                                </tr>
                            </thead>
                            <tbody>
                                {trial.data.rows.map((row) => (
                                    <tr key={row.row} className="figures border-b border-hair">
                                        <td className="pr-3 text-right text-soft">{count(row.row)}</td>
                                        {row.inputs.map((cell, i) => (
                                            <td key={i} className="max-w-28 truncate pr-3 text-right">
                                                {cell}
                                            </td>
                                        ))}
                                        <td className="text-right font-semibold">{row.result === '' ? '·' : row.result}</td>
                                    </tr>
                                ))}
                            </tbody>
                        </table>
                    </div>
                    {trial.data.no_result.map((reason) => (
                        <p key={reason} className="mt-1 text-small text-soft">
                            {reason}.
                        </p>
                    ))}
                    <form
                        className="mt-3 space-y-2"
                        onSubmit={(event) => {
                            event.preventDefault();
                            void onChange({ kind: 'make-variable', name, formula, unit, description });
                        }}
                    >
                        <Field name="Name" value={name} onChange={setName} />
                        {trial.data.kind === 'number' && <Field name="Unit" value={unit} onChange={setUnit} />}
                        <Button type="submit" look="primary" disabled={isBusy || name.trim() === ''}>
                            Make it
                        </Button>
                    </form>
                </>
            )}
        </>
    );
}

/** An empty variable, to be typed into. */
function NewVariable({ onChange, isBusy }: Pick<Parts, 'onChange' | 'isBusy'>) {
    const [name, setName] = useState('');
    const [type, setType] = useState('number');
    return (
        <form
            className="mt-6 border-t border-hair pt-3"
            onSubmit={(event) => {
                event.preventDefault();
                void onChange({ kind: 'add-variable', name, type }).then((isDone) => isDone && setName(''));
            }}
        >
            <h3 className="text-small font-semibold">
                Or add an empty{' '}
                <WordChoice
                    name="Type"
                    options={['number', 'category', 'date', 'id', 'text'].map((value) => ({ value, words: value }))}
                    value={type}
                    onChange={setType}
                />
            </h3>
            <div className="mt-2 flex items-end gap-2">
                <Field name="Name of the new variable" value={name} onChange={setName} />
                <Button type="submit" disabled={isBusy || name.trim() === ''}>
                    Add
                </Button>
            </div>
        </form>
    );
}
