import { type SubmitEvent, useEffect, useId, useState } from 'react';
import type { Team, TeamRole } from '../api/client';
import { useTeamChanges, useTeams } from '../api/teams';
import { Button } from '../ui/Button';
import { count } from '../ui/format';
import { Notice } from '../ui/Notice';
import { TopBar } from '../ui/TopBar';
import { Waiting } from '../ui/Waiting';
import { WordChoice } from '../ui/WordChoice';
import { Account } from './Account';
import { Refused } from './Door';
import { Field, typedIn } from './Field';

const ROLES: { value: TeamRole; words: string; sentence: string }[] = [
    { value: 'reader', words: 'read', sentence: 'Sees every dataset of the team, changes nothing.' },
    { value: 'editor', words: 'change', sentence: 'Changes the datasets and reports of the team, and gives it others.' },
    { value: 'keeper', words: 'keep it', sentence: 'Decides who is in it, shares and deletes what is its.' },
];

function roleOf(value: string): TeamRole {
    return ROLES.find((role) => role.value === value)?.value ?? 'reader';
}

/** Teams, which own datasets together. */
export function TeamsPage() {
    const teams = useTeams();
    useEffect(() => {
        document.title = 'Teams · Row Tally';
    }, []);
    return (
        <div className="flex h-full flex-col">
            <TopBar account={<Account />}>
                <h1 className="text-base">Teams</h1>
            </TopBar>
            <main className="min-h-0 flex-1 overflow-y-auto px-6 pb-16">
                <div className="mx-auto max-w-2xl">
                    <p className="pt-6 text-soft">
                        What a team owns is everybody’s in it, whoever leaves. A dataset is given to one under <em>Share</em>.
                    </p>
                    {teams.isError && <Notice onRetry={() => void teams.refetch()}>{teams.error.message}</Notice>}
                    {teams.isPending && <Waiting what="Looking for your teams" />}
                    {teams.data?.map((team) => (
                        <One key={team.id} team={team} />
                    ))}
                    <NewTeam />
                </div>
            </main>
        </div>
    );
}

function NewTeam() {
    const { make } = useTeamChanges();
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const form = event.currentTarget;
        make.mutate(typedIn(form)('name'), { onSuccess: () => form.reset() });
    };
    return (
        <form onSubmit={submit} className="mt-8 flex flex-wrap items-end gap-3">
            <div className="min-w-0 flex-1 basis-60">
                <Field name="name" label="A new team, called" maxLength={100} autoComplete="off" />
            </div>
            <Button type="submit" className="py-2!" disabled={make.isPending}>
                Make it
            </Button>
            {make.isError && (
                <div className="basis-full">
                    <Refused>{make.error.message}</Refused>
                </div>
            )}
        </form>
    );
}

function One({ team }: { team: Team }) {
    const id = useId();
    const { ask, change, end, remove } = useTeamChanges();
    const [role, setRole] = useState<TeamRole>('editor');
    const [isRenamed, setIsRenamed] = useState(false);
    const isKept = team.role === 'keeper';
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const form = event.currentTarget;
        ask.mutate({ team: team.id, email: typedIn(form)('email'), role }, { onSuccess: () => form.reset() });
    };
    const failure = ask.error ?? change.error ?? end.error ?? remove.error;
    return (
        <section aria-labelledby={id} className="border-b border-hair py-6">
            <div className="flex flex-wrap items-baseline gap-x-4">
                <h2 id={id} className="text-title wrap-anywhere" dir="auto">
                    {team.name}
                </h2>
                <span className="text-soft">
                    {team.datasets === 0 ? 'no dataset yet' : `${count(team.datasets)} ${team.datasets === 1 ? 'dataset' : 'datasets'}`}
                </span>
                {isKept && (
                    <Button look="quiet" className="px-1! py-0!" aria-label={`Rename ${team.name}`} onClick={() => setIsRenamed(true)}>
                        Rename
                    </Button>
                )}
                {isKept && team.datasets === 0 && (
                    <Button
                        look="quiet"
                        className="px-1! py-0!"
                        aria-label={`Delete ${team.name}`}
                        disabled={remove.isPending}
                        onClick={() => remove.mutate(team.id)}
                    >
                        Delete
                    </Button>
                )}
            </div>
            {isRenamed && <Rename team={team} onDone={() => setIsRenamed(false)} />}
            <ul className="mt-3">
                {team.shares.map((share) => {
                    const who = share.name ?? share.email;
                    return (
                        <li key={share.id} className="flex flex-wrap items-baseline gap-x-4 border-b border-hair py-1.5 last:border-b-0">
                            <span className="min-w-0 flex-1 basis-60 truncate" title={share.email}>
                                <bdi>{who}</bdi>
                                {share.is_own && <span className="text-soft"> (you)</span>}
                                {!share.is_taken && (
                                    <span className="text-soft"> {share.is_offered ? 'has not taken it yet' : '(asked no more)'}</span>
                                )}
                            </span>
                            <span>
                                may{' '}
                                {isKept ? (
                                    <WordChoice
                                        name={`What ${who} may do`}
                                        options={ROLES}
                                        value={share.role}
                                        onChange={(to) => change.mutate({ share: share.id, role: roleOf(to) })}
                                    />
                                ) : (
                                    ROLES.find(({ value }) => value === share.role)?.words
                                )}
                            </span>
                            {(isKept || share.is_own) && (
                                <Button
                                    className="px-2! py-0.5!"
                                    aria-label={share.is_own ? `Leave it: ${team.name}` : `End it: ${who}`}
                                    disabled={end.isPending}
                                    onClick={() => end.mutate(share.id)}
                                >
                                    {share.is_own ? 'Leave it' : 'End it'}
                                </Button>
                            )}
                        </li>
                    );
                })}
            </ul>
            {isKept && (
                <form onSubmit={submit} className="mt-3 flex flex-wrap items-end gap-x-4 gap-y-2">
                    <div className="min-w-0 flex-1 basis-60">
                        <Field name="email" type="email" label={`E-mail of somebody to ask into ${team.name}`} />
                    </div>
                    <span className="pb-2">
                        to{' '}
                        <WordChoice
                            name={`What they may do in ${team.name}`}
                            options={ROLES}
                            value={role}
                            onChange={(to) => setRole(roleOf(to))}
                        />
                    </span>
                    <Button type="submit" className="py-2!" disabled={ask.isPending}>
                        Ask them in
                    </Button>
                </form>
            )}
            {failure !== null && (
                <div className="mt-3">
                    <Refused>{failure.message}</Refused>
                </div>
            )}
        </section>
    );
}

function Rename({ team, onDone }: { team: Team; onDone: () => void }) {
    const { rename } = useTeamChanges();
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        rename.mutate({ team: team.id, name: typedIn(event.currentTarget)('name') }, { onSuccess: onDone });
    };
    return (
        <form onSubmit={submit} className="mt-3 flex flex-wrap items-end gap-3">
            <div className="min-w-0 flex-1 basis-60">
                <Field name="name" label={`${team.name} is called`} defaultValue={team.name} maxLength={100} autoFocus />
            </div>
            <Button type="submit" className="py-2!" disabled={rename.isPending}>
                Use it
            </Button>
            <Button look="quiet" className="py-2!" onClick={onDone}>
                Leave it as it is
            </Button>
            {rename.isError && (
                <div className="basis-full">
                    <Refused>{rename.error.message}</Refused>
                </div>
            )}
        </form>
    );
}
