import type { SubmitEvent } from 'react';
import { Button } from '../ui/Button';
import { useSignIn } from './queries';

const field = 'mt-1 w-full rounded-md border border-hair-strong bg-surface px-3 py-2 text-lead';

/** Address and password, on a page of their own or over one that is open. */
export function SignInForm({ email = '', onSignedIn }: { email?: string; onSignedIn?: () => void }) {
    const signIn = useSignIn();
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        const typed = (name: string) => {
            const value = form.get(name);
            return typeof value === 'string' ? value : '';
        };
        signIn.mutate({ email: typed('email'), password: typed('password') }, onSignedIn === undefined ? {} : { onSuccess: onSignedIn });
    };
    return (
        <form onSubmit={submit} className="space-y-4">
            <label className="block">
                E-mail
                <input
                    className={field}
                    name="email"
                    type="email"
                    autoComplete="username"
                    required
                    defaultValue={email}
                    autoFocus={email === ''}
                />
            </label>
            <label className="block">
                Password
                <input
                    className={field}
                    name="password"
                    type="password"
                    autoComplete="current-password"
                    required
                    autoFocus={email !== ''}
                />
            </label>
            {signIn.isError && (
                <p role="alert" className="border-l-3 border-alarm pl-3">
                    {signIn.error.message}
                </p>
            )}
            <Button type="submit" look="primary" disabled={signIn.isPending} className="w-full justify-center py-2!">
                Sign in
            </Button>
        </form>
    );
}
