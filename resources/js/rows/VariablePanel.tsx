import { useRef, useState } from 'react';
import type { Dataset, Variable, VariableType } from '../api/client';
import { nameInFormula, textInFormula } from '../api/formula';
import { Button } from '../ui/Button';
import { count, counted } from '../ui/format';
import { Notice } from '../ui/Notice';
import { useDraft } from '../ui/useDraft';
import { WordChoice } from '../ui/WordChoice';
import type { ChangeWords } from './changes';
import { LabelList } from './LabelList';
import { useTypeTrial } from './queries';
import type { View } from './view';

export const field = 'w-full rounded-md border border-hair-strong bg-surface px-2 py-1 text-body';

const types: { value: VariableType; words: string }[] = [
    { value: 'number', words: 'number' },
    { value: 'category', words: 'category' },
    { value: 'date', words: 'date' },
    { value: 'id', words: 'id' },
    { value: 'text', words: 'text' },
];

/** All that can be changed about one variable. */
export function VariablePanel({
    dataset,
    variable,
    view,
    onShow,
    onChange,
    isBusy,
}: {
    dataset: Dataset;
    variable: Variable;
    view: View;
    onShow: (change: Partial<View>) => void;
    onChange: (change: ChangeWords) => Promise<boolean>;
    isBusy: boolean;
}) {
    const { fields, unsaved, isUnsaved, set, forget } = useDraft(`variable ${dataset.id} ${variable.key}`, {
        name: variable.name,
        unit: variable.unit ?? '',
        label: variable.label ?? '',
        description: variable.description ?? '',
        marks: variable.missing_marks,
        decimals: variable.shown_decimals === null ? '' : String(variable.shown_decimals),
    });
    const save = async () => {
        if (!isUnsaved) {
            return;
        }
        const { marks, decimals, ...words } = unsaved;
        const isMade = await onChange({
            kind: 'describe-variable',
            variable: variable.key,
            ...words,
            ...(decimals === undefined ? {} : { shown_decimals: decimals === '' ? null : Number(decimals) }),
            ...(marks === undefined ? {} : { missing_marks: marks.filter((mark) => mark !== '') }),
        });
        if (isMade) {
            forget();
        }
    };
    return (
        <>
            <WordChoice
                name="Variable"
                className="max-w-full truncate text-lead"
                options={dataset.variables.map(({ key, name }) => ({ value: key, words: name }))}
                value={variable.key}
                onChange={(key) => onShow({ variable: key })}
            />
            <form
                className="mt-3 space-y-2.5"
                onSubmit={(event) => {
                    event.preventDefault();
                    void save();
                }}
            >
                <Field name="Name" value={fields.name} onChange={(name) => set({ name })} />
                <div className="flex gap-2">
                    {variable.type === 'number' && <Field name="Unit" value={fields.unit} onChange={(unit) => set({ unit })} />}
                    {variable.type === 'number' && (
                        <Field
                            name="Decimals of the data"
                            value={fields.decimals}
                            placeholder={variable.decimals === null ? '' : String(variable.decimals)}
                            onChange={(decimals) => set({ decimals: decimals.replace(/\D/g, '').slice(0, 2) })}
                        />
                    )}
                </div>
                <Field name="Label" value={fields.label} onChange={(label) => set({ label })} />
                <label className="block text-small text-soft">
                    Description
                    <textarea
                        rows={2}
                        className={`${field} text-ink`}
                        value={fields.description}
                        onChange={(event) => set({ description: event.target.value })}
                    />
                </label>
                <Marks marks={fields.marks} onChange={(marks) => set({ marks })} />
                <p className="flex flex-wrap items-center gap-3">
                    <Button type="submit" look="primary" disabled={isBusy}>
                        Save
                    </Button>
                    {isUnsaved && (
                        <>
                            <span className="text-small text-soft">Not saved yet.</span>
                            <Button look="quiet" onClick={forget}>
                                As it was
                            </Button>
                        </>
                    )}
                </p>
            </form>
            {variable.made !== null && (
                <section className="mt-4 border-t border-hair pt-3 text-small">
                    <p>
                        {variable.made.frozen ? 'Was made as' : 'Made as'} <code className="figures">{variable.made.formula}</code>
                        {variable.made.frozen ? '; it no longer follows.' : '; it follows what it is made from.'}
                    </p>
                    {!variable.made.frozen && (
                        <Button
                            className="mt-2"
                            disabled={isBusy}
                            onClick={() => void onChange({ kind: 'freeze-variable', variable: variable.key })}
                        >
                            Freeze its values
                        </Button>
                    )}
                </section>
            )}
            <TypeChoice key={`type ${variable.type}`} dataset={dataset} variable={variable} onChange={onChange} isBusy={isBusy} />
            {variable.type === 'category' && (
                <LabelList key={`labels ${dataset.revision}`} dataset={dataset} variable={variable} onChange={onChange} isBusy={isBusy} />
            )}
            <ShowOnly key={`only ${dataset.revision}`} variable={variable} onShow={onShow} />
            <section className="mt-4 flex gap-2 border-t border-hair pt-3">
                <Button onClick={() => onShow({ hidden: [...view.hidden, variable.key] })}>Hide</Button>
                <Button disabled={isBusy} onClick={() => void onChange({ kind: 'delete-variable', variable: variable.key })}>
                    Delete variable
                </Button>
            </section>
        </>
    );
}

