import { type QueryClient, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, bodyOf, type NewToken, type Session } from '../api/client';
import { saveBlob } from '../ui/copying';
import { changedMarks, type Marks, marksInForce, STANDARD, takeMarks } from '../ui/numbers';
import { know } from '../api/know';

const SESSION = ['session'];
const ACCOUNT = ['account'];
const SESSIONS = ['sessions'];
const TOKENS = ['tokens'];
const inPlace = { isSaidInPlace: true };

export function useSession() {
    return useQuery({ queryKey: SESSION, queryFn: async () => withMarks(bodyOf(await api.GET('/session'))), staleTime: Infinity });
}

/** From now on numbers are written as whoever is signed in writes them. */
function withMarks(session: Session): Session {
    takeMarks(session.account?.numbers ?? STANDARD);
    return session;
}

/** Who is signed in, as it came with the page. */
export function beginSession(queries: QueryClient, session: Session): void {
    queries.setQueryData(SESSION, withMarks(session));
}

/** The first answer of the server sets the cookie that proves where a form comes from. */
const greet = () => api.GET('/session');

export function useSignIn() {
    const queries = useQueryClient();
    return useMutation({
        meta: inPlace,
        mutationFn: async (body: { email: string; password: string; code?: string }) => {
            await greet();
            return withMarks(bodyOf(await api.POST('/session', { body })));
        },
        onSuccess: (session: Session) => know(queries, SESSION, session),
    });
}

export function useSignOut() {
    const queries = useQueryClient();
    return useMutation({
        mutationFn: async () => bodyOf(await api.DELETE('/session')),
        onSuccess: async (session: Session) => {
            await know(queries, SESSION, session);
            queries.removeQueries({ predicate: (query) => query.queryKey[0] !== SESSION[0] });
        },
    });
}

export function useRegister() {
    return useMutation({
        meta: inPlace,
        mutationFn: async (body: { name: string; email: string; password: string }) => {
            await greet();
            return bodyOf(await api.POST('/accounts', { body }));
        },
    });
}

export function useConfirm() {
    return useMutation({
        meta: inPlace,
        mutationFn: async (proof: string) => {
            await greet();
            return bodyOf(await api.POST('/accounts/confirm', { body: { proof } }));
        },
    });
}

export function useForgot() {
    return useMutation({
        meta: inPlace,
        mutationFn: async (email: string) => {
            await greet();
            return bodyOf(await api.POST('/passwords/forgot', { body: { email } }));
        },
    });
}

export function useNewPassword() {
    return useMutation({
        meta: inPlace,
        mutationFn: async (body: { proof: string; password: string }) => {
            await greet();
            return bodyOf(await api.POST('/passwords/new', { body }));
        },
    });
}

export function useAccount() {
    return useQuery({ queryKey: ACCOUNT, queryFn: async () => bodyOf(await api.GET('/account')) });
}

export function useSessions() {
    return useQuery({ queryKey: SESSIONS, queryFn: async () => bodyOf(await api.GET('/account/sessions')) });
}

export function useTokens() {
    return useQuery({ queryKey: TOKENS, queryFn: async () => bodyOf(await api.GET('/account/tokens')) });
}

export function useTokenChanges() {
    const queries = useQueryClient();
    return {
        make: useMutation({
            meta: inPlace,
            mutationFn: async (body: NewToken) => bodyOf(await api.POST('/account/tokens', { body })),
            onSuccess: ({ tokens }) => know(queries, TOKENS, tokens),
        }),
        revoke: useMutation({
            mutationFn: async (token: number) => bodyOf(await api.DELETE('/account/tokens/{token}', { params: { path: { token } } })),
            onSuccess: (tokens) => know(queries, TOKENS, tokens),
        }),
    };
}

/** What can be done with one's own account. */
export function useAccountChanges() {
    const queries = useQueryClient();
    const look = () => Promise.all([ACCOUNT, SESSIONS, SESSION].map((queryKey) => queries.invalidateQueries({ queryKey })));
    return {
        rename: useMutation({
            mutationFn: async (name: string) => bodyOf(await api.PATCH('/account', { body: { name } })),
            onSuccess: look,
        }),
        writeNumbers: useMutation({
            // One after the other, each upon what the one before has made of the marks.
            scope: { id: 'marks' },
            mutationFn: async (change: Partial<Marks>) =>
                bodyOf(await api.PATCH('/account', { body: { numbers: changedMarks(marksInForce(), change) } })),
            onSuccess: async (account) => {
                takeMarks(account.numbers);
                // Every text that is here was written with other marks.
                await queries.invalidateQueries();
            },
        }),
        changeAddress: useMutation({
            meta: inPlace,
            mutationFn: async (body: { current_password: string; email: string }) => bodyOf(await api.PUT('/account/address', { body })),
        }),
        changePassword: useMutation({
            meta: inPlace,
            mutationFn: async (body: { current_password: string; password: string }) =>
                bodyOf(await api.PUT('/account/password', { body })),
            onSuccess: look,
        }),
        endSession: useMutation({
            mutationFn: async (session: string | null) =>
                session === null
                    ? bodyOf(await api.DELETE('/account/sessions'))
                    : bodyOf(await api.DELETE('/account/sessions/{session}', { params: { path: { session } } })),
            onSuccess: look,
        }),
        beginFactor: useMutation({
            meta: inPlace,
            mutationFn: async (current_password: string) => bodyOf(await api.POST('/account/factor', { body: { current_password } })),
        }),
        confirmFactor: useMutation({
            meta: inPlace,
            mutationFn: async (code: string) => bodyOf(await api.POST('/account/factor/confirm', { body: { code } })),
            onSuccess: look,
        }),
        newCodes: useMutation({
            meta: inPlace,
            mutationFn: async (current_password: string) =>
                bodyOf(await api.POST('/account/factor/recovery-codes', { body: { current_password } })),
            onSuccess: look,
        }),
        endFactor: useMutation({
            meta: inPlace,
            mutationFn: async (current_password: string) => bodyOf(await api.DELETE('/account/factor', { body: { current_password } })),
            onSuccess: look,
        }),
        takeOut: useMutation({
            mutationFn: async () => {
                const answer = await api.GET('/account/data', { parseAs: 'blob' });
                saveBlob(answer.data as unknown as Blob, 'row-tally-all-my-data.zip');
            },
        }),
        remove: useMutation({
            meta: inPlace,
            mutationFn: (current_password: string) => api.DELETE('/account', { body: { current_password } }),
            onSuccess: () => location.assign('/sign-in'),
        }),
    };
}
