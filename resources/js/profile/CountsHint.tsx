import { useState } from 'react';
import type { Profile, Variable } from '../api/client';
import type { Question } from './question';

const FEW_VARIABLES = 3;

/** The variable that may say how often each row counts, where it seems to have been forgotten; null = none. */
export function forgottenCounts(profile: Profile, question: Question, variables: Variable[]): Variable | null {
    if (question.counts !== '') {
        return null;
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
    return looksCounted && others.length === 1 ? (others[0] ?? null) : null;
}

/** Asks whether counts were forgotten: one press uses them, another puts the question away for good. */
export function CountsHint({ dataset, counts, onUse }: { dataset: number; counts: Variable; onUse: () => void }) {
    const key = `rowtally.no-counts.${dataset}.${counts.key}`;
    const [isAway, setIsAway] = useState(() => localStorage.getItem(key) !== null);
    if (isAway) {
        return null;
    }
    const look = 'font-semibold text-ink underline decoration-accent decoration-2 underline-offset-4';
    return (
        <p role="status" className="mt-1 flex flex-wrap gap-x-4 text-small">
            <span>
                Each value stands here once. Does <strong className="text-ink">{counts.name}</strong> say how often it occurs?
            </span>
            <button type="button" className={look} onClick={onUse}>
                Use it as counts
            </button>
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
