import clsx from 'clsx';
import { count } from './format';
import { type Cells, partsForPaper } from './tables';

const MOST = 200;

/** Cells as a table, its first row the head; of very many rows the first. On paper a wide one stands in parts below each other. */
export function CellTable({ name, cells }: { name: string; cells: Cells }) {
    const parts = partsForPaper(cells);
    return (
        <>
            <div
                className={clsx('mt-2 max-w-full overflow-x-auto print:overflow-visible', parts !== null && 'print:hidden')}
                tabIndex={0}
                role="region"
                aria-label={`Table: ${name}`}
            >
                <Whole cells={cells} />
            </div>
            {parts?.map((part, i) => (
                <div key={i} className="mt-3 hidden print:block">
                    <Whole cells={part} />
                </div>
            ))}
        </>
    );
}

function Whole({ cells }: { cells: Cells }) {
    const [head = [], ...rows] = cells;
    return (
        <>
            <table className="first-kept border-collapse text-small">
                <thead>
                    <tr className="border-b border-hair-strong text-soft">
                        {head.map((cell, i) => (
                            <th key={i} scope="col" className={`px-3 py-1 font-normal first:pl-0 ${i === 0 ? 'text-left' : 'text-right'}`}>
                                {withSymbols(cell)}
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {rows.slice(0, MOST).map((row, i) => (
                        <tr key={i} className="border-b border-hair">
                            {row.map((cell, k) => (
                                <td key={k} className={`px-3 py-1 first:pl-0 ${k === 0 ? 'text-left' : 'figures text-right'}`}>
                                    {k === 0 ? withSymbols(cell) : cell}
                                </td>
                            ))}
                        </tr>
                    ))}
                </tbody>
            </table>
            {rows.length > MOST && (
                <p className="py-1 text-fine text-soft">
                    The first {MOST} of {count(rows.length)} rows.
                </p>
            )}
        </>
    );
}

/** x̄ and x̃ in the face that has the letter and its mark as one. */
function withSymbols(text: string) {
    return text.split(/(x[\u0303\u0304])/).map((part, i) =>
        i % 2 === 0 ? (
            part
        ) : (
            <i key={i} className="font-serif">
                {part}
            </i>
        ),
    );
}
