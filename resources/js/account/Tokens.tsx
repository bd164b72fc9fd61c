import { type SubmitEvent, useState } from 'react';
import type { Scope } from '../api/client';
import { Button } from '../ui/Button';
import { copyText } from '../ui/copying';
import { moment } from '../ui/format';
import { Notice } from '../ui/Notice';
import { WordChoice } from '../ui/WordChoice';
import { WordTicks } from '../ui/WordTicks';
import { Refused } from './Door';
import { Field, typedIn } from './Field';
import { useTokenChanges, useTokens } from './queries';

const SCOPES: { value: Scope; words: string; help: string }[] = [
    { value: 'read', words: 'look and take out (read)', help: 'Datasets, figures, pictures and reports.' },
    { value: 'change', words: 'bring in and change (change)', help: 'Datasets and reports, and handing reports over.' },
    { value: 'own', words: 'share and delete (own)', help: 'Parts in datasets, links to reports, handing over, deleting.' },
];

const DAYS = [
    { value: '7', words: 'a week', help: 'Ends by itself after 7 days.' },
    { value: '30', words: '30 days', help: 'Ends by itself after a month.' },
    { value: '90', words: '90 days', help: 'Ends by itself after three months.' },
    { value: '365', words: 'a year', help: 'Ends by itself after 365 days.' },
];

function wordsOf(scopes: string[]): string {
    return SCOPES.filter(({ value }) => scopes.includes(value))
        .map(({ words }) => words)
        .join(', ');
}

/** What scripts show instead of the password. */
export function Tokens() {
    const tokens = useTokens();
    const { make, revoke } = useTokenChanges();
    const [scopes, setScopes] = useState<string[]>(['read']);
    const [days, setDays] = useState('30');
    const submit = (event: SubmitEvent<HTMLFormElement>) => {
        event.preventDefault();
        const form = event.currentTarget;
        const typed = typedIn(form);
        make.mutate(
            {
                name: typed('name'),
                scopes: SCOPES.map(({ value }) => value).filter((value) => scopes.includes(value)),
                days: Number(days) as 7 | 30 | 90 | 365,
                current_password: typed('current_password'),
            },
            { onSuccess: () => form.reset() },
        );
    };
    return (
        <>
            <p className="mb-3 text-soft">
                A token lets a script in without the password.{' '}
                <a href="/api/docs" className="underline decoration-hair-strong underline-offset-4 hover:decoration-accent">
                    What can be asked for, and how
                </a>
            </p>
            {make.isSuccess && (
                <div role="status" className="mb-4 border-l-3 border-accent pl-4">
                    <p className="font-semibold">Copy it now: it is not shown again.</p>
                    <p className="figures my-2 break-all">{make.data.token}</p>
                    <Button onClick={() => void copyText(make.data.token, 'the token')}>Copy it</Button>
                </div>
            )}
            {tokens.isError && <Notice onRetry={() => void tokens.refetch()}>{tokens.error.message}</Notice>}
            <ul className="mb-4">
                {tokens.data?.map((token) => (
                    <li key={token.id} className="flex flex-wrap items-baseline gap-x-4 border-b border-hair py-1.5">
                        <span className="min-w-0 flex-1 basis-60 wrap-anywhere">
                            <bdi>{token.name}</bdi>
                            <span className="text-soft">: {wordsOf(token.scopes)}</span>
                        </span>
                        <span className="text-small text-soft">
                            {token.has_ended ? 'ended' : 'ends'} {moment(token.ends)};{' '}
                            {token.last_used === null ? 'not used yet' : `last used ${moment(token.last_used)}`}
                        </span>
                        <Button
                            className="px-2! py-0.5!"
                            aria-label={`Revoke it: ${token.name}`}
                            disabled={revoke.isPending}
                            onClick={() => revoke.mutate(token.id)}
                        >
                            Revoke it
                        </Button>
                    </li>
                ))}
            </ul>
            <form onSubmit={submit} className="space-y-3">
                <p>
                    A new one may{' '}
                    <WordTicks
                        name="What it may do"
                        words={wordsOf(scopes) || 'do nothing yet'}
                        help="A token can never do more than the account itself, and never anything with the account: password, codes, tokens."
                        options={SCOPES}
                        chosen={scopes}
                        onChange={setScopes}
                    />{' '}
                    for <WordChoice name="How long" options={DAYS} value={days} onChange={setDays} />.
                </p>
                <div className="flex flex-wrap items-end gap-3">
                    <div className="min-w-0 flex-1 basis-60">
                        <Field name="name" label="What it is for" maxLength={100} autoComplete="off" />
                    </div>
                    <div className="min-w-0 flex-1 basis-60">
                        <Field
                            name="current_password"
                            label="Your password, to make a token"
                            type="password"
                            autoComplete="current-password"
                        />
                    </div>
                </div>
                {make.isError && <Refused>{make.error.message}</Refused>}
                <Button type="submit" disabled={make.isPending}>
                    Make a token
                </Button>
            </form>
        </>
    );
}
