import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { api, bodyOf, type Dataset } from '../api/client';
import { datasetKey } from '../api/datasets';
import type { PlaceName } from '../ui/Places';
import { Leaving, Sharing } from './Sharing';

/** While others have a part in it, so often is asked who is there and what has changed. */
const LOOK_EVERY_MS = 3000;
const MOST_NAMED = 3;

/** Who has a part in the dataset, and who else is there just now. */
export function PeopleHere({ dataset, place }: { dataset: Dataset; place: PlaceName }) {
    const others = useOthers(dataset, place);
    return (
        <span className="flex shrink-0 items-baseline gap-x-3 text-small max-lg:hidden">
            {others.length > 0 && (
                <span role="status" className="text-soft">
                    {others
                        .slice(0, MOST_NAMED)
                        .map(({ name, place: at }) => `${name} is in ${at[0]?.toUpperCase() ?? ''}${at.slice(1)}`)
                        .join(', ')}
                    {others.length > MOST_NAMED && ` and ${others.length - MOST_NAMED} more`}
                </span>
            )}
            {dataset.role === 'reader' && (
                <span className="text-soft" title={`It is of ${dataset.owner ?? 'another'}`}>
                    You may read it
                </span>
            )}
            {dataset.role === 'owner' ? <Sharing of={{ kind: 'dataset', ...dataset }} label="Share" /> : <Leaving part={dataset} />}
        </span>
    );
}

function useOthers(dataset: Dataset, place: PlaceName): { name: string; place: string }[] {
    const queries = useQueryClient();
    const here = useQuery({
        queryKey: ['here', dataset.id, place],
        queryFn: async () =>
            bodyOf(await api.POST('/datasets/{dataset}/here', { params: { path: { dataset: dataset.id } }, body: { place } })),
        enabled: dataset.is_shared,
        refetchInterval: LOOK_EVERY_MS,
        retry: false,
    });
    const revision = here.data?.revision ?? dataset.revision;
    useEffect(() => {
        if (revision > dataset.revision) {
            // Somebody else has changed it: whatever is shown is asked for anew.
            void queries.invalidateQueries({ queryKey: datasetKey(dataset.id) });
        }
    }, [queries, revision, dataset.revision, dataset.id]);
    return dataset.is_shared ? (here.data?.others ?? []) : [];
}
