import { useLocation } from 'wouter';
import type { Frequencies } from '../api/client';
import { useTextImport } from '../api/imports';
import { tsv } from '../ui/tables';

/** Makes a dataset of a table of classes or values with their counts: it goes through the intake like any other. */
export function TallyOut({ table, names, name }: { table: Frequencies; names: string[]; name: string }) {
    const [, navigate] = useLocation();
    const make = useTextImport();
    const begin = () => {
        const [first, groups] = names.length === 1 ? [0, ['Count']] : [1, names.slice(1)];
        const text = tsv([
            [name, ...groups],
            // Touching classes are boundaries; the side that is closed is not part of a label there.
            ...table.rows.map((row) => [row.label.replace(/^over /, ''), ...row.counts.slice(first).map(String)]),
        ]);
        make.mutate({ text, title: `${name}, tallied`.slice(0, 200) }, { onSuccess: (started) => navigate(`/imports/${started.id}`) });
    };
    return (
        <>
            <button
                type="button"
                disabled={make.isPending}
                className="text-small text-soft underline-offset-4 hover:text-ink hover:underline"
                onClick={begin}
            >
                Make a dataset of it
            </button>
            {make.isError && (
                <span role="alert" className="text-small text-alarm">
                    {make.error.message}
                </span>
            )}
        </>
    );
}
