import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type SubmitEvent, useState } from 'react';
import { useLocation } from 'wouter';
import { api, bodyOf, type Share } from '../api/client';
import { DATASETS, datasetKey } from '../api/datasets';
import { SHARED_REPORTS } from '../api/reports';
import { useTeamChanges, useTeams } from '../api/teams';
import { Button } from '../ui/Button';
import { WordChoice } from '../ui/WordChoice';
import { WordPopover } from '../ui/WordPopover';

/** What somebody is given a part in: a dataset with all that is of it, or one report alone. */
interface Shared {
    kind: 'dataset' | 'report';
    id: number;
    title: string;
}

const roles = {
    dataset: [
        { value: 'reader', words: 'read', sentence: 'Sees everything, changes nothing.' },
        { value: 'editor', words: 'change', sentence: 'Changes data and reports, and undoes.' },
    ],
    report: [
        { value: 'reader', words: 'read', sentence: 'Sees this report and its editions, nothing else of the data.' },
        { value: 'editor', words: 'change', sentence: 'Changes this report, and reads its dataset.' },
    ],
};

const sharesKey = ({ kind, id }: Shared) => ['shares', kind, id];

/** Who has a part in it: offered, changed, ended. */
export function Sharing({ of, label = `Share ${of.title}` }: { of: Shared; label?: string }) {
    return (
        <WordPopover
            label={label}
            words={of.kind === 'report' ? 'Share this report' : 'Share'}
            className="w-110 max-w-[94vw] p-4"
            wordClassName="inline-block min-h-6"
        >
            <Shares of={of} />
        </WordPopover>
    );
}

function Shares({ of }: { of: Shared }) {
    const { kind, id: dataset } = of;
    const queries = useQueryClient();
    const [role, setRole] = useState('reader');
    const shares = useQuery({
        queryKey: sharesKey(of),
        queryFn: async () =>
            kind === 'report'
                ? bodyOf(await api.GET('/reports/{report}/shares', { params: { path: { report: of.id } } }))
                : bodyOf(await api.GET('/datasets/{dataset}/shares', { params: { path: { dataset } } })),
    });
    const look = () =>
        Promise.all(
            [sharesKey(of), ...(kind === 'report' ? [] : [datasetKey(dataset), DATASETS])].map((queryKey) =>
                queries.invalidateQueries({ queryKey }),
            ),
        );
    const meta = { isSaidInPlace: true };
    const offer = useMutation({
        meta,
        mutationFn: async (email: string) => {
            const body = { email, role: role === 'editor' ? ('editor' as const) : ('reader' as const) };
            return kind === 'report'
                ? bodyOf(await api.POST('/reports/{report}/shares', { params: { path: { report: of.id } }, body }))
                : bodyOf(await api.POST('/datasets/{dataset}/shares', { params: { path: { dataset } }, body }));
        },
        onSuccess: look,
    });
    const change = useMutation({
        mutationFn: async ({ id, to }: { id: number; to: 'reader' | 'editor' }) =>
            bodyOf(await api.PATCH('/shares/{share}', { params: { path: { share: id } }, body: { role: to } })),
        onSuccess: look,
    });
    const end = useMutation({
        mutationFn: (id: number) => api.DELETE('/shares/{share}', { params: { path: { share: id } } }),
        onSuccess: look,
    });
    const handOver = useMutation({
        meta,
        mutationFn: (share: number) => api.POST('/datasets/{dataset}/hand-over', { params: { path: { dataset } }, body: { share } }),
        onSuccess: look,
    });
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const form = event.currentTarget;
        const email = new FormData(form).get('email');
        if (typeof email === 'string') {
            offer.mutate(email, { onSuccess: () => form.reset() });
        }
    };
    const failure = shares.error ?? offer.error ?? handOver.error;
    return (
        <>
            <form onSubmit={submit}>
                <label className="block">
                    <span className="text-small text-soft">E-mail of somebody with an account here, or who will have one</span>
                    <input
                        name="email"
                        type="email"
                        required
                        maxLength={255}
                        className="mt-1 w-full rounded-md border border-hair-strong bg-paper px-2.5 py-1.5"
                    />
                </label>
                <p className="mt-2 flex items-center gap-4">
                    <span>
                        may <WordChoice name="What they may do" options={roles[kind]} value={role} onChange={setRole} />
                    </span>
                    <Button type="submit" look="primary" className="ml-auto" disabled={offer.isPending}>
                        Offer it
                    </Button>
                </p>
            </form>
            {failure !== null && (
                <p role="alert" className="mt-2 text-small text-alarm">
                    {failure.message}
                </p>
            )}
            {shares.data !== undefined && kind === 'dataset' && <OfTeam dataset={dataset} team={shares.data.team} />}
            <ul className="mt-3">
                {shares.data?.shares.map((share) => (
                    <One
                        key={share.id}
                        share={share}
                        kind={kind}
                        onRole={(to) => change.mutate({ id: share.id, to })}
                        onEnd={() => end.mutate(share.id)}
                        onHandOver={() => handOver.mutate(share.id)}
                    />
                ))}
            </ul>
        </>
    );
}

