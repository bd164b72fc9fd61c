import { AboutIt } from '../ui/AboutIt';
import { written } from '../ui/numbers';
import { OneStop } from '../ui/OneStop';
import type { Dataset, Overview, Profile, Variable } from '../api/client';
import { useState } from 'react';
import { Link } from 'wouter';
import { choicesOf, wordsOf } from '../api/conventions';
import { count, counted } from '../ui/format';
import { WordChoice } from '../ui/WordChoice';
import { WordEntry } from '../ui/WordEntry';
import { CountsHint, forgottenCounts } from './CountsHint';
import type { Question } from './question';

const NONE = '';
const LEFT_OUT_SHOWN = 5;

/**
 * The conventions behind every number on the screen, as one sentence; its underlined words are the controls, and the only place
 * where any of them is changed.
 */
export function BasisLine({
    dataset,
    rows,
    rowWord,
    answer,
    question,
    variables,
    aside,
    onAsk,
}: {
    dataset: number;
    rows: number;
    /** What a row is called, one and many. */
    rowWord: [string, string];
    answer: Profile | Overview | undefined;
    question: Question;
    variables: Variable[];
    /** How many rows no figure counts. */
    aside: number;
    onAsk: (change: Partial<Question>) => void;
}) {
    const numbers = variables.filter((variable) => variable.type === 'number' && !question.of.includes(variable.key));
    const unit = variables.find((variable) => variable.key === question.counts)?.unit ?? undefined;
    const [isOpen, setIsOpen] = useState(false);
    const forgotten = answer !== undefined && 'sheets' in answer ? forgottenCounts(answer, question, variables) : [];
    return (
        <div
            role="region"
            data-shortcut="basis"
            aria-label="Basis of every figure"
            className="shrink-0 border-b border-hair px-4.5 py-2.5 text-soft"
        >
            {/* In a small window the sentence is one line that opens. */}
            <button
                type="button"
                aria-expanded={isOpen}
                className="hidden min-h-6 w-full truncate text-left small:block"
                onClick={() => setIsOpen(!isOpen)}
            >
                <span className="border-b-2 border-accent font-semibold text-ink">{isOpen ? 'Close the basis' : 'Basis'}</span>
                {!isOpen &&
                    `: ${rowsInUse(rows, rowWord, answer)}, ${wordsOf('as', question.as)}, quartiles by ${wordsOf('quartiles', question.quartiles)}`}
            </button>
            <OneStop shape="line" className={isOpen ? undefined : 'small:hidden'}>
                <p className="text-lead leading-relaxed">
                    {rowsInUse(rows, rowWord, answer)}, taken as a{' '}
                    <WordChoice name="Taken as" options={choicesOf('as')} value={question.as} onChange={(as) => onAsk({ as })} />; quartiles
                    by{' '}
                    <WordChoice
                        name="Quartiles by"
                        options={choicesOf('quartiles')}
                        value={question.quartiles}
                        onChange={(quartiles) => onAsk({ quartiles })}
                    />
                    ;{question.counts !== NONE && ' counts from'}{' '}
                    <WordChoice
                        name="Counts"
                        options={[
                            { value: NONE, words: 'no counts', sentence: 'Each row counts once.' },
                            ...numbers.map(({ key, name }) => ({
                                value: key,
                                words: name,
                                sentence: 'It says how often each row counts.',
                            })),
                        ]}
                        value={question.counts}
                        onChange={(counts) => onAsk({ counts })}
                    />
                    {question.counts !== NONE && unit !== undefined && `, in ${unit}`};{question.where !== '' && ' rows where'}{' '}
                    <WordEntry
                        name="Rows"
                        words={question.where === '' ? 'all rows' : question.where}
                        value={question.where}
                        help={`A condition on the rows, in names of variables: ${example(variables)}, a = 'label', missing(a), and, or, not.`}
                        common={[{ value: '', words: 'all rows' }]}
                        onChange={(where) => onAsk({ where })}
                    />
                    {aside > 0 && (
                        <>
                            {' '}
                            but{' '}
                            <Link
                                to={`/datasets/${dataset}/rows?${new URLSearchParams({ where: 'not missing("Set aside")' }).toString()}`}
                                className="border-b-2 border-accent font-semibold text-ink"
                            >
                                {count(aside)} set aside
                            </Link>
                        </>
                    )}
                    ; missing{' '}
                    <WordChoice
                        name="Missing"
                        options={choicesOf('missing')}
                        value={question.missing}
                        onChange={(missing) => onAsk({ missing })}
                    />
                    ; fences at{' '}
                    <WordEntry
                        name="Fences"
                        words={`${written(question.fences)} IQR`}
                        isNumber
                        value={question.fences}
                        help="How many interquartile ranges beyond the quartiles a value is called an outlier; far outliers lie twice as far out."
                        common={choicesOf('fences')}
                        onChange={(fences) => onAsk({ fences })}
                    />
                    ; classes{' '}
                    <WordChoice
                        name="Class edges"
                        options={choicesOf('edges').map((edge) => ({
                            ...edge,
                            words: edge.words.split(':')[0] ?? '',
                            sentence: edge.words,
                        }))}
                        value={question.edges}
                        onChange={(edges) => onAsk({ edges })}
                    />
                    ;{' '}
                    <WordEntry
                        name="Confidence level"
                        words={`${written(String(Math.round(Number(question.level) * 1e6) / 1e4))} %`}
                        isNumber
                        value={question.level}
                        help="From 0.5 to 0.999: how often intervals made this way hold the mean."
                        common={choicesOf('level')}
                        onChange={(level) => onAsk({ level })}
                    />{' '}
                    intervals; shown{' '}
                    <WordChoice
                        name="Decimals shown"
                        options={choicesOf('decimals')}
                        value={question.decimals}
                        onChange={(shown) => onAsk({ decimals: shown })}
                    />
                    . <AboutIt about={{ kind: 'convention', of: null }} name="the conventions" words="What these mean" />
                </p>
            </OneStop>
            {forgotten.length > 0 && <CountsHint dataset={dataset} counts={forgotten} onUse={(counts) => onAsk({ counts })} />}
            {answer !== undefined && answer.left_out.total > 0 && (
                <p className="mt-1 text-small text-alarm">
                    {counted(answer.left_out.total, 'row')} left out, because{' '}
                    {answer.left_out.total === 1 ? 'its count is' : 'their counts are'} missing, no number or negative: row{' '}
                    {answer.left_out.first.slice(0, LEFT_OUT_SHOWN).map(count).join(', ')}
                    {answer.left_out.total > LEFT_OUT_SHOWN && ' …'}
                </p>
            )}
        </div>
    );
}

function example(variables: Variable[]): string {
    const number = variables.find((variable) => variable.type === 'number')?.name ?? 'weight';
    return `${/^[\p{L}_]+$/u.test(number) ? number : `"${number}"`} > 40`;
}

/** "223 of 236 rows" for a single variable, "All 236 rows" otherwise. */
function rowsInUse(rows: number, [one, many]: [string, string], answer: Profile | Overview | undefined): string {
    const only = answer !== undefined && 'sheets' in answer && answer.sheets.length === 1 ? answer.sheets[0] : undefined;
    const counting = answer !== undefined && answer.basis.counts !== null;
    const present = only?.frequencies !== undefined && only.frequencies !== null && !counting ? only.frequencies.totals[0] : answer?.rows;
    if (present !== undefined && present < rows) {
        return `${count(present)} of ${counted(rows, one, many)}`;
    }
    return rows === 1 ? `The only ${one}` : `All ${count(rows)} ${many}`;
}

/** What a row of a dataset is called, one and many. */
export function rowWord({ row_one: one, row_many: many }: Dataset): [string, string] {
    return [one ?? 'row', many ?? 'rows'];
}
