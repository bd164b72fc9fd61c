import { written } from '../ui/numbers';
import type { Compared, Dataset } from '../api/client';
import { useDataset } from '../api/datasets';
import type { Question } from '../asking/question';
import { Button } from '../ui/Button';
import { WordChoice } from '../ui/WordChoice';
import { WordEntry } from '../ui/WordEntry';
import { WordTicks } from '../ui/WordTicks';
import type { Comparing } from './comparing';
import { useOtherDatasets } from './queries';

const WHAT = [
    { value: 'groups', words: 'groups', sentence: 'Of one variable.' },
    { value: 'variables', words: 'variables', sentence: 'One beside another, whichever their rows.' },
    { value: 'pairs', words: 'the same rows, earlier and later', sentence: 'What changed in each row that has both.' },
    { value: 'datasets', words: 'two datasets', sentence: 'The same variable of both.' },
];

const GOOD = [
    { value: '', words: 'neither direction', sentence: 'Only how they differ is said.' },
    { value: 'more', words: 'more', sentence: 'A difference upwards is called better.' },
    { value: 'fewer', words: 'fewer', sentence: 'A difference downwards is called better.' },
];

const MOST = 8;

/** What is compared, as a sentence whose underlined parts are the controls. */
export function CompareLine({
    dataset,
    question,
    comparing,
    compared,
    onAsk,
}: {
    dataset: Dataset;
    question: Question;
    comparing: Comparing;
    compared: Compared | undefined;
    onAsk: (question: Partial<Question>, comparing?: Partial<Comparing>) => void;
}) {
    const numbers = dataset.variables.filter(({ type }) => type === 'number').map(({ key, name }) => ({ value: key, words: name }));
    const number = (name: string, place: number) => (
        <WordChoice
            name={name}
            options={numbers}
            value={question.of[place] ?? ''}
            onChange={(key) => onAsk({ of: question.of.map((own, i) => (i === place ? key : own)) }, { turned: '' })}
        />
    );
    const { what } = comparing;
    return (
        <div role="region" aria-label="What is compared" className="pb-3">
            <p className="text-lead leading-loose text-soft">
                Compare{' '}
                <WordChoice
                    name="Compare"
                    options={WHAT}
                    value={what}
                    onChange={(next) =>
                        onAsk(asked(next as Comparing['what'], dataset, question), { ...nothing, what: next as Comparing['what'] })
                    }
                />
                {what === 'groups' && (
                    <>
                        {' '}
                        of {number('Variable', 0)} by{' '}
                        <WordChoice
                            name="Split by"
                            options={dataset.variables
                                .filter(({ type, key }) => type === 'category' || (type === 'number' && key !== question.of[0]))
                                .map(({ key, name }) => ({ value: key, words: name }))}
                            value={question.by[0] ?? ''}
                            onChange={(key) => onAsk({ by: [key] }, { groups: [], turned: '' })}
                        />
                        :{' '}
                        <Groups
                            compared={compared}
                            isNamed={comparing.groups.length > 0}
                            onChange={(groups) => onAsk({}, { groups, turned: '' })}
                        />
                    </>
                )}
                {(what === 'variables' || what === 'pairs') && (
                    <>
                        : {number(what === 'pairs' ? 'Earlier' : 'First', 0)} {what === 'pairs' ? 'and then' : 'and'}{' '}
                        {number(what === 'pairs' ? 'Later' : 'Second', 1)}
                    </>
                )}
                {what === 'datasets' && <TwoDatasets {...{ dataset, question, comparing, onAsk, number }} />}.{' '}
                {comparing.what !== '' && (
                    <Button
                        className="mx-1 px-2! py-0.5! text-small"
                        aria-pressed={comparing.turned === 'yes'}
                        onClick={() => onAsk({}, { turned: comparing.turned === 'yes' ? '' : 'yes' })}
                    >
                        The other way round
                    </Button>
                )}{' '}
                Better is{' '}
                <WordChoice
                    name="Better is"
                    options={GOOD}
                    value={comparing.good}
                    onChange={(good) => onAsk({}, { good: good as Comparing['good'] })}
                />
                .
            </p>
            {compared !== undefined && compared.sides.length > 1 && (
                <p className="text-small text-soft">
                    Everything is{' '}
                    <bdi className="font-semibold text-ink">
                        {compared.sides
                            .slice(1)
                            .map(({ name }) => name)
                            .join(', ')}
                    </bdi>{' '}
                    less <bdi className="font-semibold text-ink">{compared.sides[0]?.name}</bdi>, or over it: above 0 where{' '}
                    <bdi>{compared.sides.length === 2 ? compared.sides[1]?.name : 'the other'}</bdi> has more.
                </p>
            )}
        </div>
    );
}

const nothing: Comparing = { what: '', groups: [], good: '', other: '', other_of: '', factor: '', turned: '' };

