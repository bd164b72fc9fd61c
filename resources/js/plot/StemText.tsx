import { useState } from 'react';
import { leafRange } from './stemText';

/** The display as text, to be selected and copied; a leaf under the pointer says which rows are behind it. */
export function StemText({
    text,
    leafUnit,
    labelsOf,
}: {
    text: string;
    leafUnit: string;
    /** What the rows from one value up to the next are called; undefined where leaves of two groups share a line. */
    labelsOf: ((range: { from: string; to: string; isNegative: boolean }) => Promise<string>) | undefined;
}) {
    const [said, setSaid] = useState('');
    const [asked, setAsked] = useState('');
    const ask = (stem: string, leaf: string) => {
        const range = leafRange(stem, leaf, leafUnit);
        const name = `${stem} │ ${leaf}`;
        if (labelsOf !== undefined && range !== null && asked !== name) {
            setAsked(name);
            void labelsOf(range).then((labels) => setSaid(`${name}: ${labels}`));
        }
    };
    return (
        <>
            <pre
                className="figures max-w-full overflow-x-auto px-1 text-small leading-snug"
                onPointerOver={(event) => {
                    const { stem, leaf } = (event.target as HTMLElement).dataset;
                    if (stem !== undefined && leaf !== undefined) {
                        ask(stem, leaf);
                    }
                }}
            >
                {text.split('\n').map((line, i) => {
                    const [, head = line, stem = '', leaves = ''] = /^(.*?([−\d]+) │ )(\d*)$/u.exec(line) ?? [];
                    return (
                        <span key={i}>
                            {head}
                            {[...leaves.matchAll(/(\d)\1*/g)].map(([run, leaf]) => (
                                <span key={leaf} data-stem={stem} data-leaf={leaf} className="hover:bg-accent-wash">
                                    {run}
                                </span>
                            ))}
                            {'\n'}
                        </span>
                    );
                })}
            </pre>
            {labelsOf !== undefined && (
                <p role="status" className="min-h-5 text-fine text-soft">
                    {said}
                </p>
            )}
        </>
    );
}
