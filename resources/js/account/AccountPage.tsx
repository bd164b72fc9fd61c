import { type ReactNode, type SubmitEvent, useEffect, useId, useState } from 'react';
import { renderSVG } from 'uqr';
import { Button } from '../ui/Button';
import { moment } from '../ui/format';
import { Notice } from '../ui/Notice';
import { TopBar } from '../ui/TopBar';
import { Waiting } from '../ui/Waiting';
import { Account } from './Account';
import { Refused, Said } from './Door';
import { Field, NewPassword, typedIn } from './Field';
import { Numbers } from './Numbers';
import { useAccount, useAccountChanges, useSessions } from './queries';
import { Tokens } from './Tokens';

/** One's own account: name, password, one-time codes, where it is signed in, its tokens, its data, its end. */
export function AccountPage() {
    const account = useAccount();
    useEffect(() => {
        document.title = 'Account · Row Tally';
    }, []);
    return (
        <div className="flex h-full flex-col">
            <TopBar account={<Account />}>
                <h1 className="text-base">Account</h1>
            </TopBar>
            <main className="min-h-0 flex-1 overflow-y-auto px-6 pb-16">
                <div className="mx-auto max-w-2xl">
                    {account.isError && <Notice onRetry={() => void account.refetch()}>{account.error.message}</Notice>}
                    {account.isPending && <Waiting what="Opening the account" />}
                    {account.data !== undefined && (
                        <>
                            <Name name={account.data.name} email={account.data.email} />
                            <Part title="Numbers and days">
                                <Numbers marks={account.data.numbers} />
                            </Part>
                            <Password />
                            <Factor isOn={account.data.has_factor} left={account.data.recovery_codes_left} />
                            <SignedInAt />
                            <Part title="For scripts">
                                <Tokens />
                            </Part>
                            <Data />
                            <End />
                        </>
                    )}
                </div>
            </main>
        </div>
    );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
    const id = useId();
    return (
        <section aria-labelledby={id} className="border-b border-hair py-6 last:border-b-0">
            <h2 id={id} className="mb-3 text-title">
                {title}
            </h2>
            {children}
        </section>
    );
}

function Name({ name, email }: { name: string; email: string }) {
    const { rename } = useAccountChanges();
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        rename.mutate(typedIn(event.currentTarget)('name'));
    };
    return (
        <Part title="Name">
            <p className="mb-3 text-soft">
                Signed in as <bdi>{email}</bdi>.
            </p>
            <form onSubmit={submit} className="flex flex-wrap items-end gap-3">
                <div className="min-w-0 flex-1 basis-60">
                    <Field name="name" label="What you are called" defaultValue={name} maxLength={100} autoComplete="name" />
                </div>
                <Button type="submit" className="py-2!" disabled={rename.isPending}>
                    Use it
                </Button>
            </form>
            {rename.isError && <Refused>{rename.error.message}</Refused>}
            <Address />
        </Part>
    );
}

/** Another address, asked for only by whoever wants one. */
function Address() {
    const { changeAddress } = useAccountChanges();
    const [isAsked, setIsAsked] = useState(false);
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const typed = typedIn(event.currentTarget);
        changeAddress.mutate({ email: typed('email'), current_password: typed('current_password') });
    };
    return changeAddress.isSuccess ? (
        <div className="mt-3">
            <Said>{changeAddress.data.message}</Said>
        </div>
    ) : isAsked ? (
        <form onSubmit={submit} className="mt-3 flex flex-wrap items-end gap-3">
            <div className="min-w-0 flex-1 basis-60">
                <Field name="email" label="New address" type="email" autoComplete="email" autoFocus />
            </div>
            <div className="min-w-0 flex-1 basis-60">
                <Field name="current_password" label="Your password, to change it" type="password" autoComplete="current-password" />
            </div>
            <Button type="submit" className="py-2!" disabled={changeAddress.isPending}>
                Send a letter there
            </Button>
            {changeAddress.isError && (
                <div className="basis-full">
                    <Refused>{changeAddress.error.message}</Refused>
                </div>
            )}
        </form>
    ) : (
        <Button look="quiet" className="mt-2 px-0!" onClick={() => setIsAsked(true)}>
            Use another address …
        </Button>
    );
}

