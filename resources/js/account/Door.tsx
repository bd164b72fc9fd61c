import { type ReactNode, useEffect } from 'react';
import { Link } from 'wouter';
import { Logo } from '../ui/Logo';
import { ThemeChoice } from '../ui/ThemeChoice';

/** A page for somebody who is not signed in. */
export function Door({ title, children }: { title: string; children: ReactNode }) {
    useEffect(() => {
        document.title = `${title} · Row Tally`;
    }, [title]);
    return (
        <main className="flex min-h-full flex-col">
            <div className="flex justify-end p-4">
                <ThemeChoice />
            </div>
            <div className="mx-auto w-full max-w-sm px-6 pt-[6vh] pb-10">
                <Logo size={56} />
                <h1 className="mt-4 mb-6 text-3xl">{title}</h1>
                {children}
            </div>
        </main>
    );
}

export function DoorLink({ to, children }: { to: string; children: ReactNode }) {
    return (
        <Link
            to={to}
            className="inline-flex min-h-6 items-center underline decoration-hair-strong underline-offset-4 hover:decoration-accent"
        >
            {children}
        </Link>
    );
}

export function Said({ children }: { children: ReactNode }) {
    return (
        <p role="status" className="border-l-3 border-accent pl-3">
            {children}
        </p>
    );
}

export function Refused({ children }: { children: ReactNode }) {
    return (
        <p role="alert" className="border-l-3 border-alarm pl-3">
            {children}
        </p>
    );
}
