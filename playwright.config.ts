import { defineConfig } from '@playwright/test';
import { studios } from './tests/Browser/studios';

export default defineConfig({
    testDir: 'tests/Browser',
    outputDir: 'storage/testing/playwright',
    timeout: 60_000,
    // A shared machine may stall for seconds; what fails twice is a fault.
    retries: process.env.CI ? 1 : 0,
    // Each worker has a studio of its own; the tests of one file go one after the other.
    workers: studios.length,
    reporter: [['list']],
    use: {
        viewport: { width: 1280, height: 800 },
        trace: 'retain-on-failure',
        launchOptions: {
            executablePath: '/usr/bin/chromium',
            args: [
                '--no-sandbox',
                '--disable-gpu',
                '--disable-dev-shm-usage',
                '--disable-quic',
                '--no-first-run',
                '--disable-background-networking',
                '--disable-component-update',
                '--disable-sync',
            ],
        },
    },
});
