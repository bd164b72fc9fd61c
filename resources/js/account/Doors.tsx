import { type SubmitEvent, useEffect, useState } from 'react';
import { Button } from '../ui/Button';
import { Door, DoorLink, Refused, Said } from './Door';
import { Field, NewPassword, typedIn } from './Field';
import { useConfirm, useForgot, useNewPassword, useRegister, useSession } from './queries';

const wide = 'w-full justify-center py-2!';

/** Somebody makes an account for themselves; a letter says the rest. */
export function RegisterPage() {
    const register = useRegister();
    const session = useSession();
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const typed = typedIn(event.currentTarget);
        register.mutate({ name: typed('name'), email: typed('email'), password: typed('password') });
    };
    return (
        <Door title="Make an account">
            {session.data?.can_register === false ? (
                <p>Accounts are made by whoever runs this server. Ask them for one.</p>
            ) : register.isSuccess ? (
                <Said>{register.data.message}</Said>
            ) : (
                <form onSubmit={submit} className="space-y-4">
                    <Field name="name" label="What you are called" autoComplete="name" maxLength={100} autoFocus />
                    <Field name="email" label="E-mail" type="email" autoComplete="username" />
                    <NewPassword label="Password" />
                    {register.isError && <Refused>{register.error.message}</Refused>}
                    <Button type="submit" look="primary" disabled={register.isPending} className={wide}>
                        Make it
                    </Button>
                </form>
            )}
            <p className="mt-6">
                <DoorLink to="/sign-in">Sign in instead</DoorLink>
            </p>
        </Door>
    );
}

export function ForgotPage() {
    const forgot = useForgot();
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        forgot.mutate(typedIn(event.currentTarget)('email'));
    };
    return (
        <Door title="A new password">
            {forgot.isSuccess ? (
                <Said>{forgot.data.message}</Said>
            ) : (
                <form onSubmit={submit} className="space-y-4">
                    <Field name="email" label="E-mail of the account" type="email" autoComplete="username" autoFocus />
                    {forgot.isError && <Refused>{forgot.error.message}</Refused>}
                    <Button type="submit" look="primary" disabled={forgot.isPending} className={wide}>
                        Send a letter
                    </Button>
                </form>
            )}
            <p className="mt-6">
                <DoorLink to="/sign-in">Sign in instead</DoorLink>
            </p>
        </Door>
    );
}

/** The proof that came by mail stands behind the hash: it is sent to no server but by the form. */
function proofFromLetter(): string {
    return location.hash.slice(1);
}

export function NewPasswordPage() {
    const set = useNewPassword();
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        set.mutate({ proof: proofFromLetter(), password: typedIn(event.currentTarget)('password') });
    };
    return (
        <Door title="Set a new password">
            {set.isSuccess ? (
                <Said>{set.data.message}</Said>
            ) : (
                <form onSubmit={submit} className="space-y-4">
                    <NewPassword label="New password" autoFocus />
                    {set.isError && <Refused>{set.error.message}</Refused>}
                    <Button type="submit" look="primary" disabled={set.isPending} className={wide}>
                        Set it
                    </Button>
                </form>
            )}
            <p className="mt-6 flex flex-wrap gap-x-6">
                <DoorLink to="/sign-in">Sign in</DoorLink>
                {set.isError && <DoorLink to="/forgot">Ask for another letter</DoorLink>}
            </p>
        </Door>
    );
}

export function ConfirmPage() {
    const confirm = useConfirm();
    const [proof] = useState(proofFromLetter);
    const { mutate } = confirm;
    useEffect(() => mutate(proof), [mutate, proof]);
    return (
        <Door title="Your address">
            {confirm.isSuccess && <Said>{confirm.data.message}</Said>}
            {confirm.isError && <Refused>{confirm.error.message}</Refused>}
            <p className="mt-6 flex flex-wrap gap-x-6">
                <DoorLink to="/sign-in">Sign in</DoorLink>
                {confirm.isError && <DoorLink to="/register">Make an account</DoorLink>}
            </p>
        </Door>
    );
}
