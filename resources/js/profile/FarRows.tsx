import { OneStop } from '../ui/OneStop';
import type { Judged, Variable } from '../api/client';
import { Button } from '../ui/Button';
import { useMayChange } from '../ui/mayChange';
import { counted } from '../ui/format';
import { ReasonEntry } from '../ui/ReasonEntry';
import { useFarRow } from './queries';

/** So many variables are shown of a far row at first. */
const SHOWN = 8;

/** The rows beyond the fences with all their values, each to be looked at, or set aside. */
export function FarRows({
    dataset,
    revision,
    variable,
    judged,
    variables,
    onShowRows,
}: {
    dataset: number;
    revision: number;
    variable: string;
    judged: Judged;
    variables: Variable[];
    onShowRows: (where: string) => void;
}) {
    const mayChange = useMayChange();
    const { stays, setAside } = useFarRow(dataset, revision, variable);
    const { total, rows } = judged.far;
    // The variable itself and those that name a row come first.
    const order = [...variables].sort((a, b) => rank(a, variable) - rank(b, variable)).slice(0, SHOWN);
    if (total === 0) {
        return <p className="mt-3 text-soft">No row lies beyond the fences.</p>;
    }
    return (
        <div className="mt-3">
            <h4 className="font-semibold">
                Far rows{' '}
                <span className="text-small font-normal text-soft">
                    {counted(total, 'row')} beyond the fences{total > rows.length && `; the ${rows.length} farthest are shown`}
                </span>
            </h4>
            <OneStop className="max-w-full overflow-x-auto" role="region" aria-label="Far rows">
                <table className="first-kept border-collapse text-small whitespace-nowrap">
                    <thead>
                        <tr className="border-b border-hair-strong text-soft">
                            <th scope="col" className="py-1 pr-3 text-right font-medium">
                                Row
                            </th>
                            {order.map(({ key, name, unit }) => (
                                <th key={key} scope="col" className="max-w-36 px-2 text-left font-medium whitespace-normal">
                                    <bdi>{name}</bdi> {unit !== null && <span className="text-fine">{unit}</span>}
                                </th>
                            ))}
                            <th scope="col" className="px-2 text-left font-medium">
                                Beyond those of
                            </th>
                            <th scope="col" className="px-2 text-left font-medium">
                                What becomes of it
                            </th>
                        </tr>
                    </thead>
                    <tbody>
                        {rows.map((row) => (
                            <tr key={row.row} className="border-b border-hair">
                                <th scope="row" className="figures py-1 pr-3 text-right font-normal text-soft">
                                    {row.row}
                                </th>
                                {order.map(({ key, type }) => (
                                    <td
                                        key={key}
                                        className={`max-w-40 truncate px-2 ${type === 'number' ? 'figures text-right' : ''} ${key === variable ? 'font-semibold' : ''}`}
                                    >
                                        <bdi>{row.cells[key]}</bdi>
                                    </td>
                                ))}
                                <td className="px-2">
                                    <bdi>{row.beyond.map((name) => name ?? 'all').join(', ')}</bdi>
                                </td>
                                <td className="px-2">
                                    {mayChange && (
                                        <span className="flex items-baseline gap-3">
                                            <Button
                                                look="quiet"
                                                className={`px-1! py-0! text-small ${row.stays ? 'bg-accent-wash! text-ink!' : ''}`}
                                                aria-pressed={row.stays}
                                                aria-label={`Row ${row.row}: looked at, stays`}
                                                onClick={() => stays.mutate({ row: row.row, stays: !row.stays })}
                                            >
                                                looked at, stays
                                            </Button>
                                            <ReasonEntry
                                                label={`set aside: row ${row.row}`}
                                                words="set aside"
                                                isOne
                                                onReason={(reason) => setAside.mutate({ row: row.row, reason })}
                                            />
                                        </span>
                                    )}
                                </td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            </OneStop>
            <Button look="quiet" className="px-0! text-small" onClick={() => onShowRows(`outlier(${nameOf(variables, variable)})`)}>
                Show them in Rows
            </Button>
        </div>
    );
}

function rank({ key, type }: Variable, variable: string): number {
    return type === 'id' ? 0 : key === variable ? 1 : 2;
}

function nameOf(variables: Variable[], key: string): string {
    const name = variables.find((variable) => variable.key === key)?.name ?? key;
    return `"${name.replaceAll('"', '""')}"`;
}
