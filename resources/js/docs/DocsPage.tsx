import { useQuery } from '@tanstack/react-query';
import { type ReactNode, useEffect, useMemo } from 'react';
import { Refusal } from '../api/client';
import { CopiedNote } from '../ui/copying';
import { Notice } from '../ui/Notice';
import { TopBar } from '../ui/TopBar';
import { Waiting } from '../ui/Waiting';
import { CallView, ShellLine } from './CallView';
import { callsOf, type Contract } from './contract';
import { link, Shapes } from './ShapeView';

async function fetchContract(): Promise<Contract> {
    const answer = await fetch('/api/contract');
    if (!answer.ok) {
        throw new Refusal(answer.status, 'The contract did not come. Try again in a moment.');
    }
    return (await answer.json()) as Contract;
}

/** What scripts may ask for, readable: the contract, with lines that work. For anybody, signed in or not. */
export function DocsPage() {
    const contract = useQuery({ queryKey: ['contract'], queryFn: fetchContract, staleTime: Infinity });
    useEffect(() => {
        document.title = 'For scripts · Row Tally';
    }, []);
    return (
        <div className="flex h-full flex-col">
            <TopBar>
                <h1 className="text-base">For scripts</h1>
            </TopBar>
            {contract.isError && <Notice onRetry={() => void contract.refetch()}>{contract.error.message}</Notice>}
            {contract.isPending && <Waiting what="Fetching the contract" />}
            {contract.data !== undefined && <Whole contract={contract.data} />}
            <CopiedNote />
        </div>
    );
}

function Whole({ contract }: { contract: Contract }) {
    const groups = useMemo(() => [...callsOf(contract)], [contract]);
    // What the address names is opened and shown: it was not there yet when the page came.
    useEffect(() => {
        const show = () => {
            const named = document.getElementById(decodeURIComponent(location.hash.slice(1)));
            if (named instanceof HTMLDetailsElement) {
                named.open = true;
            }
            named?.scrollIntoView();
        };
        show();
        window.addEventListener('hashchange', show);
        return () => window.removeEventListener('hashchange', show);
    }, []);
    return (
        <div className="flex min-h-0 flex-1 max-md:block max-md:overflow-y-auto">
            <nav
                aria-label="What it is about"
                className="w-52 shrink-0 overflow-y-auto border-r border-hair px-4 py-6 max-md:w-auto max-md:border-r-0"
            >
                <ul className="max-md:flex max-md:flex-wrap max-md:gap-x-4">
                    {[...groups.map(([tag]) => tag), 'Shapes'].map((tag) => (
                        <li key={tag}>
                            <a
                                className="inline-flex min-h-7 items-center text-soft underline-offset-4 hover:text-ink hover:underline"
                                href={`#${anchor(tag)}`}
                            >
                                {tag}
                            </a>
                        </li>
                    ))}
                </ul>
            </nav>
            <main
                tabIndex={0}
                aria-label="For scripts"
                className="min-w-0 flex-1 overflow-y-auto px-8 pb-24 max-md:overflow-visible max-md:px-4"
            >
                <div className="max-w-4xl">
                    <Beginning lines={contract.info['x-lines']} />
                    {groups.map(([tag, calls]) => (
                        <section key={tag} aria-labelledby={anchor(tag)} className="border-b border-hair py-6">
                            <h2 id={anchor(tag)} className="mb-2 scroll-mt-4 text-title">
                                {tag}
                            </h2>
                            {calls.map((call) => (
                                <CallView key={call.operation.operationId} call={call} contract={contract} />
                            ))}
                        </section>
                    ))}
                    <Shapes contract={contract} />
                </div>
            </main>
        </div>
    );
}

function anchor(tag: string): string {
    return tag.toLowerCase().replaceAll(' ', '-');
}

function Point({ name, children }: { name: string; children: ReactNode }) {
    return (
        <p className="mt-3">
            <strong>{name}</strong> {children}
        </p>
    );
}

function Beginning({ lines }: { lines: string }) {
    return (
        <section aria-labelledby="from-file-to-report" className="border-b border-hair py-6">
            <h2 id="from-file-to-report" className="mb-3 text-title">
                From a file to a report
            </h2>
            <p className="mb-3">
                Make a token under{' '}
                <a className={link} href="/account">
                    Account
                </a>{' '}
                with the scopes read and change. The lines ask for <span className="font-figures text-small">curl</span> and{' '}
                <span className="font-figures text-small">jq</span>.
            </p>
            <ShellLine line={lines} name="the lines" />
            <Point name="Proof.">A token stands in the head Authorization of each request, never in an address: there it is refused.</Point>
            <Point name="Twice is once.">
                Whatever makes something takes a head Idempotency-Key with a name of your own, at most 200 characters. Sent again under the
                same name within a day it is not made again: the first answer comes once more.
            </Point>
            <Point name="Figures.">
                A figure has a value, a double in full, or a reason why there is none; its text is rounded as the basis says. Every answer
                says which conventions it rests on.
            </Point>
            <Point name="No.">
                Every refusal is an object with a message, a sentence that says what to do. 401: no proof, or a bad one. 403: the scope or
                the part does not allow it. 404: it is not there, or not yours. 409: somebody else changed it meanwhile. 422: the words are
                off. 429: too much at once; wait.
            </Point>
            <Point name="What stays.">
                Within a major version addresses, words and their meaning, scopes, names and kinds of what is answered stay. New words, new
                parts of answers and new calls may come: leave out what you do not know. A figure changes only where it was wrong; the
                changelog says so. What is to go is marked here for at least six months before it goes.
            </Point>
            <p className="mt-3">
                <a className={link} href="/api/openapi.yaml">
                    The contract as a file (OpenAPI 3.1)
                </a>
            </p>
        </section>
    );
}
