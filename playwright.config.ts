import { defineConfig } from '@playwright/test';

// A worker has a studio of its own: what one test changes, no other sees while it runs.
const studios = (process.env.BASE_URL ?? 'http://127.0.0.1:8020').split(' ');
const studio = studios[Number(process.env.TEST_PARALLEL_INDEX ?? 0) % studios.length];

const launched = (...more: string[]) => ({
    executablePath: '/usr/bin/chromium-headless-shell',
    args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-dev-shm-usage',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        ...more,
    ],
});

const COMPILED = ['looks.spec.ts', 'quick.spec.ts'];

export default defineConfig({
    testDir: 'tests/Browser',
    outputDir: 'storage/testing/playwright',
    // A shared machine may stall for seconds; what fails twice is a fault.
    timeout: 120_000,
    expect: { timeout: 30_000 },
    retries: process.env.CI ? 1 : 0,
    workers: studios.length,
    fullyParallel: studios.length > 1,
    reporter: [['list']],
    use: {
        baseURL: studio,
        viewport: { width: 1280, height: 800 },
        // What a test answers in the server's place must reach the page; the test of a reload without the network lets it in.
        serviceWorkers: 'block',
        trace: 'on-first-retry',
    },
    projects: [
        // The rules of accessibility are run again and again over a page: compiled, they take two thirds of the time. And frames are an artist's.
        { name: 'looks', testMatch: COMPILED, use: { launchOptions: launched() } },
        // Any other page lives for some seconds, and what is compiled best beside it is hardly ever run.
        {
            name: 'walks',
            testIgnore: COMPILED,
            use: { launchOptions: launched('--js-flags=--no-opt --no-maglev') },
        },
    ],
});
