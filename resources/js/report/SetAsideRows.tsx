import type { Dataset } from '../api/client';
import { rowWord } from '../asking/BasisLine';
import { CellTable } from '../ui/CellTable';
import { count, counted } from '../ui/format';
import { Notice } from '../ui/Notice';
import { Waiting } from '../ui/Waiting';
import { ASIDE_SHOWN, useAsideRows } from './queries';

/** So many variables are shown of a row. */
const SHOWN = 8;

/** The rows that no figure counts, each with its reason: whoever reads the report can tell. */
export function SetAsideRows({ dataset }: { dataset: Dataset }) {
    const [one, many] = rowWord(dataset);
    // Those that name a row come first.
    const shown = [...dataset.variables].sort((a, b) => Number(b.type === 'id') - Number(a.type === 'id')).slice(0, SHOWN);
    const answer = useAsideRows(
        dataset,
        shown.map(({ key }) => key),
    );
    const rows = answer.data?.rows ?? [];
    const cells = [
        ['Row', ...shown.map(({ name, unit }) => (unit === null ? name : `${name} (${unit})`)), 'Set aside because'],
        ...rows
            .map((row, place) => [
                String(row),
                ...shown.map(({ key }) => answer.data?.cells[key]?.[place] ?? ''),
                answer.data?.aside[String(place)] ?? '',
            ])
            // A variable may be called as the reasons are: then there are others among them.
            .filter((row) => row.at(-1) !== ''),
    ];
    return (
        <section aria-label="Set aside" className="border-b border-hair py-6">
            <h2 className="text-title font-semibold">Set aside</h2>
            <p className="mb-2 text-small text-soft">
                {counted(dataset.set_aside, one, many)} of {count(dataset.rows)} {dataset.set_aside === 1 ? 'is' : 'are'} in no figure that
                was made since
                {dataset.set_aside > ASIDE_SHOWN && `; the first ${ASIDE_SHOWN} are listed`}.
            </p>
            {answer.isError && <Notice onRetry={() => void answer.refetch()}>{answer.error.message}</Notice>}
            {answer.isPending && <Waiting what="Looking for them" />}
            {answer.data !== undefined && <CellTable name="Rows set aside" cells={cells} />}
        </section>
    );
}
