import type { Dataset } from '../api/client';
import { count } from '../ui/format';
import { RowWordEntry } from '../ui/RowWordEntry';
import { useDescribeDataset } from './queries';

/** How many rows there are, and what a row is called: sentences about the data use that word. */
export function RowWord({ dataset }: { dataset: Dataset }) {
    const describe = useDescribeDataset(dataset.id);
    const value = dataset.row_one === null ? '' : `${dataset.row_one}, ${dataset.row_many ?? ''}`;
    return (
        <>
            {count(dataset.rows)}{' '}
            <RowWordEntry
                words={rowWord(dataset)}
                value={value}
                onChange={(text) => {
                    const [one = '', many = ''] = text.split(',').map((word) => word.trim());
                    describe.mutate(
                        one === '' ? { row_one: null, row_many: null } : { row_one: one, row_many: many === '' ? `${one}s` : many },
                    );
                }}
            />
        </>
    );
}

function rowWord({ rows, row_one: one, row_many: many }: Dataset): string {
    return rows === 1 ? (one ?? 'row') : (many ?? 'rows');
}
