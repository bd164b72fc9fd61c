import { machineForm } from '../ui/numbers';
import { OneStop } from '../ui/OneStop';
import type { Judged } from '../api/client';
import { Button } from '../ui/Button';
import { TableOut } from '../ui/copying';
import { cell, head, Heads } from './judgedCells';

/** Rows by how many standard deviations they lie out, the farthest first. */
export function FarOut({
    out,
    title,
    name,
    basis,
    onShowRows,
}: {
    out: Judged['z'];
    title: string;
    name: string;
    basis: string;
    onShowRows: (where: string) => void;
}) {
    const { where } = out;
    const rows = out.rows;
    const cells = () => [
        ['Row', 'Name', name, 'z'],
        ...rows.map((row) => [String(row.row), row.label ?? '', machineForm(row.value), String(row.z)]),
    ];
    return (
        <div className="mt-5 max-w-full min-w-0">
            <h4 className="font-semibold">{title}</h4>
            <p className="text-small text-soft">
                {out.over.map(({ k, count, expected }) => (
                    <span key={k} data-over={k} className="mr-4">
                        |z| ≥ {k}: <b className="figures text-ink">{count}</b> (of a normal distribution {expected})
                    </span>
                ))}
            </p>
            {rows.length > 0 && (
                <>
                    <TableOut
                        table={cells}
                        basis={basis}
                        name={`${name}, ${title}`}
                        {...(where === null ? {} : { keeps: { kind: 'rows' as const, of: '', where } })}
                    />
                    <OneStop className="max-h-72 w-fit max-w-full overflow-auto" role="region" aria-label={title}>
                        <table className="first-kept border-collapse text-small whitespace-nowrap">
                            <thead>
                                <tr className="border-b border-hair-strong">
                                    <th scope="col" className={head}>
                                        Row
                                    </th>
                                    <th scope="col" className="px-2 pb-1 text-left font-medium text-soft">
                                        Name
                                    </th>
                                    <Heads names={['Value', 'z']} />
                                    <th scope="col" className="px-2 pb-1 text-left font-medium text-soft">
                                        Out by
                                    </th>
                                </tr>
                            </thead>
                            <tbody>
                                {rows.map((row) => (
                                    <tr key={row.row} className="border-b border-hair">
                                        <td className={`${cell} text-soft`}>{row.row}</td>
                                        <td className="px-2">
                                            <bdi>{row.label}</bdi>
                                        </td>
                                        <td className={cell}>{row.value}</td>
                                        <td className={`${cell} ${Math.abs(row.z) >= 3 ? 'font-semibold' : ''}`}>{row.text}</td>
                                        <td className="px-2 text-soft">{Math.abs(row.z) >= 3 ? '3 SD or more' : '2 SD or more'}</td>
                                    </tr>
                                ))}
                            </tbody>
                        </table>
                    </OneStop>
                    {where !== null && (
                        <Button look="quiet" className="px-0! text-small" onClick={() => onShowRows(where)}>
                            Show them in Rows
                        </Button>
                    )}
                    {out.total > rows.length && (
                        <p className="text-fine text-soft">
                            The {rows.length} farthest of {out.total} are shown.
                        </p>
                    )}
                </>
            )}
        </div>
    );
}
