import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { lazy, StrictMode, Suspense } from 'react';
import { createRoot } from 'react-dom/client';
import { Redirect, Route, Switch } from 'wouter';
import '../css/app.css';
import { beginSession } from './account/queries';
import { SignedIn } from './account/SignedIn';
import { Refusal } from './api/client';
import { datasetKey } from './api/datasets';
import { mutationCache } from './api/failures';
import { outbox } from './api/outbox';
import { FIGURES } from './api/figures';
import { started } from './api/started';
import { fetched } from './ui/fetched';
import { applyTheme } from './ui/theme';

applyTheme();

// Each place is fetched when somebody goes there.
const AccountPage = lazy(async () => ({ default: (await import('./account/AccountPage')).AccountPage }));
const CheckPage = lazy(async () => ({ default: (await import('./check/CheckPage')).CheckPage }));
const ComparePage = fetched(async () => (await import('./compare/ComparePage')).ComparePage);
const DatasetsPage = fetched(async () => (await import('./datasets/DatasetsPage')).DatasetsPage);
const DocsPage = lazy(async () => ({ default: (await import('./docs/DocsPage')).DocsPage }));
const GuidePage = lazy(async () => ({ default: (await import('./guide/GuidePage')).GuidePage }));
const IntakePage = lazy(async () => ({ default: (await import('./intake/IntakePage')).IntakePage }));
const ProfilePage = fetched(async () => {
    const { ProfilePage: Page, Sheet } = await import('./profile/ProfilePage');
    if (new URLSearchParams(location.search).has('of')) {
        // What the server drew is taken over whole.
        await Sheet.fetch();
    }
    return Page;
});
const doors = () => import('./account/Doors');
const RegisterPage = lazy(async () => ({ default: (await doors()).RegisterPage }));
const ForgotPage = lazy(async () => ({ default: (await doors()).ForgotPage }));
const NewPasswordPage = lazy(async () => ({ default: (await doors()).NewPasswordPage }));
const ConfirmPage = lazy(async () => ({ default: (await doors()).ConfirmPage }));
const SignInPage = lazy(async () => ({ default: (await import('./account/SignInPage')).SignInPage }));
const ReportPage = fetched(async () => (await import('./report/ReportPage')).ReportPage);
const SharedReportPage = lazy(async () => ({ default: (await import('./report/SharedReportPage')).SharedReportPage }));
const TeamsPage = lazy(async () => ({ default: (await import('./account/TeamsPage')).TeamsPage }));
const RowsPage = fetched(async () => (await import('./rows/RowsPage')).RowsPage);

/** What the first screen shows is waited for: the page came with it. */
const FIRST = [
    { path: /^\/datasets$/, Page: DatasetsPage },
    { path: /^\/datasets\/\d+\/rows$/, Page: RowsPage },
    { path: /^\/datasets\/\d+\/profile$/, Page: ProfilePage },
    { path: /^\/datasets\/\d+\/compare$/, Page: ComparePage },
    { path: /^\/datasets\/\d+\/report$/, Page: ReportPage },
];

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

// What the page came with need not be asked for.
const { session, dataset, figures } = started();
if (session !== undefined) {
    beginSession(queries, session);
}
if (dataset !== undefined) {
    queries.setQueryData(datasetKey(dataset.id), dataset);
}
if (figures !== undefined) {
    queries.setQueryData(FIGURES, figures);
}

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

function show(root: HTMLElement): void {
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
                                <Route path="/guide" component={GuidePage} />
                                <Route path="/guide/:topic" component={GuidePage} />
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

const root = document.getElementById('app');
if (root !== null) {
    const first = FIRST.find(({ path }) => path.test(location.pathname));
    // What cannot be fetched is said by the place itself.
    void Promise.resolve(first?.Page.fetch())
        .catch(() => undefined)
        .then(() => show(root));
}
