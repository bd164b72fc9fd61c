import { useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, useState } from 'react';
import { signedIn } from '../api/client';
import { useSession } from './queries';

const SignInOver = lazy(async () => ({ default: (await import('./SignInOver')).SignInOver }));

/** Where a session has ended, signing in stands over the page, so that nothing on it is lost; then all goes on. */
export function SignInAgain() {
    const session = useSession();
    const queries = useQueryClient();
    const [isOut, setIsOut] = useState(false);
    const account = session.data?.account;
    useEffect(() => {
        const ask = () => setIsOut(true);
        signedIn.addEventListener('signed-out', ask);
        return () => signedIn.removeEventListener('signed-out', ask);
    }, []);
    if (!isOut || account === undefined || account === null) {
        return null;
    }
    const goOn = () => {
        const now = queries.getQueryData<typeof session.data>(['session'])?.account;
        if (now?.email !== account.email) {
            // Somebody else: what is on the page is not theirs.
            location.reload();
            return;
        }
        setIsOut(false);
        void queries.invalidateQueries();
        signedIn.dispatchEvent(new Event('signed-in'));
    };
    return (
        <Suspense fallback={null}>
            <SignInOver email={account.email} onSignedIn={goOn} />
        </Suspense>
    );
}
