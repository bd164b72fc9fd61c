import { nameInFormula } from '../api/formula';
import { Button } from '../ui/Button';
import { useDraft } from '../ui/useDraft';
import { WordChoice } from '../ui/WordChoice';
import { beforeAndAfter, numberChoices, type Parts } from './making';
import { Trial } from './Trial';

/** Later minus earlier: which is which is named, and what the sign says is a sentence. */
export function Difference({ dataset, onChange, isBusy }: Parts) {
    const offered = beforeAndAfter(dataset.variables.filter(({ type }) => type === 'number'));
    const { fields, set } = useDraft<{ later: string; earlier: string; good: 'less' | 'more' | 'neither' }>(
        `make ${dataset.id} difference`,
        {
            later: offered?.later ?? '',
            earlier: offered?.earlier ?? '',
            good: 'neither',
        },
    );
    const { later, earlier, good } = fields;
    const choices = numberChoices(dataset);
    // Where nothing belongs together nothing is offered: it is chosen.
    const choicesFor = (chosen: string) => (chosen === '' ? [{ value: '', words: 'choose a variable' }, ...choices] : choices);
    const variableOf = (key: string) => dataset.variables.find((variable) => variable.key === key);
    const [a, b] = [variableOf(later), variableOf(earlier)];
    const formula = a === undefined || b === undefined ? '' : `${nameInFormula(a.name)} - ${nameInFormula(b.name)}`;
    const sides = { less: 'the good direction', more: 'the bad direction', neither: '' };
    const negative = `Negative: less in ${a?.name ?? ''} than in ${b?.name ?? ''}${good === 'neither' ? '' : `, ${sides[good]}`}.`;
    return (
        <>
            <p className="mt-3 leading-loose">
                Later: <WordChoice name="Later" options={choicesFor(later)} value={later} onChange={(key) => set({ later: key })} />
                <br />
                Earlier:{' '}
                <WordChoice name="Earlier" options={choicesFor(earlier)} value={earlier} onChange={(key) => set({ earlier: key })} />{' '}
                <Button className="ml-2 px-2! py-0.5! text-small!" onClick={() => set({ later: earlier, earlier: later })}>
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
                    onChange={(value) => set({ good: value as typeof good })}
                />
            </p>
            {formula !== '' && (
                <p className="mt-1 border-l-3 border-accent pl-3">
                    <bdi>{negative}</bdi>
                </p>
            )}
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
