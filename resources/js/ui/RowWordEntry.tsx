import { WordEntry } from './WordEntry';

/** What a row is called, one and many: sentences about the data use that word. */
export function RowWordEntry({
    words,
    value,
    onChange,
}: {
    /** How it stands in the sentence. */
    words: string;
    /** Such as "hive, hives"; '' = row, rows. */
    value: string;
    onChange: (value: string) => void;
}) {
    return (
        <WordEntry
            name="What a row is"
            words={words}
            value={value}
            help="One word for one and one for many, set apart by a comma: hive, hives. Sentences about the data use them."
            common={[{ value: '', words: 'row, rows' }]}
            onChange={onChange}
        />
    );
}
