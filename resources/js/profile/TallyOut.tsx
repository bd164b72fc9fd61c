import { useMutation } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { api, bodyOf, type Frequencies } from '../api/client';
import { tsv } from '../ui/tables';

/** Makes a dataset of a table of classes or values with their counts: it goes through the intake like any other. */
export function TallyOut({ table, names, name }: { table: Frequencies; names: string[]; name: string }) {
    const navigate = useNavigate();
    const make = useMutation({
        mutationFn: async () => {
            const groups = names.length === 1 ? ['Count'] : names.slice(1);
            const first = names.length === 1 ? 0 : 1;
            const form = new FormData();
            form.append(
                'text',
                tsv([
                    [name, ...groups],
                    // Touching classes are boundaries; the side that is closed is not part of a label there.
                    ...table.rows.map((row) => [row.label.replace(/^over /, ''), ...row.counts.slice(first).map(String)]),
                ]),
            );
            form.append('title', `${name}, tallied`.slice(0, 200));
            return bodyOf(await api.POST('/imports', { body: form as never, bodySerializer: (body) => body as never }));
        },
        onSuccess: (started) => void navigate(`/imports/${started.id}`),
    });
    return (
        <>
            <button
                type="button"
                disabled={make.isPending}
                className="text-small text-soft underline-offset-4 hover:text-ink hover:underline"
                onClick={() => make.mutate()}
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
