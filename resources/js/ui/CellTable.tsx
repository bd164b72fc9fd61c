import { count } from './format';
import type { Cells } from './tables';

const MOST = 200;

/** Cells as a table, its first row the head; of very many rows the first. */
export function CellTable({ name, cells }: { name: string; cells: Cells }) {
    const [head = [], ...rows] = cells;
    return (
        <div className="mt-2 max-w-full overflow-x-auto" tabIndex={0} role="region" aria-label={`Table: ${name}`}>
            <table className="border-collapse text-small">
                <thead>
                    <tr className="border-b border-hair-strong text-soft">
                        {head.map((cell, i) => (
                            <th key={i} scope="col" className={`px-3 py-1 font-normal first:pl-0 ${i === 0 ? 'text-left' : 'text-right'}`}>
                                {cell}
                            </th>
                        ))}
                    </tr>
                </thead>
                <tbody>
                    {rows.slice(0, MOST).map((row, i) => (
                        <tr key={i} className="border-b border-hair">
                            {row.map((cell, k) => (
                                <td key={k} className={`px-3 py-1 first:pl-0 ${k === 0 ? 'text-left' : 'figures text-right'}`}>
                                    {cell}
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
        </div>
    );
}
