import { useState } from 'react';
import type { Reading, ReadingChange } from '../api/client';
import { count } from '../ui/format';
import { RowWordEntry } from '../ui/RowWordEntry';
import { WordChoice } from '../ui/WordChoice';
import type { WordOption } from '../ui/wordOption';

const formats: Record<Reading['format'], string> = {
    text: 'text',
    list: 'a list of values',
    xlsx: 'a workbook (XLSX)',
    ods: 'a workbook (ODS)',
    json: 'JSON',
    'json-lines': 'JSON Lines',
    'data-package': 'a data package',
};

const delimiters: WordOption[] = [
    { value: ',', words: 'commas' },
    { value: ';', words: 'semicolons' },
    { value: '\t', words: 'tabs' },
    { value: '|', words: 'upright bars' },
    { value: ' ', words: 'blanks' },
];

const quotes: WordOption[] = [
    { value: '"', words: 'double quotation marks' },
    { value: "'", words: 'single quotation marks' },
    { value: '', words: 'nothing', sentence: 'A quotation mark is a letter like any other.' },
];

const encodings: WordOption[] = [
    { value: 'utf-8', words: 'UTF-8' },
    { value: 'windows-1252', words: 'Windows-1252' },
    { value: 'iso-8859-1', words: 'Latin-1' },
    { value: 'utf-16le', words: 'UTF-16 LE' },
    { value: 'utf-16be', words: 'UTF-16 BE' },
];

/** So many entries of rows that are left out are named. */
const NAMED = 12;

/** The decisions about the whole table as one sentence; its underlined words are the controls. */
export function ReadingLine({ reading, onDecide }: { reading: Reading; onDecide: (changes: ReadingChange[]) => void }) {
    const decide = (what: string, value: unknown) => onDecide([{ what, value }]);
    const isText = reading.format === 'text';
    return (
        <section
            aria-label="How the file is read"
            className="shrink-0 border-b border-hair px-4.5 py-3 text-lead leading-relaxed text-soft"
        >
            Read as {formats[reading.format]}
            {reading.sheets.length > 1 && (
                <>
                    , sheet{' '}
                    <WordChoice
                        name="Sheet"
                        options={reading.sheets.map((sheet) => ({ value: sheet, words: sheet }))}
                        value={reading.sheet ?? ''}
                        onChange={(sheet) => decide('sheet', sheet)}
                    />
                </>
            )}
            {(reading.format === 'xlsx' || reading.format === 'ods') && (
                <>
                    , cells{' '}
                    <Typed
                        key={reading.range ?? ''}
                        name="Cells"
                        value={reading.range ?? ''}
                        placeholder="all"
                        size={9}
                        onChange={(range) => decide('range', range === '' ? null : range)}
                    />
                </>
            )}
            {isText && (
                <>
                    {' '}
                    in{' '}
                    <WordChoice
                        name="Encoding"
                        options={encodings}
                        value={reading.encoding ?? 'utf-8'}
                        onChange={(encoding) => decide('encoding', encoding)}
                    />
                    , cells set apart by{' '}
                    <WordChoice
                        name="Cells set apart by"
                        options={delimiters}
                        value={reading.delimiter}
                        onChange={(delimiter) => decide('delimiter', delimiter)}
                    />{' '}
                    and quoted by{' '}
                    <WordChoice name="Quoted by" options={quotes} value={reading.quote} onChange={(quote) => decide('quote', quote)} />
                </>
            )}
            {reading.format !== 'list' && (
                <>
                    ; the table begins in line{' '}
                    <Typed
                        key={reading.first_line}
                        name="First line of the table"
                        value={String(reading.first_line)}
                        size={3}
                        onChange={(line) => decide('first_line', Math.max(1, Math.round(Number(line)) || 1))}
                    />{' '}
                    with{' '}
                    <WordChoice
                        name="First line holds"
                        options={[
                            { value: 'names', words: 'names' },
                            { value: 'row', words: 'its first row', sentence: 'The variables are numbered and can be named below.' },
                        ]}
                        value={reading.header ? 'names' : 'row'}
                        onChange={(value) => decide('header', value === 'names')}
                    />
                </>
            )}
            ; the columns are <Shape reading={reading} onDecide={onDecide} />
            {reading.missing.length > 0 && (
                <>
                    ; missing:{' '}
                    {reading.missing.map((mark) => (
                        <Taken
                            key={mark}
                            words={mark}
                            remove={`Do not treat ${mark} as missing`}
                            onRemove={() =>
                                decide(
                                    'missing',
                                    reading.missing.filter((other) => other !== mark),
                                )
                            }
                        />
                    ))}
                </>
            )}
            {reading.leave_out.length > 0 && (
                <>
                    ; left out: rows that begin with{' '}
                    {reading.leave_out.slice(0, NAMED).map((text) => (
                        <Taken
                            key={text}
                            words={text}
                            remove={`Read rows that begin with ${text}`}
                            onRemove={() =>
                                onDecide([
                                    { what: 'leave_out', value: reading.leave_out.filter((other) => other !== text) },
                                    { what: 'leave_out_totals', value: false },
                                ])
                            }
                        />
                    ))}
                    {reading.leave_out.length > NAMED && (
                        <Taken
                            words={`${count(reading.leave_out.length - NAMED)} more such entries`}
                            remove={`Read all of these rows, the ${count(reading.leave_out.length - NAMED)} more such entries too`}
                            onRemove={() =>
                                onDecide([
                                    { what: 'leave_out', value: [] },
                                    { what: 'leave_out_totals', value: false },
                                ])
                            }
                        />
                    )}
                </>
            )}
            ; each row is a{' '}
            <RowWordEntry
                words={reading.row_word?.split(',')[0] ?? 'row'}
                value={reading.row_word ?? ''}
                onChange={(word) => decide('row_word', word === '' ? null : word)}
            />
            .
            {reading.titles.length > 0 && (
                <span className="block truncate text-small" dir="auto">
                    Above the table: {reading.titles.join(' · ')}
                </span>
            )}
        </section>
    );
}

