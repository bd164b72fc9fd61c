import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { lazy, StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter, Navigate, Route, Routes } from 'react-router';
import '../css/app.css';
import { SignInPage } from './account/SignInPage';
import { SignedIn } from './account/SignedIn';
import { Refusal } from './api/client';
import { mutationCache } from './api/failures';
import { applyTheme } from './ui/theme';

applyTheme();

// Each place is fetched when somebody goes there.
const DatasetsPage = lazy(async () => ({ default: (await import('./datasets/DatasetsPage')).DatasetsPage }));
const IntakePage = lazy(async () => ({ default: (await import('./intake/IntakePage')).IntakePage }));
const ProfilePage = lazy(async () => ({ default: (await import('./profile/ProfilePage')).ProfilePage }));
const ReportPage = lazy(async () => ({ default: (await import('./report/ReportPage')).ReportPage }));
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

const root = document.getElementById('app');
if (root !== null) {
    createRoot(root).render(
        <StrictMode>
            <QueryClientProvider client={queries}>
                <BrowserRouter useTransitions={false}>
                    <Routes>
                        <Route path="/sign-in" element={<SignInPage />} />
                        <Route element={<SignedIn />}>
                            <Route path="/datasets" element={<DatasetsPage />} />
                            <Route path="/imports/:import" element={<IntakePage />} />
                            <Route path="/datasets/:dataset/rows" element={<RowsPage />} />
                            <Route path="/datasets/:dataset/profile" element={<ProfilePage />} />
                            <Route path="/datasets/:dataset/report" element={<ReportPage />} />
                        </Route>
                        <Route path="*" element={<Navigate to="/datasets" replace />} />
                    </Routes>
                </BrowserRouter>
            </QueryClientProvider>
        </StrictMode>,
    );
}
