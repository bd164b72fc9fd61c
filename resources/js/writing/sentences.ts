import type { FigureField, Variable } from '../api/client';
import { withWords } from './candidates';

/** A sentence to start from: words, and gaps that fill themselves. */
export type Sentence = (string | FigureField)[];

/** So many groups are named in one sentence. */
const MOST_GROUPS = 6;

/** Common sentences about one variable, overall and by what splits the rows. */
export function sentencesAbout(variable: Variable, split: Variable | null, base: string, rows: string): Sentence[] {
    const unit = variable.unit === null ? '' : ` ${variable.unit}`;
    const address = withWords(base, { of: variable.key });
    const of = (figure: string): FigureField => ({ address, figure, group: '' });
    if (variable.type === 'category') {
        const labels = (variable.labels ?? []).slice(0, MOST_GROUPS);
        const count = (label: string, figure: string): FigureField => ({ address, figure, group: JSON.stringify([label]) });
        return [
            labels.flatMap((label, i) => [
                i === 0 ? `Of ${variable.name} ` : i === labels.length - 1 ? ' and ' : ', ',
                count(label, 'label_share'),
                ` are ${label}`,
                ...(i === labels.length - 1 ? ['.'] : []),
            ]),
            ...labels
                .slice(0, 2)
                .map((label): Sentence => [
                    `${label} stands `,
                    count(label, 'label_count'),
                    ' times, in ',
                    count(label, 'label_share'),
                    ` of the ${rows}.`,
                ]),
        ].filter((sentence) => sentence.length > 0);
    }
    const sentences: Sentence[] = [
        ['About ', of('within_1'), ' of ', of('n'), ` ${rows} lie between `, of('minus_1sd'), ' and ', of('plus_1sd'), `${unit}.`],
        [`The mean of ${variable.name} is `, of('mean'), `${unit} (SD `, of('sd'), '), the median ', of('median'), `${unit}.`],
        ['The middle half lies between ', of('q1'), ' and ', of('q3'), `${unit}, all values between `, of('min'), ' and ', of('max'), '.'],
        [of('n'), ` ${rows} have a value, `, of('missing'), ' have none.'],
    ];
    const labels = (split?.labels ?? []).slice(0, MOST_GROUPS);
    if (split !== null && labels.length > 1) {
        const by = withWords(base, { of: variable.key, by: split.key });
        sentences.push(
            labels.flatMap((label, i) => [
                i === 0 ? 'The mean is ' : i === labels.length - 1 ? ' and ' : ', ',
                { address: by, figure: 'mean', group: JSON.stringify([label]) },
                `${unit} in ${label}`,
                ...(i === labels.length - 1 ? ['.'] : []),
            ]),
        );
    }
    return sentences;
}
