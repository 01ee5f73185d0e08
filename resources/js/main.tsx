import '@fontsource-variable/inter';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter, Link, Navigate, Route, Routes } from 'react-router';
import { ForgotPasswordPage, RegisterPage, ResetPasswordPage, SignInPage } from './account/AccountPages';
import { messageOf } from './api/client';
import { queryClient, useSession } from './api/queries';
import { CompareStage } from './compare/CompareStage';
import { Desk } from './desk/Desk';
import { DrawStage } from './draw/DrawStage';
import { LookStage } from './look/LookStage';
import { MatchStage } from './match/MatchStage';
import { AuditPage } from './pencils/AuditPage';
import { FilesPage } from './pencils/FilesPage';
import { InsteadPage } from './pencils/InsteadPage';
import { PencilPage } from './pencils/PencilPage';
import { PencilsPage } from './pencils/PencilsPage';
import { PencilsPlace } from './pencils/PencilsPlace';
import { NewPiecePage } from './pieces/NewPiecePage';
import { PiecesPage } from './pieces/PiecesPage';
import { PlanStage } from './plan/PlanStage';
import { Shell } from './Shell';
import { BookPage } from './swatches/BookPage';
import { CalibrationPage } from './swatches/CalibrationPage';
import { ChartPage } from './swatches/ChartPage';
import { ChartsPage } from './swatches/ChartsPage';
import { SwatchesPlace } from './swatches/SwatchesPlace';
import { DeskLight } from './ui/DeskLight';
import { GlobalStyle } from './ui/GlobalStyle';
import { Notices } from './ui/Notices';
import { Empty, Loading, Problem } from './ui/States';

function Pages() {
    const session = useSession();
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

    return (
        <Routes>
            <Route element={<Shell />}>
                <Route path="/pieces" element={<PiecesPage />} />
                <Route path="/pieces/new" element={<NewPiecePage />} />
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
                    <Route path="/pencils/:pencil" element={<PencilPage />} />
                </Route>
                <Route element={<SwatchesPlace />}>
                    <Route path="/swatches" element={<BookPage />} />
                    <Route path="/swatches/charts" element={<ChartsPage />} />
                    <Route path="/swatches/charts/:chart" element={<ChartPage />} />
                    <Route path="/swatches/calibration" element={<CalibrationPage />} />
                </Route>
                <Route path="/reset-password" element={<ResetPasswordPage />} />
                <Route path="/" element={<Navigate to="/pieces" replace />} />
                <Route path="/login" element={<Navigate to="/pieces" replace />} />
                <Route path="/register" element={<Navigate to="/pencils" replace />} />
                <Route
                    path="*"
                    element={
                        <Empty title="There is nothing at this address">
                            <Link to="/pieces">To your pieces</Link>
                        </Empty>
                    }
                />
            </Route>
        </Routes>
    );
}

const root = document.getElementById('root');
if (!root) throw new Error('The page has no place for the studio.');
createRoot(root).render(
    <StrictMode>
        <QueryClientProvider client={queryClient}>
            <DeskLight>
                <GlobalStyle />
                <BrowserRouter>
                    <Pages />
                </BrowserRouter>
                <Notices />
            </DeskLight>
        </QueryClientProvider>
    </StrictMode>,
);
