import '@fontsource-variable/inter';
import { QueryClientProvider } from '@tanstack/react-query';
import { NuqsAdapter } from 'nuqs/adapters/react-router/v7';
import { StrictMode, Suspense, useEffect } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter, Link, Navigate, Route, Routes } from 'react-router';
import { ForgotPasswordPage, RegisterPage, ResetPasswordPage, SignInPage } from './account/AccountPages';
import { messageOf } from './api/client';
import { fetchAhead, queryClient, useSession } from './api/queries';
import { knowKept } from './api/kept';
import { keepOffline } from './api/offline';
import { keepWaiting } from './api/waiting';
import {
    AuditPage,
    BeginPage,
    BookPage,
    CalibrationPage,
    ChartPage,
    ChartsPage,
    CompareStage,
    Desk,
    DrawStage,
    fetchPagesAt,
    FilesPage,
    NumbersPage,
    InsteadPage,
    LookStage,
    MatchStage,
    NewPiecePage,
    PencilPage,
    PencilsPage,
    PencilsPlace,
    PlanStage,
    FiguresPage,
    PracticePage,
    WeekPage,
    RecordPage,
    RecipesPage,
    StudioPage,
    SwatchesPlace,
} from './pages';
import { PiecesPage } from './pieces/PiecesPage';
import { SharedPage } from './share/SharedPage';
import { Shell } from './Shell';
import { DeskLight } from './ui/DeskLight';
import { GlobalStyle } from './ui/GlobalStyle';
import { Notices } from './ui/Notices';
import { Loading, Missing, Problem } from './ui/States';

function Pages() {
    const session = useSession();
    const artist = session.data?.user?.email;
    useEffect(() => (artist === undefined ? undefined : keepWaiting(queryClient, artist)), [artist]);
    if (session.isError) return <Problem message={messageOf(session.error)} retry={() => void session.refetch()} />;
    if (!session.data) return <Loading what="Opening the studio" />;
    if (!session.data.user) {
        return (
            <Routes>
                <Route path="/register" element={<RegisterPage />} />
                <Route path="/forgot-password" element={<ForgotPasswordPage />} />
                <Route path="/reset-password" element={<ResetPasswordPage />} />
                <Route path="*" element={<SignInPage />} />
            </Routes>
        );
    }

    // Whoever is new is asked first what there is to work with.
    const home = session.data.user.begun || session.data.user.boxCount > 0 ? '/pieces' : '/begin';

    return (
        <Suspense fallback={<Loading what="Opening" />}>
            <Routes>
                <Route element={<Shell />}>
                    <Route path="/pieces" element={<PiecesPage />} />
                    <Route path="/pieces/new" element={<NewPiecePage />} />
                    <Route path="/recipes" element={<RecipesPage />} />
                    <Route path="/figures" element={<FiguresPage />} />
                    <Route path="/practice" element={<PracticePage />} />
                    <Route path="/practice/week" element={<WeekPage />} />
                    <Route path="/practice/:round" element={<PracticePage />} />
                    <Route path="/studio" element={<StudioPage />} />
                    <Route path="/begin" element={<BeginPage />} />
                    <Route path="/begin/:step" element={<BeginPage />} />
                    <Route path="/pieces/:piece/record" element={<RecordPage />} />
                    <Route path="/pieces/:piece" element={<Desk />}>
                        <Route index element={<Navigate to="match" replace />} />
                        <Route path="look" element={<LookStage />} />
                        <Route path="match" element={<MatchStage />} />
                        <Route path="plan" element={<PlanStage />} />
                        <Route path="draw" element={<DrawStage />} />
                        <Route path="compare" element={<CompareStage />} />
                    </Route>
                    <Route element={<PencilsPlace />}>
                        <Route path="/pencils" element={<PencilsPage />} />
                        <Route path="/pencils/audit" element={<AuditPage />} />
                        <Route path="/pencils/instead" element={<InsteadPage />} />
                        <Route path="/pencils/files" element={<FilesPage />} />
                        <Route path="/pencils/numbers" element={<NumbersPage />} />
                        <Route path="/pencils/:pencil" element={<PencilPage />} />
                    </Route>
                    <Route element={<SwatchesPlace />}>
                        <Route path="/swatches" element={<BookPage />} />
                        <Route path="/swatches/charts" element={<ChartsPage />} />
                        <Route path="/swatches/charts/:chart" element={<ChartPage />} />
                        <Route path="/swatches/calibration" element={<CalibrationPage />} />
                    </Route>
                    <Route path="/reset-password" element={<ResetPasswordPage />} />
                    <Route path="/" element={<Navigate to={home} replace />} />
                    <Route path="/login" element={<Navigate to={home} replace />} />
                    <Route path="/register" element={<Navigate to="/begin" replace />} />
                    <Route
                        path="*"
                        element={
                            <Missing title="There is nothing at this address">
                                <Link to="/pieces">To your pieces</Link>
                            </Missing>
                        }
                    />
                </Route>
            </Routes>
        </Suspense>
    );
}

knowKept(queryClient);
keepOffline();

const root = document.getElementById('root');
if (!root) throw new Error('The page has no place for the studio.');
// What stands at this address is asked for in one go, not one after the other.
fetchAhead(window.location.pathname);
void fetchPagesAt(window.location.pathname).then(() =>
    createRoot(root).render(
        <StrictMode>
            <QueryClientProvider client={queryClient}>
                <DeskLight>
                    <GlobalStyle />
                    <BrowserRouter>
                        <NuqsAdapter>
                            <Routes>
                                {/* Whoever has a link needs no studio. */}
                                <Route path="/shared/:token" element={<SharedPage />} />
                                <Route path="*" element={<Pages />} />
                            </Routes>
                        </NuqsAdapter>
                    </BrowserRouter>
                    <Notices />
                </DeskLight>
            </QueryClientProvider>
        </StrictMode>,
    ),
);
