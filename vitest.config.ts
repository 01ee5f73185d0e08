import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

export default defineConfig({
    plugins: [react()],
    test: {
        environment: 'jsdom',
        // One page for all: setting up another takes longer than most files of tests.
        isolate: false,
        include: ['tests/Unit/**/*.test.{ts,tsx}'],
        setupFiles: ['tests/Unit/setup.ts'],
        // Rule by rule, not each sheet read anew for each rule.
        env: { SC_DISABLE_SPEEDY: 'false' },
        // It shares the router with us: one copy of it for both.
        server: { deps: { inline: ['nuqs'] } },
        // A shared machine may stall for seconds.
        testTimeout: 60_000,
    },
});
