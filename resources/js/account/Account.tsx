import { Button } from '../ui/Button';
import { useSession, useSignOut } from './queries';

/** Whose screen this is, and the way out. */
export function Account() {
    const session = useSession();
    const signOut = useSignOut();
    const account = session.data?.account;
    if (account === undefined || account === null) {
        return null;
    }
    return (
        <>
            <span title={account.email} className="max-md:hidden">
                {account.name}
            </span>
            <Button look="quiet" className="px-1! font-normal!" disabled={signOut.isPending} onClick={() => signOut.mutate()}>
                Sign out
            </Button>
        </>
    );
}
