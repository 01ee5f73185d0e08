import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

export default defineConfig({
    plugins: [react()],
    test: {
        environment: 'jsdom',
        include: ['tests/Unit/**/*.test.{ts,tsx}'],
        setupFiles: ['tests/Unit/setup.ts'],
        // A shared machine may stall for seconds.
        testTimeout: 20_000,
    },
});
