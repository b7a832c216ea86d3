/*
 * Draws the ribbon of a document with many versions in Chromium and tells its longest task.
 *   php bench/run.php --database=/tmp/bench.sqlite && node bench/ribbon.mjs /tmp/bench.sqlite
 */
import { spawn } from 'node:child_process';
import { chromium } from '@playwright/test';

const [, , database] = process.argv;
const port = 8125;
const env = {
    ...process.env,
    DB_DATABASE: database,
    ATTIC_DEMO: 'true',
    APP_KEY: 'base64:3q2+796tvu/erb7v3q2+796tvu/erb7v3q2+796tvu8=',
    APP_CONFIG_CACHE: '/nowhere',
};
const server = spawn('bin/serve', [String(port)], { env, stdio: 'ignore', detached: true });
const at = `http://127.0.0.1:${port}`;
for (
    let i = 0;
    i < 50 &&
    !(await fetch(`${at}/up`).then(
        () => true,
        () => false,
    ));
    i++
)
    await new Promise((resolve) => setTimeout(resolve, 100));
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args: ['--no-sandbox', '--disable-gpu'] });
try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript(() => {
        window.longTasks = [];
        new PerformanceObserver((list) => window.longTasks.push(...list.getEntries().map((entry) => Math.round(entry.duration)))).observe({
            type: 'longtask',
            buffered: true,
        });
    });
    await page.goto(`${at}/sign-in`);
    await page.getByRole('button', { name: 'Ines Oduya' }).click();
    await page.getByRole('link', { name: /^History of/ }).click();
    await page.locator('[data-ribbon][data-ready]').waitFor();
    await page.waitForTimeout(500);
    const loading = await page.evaluate(() => window.longTasks.splice(0));
    const again = await page.evaluate(async () => {
        for (let i = 0; i < 6; i++) {
            document.querySelector(i % 2 ? '[data-only=""]' : '[data-only=milestones]').click();
            await new Promise((resolve) => setTimeout(resolve, 60));
        }
        return window.longTasks.splice(0);
    });
    const drawing = await page.evaluate(async () => {
        const scroll = document.querySelector('[data-scroll]');
        const start = performance.now();
        for (let i = 0; i < 60; i++) {
            scroll.scrollLeft = (scroll.scrollWidth / 60) * i;
            await new Promise(requestAnimationFrame);
        }
        return { frames: 60, ms: Math.round(performance.now() - start), longTasks: window.longTasks };
    });
    console.log(
        JSON.stringify({
            versions: await page.locator('.ribbon-bar b').textContent(),
            'long tasks over 50 ms: the whole page loading': loading,
            'the ribbon laid anew three times': again,
            'scrolled from end to end': drawing,
        }),
    );
} finally {
    await browser.close();
    process.kill(-server.pid, 'SIGKILL');
}
