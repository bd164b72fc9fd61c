import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { lazy, StrictMode, Suspense } from 'react';
import { createRoot } from 'react-dom/client';
import { Redirect, Route, Switch } from 'wouter';
import '../css/app.css';
import { SignedIn } from './account/SignedIn';
import { Refusal } from './api/client';
import { mutationCache } from './api/failures';
import { outbox } from './api/outbox';
import { applyTheme } from './ui/theme';

applyTheme();

// Each place is fetched when somebody goes there.
const AccountPage = lazy(async () => ({ default: (await import('./account/AccountPage')).AccountPage }));
const CheckPage = lazy(async () => ({ default: (await import('./check/CheckPage')).CheckPage }));
const ComparePage = lazy(async () => ({ default: (await import('./compare/ComparePage')).ComparePage }));
const DatasetsPage = lazy(async () => ({ default: (await import('./datasets/DatasetsPage')).DatasetsPage }));
const DocsPage = lazy(async () => ({ default: (await import('./docs/DocsPage')).DocsPage }));
const IntakePage = lazy(async () => ({ default: (await import('./intake/IntakePage')).IntakePage }));
const ProfilePage = lazy(async () => ({ default: (await import('./profile/ProfilePage')).ProfilePage }));
const doors = () => import('./account/Doors');
const RegisterPage = lazy(async () => ({ default: (await doors()).RegisterPage }));
const ForgotPage = lazy(async () => ({ default: (await doors()).ForgotPage }));
const NewPasswordPage = lazy(async () => ({ default: (await doors()).NewPasswordPage }));
const ConfirmPage = lazy(async () => ({ default: (await doors()).ConfirmPage }));
const SignInPage = lazy(async () => ({ default: (await import('./account/SignInPage')).SignInPage }));
const ReportPage = lazy(async () => ({ default: (await import('./report/ReportPage')).ReportPage }));
const SharedReportPage = lazy(async () => ({ default: (await import('./report/SharedReportPage')).SharedReportPage }));
const TeamsPage = lazy(async () => ({ default: (await import('./account/TeamsPage')).TeamsPage }));
const RowsPage = lazy(async () => ({ default: (await import('./rows/RowsPage')).RowsPage }));

const queries = new QueryClient({
    mutationCache,
    defaultOptions: {
        queries: {
            staleTime: 30_000,
            refetchOnWindowFocus: false,
            // What the server refuses it refuses again; only silence is worth another try.
            retry: (failures, error) => !(error instanceof Refusal && error.status !== 0) && failures < 2,
        },
    },
});

// Where a change was not answered as it should be, it is not known what is there: the page looks.
mutationCache.subscribe(({ type, mutation }) => {
    const error: unknown = type === 'updated' ? mutation.state.error : null;
    if (
        type === 'updated' &&
        mutation.state.status === 'error' &&
        error instanceof Refusal &&
        (error.status === 0 || error.status >= 500)
    ) {
        void queries.invalidateQueries();
    }
});

// What was not sent yet when the page was loaded anew is sent wherever somebody is by now.
const waiting = new Set(outbox.list().map(({ dataset }) => dataset));
if (waiting.size > 0) {
    void import('./rows/changes').then(({ sendChanges }) => {
        waiting.forEach((dataset) => sendChanges(queries, dataset));
        outbox.again();
    });
}

const root = document.getElementById('app');
if (root !== null) {
    createRoot(root).render(
        <StrictMode>
            <QueryClientProvider client={queries}>
                <Switch>
                    <Route path="/sign-in">
                        <Suspense fallback={null}>
                            <SignInPage />
                        </Suspense>
                    </Route>
                    {[
                        { path: '/register', Page: RegisterPage },
                        { path: '/forgot', Page: ForgotPage },
                        { path: '/new-password', Page: NewPasswordPage },
                        { path: '/confirm', Page: ConfirmPage },
                        { path: '/api/docs', Page: DocsPage },
                    ].map(({ path, Page }) => (
                        <Route key={path} path={path}>
                            <Suspense fallback={null}>
                                <Page />
                            </Suspense>
                        </Route>
                    ))}
                    <Route>
                        <SignedIn>
                            <Switch>
                                <Route path="/datasets" component={DatasetsPage} />
                                <Route path="/account" component={AccountPage} />
                                <Route path="/teams" component={TeamsPage} />
                                <Route path="/reports/:report" component={SharedReportPage} />
                                <Route path="/check" component={CheckPage} />
                                <Route path="/imports/:import" component={IntakePage} />
                                <Route path="/datasets/:dataset/rows" component={RowsPage} />
                                <Route path="/datasets/:dataset/profile" component={ProfilePage} />
                                <Route path="/datasets/:dataset/compare" component={ComparePage} />
                                <Route path="/datasets/:dataset/report" component={ReportPage} />
                                <Route>
                                    <Redirect to="/datasets" replace />
                                </Route>
                            </Switch>
                        </SignedIn>
                    </Route>
                </Switch>
            </QueryClientProvider>
        </StrictMode>,
    );
}
