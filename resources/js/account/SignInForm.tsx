import type { SubmitEvent } from 'react';
import { Refusal } from '../api/client';
import { Button } from '../ui/Button';
import { Field, typedIn } from './Field';
import { useSignIn } from './queries';

/** Address and password, and a one-time code where the account asks for one; on a page of their own or over one that is open. */
export function SignInForm({ email = '', onSignedIn }: { email?: string; onSignedIn?: () => void }) {
    const signIn = useSignIn();
    const isCodeAsked = signIn.error instanceof Refusal && signIn.error.fields.includes('code');
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const typed = typedIn(event.currentTarget);
        const code = typed('code');
        signIn.mutate(
            { email: typed('email'), password: typed('password'), ...(code === '' ? {} : { code }) },
            onSignedIn === undefined ? {} : { onSuccess: onSignedIn },
        );
    };
    return (
        <form onSubmit={submit} className="space-y-4">
            <Field name="email" label="E-mail" type="email" autoComplete="username" defaultValue={email} autoFocus={email === ''} />
            <Field name="password" label="Password" type="password" autoComplete="current-password" autoFocus={email !== ''} />
            {isCodeAsked && <Field name="code" label="Code" autoComplete="one-time-code" inputMode="text" maxLength={40} autoFocus />}
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
