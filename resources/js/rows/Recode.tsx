import type { Dataset } from '../api/client';
import { Button } from '../ui/Button';
import { count } from '../ui/format';
import { useDraft } from '../ui/useDraft';
import { WordChoice } from '../ui/WordChoice';
import type { ChangeWords } from './changes';
import { useLabels } from './queries';
import { Field } from './VariablePanel';

/** A category with fewer labels: each label of the old one is given the one it becomes. */
export function Recode({
    dataset,
    onChange,
    isBusy,
}: {
    dataset: Dataset;
    onChange: (change: ChangeWords) => Promise<boolean>;
    isBusy: boolean;
}) {
    const categories = dataset.variables.filter((variable) => variable.type === 'category');
    const { fields, set, forget } = useDraft<{ of: string; name: string; to: Record<string, string> }>(`make ${dataset.id} recode`, {
        of: categories[0]?.key ?? '',
        name: '',
        to: {},
    });
    const { name, to } = fields;
    // The variable of a draft may be gone.
    const of = (categories.find(({ key }) => key === fields.of) ?? categories[0])?.key ?? '';
    const labels = useLabels(dataset.id, dataset.revision, of, of !== '');
    if (categories.length === 0) {
        return <p className="mt-3 text-soft">There is no category.</p>;
    }
    return (
        <form
            className="mt-3"
            onSubmit={(event) => {
                event.preventDefault();
                void onChange({
                    kind: 'recode-variable',
                    variable: of,
                    name,
                    labels: (labels.data?.labels ?? []).map(({ label }) => ({ from: label, to: to[label] ?? label })),
                }).then((isDone) => isDone && forget());
            }}
        >
            Of{' '}
            <WordChoice
                name="Of"
                options={categories.map((variable) => ({ value: variable.key, words: variable.name }))}
                value={of}
                onChange={(key) => set({ of: key, to: {} })}
            />
            <table className="mt-2 w-full text-small">
                <tbody>
                    {labels.data?.labels.map(({ label, count: rows }) => (
                        <tr key={label} className="border-b border-hair">
                            <td className="max-w-32 truncate py-1">
                                <bdi>{label}</bdi>
                            </td>
                            <td className="figures px-2 text-right text-soft">{count(rows)}</td>
                            <td>
                                <input
                                    aria-label={`${label} becomes`}
                                    dir="auto"
                                    value={to[label] ?? label}
                                    onChange={(event) => set({ to: { ...to, [label]: event.target.value } })}
                                    className="w-full border-b border-hair bg-transparent"
                                />
                            </td>
                        </tr>
                    ))}
                </tbody>
            </table>
            <p className="mt-1 text-fine text-soft">Labels that are given the same one become one; an empty one becomes missing.</p>
            <div className="mt-2 space-y-2">
                <Field name="Name" value={name} onChange={(text) => set({ name: text })} />
                <Button type="submit" look="primary" disabled={isBusy || name.trim() === ''}>
                    Make it
                </Button>
            </div>
        </form>
    );
}