function Password() {
    const { changePassword } = useAccountChanges();
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const form = event.currentTarget;
        const typed = typedIn(form);
        changePassword.mutate(
            { current_password: typed('current_password'), password: typed('password') },
            { onSuccess: () => form.reset() },
        );
    };
    return (
        <Part title="Password">
            <form onSubmit={submit} className="space-y-3">
                <Field name="current_password" label="Password until now" type="password" autoComplete="current-password" />
                <NewPassword label="New password" />
                {changePassword.isError && <Refused>{changePassword.error.message}</Refused>}
                {changePassword.isSuccess && (
                    <Said>
                        It is changed
                        {changePassword.data.ended > 0 && `; ${changePassword.data.ended} other sessions have ended`}.
                    </Said>
                )}
                <Button type="submit" disabled={changePassword.isPending}>
                    Change it
                </Button>
            </form>
        </Part>
    );
}

/** A form that asks for the password before it does something. */
function Proven({
    label,
    isPending,
    error,
    onProve,
}: {
    label: string;
    isPending: boolean;
    error: Error | null;
    onProve: (password: string) => void;
}) {
    return (
        <form
            className="flex flex-wrap items-end gap-3"
            onSubmit={(event: SubmitEvent<HTMLFormElement>) => {
                event.preventDefault();
                onProve(typedIn(event.currentTarget)('current_password'));
            }}
        >
            <div className="min-w-0 flex-1 basis-60">
                <Field
                    name="current_password"
                    label={`Your password, to ${label.toLowerCase()}`}
                    type="password"
                    autoComplete="current-password"
                />
            </div>
            <Button type="submit" className="py-2!" disabled={isPending}>
                {label}
            </Button>
            {error !== null && (
                <div className="basis-full">
                    <Refused>{error.message}</Refused>
                </div>
            )}
        </form>
    );
}

function Factor({ isOn, left }: { isOn: boolean; left: number }) {
    const { beginFactor, confirmFactor, newCodes, endFactor } = useAccountChanges();
    const [codes, setCodes] = useState<string[] | null>(null);
    const begun = beginFactor.data;
    return (
        <Part title="One-time codes">
            {codes !== null && (
                <div className="mb-4 border-l-3 border-accent pl-4">
                    <p className="font-semibold">
                        Write these down: each signs you in once when there is no other code. They are not shown again.
                    </p>
                    <ul className="figures mt-2 grid grid-cols-2 gap-x-8 max-sm:grid-cols-1">
                        {codes.map((code) => (
                            <li key={code}>{code}</li>
                        ))}
                    </ul>
                </div>
            )}
            {isOn ? (
                <div className="space-y-4">
                    <p>
                        Whoever signs in types a code of your application beside the password. {left} recovery{' '}
                        {left === 1 ? 'code is' : 'codes are'} left.
                    </p>
                    <Proven
                        label="Make new recovery codes"
                        isPending={newCodes.isPending}
                        error={newCodes.error}
                        onProve={(password) => newCodes.mutate(password, { onSuccess: ({ recovery_codes }) => setCodes(recovery_codes) })}
                    />
                    <Proven
                        label="Ask for codes no more"
                        isPending={endFactor.isPending}
                        error={endFactor.error}
                        onProve={(password) => {
                            setCodes(null);
                            endFactor.mutate(password, { onSuccess: () => beginFactor.reset() });
                        }}
                    />
                </div>
            ) : begun === undefined ? (
                <>
                    <p className="mb-3 text-soft">
                        A code that an application on your telephone shows for thirty seconds, beside the password. Any application for
                        one-time codes will do.
                    </p>
                    <Proven
                        label="Begin"
                        isPending={beginFactor.isPending}
                        error={beginFactor.error}
                        onProve={(password) => beginFactor.mutate(password)}
                    />
                </>
            ) : (
                <form
                    className="space-y-3"
                    onSubmit={(event: SubmitEvent<HTMLFormElement>) => {
                        event.preventDefault();
                        confirmFactor.mutate(typedIn(event.currentTarget)('code'), {
                            onSuccess: ({ recovery_codes }) => setCodes(recovery_codes),
                        });
                    }}
                >
                    <p>Let your application read this, or type its key there; then type the code that it shows.</p>
                    <img
                        alt="The key as a code to be read by a camera"
                        className="w-48 border border-hair bg-white"
                        src={`data:image/svg+xml;charset=utf-8,${encodeURIComponent(renderSVG(begun.address))}`}
                    />
                    <p className="figures break-all">{begun.secret.match(/.{1,4}/g)?.join(' ')}</p>
                    <Field name="code" label="Code" inputMode="numeric" autoComplete="one-time-code" maxLength={10} />
                    {confirmFactor.isError && <Refused>{confirmFactor.error.message}</Refused>}
                    <Button type="submit" disabled={confirmFactor.isPending}>
                        Ask for codes from now on
                    </Button>
                </form>
            )}
        </Part>
    );
}