/** Columns as variables, all as one block of values, or some of them stacked. */
function Shape({ reading, onDecide }: { reading: Reading; onDecide: (changes: ReadingChange[]) => void }) {
    const numbers = reading.file_columns
        .map((_, place) => place)
        .filter((place) => reading.shape !== 'columns' || reading.columns[place]?.type === 'number');
    return (
        <>
            <WordChoice
                name="Columns are"
                options={[
                    { value: 'columns', words: 'variables as they stand' },
                    { value: 'block', words: 'one block of values', sentence: 'All cells are values of one variable, read row by row.' },
                    {
                        value: 'stack',
                        words: 'partly one variable, stacked',
                        sentence: 'The columns chosen become a value and the column it came from; the other columns repeat.',
                    },
                    {
                        value: 'limits',
                        words: 'with two that are limits of classes',
                        sentence: 'The two columns chosen, lower and upper limit, become the labels of classes; the other columns stay.',
                    },
                ]}
                value={reading.shape}
                onChange={(shape) =>
                    onDecide([
                        { what: 'shape', value: shape },
                        ...(shape === 'stack' && reading.stacked.length === 0 ? [{ what: 'stacked', value: numbers }] : []),
                        ...(shape === 'limits' ? [{ what: 'stacked', value: numbers.slice(0, 2) }] : []),
                    ])
                }
            />
            {reading.shape !== 'columns' && (
                <>
                    {' '}
                    named{' '}
                    <Typed
                        key={`${reading.shape}${reading.value_name ?? ''}`}
                        name="Name of the values"
                        value={reading.value_name ?? (reading.shape === 'limits' ? (reading.columns.at(-1)?.name ?? '') : 'Value')}
                        size={12}
                        onChange={(name) => onDecide([{ what: 'value_name', value: name }])}
                    />
                </>
            )}
            {(reading.shape === 'stack' || reading.shape === 'limits') && (
                <span className="block text-small">
                    {reading.shape === 'stack' ? 'stacked' : 'limits'}:{' '}
                    {reading.file_columns.map((name, place) => (
                        <label key={place} className="mr-3 inline-flex items-center gap-1.5 whitespace-nowrap">
                            <input
                                type="checkbox"
                                className="accent-(--accent)"
                                checked={reading.stacked.includes(place)}
                                onChange={(event) =>
                                    onDecide([
                                        {
                                            what: 'stacked',
                                            value: event.target.checked
                                                ? [...reading.stacked, place].sort((a, b) => a - b)
                                                : reading.stacked.filter((other) => other !== place),
                                        },
                                    ])
                                }
                            />
                            <bdi>{name}</bdi>
                        </label>
                    ))}
                </span>
            )}
        </>
    );
}

/** A word that is typed; it counts when the field is left or Enter is pressed. */
function Typed({
    name,
    value,
    size,
    placeholder,
    onChange,
}: {
    name: string;
    value: string;
    size: number;
    placeholder?: string;
    onChange: (value: string) => void;
}) {
    const [text, setText] = useState(value);
    const done = () => {
        if (text.trim() !== value) {
            onChange(text.trim());
        }
    };
    return (
        <input
            aria-label={name}
            value={text}
            placeholder={placeholder}
            onChange={(event) => setText(event.target.value)}
            onBlur={done}
            onKeyDown={(event) => event.key === 'Enter' && done()}
            style={{ width: `${Math.max(size, text.length) + 1}ch` }}
            className="border-b-2 border-accent bg-transparent px-0.5 font-semibold text-ink placeholder:text-soft"
        />
    );
}

function Taken({ words, remove, onRemove }: { words: string; remove: string; onRemove: () => void }) {
    return (
        <button
            type="button"
            aria-label={remove}
            title={remove}
            onClick={onRemove}
            className="mr-1.5 rounded-sm border border-hair-strong bg-surface px-1.5 text-body font-semibold text-ink hover:border-accent"
        >
            <bdi>{words}</bdi> <span aria-hidden="true">×</span>
        </button>
    );
}
