import { useState } from 'react';
import type { Dataset } from '../api/client';
import { rowWord } from '../asking/BasisLine';
import { Notice } from '../ui/Notice';
import { WordChoice } from '../ui/WordChoice';
import { WordPopover } from '../ui/WordPopover';
import { fieldKey } from './document';
import { useFields } from './queries';
import { type Sentence, sentencesAbout } from './sentences';

interface About {
    dataset: Dataset;
    base: string;
    first: string | null;
    /** Key of what splits the rows of what the text is about. */
    split: string | null;
    onTake: (sentence: Sentence) => void;
}

/** Common sentences to start from, their gaps filled by what the data say. */
export function SentenceChoice({ onTake, ...about }: About) {
    const [isOpen, setIsOpen] = useState(false);
    return (
        <WordPopover
            label="Begin with a sentence"
            words="Begin with a sentence"
            wordClassName="inline-block min-h-6"
            className="w-140 max-w-[94vw] p-4"
            open={isOpen}
            onOpenChange={setIsOpen}
        >
            <Sentences
                {...about}
                onTake={(sentence) => {
                    setIsOpen(false);
                    onTake(sentence);
                }}
            />
        </WordPopover>
    );
}

function Sentences({ dataset, base, first, split, onTake }: About) {
    const told = dataset.variables.filter(({ type }) => type === 'number' || type === 'category');
    const [chosen, setChosen] = useState(first);
    const variable = told.find(({ key }) => key === chosen) ?? told[0];
    const by = told.find(({ key, type }) => key === split && type === 'category') ?? null;
    const sentences = variable === undefined ? [] : sentencesAbout(variable, by, base, rowWord(dataset)[1]);
    const { shown, error, refetch } = useFields(
        dataset.id,
        dataset.revision,
        sentences.flat().filter((piece) => typeof piece !== 'string'),
    );
    if (variable === undefined) {
        return <p className="text-soft">There is nothing to say yet: the dataset has neither numbers nor categories.</p>;
    }
    return (
        <>
            <p className="text-small text-soft">
                About{' '}
                <WordChoice
                    name="Variable"
                    options={told.map(({ key, name }) => ({ value: key, words: name }))}
                    value={variable.key}
                    onChange={setChosen}
                />
            </p>
            {error !== null && <Notice onRetry={() => void refetch()}>{error.message}</Notice>}
            <ul className="mt-1">
                {sentences.map((sentence, i) => (
                    <li key={i} className="border-b border-hair last:border-b-0">
                        <button type="button" className="w-full py-1.5 text-left hover:bg-accent-wash" onClick={() => onTake(sentence)}>
                            {sentence.map((piece, j) =>
                                typeof piece === 'string' ? (
                                    <bdi key={j}>{piece}</bdi>
                                ) : (
                                    <span key={j} className="border-b border-accent tabular-nums">
                                        {shown.get(fieldKey(piece))?.text ?? '…'}
                                    </span>
                                ),
                            )}
                        </button>
                    </li>
                ))}
            </ul>
        </>
    );
}
