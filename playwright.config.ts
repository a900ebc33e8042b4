import { defineConfig } from '@playwright/test';

const port = Number(process.env.CRATE_TEST_PORT ?? 8499);

export default defineConfig({
    testDir: 'tests/Browser',
    testMatch: '*.spec.ts',
    workers: 1,
    timeout: 90_000,
    expect: { timeout: 15_000 },
    reporter: [['list'], ['json', { outputFile: 'test-results/browser.json' }]],
    use: {
        baseURL: `http://127.0.0.1:${port}`,
        viewport: { width: 1280, height: 800 },
        colorScheme: 'light',
        screenshot: 'only-on-failure',
        // Colours change at once: what is measured half-way is no colour of ours.
        contextOptions: { reducedMotion: 'reduce' },
        launchOptions: {
            executablePath: '/usr/bin/chromium-headless-shell',
            args: [
                '--no-sandbox',
                '--disable-gpu',
                '--disable-quic',
                '--no-first-run',
                '--disable-background-networking',
                '--disable-component-update',
                '--disable-sync',
            ],
        },
    },
    webServer: {
        command: `tests/Browser/serve ${port}`,
        url: `http://127.0.0.1:${port}/api/machine`,
        timeout: 120_000,
        reuseExistingServer: false,
        gracefulShutdown: { signal: 'SIGTERM', timeout: 10_000 },
    },
});
