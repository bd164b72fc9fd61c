import { Link } from 'wouter';
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
            <Link
                to="/account"
                title={account.email}
                className="max-w-48 truncate underline-offset-4 hover:text-ink hover:underline max-md:max-w-16"
            >
                {account.name}
            </Link>
            <Button look="quiet" className="px-1! font-normal!" disabled={signOut.isPending} onClick={() => signOut.mutate()}>
                Sign out
            </Button>
        </>
    );
}
