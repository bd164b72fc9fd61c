import { WordChoice } from '../ui/WordChoice';

/** Of paper. */
export type Size = 'a4' | 'letter';

const papers = [
    { value: 'a4', words: 'A4' },
    { value: 'letter', words: 'Letter' },
];

/** What paper a report is set on. */
export function PaperChoice({ value, onChange }: { value: Size; onChange: (size: Size) => void }) {
    return (
        <>
            On paper of{' '}
            <WordChoice name="Paper" options={papers} value={value} onChange={(to) => onChange(to === 'letter' ? 'letter' : 'a4')} />
        </>
    );
}