function SignedInAt() {
    const sessions = useSessions();
    const { endSession } = useAccountChanges();
    const others = (sessions.data ?? []).filter(({ is_this }) => !is_this);
    return (
        <Part title="Signed in">
            {sessions.isError && <Notice onRetry={() => void sessions.refetch()}>{sessions.error.message}</Notice>}
            <ul>
                {sessions.data?.map((session) => (
                    <li key={session.id} className="flex flex-wrap items-baseline gap-x-4 border-b border-hair py-1.5 last:border-b-0">
                        <span className="flex-1 basis-60">
                            {session.with}
                            {session.from !== null && <span className="text-soft">, from {session.from}</span>}
                        </span>
                        <span className="text-small text-soft">
                            {session.is_this ? 'here and now' : `last seen ${moment(new Date(session.last_seen * 1000).toISOString())}`}
                        </span>
                        {!session.is_this && (
                            <Button
                                className="px-2! py-0.5!"
                                aria-label={`End it: ${session.with}`}
                                disabled={endSession.isPending}
                                onClick={() => endSession.mutate(session.id)}
                            >
                                End it
                            </Button>
                        )}
                    </li>
                ))}
            </ul>
            {others.length > 1 && (
                <Button className="mt-3" disabled={endSession.isPending} onClick={() => endSession.mutate(null)}>
                    End all but this
                </Button>
            )}
        </Part>
    );
}

function Data() {
    const { takeOut } = useAccountChanges();
    return (
        <Part title="Your data">
            <p className="mb-3 text-soft">
                Every dataset as a data package with its changes in words, every report with the records of its editions, in one zip.
            </p>
            <Button disabled={takeOut.isPending} onClick={() => takeOut.mutate()}>
                {takeOut.isPending ? 'Being put together …' : 'Take all of it out'}
            </Button>
        </Part>
    );
}

function End() {
    const { remove } = useAccountChanges();
    const [isAsked, setIsAsked] = useState(false);
    return (
        <Part title="The end">
            <p className="mb-3 text-soft">
                The account goes for good, with its datasets, reports and links. Nothing of it can be brought back.
            </p>
            {isAsked ? (
                <Proven
                    label="Delete the account"
                    isPending={remove.isPending}
                    error={remove.error}
                    onProve={(password) => remove.mutate(password)}
                />
            ) : (
                <Button onClick={() => setIsAsked(true)}>Delete this account …</Button>
            )}
        </Part>
    );
}