export function Field({
    name,
    value,
    placeholder,
    onChange,
}: {
    name: string;
    value: string;
    placeholder?: string;
    onChange: (value: string) => void;
}) {
    return (
        <label className="block min-w-0 flex-1 text-small text-soft">
            {name}
            <input
                dir="auto"
                className={`${field} text-ink`}
                value={value}
                placeholder={placeholder}
                onChange={(event) => onChange(event.target.value)}
            />
        </label>
    );
}

/** What stands for a missing value, one field a mark. */
function Marks({ marks, onChange }: { marks: string[]; onChange: (marks: string[]) => void }) {
    const more = useRef<HTMLButtonElement>(null);
    return (
        <fieldset className="text-small text-soft">
            <legend>Marks that stand for a missing value</legend>
            <ul className="mt-0.5 space-y-1">
                {marks.map((mark, i) => (
                    <li key={i} className="flex items-center gap-2">
                        <input
                            dir="auto"
                            aria-label={`Missing mark ${i + 1}`}
                            className={`${field} text-ink`}
                            value={mark}
                            onChange={(event) => onChange(marks.map((other, at) => (at === i ? event.target.value : other)))}
                        />
                        <Button
                            look="quiet"
                            aria-label={`Take missing mark ${mark === '' ? i + 1 : mark} out`}
                            onClick={() => {
                                onChange(marks.filter((_, at) => at !== i));
                                more.current?.focus();
                            }}
                        >
                            Take out
                        </Button>
                    </li>
                ))}
            </ul>
            <Button ref={more} className="mt-1 px-2! py-0.5! text-small!" onClick={() => onChange([...marks, ''])}>
                One more mark
            </Button>
        </fieldset>
    );
}

/** Conditions about this variable that need no typing. */
function ShowOnly({ variable, onShow }: { variable: Variable; onShow: (change: Partial<View>) => void }) {
    const [ticked, setTicked] = useState<string[]>([]);
    const name = nameInFormula(variable.name);
    return (
        <section className="mt-4 border-t border-hair pt-3 text-small">
            <h2 className="text-body font-semibold">Show only rows</h2>
            <div className="mt-1.5 flex flex-wrap gap-2">
                <Button className="px-2! py-0.5! text-small!" onClick={() => onShow({ where: `missing(${name})` })}>
                    without a value
                </Button>
                {variable.type === 'number' && (
                    <Button className="px-2! py-0.5! text-small!" onClick={() => onShow({ where: `outlier(${name})` })}>
                        beyond the fences
                    </Button>
                )}
            </div>
            {variable.labels !== null && variable.labels.length > 0 && (
                <>
                    <ul className="mt-2 max-h-48 overflow-y-auto">
                        {variable.labels.map((label) => (
                            <li key={label}>
                                <label className="flex min-h-6 items-center gap-2">
                                    <input
                                        type="checkbox"
                                        className="accent-(--accent)"
                                        checked={ticked.includes(label)}
                                        onChange={(event) =>
                                            setTicked((before) =>
                                                event.target.checked ? [...before, label] : before.filter((other) => other !== label),
                                            )
                                        }
                                    />
                                    <bdi className="truncate">{label}</bdi>
                                </label>
                            </li>
                        ))}
                    </ul>
                    <Button
                        className="mt-1.5 px-2! py-0.5! text-small!"
                        disabled={ticked.length === 0}
                        onClick={() => onShow({ where: ticked.map((label) => `${name} = ${textInFormula(label)}`).join(' or ') })}
                    >
                        with these labels
                    </Button>
                </>
            )}
        </section>
    );
}

/** Another type, after showing what would not be readable under it. */
function TypeChoice({
    dataset,
    variable,
    onChange,
    isBusy,
}: {
    dataset: Dataset;
    variable: Variable;
    onChange: (change: ChangeWords) => Promise<boolean>;
    isBusy: boolean;
}) {
    const [wanted, setWanted] = useState<string | null>(null);
    const trial = useTypeTrial(dataset.id, dataset.revision, variable.key, wanted);
    return (
        <section className="mt-4 border-t border-hair pt-3 text-small">
            Read as{' '}
            <WordChoice
                name="Read as"
                options={types}
                value={wanted ?? variable.type}
                onChange={(type) => setWanted(type === variable.type ? null : type)}
            />
            {wanted !== null && trial.data !== undefined && (
                <div className="mt-2 border-l-3 border-accent pl-3">
                    <p>
                        {trial.data.unread === 0
                            ? 'Every cell can be read so.'
                            : `${counted(trial.data.unread, 'cell')} could not be read and would count as missing:`}
                        {trial.data.labels !== null && ` There would be ${counted(trial.data.labels, 'label')}.`}
                    </p>
                    <ul className="text-soft">
                        {trial.data.first.slice(0, 5).map((cell) => (
                            <li key={cell.row} className="truncate">
                                row <span className="figures">{count(cell.row)}</span>: <bdi>{cell.text}</bdi>
                            </li>
                        ))}
                    </ul>
                    <div className="mt-2 flex gap-2">
                        <Button
                            disabled={isBusy}
                            onClick={() => void onChange({ kind: 'retype-variable', variable: variable.key, type: wanted })}
                        >
                            Read it so
                        </Button>
                        <Button look="quiet" onClick={() => setWanted(null)}>
                            Leave it
                        </Button>
                    </div>
                </div>
            )}
            {trial.isError && <Notice onRetry={() => void trial.refetch()}>{trial.error.message}</Notice>}
        </section>
    );
}
