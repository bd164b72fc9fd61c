import { useState } from 'react';
import type { Profile, Variable } from '../api/client';
import type { Question } from './question';

const FEW_VARIABLES = 3;

/** The variables that may say how often each row counts, where that seems to have been forgotten; mostly none. */
export function forgottenCounts(profile: Profile, question: Question, variables: Variable[]): Variable[] {
    if (question.counts !== '' || question.count_columns !== '') {
        return [];
    }
    const others = variables.filter(
        (variable) => variable.type === 'number' && !question.of.includes(variable.key) && variable.missing === 0,
    );
    const looksCounted = profile.sheets.some(
        (sheet) =>
            sheet.reads_as_classes ||
            // Each value once, and hardly anything beside it: the table of values with their counts.
            (sheet.type === 'number' &&
                variables.length <= FEW_VARIABLES &&
                sheet.frequencies?.kind === 'values' &&
                sheet.frequencies.rows.length > 1 &&
                sheet.frequencies.rows.every((row) => row.counts[0] === 1)),
    );
    return looksCounted && others.length <= FEW_VARIABLES ? others : [];
}

/** Asks whether counts were forgotten: one press uses them, another puts the question away for good. */
export function CountsHint({ dataset, counts, onUse }: { dataset: number; counts: Variable[]; onUse: (key: string) => void }) {
    const key = `rowtally.no-counts.${dataset}.${counts.map((variable) => variable.key).join('.')}`;
    const [isAway, setIsAway] = useState(() => localStorage.getItem(key) !== null);
    if (isAway) {
        return null;
    }
    const look = 'font-semibold text-ink underline decoration-accent decoration-2 underline-offset-4';
    const [only, ...others] = counts;
    return (
        <p role="status" className="mt-1 flex flex-wrap gap-x-4 text-small">
            {only !== undefined && others.length === 0 ? (
                <>
                    <span>
                        Each value stands here once. Does <strong className="text-ink">{only.name}</strong> say how often it occurs?
                    </span>
                    <button type="button" className={look} onClick={() => onUse(only.key)}>
                        Use it as counts
                    </button>
                </>
            ) : (
                <>
                    <span>Each value stands here once. Which says how often it occurs?</span>
                    {counts.map((variable) => (
                        <button key={variable.key} type="button" className={look} onClick={() => onUse(variable.key)}>
                            <bdi>{variable.name}</bdi>
                        </button>
                    ))}
                </>
            )}
            <button
                type="button"
                className={look}
                onClick={() => {
                    localStorage.setItem(key, 'no');
                    setIsAway(true);
                }}
            >
                No, and do not ask again
            </button>
        </p>
    );
}
