import { Refusal } from '../api/client';
import { Button } from '../ui/Button';
import { count } from '../ui/format';
import { useDraft } from '../ui/useDraft';
import type { Parts } from './making';
import { useFormulaTrial } from './queries';
import { Field } from './VariablePanel';

/** Five rows of what would be made, and the name for it. */
export function Trial({
    dataset,
    formula,
    name: initialName,
    unit: initialUnit,
    description,
    place: draftPlace = formula,
    onChange,
    onMade = () => undefined,
    isBusy,
}: Parts & {
    formula: string;
    name: string;
    unit: string;
    description: string;
    /** Whose draft the name is, where not the formula's. */
    place?: string;
    onMade?: () => void;
}) {
    const { fields, set, forget } = useDraft(`make ${dataset.id} trial ${draftPlace}`, { name: initialName, unit: initialUnit });
    const { name, unit } = fields;
    const trial = useFormulaTrial(dataset.id, dataset.revision, formula);
    const place = trial.error instanceof Refusal ? trial.error.place : null;
    return (
        <>
            {trial.isError && (
                <div role="alert" className="mt-2 border-l-3 border-alarm pl-3 text-small">
                    {place !== null && (
                        <pre className="figures whitespace-pre-wrap">
                            {Array.from(formula).slice(0, place.at).join('')}
                            <mark className="bg-accent-wash text-accent underline decoration-wavy">
                                {Array.from(formula)
                                    .slice(place.at, place.at + Math.max(1, place.length))
                                    .join('') || ' '}
                            </mark>
                            {Array.from(formula)
                                .slice(place.at + Math.max(1, place.length))
                                .join('')}
                        </pre>
                    )}
                    {trial.error.message}
                    {trial.error instanceof Refusal && trial.error.isPassing && (
                        <Button className="ml-3 px-2! py-0.5! text-small!" onClick={() => void trial.refetch()}>
                            Try again
                        </Button>
                    )}
                </div>
            )}
            {trial.data !== undefined && formula !== '' && !trial.isError && (
                <>
                    <div className="mt-3 overflow-x-auto">
                        <table className="first-kept text-small whitespace-nowrap">
                            <thead>
                                <tr className="border-b border-hair-strong text-soft">
                                    <th className="pr-3 text-right font-normal">row</th>
                                    {trial.data.inputs.map((input) => (
                                        <th key={input} className="max-w-28 truncate pr-3 text-right font-normal">
                                            <bdi>{input}</bdi>
                                        </th>
                                    ))}
                                    <th className="text-right font-semibold text-ink">result</th>
                                </tr>
                            </thead>
                            <tbody>
                                {trial.data.rows.map((row) => (
                                    <tr key={row.row} className="figures border-b border-hair">
                                        <td className="pr-3 text-right text-soft">{count(row.row)}</td>
                                        {row.inputs.map((cell, i) => (
                                            <td key={i} className="max-w-28 truncate pr-3 text-right">
                                                {cell}
                                            </td>
                                        ))}
                                        <td className="text-right font-semibold">{row.result === '' ? '·' : row.result}</td>
                                    </tr>
                                ))}
                            </tbody>
                        </table>
                    </div>
                    {trial.data.no_result.map((reason) => (
                        <p key={reason} className="mt-1 text-small text-soft">
                            {reason}.
                        </p>
                    ))}
                    <form
                        className="mt-3 space-y-2"
                        onSubmit={(event) => {
                            event.preventDefault();
                            void onChange({ kind: 'make-variable', name, formula, unit, description }).then((isDone) => {
                                if (isDone) {
                                    forget();
                                    onMade();
                                }
                            });
                        }}
                    >
                        <Field name="Name" value={name} onChange={(text) => set({ name: text })} />
                        {trial.data.kind === 'number' && <Field name="Unit" value={unit} onChange={(text) => set({ unit: text })} />}
                        <Button type="submit" look="primary" disabled={isBusy || name.trim() === ''}>
                            Make it
                        </Button>
                    </form>
                </>
            )}
        </>
    );
}
