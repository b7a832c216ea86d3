import { expect, test } from '@playwright/test';
import { Server } from './server.mjs';
import { newDocument, saved, signIn, text } from './steps.mjs';

test.use({ serviceWorkers: 'allow', baseURL: 'http://127.0.0.1:8124' });

/** @type {Server} */
let server;
test.beforeAll(async () => {
    server = await new Server(8124).start();
});
test.afterAll(() => server.stop());

test('with the server stopped one goes on typing, over a reload, and it is merged when it is back', async ({ browser, page }) => {
    test.setTimeout(90_000);
    await signIn(page, 'Ines Oduya');
    const url = await newDocument(page, 'Away');
    await page.keyboard.type('Before the storm.');
    await page.keyboard.press('Enter');
    await page.keyboard.type('Second paragraph.');
    await saved(page);
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.reload();
    await expect(text(page)).toContainText('Second paragraph.');

    // Somebody else writes meanwhile, and then the server is gone.
    const other = await (await browser.newContext({ baseURL: 'http://127.0.0.1:8124', serviceWorkers: 'block' })).newPage();
    server.stop();
    await text(page).click();
    await page.keyboard.press('Control+End');
    await page.keyboard.type(' Written in the dark.');
    await expect(page.locator('[data-save-line]')).toHaveText(/not reachable: kept on this computer, (one change|\d+ changes) waiting/);

    await page.reload();
    await expect(text(page)).toContainText('Second paragraph. Written in the dark.');
    await page.keyboard.press('Control+End');
    await text(page).click();
    await page.keyboard.press('Control+End');
    await page.keyboard.type(' And more.');

    await server.start();
    await signIn(other, 'Nell Warwick');
    await other.goto(url);
    await expect(page.locator('[data-save-line]')).toHaveText(/as \d+/, { timeout: 30_000 });
    await expect(text(other)).toContainText('Second paragraph. Written in the dark. And more.', { timeout: 15_000 });

    // Once more, with an edit of somebody else in between: merged, and said so.
    await page.route('**/state', (route) => route.abort());
    await page.route('**/live?*', (route) => route.abort());
    await page.keyboard.type(' Mine.');
    await expect(page.locator('[data-save-line]')).toContainText('not reachable');
    await other.locator('.ProseMirror p').first().click();
    await other.keyboard.press('End');
    await other.keyboard.type(' Theirs.');
    await saved(other);
    await page.unroute('**/state');
    await page.unroute('**/live?*');
    await expect(page.locator('[data-save-line]')).toContainText('merged with what others wrote', { timeout: 20_000 });
    await expect(text(page)).toContainText('Before the storm. Theirs.');
    await expect(text(page)).toContainText('And more. Mine.');
});

test('a session that ended is begun again in place, and then it saves', async ({ page, context }) => {
    await signIn(page, 'Tobi Brandt');
    await newDocument(page, 'Session');
    await page.keyboard.type('One.');
    await saved(page);
    // An answer that is on its way would bring the cookie back.
    await page.route('**/live?*', (route) => route.abort());
    await page.waitForTimeout(700);
    await context.clearCookies();
    await page.keyboard.type(' Two.');
    await expect(page.getByRole('heading', { name: 'Your session has ended' })).toBeVisible();
    await page.locator('[data-sign-in-dialog]').getByLabel('Password').fill('wrong');
    await page.locator('[data-sign-in-dialog]').getByRole('button', { name: 'Sign in', exact: true }).click();
    await expect(page.locator('[data-sign-in-dialog]').getByRole('alert')).toContainText('do not go together');
    await page.locator('[data-sign-in-dialog]').getByLabel('Password').fill('attic-demo');
    await page.locator('[data-sign-in-dialog]').getByRole('button', { name: 'Sign in', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Your session has ended' })).toBeHidden();
    await page.unroute('**/live?*');
    await saved(page);
    await page.reload();
    await expect(text(page)).toContainText('One. Two.');
});