/** Whether it is one's own or a team's, for whoever may give it to one. */
function OfTeam({ dataset, team }: { dataset: number; team: number | null }) {
    const teams = useTeams();
    const { give } = useTeamChanges();
    const open = (teams.data ?? []).filter(({ id, role }) => role !== 'reader' || id === team);
    return open.length === 0 ? null : (
        <p className="mt-3 border-t border-hair pt-2">
            It is{' '}
            <WordChoice
                name="Whose it is"
                options={[
                    { value: '', words: 'your own', sentence: 'You alone decide about it.' },
                    ...open.map(({ id, name }) => ({
                        value: String(id),
                        words: `the team ${name}’s`,
                        sentence: 'Everybody in it has it; who keeps the team decides about it.',
                    })),
                ]}
                value={team === null ? '' : String(team)}
                onChange={(to) => give.mutate({ dataset, team: to === '' ? null : Number(to) })}
            />
            .
            {give.isError && (
                <span role="alert" className="mt-1 block text-small text-alarm">
                    {give.error.message}
                </span>
            )}
        </p>
    );
}

function One({
    share,
    kind,
    onRole,
    onEnd,
    onHandOver,
}: {
    share: Share;
    kind: Shared['kind'];
    onRole: (role: 'reader' | 'editor') => void;
    onEnd: () => void;
    onHandOver: () => void;
}) {
    const [isAsked, setIsAsked] = useState(false);
    const who = share.name ?? share.email;
    return (
        <li className="border-b border-hair py-1.5 text-small last:border-b-0">
            <span className="flex flex-wrap items-baseline gap-x-3">
                <span className="min-w-0 flex-1 truncate" title={share.email}>
                    <bdi>{who}</bdi>
                    {!share.is_taken && (
                        <span className="text-soft"> {share.is_offered ? 'has not taken it yet' : '(offered no more)'}</span>
                    )}
                </span>
                <span>
                    may{' '}
                    <WordChoice
                        name={`What ${who} may do`}
                        options={roles[kind]}
                        value={share.role}
                        onChange={(to) => onRole(to === 'editor' ? 'editor' : 'reader')}
                    />
                </span>
                {share.is_taken && kind === 'dataset' && (
                    <button
                        type="button"
                        className="min-h-6 hover:underline"
                        aria-label={`Hand it over to ${who}`}
                        onClick={() => setIsAsked(true)}
                    >
                        Hand it over
                    </button>
                )}
                <button type="button" className="min-h-6 hover:underline" aria-label={`End it: ${who}`} onClick={onEnd}>
                    End it
                </button>
            </span>
            {isAsked && (
                <span className="mt-1 flex flex-wrap items-center gap-3">
                    <span>It becomes {who}’s, and you may change it still.</span>
                    <Button className="px-2! py-0.5!" onClick={onHandOver}>
                        Hand it over
                    </Button>
                    <Button look="quiet" className="px-2! py-0.5!" onClick={() => setIsAsked(false)}>
                        Keep it
                    </Button>
                </span>
            )}
        </li>
    );
}

/** The way out of somebody's dataset or report. */
export function Leaving({ part }: { part: { title: string; share: number | null } }) {
    const queries = useQueryClient();
    const [, go] = useLocation();
    const leave = useMutation({
        mutationFn: (share: number) => api.DELETE('/shares/{share}', { params: { path: { share } } }),
        onSuccess: async () => {
            go('/datasets');
            await Promise.all([DATASETS, SHARED_REPORTS].map((queryKey) => queries.invalidateQueries({ queryKey })));
        },
    });
    const { share, title } = part;
    return share === null ? null : (
        <Button
            look="quiet"
            className="px-1! py-0! text-small"
            aria-label={`Leave it: ${title}`}
            disabled={leave.isPending}
            onClick={() => leave.mutate(share)}
        >
            Leave it
        </Button>
    );
}
