import clsx from 'clsx';
import { useState } from 'react';
import type { Reading, ReadingChange, ReadingColumn } from '../api/client';
import { count } from '../ui/format';
import { WordChoice } from '../ui/WordChoice';
import type { WordOption } from '../ui/wordOption';

const types: WordOption[] = [
    { value: 'number', words: 'number' },
    { value: 'category', words: 'category', sentence: 'A label of a group; may split the rows.' },
    { value: 'date', words: 'date' },
    { value: 'id', words: 'id', sentence: 'Names one row each; left out of figures.' },
    { value: 'text', words: 'text' },
];

const numberStyles: WordOption[] = [
    { value: '.|', words: '1234.5' },
    { value: ',|', words: '1234,5' },
    { value: '.|,', words: '1,234.5' },
    { value: ',|.', words: '1.234,5' },
    { value: '.| ', words: '1 234.5' },
    { value: ',| ', words: '1 234,5' },
    { value: ".|'", words: '1’234.5' },
    { value: ",|'", words: '1’234,5' },
];

const dateOrders: WordOption[] = [
    { value: 'ymd', words: 'year, month, day' },
    { value: 'dmy', words: 'day, month, year' },
    { value: 'mdy', words: 'month, day, year' },
    { value: 'time', words: 'time of day' },
];

/** The first rows as they would be read, each column with what was decided about it. */
export function FirstRows({ reading, onDecide }: { reading: Reading; onDecide: (changes: ReadingChange[]) => void }) {
    const canDecide = reading.shape === 'columns';
    return (
        <table className="first-kept border-collapse text-small">
            <thead className="sticky top-0 z-10 bg-paper">
                <tr>
                    <th scope="col" className="border-b border-hair-strong px-3 py-2 text-right align-bottom font-normal text-soft">
                        line
                    </th>
                    {reading.columns.map((column, place) => (
                        <ColumnHead
                            key={`${place}:${column.name}:${column.unit ?? ''}`}
                            column={column}
                            canDecide={canDecide}
                            onDecide={(what, value) => onDecide([{ what, column: place, value }])}
                            onChanges={onDecide}
                            place={place}
                        />
                    ))}
                </tr>
            </thead>
            <tbody>
                {reading.rows.map((row, i) => (
                    <tr key={i} className={clsx('border-b border-hair', row.left_out && 'text-soft line-through')}>
                        <td className="figures px-3 py-1 text-right text-fine text-soft">{count(row.line)}</td>
                        {row.cells.map((cell, place) => (
                            <td
                                key={place}
                                dir="auto"
                                title={row.states[place] === 'unread' ? 'could not be read' : undefined}
                                data-state={row.states[place]}
                                className={clsx(
                                    'max-w-56 truncate px-3 py-1',
                                    reading.columns[place]?.type === 'number' && 'figures text-right',
                                    reading.columns[place]?.take === false && 'text-hair-strong',
                                    row.states[place] === 'unread' &&
                                        'bg-accent-wash font-semibold text-accent underline decoration-wavy underline-offset-3',
                                    row.states[place] === 'missing' && 'text-hair-strong',
                                )}
                            >
                                {row.states[place] === 'missing' && cell === '' ? '·' : cell}
                            </td>
                        ))}
                    </tr>
                ))}
            </tbody>
        </table>
    );
}

function ColumnHead({
    column,
    place,
    canDecide,
    onDecide,
    onChanges,
}: {
    column: ReadingColumn;
    place: number;
    canDecide: boolean;
    onDecide: (what: string, value: unknown) => void;
    onChanges: (changes: ReadingChange[]) => void;
}) {
    const [name, setName] = useState(column.name);
    const [unit, setUnit] = useState(column.unit ?? '');
    if (!canDecide) {
        return (
            <th scope="col" className="border-b border-hair-strong px-3 py-2 text-left align-bottom font-semibold">
                <bdi>{column.name}</bdi>
                <span className="block font-normal text-soft">{column.type}</span>
            </th>
        );
    }
    return (
        <th
            scope="col"
            className={clsx('border-b border-hair-strong px-3 py-2 text-left align-bottom font-normal', !column.take && 'opacity-60')}
        >
            <span className="flex items-center gap-1.5">
                <input
                    type="checkbox"
                    className="accent-(--accent)"
                    aria-label={`Read ${column.name}`}
                    checked={column.take}
                    onChange={(event) => onDecide('take', event.target.checked)}
                />
                <input
                    aria-label={`Name of column ${place + 1}`}
                    value={name}
                    dir="auto"
                    size={Math.min(24, Math.max(6, name.length))}
                    onChange={(event) => setName(event.target.value)}
                    onBlur={() => name.trim() !== '' && name !== column.name && onDecide('name', name.trim())}
                    onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
                    className="border-b border-transparent bg-transparent font-semibold hover:border-hair-strong"
                />
            </span>
            <span className="mt-1 flex items-baseline gap-2 whitespace-nowrap text-soft">
                <WordChoice
                    name={`Type of ${column.name}`}
                    options={types}
                    value={column.type}
                    onChange={(type) => onDecide('type', type)}
                />
                {column.type === 'number' && (
                    <>
                        <WordChoice
                            name={`Numbers in ${column.name}`}
                            options={numberStyles}
                            value={`${column.decimal_mark}|${column.group_mark}`}
                            onChange={(style) =>
                                onChanges([
                                    { what: 'decimal_mark', column: place, value: style.charAt(0) },
                                    { what: 'group_mark', column: place, value: style.slice(2) },
                                ])
                            }
                        />
                        <input
                            aria-label={`Unit of ${column.name}`}
                            placeholder="unit"
                            value={unit}
                            size={Math.max(4, unit.length)}
                            onChange={(event) => setUnit(event.target.value)}
                            onBlur={() => unit.trim() !== (column.unit ?? '') && onDecide('unit', unit.trim())}
                            onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
                            className="border-b border-hair bg-transparent"
                        />
                    </>
                )}
                {column.type === 'date' && (
                    <WordChoice
                        name={`Dates in ${column.name}`}
                        options={dateOrders}
                        value={column.date_order ?? 'ymd'}
                        onChange={(order) => onDecide('date_order', order)}
                    />
                )}
            </span>
        </th>
    );
}
