import { useQueryClient } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useEffect, useState } from 'react';
import { signedIn } from '../api/client';
import { useSession } from './queries';
import { SignInForm } from './SignInForm';

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
        <Dialog.Root open>
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-50 bg-black/30" />
                <Dialog.Content
                    className="fixed top-1/4 left-1/2 z-50 w-[min(92vw,400px)] -translate-x-1/2 rounded-lg border border-hair-strong bg-surface p-6 shadow-lg"
                    onInteractOutside={(event) => event.preventDefault()}
                    onEscapeKeyDown={(event) => event.preventDefault()}
                >
                    <Dialog.Title className="text-title">Sign in again</Dialog.Title>
                    <Dialog.Description className="mt-1 mb-4 text-soft">
                        The session has ended. What is on this page is still here, and goes on where it was.
                    </Dialog.Description>
                    <SignInForm email={account.email} onSignedIn={goOn} />
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    );
}
