import { Link } from 'wouter';
import type { DatasetSummary } from '../api/client';
import { Leaving, Sharing } from '../asking/Sharing';
import { count, moment } from '../ui/format';
import { DeleteDataset } from './DeleteDataset';

const numberCell = 'figures px-3 py-2.5 text-right whitespace-nowrap';

/** All datasets of the account, the latest change first. */
export function DatasetList({ datasets }: { datasets: DatasetSummary[] }) {
    if (datasets.length === 0) {
        return <p className="text-soft">None yet. Bring in a file or a table above, and it is listed here.</p>;
    }
    return (
        <table className="w-full border-collapse">
            <thead>
                <tr className="border-b border-hair-strong text-small text-soft">
                    <th className="py-2 text-left font-normal">Title</th>
                    <th className="px-3 py-2 text-right font-normal">Rows</th>
                    <th className="px-3 py-2 text-right font-normal max-sm:hidden">Variables</th>
                    <th className="px-3 py-2 text-right font-normal max-sm:hidden">Changed</th>
                    <th className="w-px">
                        <span className="sr-only">Delete</span>
                    </th>
                </tr>
            </thead>
            <tbody>
                {datasets.map((dataset) => (
                    <tr key={dataset.id} className="border-b border-hair hover:bg-surface">
                        <td className="max-w-0 w-full py-2.5">
                            <Link
                                to={`/datasets/${dataset.id}/profile`}
                                dir="auto"
                                title={dataset.title}
                                className="block truncate text-lead font-semibold underline-offset-4 hover:underline"
                            >
                                {dataset.title}
                            </Link>
                            {dataset.owner !== null && <span className="text-small text-soft">of {dataset.owner}</span>}
                            {/* In a narrow window the bar of a dataset has no room for it. */}
                            <span className="block text-small lg:hidden">
                                {dataset.role === 'owner' ? <Sharing of={{ kind: 'dataset', ...dataset }} /> : <Leaving part={dataset} />}
                            </span>
                        </td>
                        <td className={numberCell}>{count(dataset.rows)}</td>
                        <td className={`${numberCell} max-sm:hidden`}>{count(dataset.variables)}</td>
                        <td className="px-3 py-2.5 text-right whitespace-nowrap text-soft max-sm:hidden">{moment(dataset.changed_at)}</td>
                        <td className="py-1">{dataset.role === 'owner' && <DeleteDataset dataset={dataset} />}</td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}
