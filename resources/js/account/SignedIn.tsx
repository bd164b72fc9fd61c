import { type ReactNode, Suspense } from 'react';
import { Redirect, useLocation, useSearch } from 'wouter';
import { FailureBar } from './FailureBar';
import { About } from '../asking/About';
import { TourBar } from '../asking/TourBar';
import { Notice } from '../ui/Notice';
import { Keys } from '../ui/Keys';
import { PlaceBoundary } from '../ui/PlaceBoundary';
import { SkipLink } from '../ui/SkipLink';
import { Told } from '../ui/told';
import { useFocusKept } from '../ui/useFocusKept';
import { Waiting } from '../ui/Waiting';
import { useSession } from './queries';
import { SignInAgain } from './SignInAgain';
import { UnderwayBar } from './UnderwayBar';
import { UnsentBar } from './UnsentBar';

/** Lets a signed-in person through; anybody else signs in first and then comes back to the same address. */
export function SignedIn({ children }: { children: ReactNode }) {
    const session = useSession();
    const [pathname] = useLocation();
    const search = useSearch();
    useFocusKept(pathname);
    if (session.isError) {
        return (
            <div className="p-8">
                <Notice onRetry={() => void session.refetch()}>{session.error.message}</Notice>
            </div>
        );
    }
    if (session.data === undefined) {
        return <Waiting what="Opening" />;
    }
    return session.data.account === null ? (
        <Redirect to="/sign-in" replace state={{ from: search === '' ? pathname : `${pathname}?${search}` }} />
    ) : (
        <>
            <SkipLink />
            <Told />
            <Keys />
            <About />
            <div className="flex h-full flex-col print:block print:h-auto">
                <div className="min-h-0 flex-1">
                    <PlaceBoundary place={pathname}>
                        <Suspense fallback={<Waiting what="Opening" />}>{children}</Suspense>
                    </PlaceBoundary>
                </div>
                <TourBar />
                <FailureBar />
                <UnsentBar />
                <UnderwayBar />
            </div>
            <SignInAgain />
        </>
    );
}
