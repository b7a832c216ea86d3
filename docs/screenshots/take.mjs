/* Takes the pictures of this folder anew, from a fresh demo: node docs/screenshots/take.mjs */
import { chromium } from '@playwright/test';
import { Server } from '../../tests/browser/server.mjs';
import { daysAgo, openHistory, signIn, text } from '../../tests/browser/steps.mjs';

const server = await new Server(8127).start();
const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium-headless-shell',
    args: ['--no-sandbox', '--disable-gpu', '--font-render-hinting=none'],
});

const open = async () =>
    (
        await browser.newContext({
            viewport: { width: 1280, height: 800 },
            baseURL: server.url,
            colorScheme: 'light',
            serviceWorkers: 'block',
            reducedMotion: 'reduce',
        })
    ).newPage();
/** @param {import('@playwright/test').Page} page @param {string} name */
const take = async (page, name) => {
    await page.evaluate(() => document.fonts.ready);
    await page.waitForTimeout(500);
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
};

try {
    const page = await open();
    // Two people in one document, and one edit that is held back.
    const nell = await open();
    await signIn(page, 'Ines Oduya');
    await signIn(nell, 'Nell Warwick');
    await page.getByRole('link', { name: 'Volunteer handbook', exact: true }).click();
    await nell.goto(page.url());
    await text(nell).waitFor();
    await page.context().setOffline(true);
    for (const [who, word] of [[nell, 'carry'], [page, 'take']]) {
        await who.getByText('bring nothing valuable').dblclick({ position: { x: 8, y: 12 } });
        await who.keyboard.type(word);
        await who.waitForTimeout(2500);
    }
    await page.context().setOffline(false);
    await page.getByRole('link', { name: 'Settle it' }).waitFor({ timeout: 20_000 });
    await page.waitForTimeout(2500);
    await take(page, 'writing');
    await page.goto('/');
    await take(page, 'shelf');
    await page.getByRole('link', { name: 'Volunteer handbook', exact: true }).click();
    await page.getByRole('link', { name: 'Keeping', exact: true }).click();
    await page.goto(`${page.url()}?leave=60&every=30&pace1=daily&days1=365&pace2=monthly`);
    await take(page, 'keeping');
    await page.getByRole('link', { name: /^Talk/ }).click();
    await page.goto(`${page.url().split('?')[0]}?show=all`);
    await take(page, 'talk');
    await page.goto(`${page.url().split('/talk')[0]}/proposals`);
    await page.getByRole('link', { name: 'Jun' }).first().click();
    await page.locator('.proposals-past summary').first().click();
    await take(page, 'proposals');
    await page.goto('/find?q=kettle');
    await take(page, 'find');
    await page.goto('/');
    await page.goto(`${page.url()}/day?at=${daysAgo(48)}`);
    await page.locator('[data-day-ribbon][data-ready]').waitFor();
    for (const title of ['Repair log', 'Tool library']) await page.getByLabel(title, { exact: true }).check();
    await take(page, 'shelf-day');
    await page.goto('/');

    await openHistory(page, 'Volunteer handbook', 'from=186&to=198');
    for (let i = 0; i < 5; i++) await page.keyboard.press('n');
    await take(page, 'history');
    await page.getByRole('link', { name: 'Restore 186…' }).click();
    await take(page, 'restore-plan');
    await page.goto('/');
    await openHistory(page, 'Volunteer handbook', 'from=150&to=198');
    // The repair log: written, looked at, one of its cells, and a restore.
    await page.goto('/');
    await page.getByRole('link', { name: 'Repair log', exact: true }).click();
    await page.locator('.grid-cell').first().waitFor();
    await page.getByRole('button', { name: 'Summer' }).click();
    for (const key of ['ArrowDown', 'ArrowDown', 'ArrowDown', ...Array(7).fill('ArrowRight')]) await page.keyboard.press(key);
    await take(page, 'sheet');
    const log = page.url();
    const { number } = await (await page.request.get(`${log}/state`)).json();
    await page.goto(`${log}/history?from=${number - 6}&to=${number}`);
    await page.locator('[data-ribbon][data-ready]').waitFor();
    await page.locator('.entry', { hasText: '“450”' }).click();
    await take(page, 'sheet-history');
    // The opening hours: written, looked at, about to be published, and as everybody reads them.
    await page.goto('/');
    await page.getByRole('link', { name: 'Website' }).click();
    await page.getByRole('link', { name: 'Opening hours', exact: true }).click();
    await page.locator('.ProseMirror section').first().waitFor();
    await take(page, 'page');
    const hours = page.url();
    await page.goto(`${hours}/history?from=31&to=34`);
    await page.locator('[data-ribbon][data-ready]').waitFor();
    await take(page, 'page-history');
    // The booking form: built, looked back at, and its entries.
    await page.goto('/');
    await page.getByRole('link', { name: 'Open days' }).first().click();
    await page.getByRole('link', { name: 'Book a repair', exact: true }).click();
    await page.locator('.form-writing .question').first().waitFor();
    const booking = page.url();
    await page.goto(`${booking}/history?from=17&to=21`);
    await page.locator('[data-ribbon][data-ready]').waitFor();
    await take(page, 'form-history');
    await page.goto(`${booking}/entries`);
    await take(page, 'entries');
    // The report with its data: laid out, looked back at, and the dataset.
    await page.goto('/');
    await page.getByRole('link', { name: 'Committee' }).first().click();
    await page.getByRole('link', { name: 'Spring repairs', exact: true }).click();
    await take(page, 'dataset');
    await page.goBack();
    await page.getByRole('link', { name: 'Quarterly repairs', exact: true }).click();
    await page.locator('.chart svg').first().waitFor();
    await take(page, 'report');
    const report = page.url();
    await page.goto(`${report}/history?from=18&to=23`);
    await page.locator('[data-ribbon][data-ready]').waitFor();
    await page.locator('.entry', { hasText: 'Took the split' }).click();
    await page.waitForTimeout(600);
    await take(page, 'report-history');

    await page.goto('/');
    await page.getByRole('link', { name: /^Website/ }).click();
    await openHistory(page, 'logo.png', 'from=2&to=5');
    await take(page, 'file-history');
} finally {
    await browser.close();
    server.stop();
}
