import { expect, test } from '@playwright/test';
import { Server } from './server.mjs';
import { newDocument, newItem, saved, signIn, state, text } from './steps.mjs';

test.use({ serviceWorkers: 'allow', baseURL: 'http://127.0.0.1:8124' });

/** @type {Server} */
let server;
test.beforeAll(async () => {
    // Building the demo takes its time beside other tests.
    server = await new Server(8124).start();
});
test.afterAll(() => server.stop());

test('two people at one browser: what one had open and wrote is not there for the other, and is under its own name', async ({
    page,
    context,
}) => {
    const everything = () =>
        page.evaluate(async () => {
            let all = JSON.stringify({ ...localStorage });
            for (const name of await caches.keys()) {
                const cache = await caches.open(name);
                for (const request of await cache.keys()) all += `\n${request.url} ${await (await cache.match(request)).text()}`;
            }
            return all;
        });
    await signIn(page, 'Ines Oduya');
    await newItem(page, 'Document', 'For the committee', 'Committee');
    await text(page).waitFor();
    await page.evaluate(() => navigator.serviceWorker.ready);
    await page.reload();
    await text(page).click();
    await page.keyboard.press('Control+End');
    await page.keyboard.type(' Seen by Ines.');
    await saved(page);
    const url = page.url();
    await expect.poll(async () => (await everything()).includes(url)).toBe(true);
    expect((await everything()).includes('Seen by Ines')).toBe(false);
    const number = (await state(page)).number;

    // Tobi signs in in another tab: what Ines types on is not his.
    await page.route('**/live*', (route) => route.abort());
    const tobi = await context.newPage();
    await signIn(tobi, 'Tobi Brandt');
    await text(page).click();
    await page.keyboard.press('Control+End');
    await page.keyboard.type(' And typed on.');
    await expect(page.getByRole('dialog')).toContainText(/sign in/i);
    await page.unroute('**/live*');
    expect((await everything()).includes('typed on')).toBe(false);
    // He may not see it, and nothing of it is left for him when the server is away.
    await tobi.goto(url);
    await expect(tobi.getByText('Nothing here')).toBeVisible();
    await context.setOffline(true);
    await tobi.goto(url).catch(() => {});
    await expect(tobi.getByText('Seen by Ines')).toHaveCount(0);
    await context.setOffline(false);
    // Ines comes back, in place: it is saved under her name.
    await page.getByRole('dialog').getByRole('button', { name: /Ines/ }).click();
    await expect.poll(async () => (await state(page)).number ?? 0).toBeGreaterThan(number);
    await saved(page);
    expect(await (await page.request.get(`${url}/history/list`)).text()).not.toMatch(/Tobi[^<]*<\/td>\s*<td>Added/);
    await expect(text(page)).toContainText('Seen by Ines. And typed on.');

    // She signs out with something that is not saved: she is told first.
    await page.route('**/state', (route) => route.abort());
    await text(page).click();
    await page.keyboard.type(' Never saved.');
    await expect(page.locator('[data-save-line]')).toContainText('not reachable');
    await page.locator('summary', { hasText: 'Signed in as' }).click();
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'not saved yet' })).toBeVisible();
    await page.getByRole('button', { name: 'Sign out all the same' }).click();
    await page.waitForURL(/sign-in/);
    await expect.poll(async () => (await everything()).includes(url)).toBe(false);
    // The page that signed out and this one may be two processes, which tell each other.
    await expect.poll(() => page.evaluate(() => JSON.stringify({ ...localStorage, ...sessionStorage }))).toBe('{}');
});

test('with the server stopped one goes on typing, over a reload, and it is merged when it is back', async ({ browser, page }) => {
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
    await expect(page.locator('[data-save-line]')).toHaveText(/as \d+/);
    await expect(text(other)).toContainText('Second paragraph. Written in the dark. And more.');

    // Once more, with an edit of somebody else in between: merged, and said so.
    await page.route('**/state', (route) => route.abort());
    await page.route('**/live*', (route) => route.abort());
    await page.keyboard.type(' Mine.');
    await expect(page.locator('[data-save-line]')).toContainText('not reachable');
    await other.locator('.ProseMirror p').first().click();
    await other.keyboard.press('End');
    await other.keyboard.type(' Theirs.');
    await saved(other);
    await page.unroute('**/state');
    await page.unroute('**/live*');
    await expect(page.locator('[data-save-line]')).toContainText('merged with what others wrote');
    await expect(text(page)).toContainText('Before the storm. Theirs.');
    await expect(text(page)).toContainText('And more. Mine.');
});

test('a session that ended is begun again in place, and then it saves', async ({ page, context }) => {
    await signIn(page, 'Tobi Brandt');
    await newDocument(page, 'Session');
    await page.keyboard.type('One.');
    await saved(page);
    // An answer that is on its way would bring the cookie back.
    await page.route('**/live*', (route) => route.abort());
    await page.waitForTimeout(700);
    await context.clearCookies();
    await page.keyboard.type(' Two.');
    await expect(page.getByRole('heading', { name: 'Your session has ended' })).toBeVisible();
    await page.locator('[data-sign-in-dialog]').getByLabel('Password').fill('wrong');
    await page.locator('[data-sign-in-dialog]').getByRole('button', { name: 'Sign in', exact: true }).click();
    await expect(page.locator('[data-sign-in-dialog]').getByRole('alert')).toContainText('Wrong e-mail address or password');
    await page.locator('[data-sign-in-dialog]').getByLabel('Password').fill('attic-demo');
    await page.locator('[data-sign-in-dialog]').getByRole('button', { name: 'Sign in', exact: true }).click();
    await expect(page.getByRole('heading', { name: 'Your session has ended' })).toBeHidden();
    await page.unroute('**/live*');
    await saved(page);
    await page.reload();
    await expect(text(page)).toContainText('One. Two.');
});
