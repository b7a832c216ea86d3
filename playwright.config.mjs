import { defineConfig } from '@playwright/test';

export default defineConfig({
    testDir: 'tests/browser',
    // On a machine that is busy with other things, too: what is waited for comes or doesn't.
    timeout: 240_000,
    expect: { timeout: 30_000 },
    fullyParallel: false,
    workers: 3,
    // What fails once and then passes is told as flaky; it does not hide among two that fail.
    retries: 0,
    forbidOnly: true,
    reporter: [['list']],
    use: {
        baseURL: 'http://127.0.0.1:8123',
        viewport: { width: 1280, height: 800 },
        serviceWorkers: 'block',
        locale: 'en-GB',
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
        command: 'node tests/browser/serve.mjs 8123',
        url: 'http://127.0.0.1:8123/sign-in',
        timeout: 300_000,
        gracefulShutdown: { signal: 'SIGTERM', timeout: 3000 },
    },
});