/** The variables that go with another kind of comparison: those of before, as far as they do. */
function asked(what: Comparing['what'], { variables }: Dataset, question: Question): Partial<Question> {
    const numbers = variables.filter(({ type }) => type === 'number').map(({ key }) => key);
    const of = question.of.filter((key) => numbers.includes(key));
    const first = of[0] ?? numbers[0];
    if (first === undefined) {
        return {};
    }
    if (what === 'variables' || what === 'pairs') {
        const unit = (key: string) => variables.find((variable) => variable.key === key)?.unit;
        const second = of[1] ?? numbers.find((key) => key !== first && unit(key) === unit(first)) ?? numbers.find((key) => key !== first);
        return { of: second === undefined ? [first] : [first, second], by: [] };
    }
    const split = question.by[0] ?? variables.find(({ type }) => type === 'category')?.key;
    return { of: [first], by: what === 'groups' && split !== undefined ? [split] : [] };
}

/** Which group against which; one is against the first, and more may be. */
function Groups({
    compared,
    isNamed,
    onChange,
}: {
    compared: Compared | undefined;
    isNamed: boolean;
    onChange: (groups: string[]) => void;
}) {
    if (compared === undefined) {
        // Groups that are named in the address may be there no more.
        return isNamed ? (
            <Button className="px-2! py-0.5! text-small" onClick={() => onChange([])}>
                Take the first two groups
            </Button>
        ) : (
            '…'
        );
    }
    const sides = compared.sides.map(({ name }) => name);
    const options = compared.groups.map((name) => ({ value: name, words: name }));
    const [first = '', second = '', ...rest] = sides;
    const left = options.filter(({ value }) => value !== first && value !== second);
    return (
        <>
            <WordChoice
                name="Group"
                options={options}
                value={second}
                onChange={(name) =>
                    onChange(name === first ? [second, first, ...rest] : [first, name, ...rest.filter((other) => other !== name)])
                }
            />{' '}
            against{' '}
            <WordChoice
                name="Against"
                options={options}
                value={first}
                onChange={(name) =>
                    onChange(name === second ? [second, first, ...rest] : [name, second, ...rest.filter((other) => other !== name)])
                }
            />
            {left.length > 0 && (
                <>
                    {' '}
                    and{' '}
                    <WordTicks
                        name="More groups"
                        words={rest.length === 0 ? 'no more' : rest.length === 1 ? (rest[0] ?? '') : `${rest.length} more`}
                        help={`Each is compared with ${first}; at most ${MOST} in all.`}
                        options={left}
                        chosen={rest}
                        onChange={(more) => onChange([first, second, ...more.slice(0, MOST - 2)])}
                    />
                </>
            )}
        </>
    );
}

function TwoDatasets({
    dataset,
    comparing,
    onAsk,
    number,
}: {
    dataset: Dataset;
    comparing: Comparing;
    onAsk: (question: Partial<Question>, comparing?: Partial<Comparing>) => void;
    number: (name: string, place: number) => React.ReactNode;
}) {
    const datasets = useOtherDatasets(true);
    const others = (datasets.data ?? []).filter(({ id }) => id !== dataset.id);
    return (
        <>
            : {number('Variable', 0)} here and in{' '}
            <WordChoice
                name="Other dataset"
                options={[
                    ...(comparing.other === '' ? [{ value: '', words: 'choose a dataset' }] : []),
                    ...others.map(({ id, title }) => ({ value: String(id), words: title })),
                ]}
                value={comparing.other}
                onChange={(other) => onAsk({}, { other, other_of: '', factor: '' })}
            />
            {comparing.other !== '' && (
                <>
                    {' '}
                    where it is{' '}
                    <ItsVariable
                        other={Number(comparing.other)}
                        key={comparing.other}
                        value={comparing.other_of}
                        onChange={(other_of) => onAsk({}, { other_of })}
                    />
                    , times{' '}
                    <WordEntry
                        name="Factor"
                        words={comparing.factor === '' ? '1' : written(comparing.factor)}
                        isNumber
                        value={comparing.factor}
                        help="What values there are multiplied by, where their unit is another: 0.4536 turns pounds into kilograms."
                        common={[{ value: '', words: '1' }]}
                        onChange={(factor) => onAsk({}, { factor })}
                    />
                </>
            )}
        </>
    );
}

/** Which variable of the other dataset is compared: the one of the same name, unless another is chosen. */
function ItsVariable({ other, value, onChange }: { other: number; value: string; onChange: (key: string) => void }) {
    const there = useDataset(other);
    const numbers = (there.data?.variables ?? []).filter(({ type }) => type === 'number');
    return (
        <WordChoice
            name="Its variable there"
            options={[
                { value: '', words: 'of the same name' },
                ...numbers.map(({ key, name, unit }) => ({ value: key, words: unit === null ? name : `${name} (${unit})` })),
            ]}
            value={value}
            onChange={onChange}
        />
    );
}
