import type { Sheet } from '../api/client';
import { count } from '../ui/format';
import { groupName } from './groups';

/** How often each label of a category occurs, with a bar as long as its count. */
export function LabelTable({ labels, missing }: { labels: NonNullable<Sheet['labels']>; missing: number }) {
    const highest = Math.max(1, ...labels.map((label) => label.count));
    return (
        <table className="w-full max-w-3xl border-collapse">
            <thead>
                <tr className="border-b border-hair-strong text-small text-soft">
                    <th className="py-1 text-left font-normal">Label</th>
                    <th className="px-3 py-1 text-right font-normal">Rows</th>
                    <th className="px-3 py-1 text-right font-normal">% of entries</th>
                    <th className="w-1/2" />
                </tr>
            </thead>
            <tbody>
                {labels.map((label, i) => (
                    <tr key={i} className="border-b border-hair">
                        <th scope="row" className="max-w-72 truncate py-1 text-left font-normal">
                            <bdi title={label.label}>{groupName(label)}</bdi>
                        </th>
                        <td className="figures px-3 py-1 text-right">{count(label.count)}</td>
                        <td className="figures px-3 py-1 text-right">{label.percent}</td>
                        <td className="py-1">
                            <div className="h-3.5 bg-bar" style={{ width: `${(100 * label.count) / highest}%` }} />
                        </td>
                    </tr>
                ))}
                {missing > 0 && (
                    <tr className="text-soft">
                        <th scope="row" className="py-1 text-left font-normal">
                            no entry
                        </th>
                        <td className="figures px-3 py-1 text-right">{count(missing)}</td>
                        <td />
                        <td />
                    </tr>
                )}
            </tbody>
        </table>
    );
}
