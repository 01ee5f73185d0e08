import type { ReactNode } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { Link, useLocation } from 'react-router';
import { Button } from './Button';
import { Empty } from './States';

/** What breaks stays within its page: the rest of the studio goes on, and another address is another try. */
export function Boundary({ children }: { children: ReactNode }) {
    const { pathname } = useLocation();

    return (
        <ErrorBoundary
            resetKeys={[pathname]}
            fallbackRender={({ resetErrorBoundary }) => (
                <div role="alert">
                    <Empty title="This page could not be shown">
                        <p>What you saved is safe. Try again; if that does not help, reload the page.</p>
                        <Button onPress={() => resetErrorBoundary()}>Try again</Button>
                        <Button onPress={() => window.location.reload()}>Reload</Button>
                        <Link to="/pieces">To your pieces</Link>
                    </Empty>
                </div>
            )}
        >
            {children}
        </ErrorBoundary>
    );
}
