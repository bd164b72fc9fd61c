import { useEffect } from 'react';
import { Redirect } from 'wouter';
import { useHistoryState } from 'wouter/use-browser-location';
import { Logo } from '../ui/Logo';
import { ThemeChoice } from '../ui/ThemeChoice';
import { DoorLink } from './Door';
import { useSession } from './queries';
import { SignInForm } from './SignInForm';

export function SignInPage() {
    const session = useSession();
    const from = useHistoryState<{ from?: string } | null>()?.from ?? '/datasets';
    useEffect(() => {
        document.title = 'Sign in · Row Tally';
    }, []);
    if (session.data?.account !== undefined && session.data.account !== null) {
        return <Redirect to={from} replace />;
    }
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
                <SignInForm />
                <p className="mt-6 flex flex-wrap gap-x-6">
                    {session.data?.can_register === true && <DoorLink to="/register">Make an account</DoorLink>}
                    <DoorLink to="/forgot">The password is forgotten</DoorLink>
                </p>
            </div>
        </main>
    );
}
