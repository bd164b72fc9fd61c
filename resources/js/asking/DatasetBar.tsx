import type { ComponentProps, ReactNode } from 'react';
import type { Dataset } from '../api/client';
import { counted } from '../ui/format';
import { Places } from '../ui/Places';
import { TopBar } from '../ui/TopBar';
import { rowWord } from './BasisLine';
import { PeopleHere } from './PeopleHere';

/** The bar of a place that asks questions of a dataset: its title, how much it holds, its places. */
export function DatasetBar({
    id,
    dataset,
    here,
    account,
}: {
    id: number;
    /** Undefined until it has come. */
    dataset: Dataset | undefined;
    here: ComponentProps<typeof Places>['here'];
    account: ReactNode;
}) {
    return (
        <TopBar account={account}>
            <h1 dir="auto" title={dataset?.title} className="min-w-0 truncate text-base">
                {dataset?.title}
            </h1>
            {dataset !== undefined && (
                <span className="shrink-0 text-small text-soft max-md:hidden">
                    {counted(dataset.rows, ...rowWord(dataset))} × {counted(dataset.variables.length, 'variable')}
                </span>
            )}
            <Places dataset={id} here={here} />
            {dataset !== undefined && <PeopleHere dataset={dataset} place={here} />}
        </TopBar>
    );
}
