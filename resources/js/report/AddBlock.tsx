import { useState } from 'react';
import type { Dataset, NewBlock } from '../api/client';
import { Button } from '../ui/Button';
import { WordChoice } from '../ui/WordChoice';
import { WordPopover } from '../ui/WordPopover';
import { WordTicks } from '../ui/WordTicks';

type Kind = 'figures' | 'picture' | 'frequencies' | 'overview' | 'readings' | 'comparison' | 'rows';

const kinds: { value: Kind; words: string; sentence: string }[] = [
    { value: 'figures', words: 'figures', sentence: 'Of one or more numbers, overall and by group.' },
    { value: 'picture', words: 'a picture', sentence: 'Of one variable, overall and by group.' },
    { value: 'frequencies', words: 'frequencies', sentence: 'How often each label, value or class occurs; two ways by group.' },
    { value: 'overview', words: 'an overview', sentence: 'A line for each variable.' },
    { value: 'readings', words: 'what the figures say', sentence: 'The heaviest sentences, which follow the data.' },
    { value: 'comparison', words: 'a comparison', sentence: 'Two groups of a number against each other.' },
    { value: 'rows', words: 'the rows set aside', sentence: 'With their reasons.' },
];
const pictures = [
    { value: 'stack', words: 'the stack of dots, bars and box' },
    { value: 'boxes', words: 'box plots' },
    { value: 'stems', words: 'stems and leaves' },
    { value: 'dots', words: 'a dot plot' },
    { value: 'qq', words: 'a normal Q–Q plot' },
    { value: 'steps', words: 'the share at or below each value' },
    { value: 'labels', words: 'bars of labels' },
];
const NO_SPLIT = '';

/** A block that was not kept anywhere: of what, by what. */
export function AddBlock({ dataset, onAdd }: { dataset: Dataset; onAdd: (block: NewBlock) => void }) {
    const [isOpen, setIsOpen] = useState(false);
    const [kind, setKind] = useState<Kind>('figures');
    const [picture, setPicture] = useState('stack');
    const [of, setOf] = useState<string[]>([]);
    const [by, setBy] = useState(NO_SPLIT);
    const isLabels = kind === 'picture' && picture === 'labels';
    const told = dataset.variables.filter(({ type }) =>
        kind === 'figures' || kind === 'comparison' || (kind === 'picture' && !isLabels)
            ? type === 'number'
            : isLabels
              ? type === 'category'
              : type === 'number' || type === 'category',
    );
    const isOne = kind === 'picture' || kind === 'frequencies' || kind === 'comparison';
    const own = of.filter((key) => told.some((variable) => variable.key === key));
    const chosen = own.length > 0 ? own : told.slice(0, 1).map(({ key }) => key);
    const splits = dataset.variables.filter(({ type, key }) => type === 'category' && !(isOne && key === chosen[0]));
    const split = splits.some(({ key }) => key === by) ? by : kind === 'comparison' ? (splits[0]?.key ?? NO_SPLIT) : NO_SPLIT;
    const hasOf = kind !== 'rows' && kind !== 'overview';
    const nameOf = (key: string | undefined) => dataset.variables.find((variable) => variable.key === key)?.name ?? '';
    const add = () => {
        const words = new URLSearchParams();
        if (kind === 'rows') {
            words.set('where', 'not missing("Set aside")');
        }
        if (kind === 'comparison') {
            words.set('what', 'groups');
        }
        if (hasOf) {
            words.set('of', (isOne ? chosen.slice(0, 1) : chosen).join(','));
        }
        if (split !== NO_SPLIT && hasOf) {
            words.set('by', split);
        }
        const title =
            kind === 'rows'
                ? 'Rows set aside'
                : kind === 'overview'
                  ? 'Overview'
                  : kind === 'readings'
                    ? ''
                    : chosen.map(nameOf).join(', ');
        onAdd({
            kind,
            title: title.slice(0, 200),
            address: words.toString(),
            ...(kind === 'picture' ? { picture } : {}),
            ...(kind === 'comparison' ? { place: 'compare' as const } : {}),
        });
        setIsOpen(false);
    };
    return (
        <WordPopover
            label="Add from the data"
            words="Add from the data"
            className="w-110 max-w-[94vw] p-4"
            wordClassName="inline-block min-h-6"
            open={isOpen}
            onOpenChange={setIsOpen}
        >
            <p className="leading-8">
                Add <WordChoice name="What is added" options={kinds} value={kind} onChange={(to) => setKind(to as Kind)} />
                {kind === 'picture' && (
                    <>
                        , <WordChoice name="Picture" options={pictures} value={picture} onChange={setPicture} />,
                    </>
                )}
                {hasOf && told.length > 0 && (
                    <>
                        {' of '}
                        {isOne ? (
                            <WordChoice
                                name="Variable"
                                options={told.map(({ key, name }) => ({ value: key, words: name }))}
                                value={chosen[0] ?? ''}
                                onChange={(key) => setOf([key])}
                            />
                        ) : (
                            <WordTicks
                                name="Variables"
                                words={chosen.map(nameOf).join(', ')}
                                help="Ticked ones stand beside one another."
                                options={told.map(({ key, name }) => ({ value: key, words: name }))}
                                chosen={chosen}
                                onChange={setOf}
                            />
                        )}
                    </>
                )}
                {hasOf && splits.length > 0 && (
                    <>
                        {', '}
                        <WordChoice
                            name="Groups"
                            options={[
                                ...(kind === 'comparison' ? [] : [{ value: NO_SPLIT, words: 'all rows together' }]),
                                ...splits.map(({ key, name }) => ({ value: key, words: `by ${name}` })),
                            ]}
                            value={split}
                            onChange={setBy}
                        />
                    </>
                )}
                .
            </p>
            {hasOf && told.length === 0 && <p className="text-small text-soft">This dataset has no variable for it.</p>}
            {kind === 'comparison' && splits.length === 0 && (
                <p className="text-small text-soft">There is no category to make groups by.</p>
            )}
            <p className="mt-3">
                <Button
                    look="primary"
                    disabled={(hasOf && told.length === 0) || (kind === 'comparison' && split === NO_SPLIT)}
                    onClick={add}
                >
                    Add it
                </Button>
            </p>
        </WordPopover>
    );
}
