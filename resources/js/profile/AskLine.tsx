import { useState } from 'react';
import type { Matches } from '../api/client';
import { Button } from '../ui/Button';
import { Trouble } from '../ui/Notice';
import { Notation } from '../ui/Notation';
import { written } from '../ui/numbers';
import { useTypedNumber } from '../ui/TwoReadings';
import { Waiting } from '../ui/Waiting';
import { useMatches, useStanding } from './queries';
import type { Question } from '../asking/question';
import { StatedEntry } from './StatedEntry';

/** Two questions about one variable: where a value stands, and how a figure that one was given may have come about. */
export function AskLine({
    dataset,
    revision,
    question,
    variable,
    unit,
}: {
    dataset: number;
    revision: number;
    question: Question;
    variable: string;
    unit: string | null;
}) {
    const [value, setValue] = useState('');
    const [stated, setStated] = useState('');
    const standing = useStanding(dataset, revision, question, variable, value);
    const matches = useMatches(dataset, revision, question, variable, stated);
    return (
        <div className="mt-5 max-w-4xl border-t border-hair pt-3 text-small">
            <div className="flex flex-wrap gap-x-8 gap-y-2">
                <Entry label="Where does" after={`${unit === null ? '' : `${unit} `}stand?`} action="Show" onUse={setValue} />
                <Entry label="Given a figure of" after="– how did it come about?" action="Match" onUse={setStated} />
            </div>
            <div className="mt-2">
                <StatedEntry dataset={dataset} revision={revision} question={question} variable={variable} />
            </div>
            {standing.isError && <Trouble onRetry={() => void standing.refetch()}>{standing.error.message}</Trouble>}
            {standing.data !== undefined && value !== '' && (
                <p role="status" className="mt-2">
                    <strong>{standing.data.sentence}</strong> <span className="text-soft">{standing.data.counts}.</span>
                </p>
            )}
            {matches.isError && <Trouble onRetry={() => void matches.refetch()}>{matches.error.message}</Trouble>}
            {matches.isFetching && <Waiting what="Searching" />}
            {matches.data !== undefined && stated !== '' && <Found stated={stated} found={matches.data} />}
        </div>
    );
}

function Entry({ label, after, action, onUse }: { label: string; after: string; action: string; onUse: (text: string) => void }) {
    const [typed, setTyped] = useState('');
    const number = useTypedNumber(onUse);
    return (
        <form
            className="flex flex-wrap items-center gap-2 text-soft"
            onSubmit={(event) => {
                event.preventDefault();
                number.take(typed);
            }}
        >
            <label className="flex items-center gap-2">
                {label}
                <input
                    value={typed}
                    inputMode="decimal"
                    onChange={(event) => setTyped(event.target.value)}
                    className="figures w-24 rounded-md border border-hair-strong bg-surface px-2 py-1 text-right text-ink"
                />
                {after}
            </label>
            <Button type="submit" className="py-1!" disabled={typed.trim() === ''}>
                {action}
            </Button>
            {number.question}
        </form>
    );
}

function Found({ stated, found }: { stated: string; found: Matches }) {
    const list = found.matches.length > 0 ? found.matches : found.nearest;
    return (
        <div role="status" className="mt-3">
            {found.read !== null && <p className="mb-1 text-soft">{found.read}</p>}
            <p>
                {found.matches.length > 0 ? (
                    <>
                        <strong className="figures">{written(stated)}</strong> is what{' '}
                        {found.matches.length === 1 ? 'this rounds' : 'these round'} to, the plainest first:
                    </>
                ) : (
                    <>
                        Nothing that was tried rounds to <strong className="figures">{written(stated)}</strong>. The nearest:
                    </>
                )}
            </p>
            <ol className="mt-1.5">
                {list.map((match, i) => (
                    <li key={i} className="border-b border-hair">
                        <details>
                            <summary className="cursor-pointer py-1">
                                <span className="inline-block min-w-64">
                                    {match.label} <i className="font-serif text-soft">{match.symbol}</i>
                                </span>
                                <span className="figures inline-block min-w-44 text-right">{match.value}</span>
                                <span className="ml-4 text-soft">
                                    {match.differences.length === 0 ? 'as on this screen' : match.differences.join(', ')}
                                </span>
                            </summary>
                            <div className="pb-2 pl-5 text-soft">
                                <p>
                                    <Notation>{match.definition}</Notation>
                                </p>
                                {match.lines.map((line, at) => (
                                    <p key={at} className="break-words">
                                        <Notation>{line}</Notation>
                                    </p>
                                ))}
                            </div>
                        </details>
                    </li>
                ))}
            </ol>
        </div>
    );
}
