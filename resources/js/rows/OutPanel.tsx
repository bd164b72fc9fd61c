import { type MouseEvent, useState } from 'react';
import type { Dataset } from '../api/client';
import { newName } from '../api/once';
import { underway } from '../api/underway';
import { count } from '../ui/format';
import { day, marksInForce, written } from '../ui/numbers';
import { viewWords } from './queries';
import { type View } from './view';

const formats = [
    { format: 'csv', words: 'CSV', sentence: 'Values, in UTF-8. Loses types, units, labels and the order of categories.' },
    { format: 'xlsx', words: 'XLSX', sentence: 'Values and types. A second sheet describes the variables.' },
    { format: 'ods', words: 'ODS', sentence: 'Values and types. A second sheet describes the variables.' },
    { format: 'json', words: 'JSON', sentence: 'A list of objects. Loses units, labels and the order of categories.' },
    { format: 'json-lines', words: 'JSON Lines', sentence: 'One object a line. Loses units, labels and the order of categories.' },
    { format: 'data-package', words: 'Data package', sentence: 'Everything: values, types, units, labels, orders, missing marks.' },
];

/** The data as a file, all of it or what is seen. */
export function OutPanel({ dataset, view }: { dataset: Dataset; view: View }) {
    const [isView, setIsView] = useState(view.where !== '' || view.hidden.length > 0 || view.sort !== '');
    const shown = dataset.variables.filter((variable) => !view.hidden.includes(variable.key));
    const marks = marksInForce();
    const isOwn = marks.decimal !== 'point' || marks.days !== 'year-first';
    const address = (format: string, numbers = '') => {
        const words = new URLSearchParams({ format, ...(numbers === '' ? {} : { numbers }) });
        if (isView) {
            words.set('of', shown.map(({ key }) => key).join(','));
            for (const [name, word] of Object.entries(viewWords(view))) {
                words.set(name, word);
            }
        }
        return `/api/datasets/${dataset.id}/export?${words.toString()}`;
    };
    // A large file is written for a while before the browser has the first of it.
    const follow = (event: MouseEvent<HTMLAnchorElement>) => {
        const name = newName();
        const to = new URL(event.currentTarget.href);
        to.searchParams.set('underway', name);
        event.currentTarget.href = to.href;
        underway.follow(name);
    };
    return (
        <>
            <h2 className="text-lead">Take out</h2>
            <fieldset className="mt-2 space-y-1 text-small">
                <legend className="sr-only">What</legend>
                <label className="flex min-h-6 items-center gap-2">
                    <input type="radio" name="what" className="accent-(--accent)" checked={!isView} onChange={() => setIsView(false)} />
                    all {count(dataset.rows)} rows and {count(dataset.variables.length)} variables, as entered
                </label>
                <label className="flex min-h-6 items-center gap-2">
                    <input type="radio" name="what" className="accent-(--accent)" checked={isView} onChange={() => setIsView(true)} />
                    the rows and variables that are seen, in the order they are seen
                </label>
            </fieldset>
            <ul className="mt-3 border-t border-hair">
                {formats.map(({ format, words, sentence }) => (
                    <li key={format} className="border-b border-hair py-2">
                        <a
                            href={address(format)}
                            download
                            onClick={follow}
                            className="font-semibold text-accent underline underline-offset-4"
                        >
                            {words}
                        </a>
                        {format === 'csv' && isOwn && (
                            <>
                                {' '}
                                or{' '}
                                <a
                                    href={address(format, 'own')}
                                    download
                                    onClick={follow}
                                    className="font-semibold text-accent underline underline-offset-4"
                                >
                                    CSV with my marks
                                </a>
                            </>
                        )}
                        <span className="block text-small text-soft">
                            {sentence}
                            {format === 'csv' &&
                                ` Numbers as 1234.5, days as 2026-03-21${isOwn ? `; with my marks ${written('1234.5', { ...marks, thousands: 'none' })} and ${day('2026-03-21')}${marks.decimal === 'comma' ? ', semicolons between cells' : ''}` : ''}.`}
                        </span>
                    </li>
                ))}
            </ul>
            <p className="mt-3 text-small text-soft">
                Cells that could not be read are written as they stand. In CSV and workbooks, texts that a spreadsheet would run as a
                formula are made harmless.
            </p>
        </>
    );
}
