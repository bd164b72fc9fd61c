import type { Conventions, Profile, QuartileRule, TakenAs } from '../api/client';
import { count, counted } from '../ui/format';
import { WordChoice } from '../ui/WordChoice';
import type { Question } from './question';

/** The conventions behind every number on the screen, as one sentence; its underlined words are the controls. */
export function BasisLine({
    rows,
    profile,
    question,
    conventions,
    onAsk,
}: {
    rows: number;
    profile: Profile | undefined;
    question: Question;
    conventions: Conventions;
    onAsk: (change: Partial<Question>) => void;
}) {
    return (
        <p
            role="region"
            aria-label="Basis of every figure"
            className="shrink-0 border-b border-hair px-4.5 py-3 text-lead leading-relaxed text-soft"
        >
            {rowsInUse(rows, profile)}, taken as a{' '}
            <WordChoice name="Taken as" options={conventions.as} value={question.as} onChange={(as) => onAsk({ as: as as TakenAs })} />;
            quartiles by{' '}
            <WordChoice
                name="Quartiles by"
                options={conventions.quartiles}
                value={question.quartiles}
                onChange={(rule) => onAsk({ quartiles: rule as QuartileRule })}
            />
            ; no counts; missing left out per variable; shown to one decimal more than the data.
        </p>
    );
}

/** "223 of 236 rows" for a single number variable, "236 rows" otherwise. */
function rowsInUse(rows: number, profile: Profile | undefined): string {
    const only = profile?.sheets.length === 1 ? profile.sheets[0] : undefined;
    const present = only === undefined ? rows : rows - only.missing;
    if (present < rows) {
        return `${count(present)} of ${counted(rows, 'row')}`;
    }
    return rows === 1 ? 'The only row' : `All ${count(rows)} rows`;
}
