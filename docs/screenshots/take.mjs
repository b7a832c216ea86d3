/* Takes the pictures of this folder anew, from a fresh demo: node docs/screenshots/take.mjs */
import { chromium } from '@playwright/test';
import { Server } from '../../tests/browser/server.mjs';
import { openHistory, signIn, text } from '../../tests/browser/steps.mjs';

const server = await new Server(8127).start();
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] });

/** @param {string} [colorScheme] */
const open = async (colorScheme = 'light') => (await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: server.url, colorScheme, serviceWorkers: 'block', reducedMotion: 'reduce' })).newPage();
/** @param {import('@playwright/test').Page} page @param {string} name */
const take = async (page, name) => {
    await page.evaluate(() => document.fonts.ready);
    await page.waitForTimeout(500);
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
};

try {
    const page = await open();
    await page.goto('/sign-in');
    await take(page, 'sign-in');

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
    await page.getByRole('link', { name: 'Settle it' }).click();
    await take(page, 'settle');
    await page.goto('/');
    await take(page, 'shelf');

    await openHistory(page, 'Volunteer handbook', 'from=186&to=198');
    for (let i = 0; i < 5; i++) await page.keyboard.press('n');
    await take(page, 'history');
    await page.getByRole('link', { name: 'Side by side' }).click();
    await page.waitForURL(/side/);
    await page.keyboard.press('n');
    await take(page, 'side-by-side');
    await page.getByRole('link', { name: 'As it was' }).click();
    await page.waitForURL(/was/);
    await take(page, 'as-it-was');
    await page.getByRole('link', { name: 'List', exact: true }).click();
    await take(page, 'list');
    await page.goBack();
    await page.getByRole('link', { name: 'Restore 186…' }).click();
    await take(page, 'restore-plan');
    await page.goto('/');
    await page.getByRole('navigation', { name: 'Shelves' }).getByRole('link', { name: 'People' }).click();
    await take(page, 'people');

    const night = await open('dark');
    await signIn(night, 'Ines Oduya');
    await openHistory(night, 'Volunteer handbook', 'from=186&to=198');
    for (let i = 0; i < 3; i++) await night.keyboard.press('n');
    await take(night, 'history-by-night');
} finally {
    await browser.close();
    server.stop();
}
