import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, bodyOf, type Team, type TeamRole } from './client';
import { DATASETS } from './datasets';
import { know } from './know';

const TEAMS = ['teams'];
const inPlace = { isSaidInPlace: true };

/** Those that the account is in. */
export function useTeams() {
    return useQuery({ queryKey: TEAMS, queryFn: async () => bodyOf(await api.GET('/teams')), staleTime: 0 });
}

/** What can be done with one's teams, and given to them. */
export function useTeamChanges() {
    const queries = useQueryClient();
    const look = () => Promise.all([TEAMS, DATASETS, ['shares'], ['dataset']].map((queryKey) => queries.invalidateQueries({ queryKey })));
    const keep = (teams: Team[]) => know(queries, TEAMS, teams);
    return {
        make: useMutation({
            meta: inPlace,
            mutationFn: async (name: string) => bodyOf(await api.POST('/teams', { body: { name } })),
            onSuccess: keep,
        }),
        rename: useMutation({
            meta: inPlace,
            mutationFn: async ({ team, name }: { team: number; name: string }) =>
                bodyOf(await api.PATCH('/teams/{team}', { params: { path: { team } }, body: { name } })),
            onSuccess: async (teams: Team[]) => {
                await keep(teams);
                await look();
            },
        }),
        remove: useMutation({
            meta: inPlace,
            mutationFn: (team: number) => api.DELETE('/teams/{team}', { params: { path: { team } } }),
            onSuccess: look,
        }),
        ask: useMutation({
            meta: inPlace,
            mutationFn: async ({ team, email, role }: { team: number; email: string; role: TeamRole }) =>
                bodyOf(await api.POST('/teams/{team}/shares', { params: { path: { team } }, body: { email, role } })),
            onSuccess: look,
        }),
        change: useMutation({
            meta: inPlace,
            mutationFn: async ({ share, role }: { share: number; role: TeamRole }) =>
                bodyOf(await api.PATCH('/shares/{share}', { params: { path: { share } }, body: { role } })),
            onSuccess: look,
        }),
        end: useMutation({
            meta: inPlace,
            mutationFn: (share: number) => api.DELETE('/shares/{share}', { params: { path: { share } } }),
            onSuccess: look,
        }),
        give: useMutation({
            meta: inPlace,
            mutationFn: ({ dataset, team }: { dataset: number; team: number | null }) =>
                api.PUT('/datasets/{dataset}/team', { params: { path: { dataset } }, body: { team } }),
            onSuccess: look,
        }),
    };
}
