import { type SubmitEvent, useEffect } from 'react';
import { Navigate, useLocation } from 'react-router';
import { Button } from '../ui/Button';
import { Logo } from '../ui/Logo';
import { ThemeChoice } from '../ui/ThemeChoice';
import { useSession, useSignIn } from './queries';

const field = 'mt-1 w-full rounded-md border border-hair-strong bg-surface px-3 py-2 text-lead';

export function SignInPage() {
    const session = useSession();
    const signIn = useSignIn();
    const from = (useLocation().state as { from?: string } | null)?.from ?? '/datasets';
    useEffect(() => {
        document.title = 'Sign in · Row Tally';
    }, []);
    if (session.data?.account !== undefined && session.data.account !== null) {
        return <Navigate to={from} replace />;
    }
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        const typed = (name: string) => {
            const value = form.get(name);
            return typeof value === 'string' ? value : '';
        };
        signIn.mutate({ email: typed('email'), password: typed('password') });
    };
    return (
        <main className="flex min-h-full flex-col">
            <div className="flex justify-end p-4">
                <ThemeChoice />
            </div>
            <div className="mx-auto w-full max-w-sm px-6 pt-[8vh]">
                <Logo size={56} />
                <h1 className="mt-4 text-3xl">Row Tally</h1>
                <p className="mt-1 mb-8 text-lead text-soft">
                    Figures and plots for a descriptive report, with the conventions behind every number in sight.
                </p>
                <form onSubmit={submit} className="space-y-4">
                    <label className="block">
                        E-mail
                        <input className={field} name="email" type="email" autoComplete="username" required autoFocus />
                    </label>
                    <label className="block">
                        Password
                        <input className={field} name="password" type="password" autoComplete="current-password" required />
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
            </div>
        </main>
    );
}
