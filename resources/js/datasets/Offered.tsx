import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useLocation } from 'wouter';
import { api, bodyOf } from '../api/client';
import { DATASETS } from '../api/datasets';
import { SHARED_REPORTS } from '../api/reports';
import { Button } from '../ui/Button';

const OFFERED = ['offered'];
const words = { reader: 'read', editor: 'change', keeper: 'keep' };

/** Datasets and teams that others offer a part in. */
export function Offered() {
    const queries = useQueryClient();
    const [, go] = useLocation();
    const offered = useQuery({ queryKey: OFFERED, queryFn: async () => bodyOf(await api.GET('/shares')), staleTime: 0 });
    const look = () => Promise.all([OFFERED, DATASETS, SHARED_REPORTS].map((queryKey) => queries.invalidateQueries({ queryKey })));
    const take = useMutation({
        mutationFn: async (share: number) => bodyOf(await api.POST('/shares/{share}/take', { params: { path: { share } } })),
        onSuccess: async ({ dataset, report }) => {
            await look();
            go(report !== null ? `/reports/${report}` : dataset === null ? '/teams' : `/datasets/${dataset}/profile`);
        },
    });
    const decline = useMutation({
        mutationFn: (share: number) => api.DELETE('/shares/{share}', { params: { path: { share } } }),
        onSuccess: look,
    });
    return (
        <ul aria-label="Offered to you">
            {offered.data?.map(({ id, of, title, role, by, from }) => (
                <li key={id} className="mt-6 flex flex-wrap items-center gap-3 border-l-3 border-accent bg-accent-wash px-4 py-2">
                    <span className="min-w-0 flex-1 basis-60">
                        <bdi>{by}</bdi> <span className="text-soft">({from})</span>{' '}
                        {of === 'team' ? (
                            <>
                                asks you into the team <bdi>{title}</bdi>, to {words[role]} what is its.
                            </>
                        ) : (
                            <>
                                offers you {of === 'report' && 'the report '}“<bdi>{title}</bdi>”, to {words[role]}.
                            </>
                        )}
                    </span>
                    <Button
                        look="primary"
                        className="px-2! py-0.5!"
                        aria-label={`Take it: ${title}`}
                        disabled={take.isPending}
                        onClick={() => take.mutate(id)}
                    >
                        Take it
                    </Button>
                    <Button
                        className="px-2! py-0.5!"
                        aria-label={`Decline: ${title}`}
                        disabled={decline.isPending}
                        onClick={() => decline.mutate(id)}
                    >
                        Decline
                    </Button>
                </li>
            ))}
        </ul>
    );
}
