import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, bodyOf, type Session } from '../api/client';

const SESSION = ['session'];

export function useSession() {
    return useQuery({ queryKey: SESSION, queryFn: async () => bodyOf(await api.GET('/session')), staleTime: Infinity });
}

export function useSignIn() {
    const queries = useQueryClient();
    return useMutation({
        meta: { isSaidInPlace: true },
        mutationFn: async (body: { email: string; password: string }) => {
            // The first answer of the server sets the cookie that proves where the form comes from.
            await api.GET('/session');
            return bodyOf(await api.POST('/session', { body }));
        },
        onSuccess: (session: Session) => queries.setQueryData(SESSION, session),
    });
}

export function useSignOut() {
    const queries = useQueryClient();
    return useMutation({
        mutationFn: async () => bodyOf(await api.DELETE('/session')),
        onSuccess: (session: Session) => {
            queries.setQueryData(SESSION, session);
            queries.removeQueries({ predicate: (query) => query.queryKey[0] !== SESSION[0] });
        },
    });
}
