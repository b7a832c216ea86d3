import { createHmac } from 'node:crypto';
import { expect } from '@playwright/test';
import { KEY } from './server.mjs';
import {
    ask,
    find,
    newDocument,
    newForm,
    openItem,
    saved,
    screenOf,
    signIn,
    state,
    test,
    text,
    toShelf,
    typed,
    usable,
    words,
} from './steps.mjs';

/** @param {import('@playwright/test').Page} page @param {string} route @param {string} [address] */
async function walked(page, route, address) {
    await page.setViewportSize({ width: 1280, height: 800 });
    if (address !== undefined) await page.goto(address);
    await expect(page.locator(screenOf(route)), route).toBeAttached();
    await usable(page, route);
    await page.setViewportSize({ width: 1280, height: 800 });
}

/** The address that the newest mail of the demo leads to. @param {import('@playwright/test').Page} keeper @param {RegExp} address */
async function mailed(keeper, address) {
    const found = async () => (await (await keeper.request.get('/outbox')).text()).replaceAll('&amp;', '&').match(address)?.[0] ?? '';
    await expect.poll(found).not.toBe('');
    return found();
}

/** The code of a key at this moment (RFC 6238, with RFC 4648's base 32). @param {string} key */
function codeOf(key) {
    const bits = [...key].map((sign) => 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'.indexOf(sign).toString(2).padStart(5, '0')).join('');
    const bytes = Buffer.from((bits.match(/.{8}/g) ?? []).map((byte) => parseInt(byte, 2)));
    const at = Buffer.alloc(8);
    at.writeBigUInt64BE(BigInt(Math.floor(Date.now() / 30_000)));
    const hash = createHmac('sha1', bytes).update(at).digest();
    return String((hash.readUInt32BE(hash[19] & 15) & 0x7fffffff) % 1_000_000).padStart(6, '0');
}

test('pages that a row leads to: a cell, a field, a record', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    const shelf = page.url();
    await openItem(page, 'Repair log');
    await page.waitForURL(/\/items\//);
    const { content } = await state(page);
    const column = content.find((part) => part[1] === 'column')[0];
    await walked(page, 'cell', `${page.url()}/cells/${content.filter((part) => part[1] === 'row')[2][0]}/${column}`);
    await page.goto(shelf);
    await toShelf(page, 'Committee');
    await openItem(page, 'Spring repairs');
    await page.waitForURL(/\/items\//);
    const dataset = page.url();
    await page.locator('a.data-change').first().click();
    await walked(page, 'field.edit');
    await walked(page, 'record.edit', `${dataset}/records/new`);
});

test('pages that links to the public lead to: answers of one’s own, a proposal, what was published before', async ({
    page,
    browser,
    baseURL,
}) => {
    await signIn(page, 'Ines Oduya');
    const url = await newDocument(page, 'Asked at all widths');
    await typed(page, 'The door is open from six.');
    await page.goto(`${url}/proposals`);
    await page.getByText('Let somebody without an account propose').press('Enter');
    await page.getByRole('button', { name: 'Make a link' }).press('Enter');
    const link = await page.getByLabel('The link').inputValue();

    await page.goto('/');
    await newForm(page, `Answered at all widths ${Date.now()}`);
    await ask(page, 'Short text', 'What do you bring?');
    await page.getByRole('button', { name: 'Settings of the form…' }).click();
    await page.getByLabel('Who may answer').selectOption('anyone');
    await page.getByLabel('Answers may be changed afterwards').check();
    await page.getByRole('button', { name: 'Save' }).click();
    await saved(page);
    await page.getByRole('link', { name: 'Publish…' }).click();
    await page.getByRole('button', { name: /^Publish \d+/ }).click();
    await page.getByRole('link', { name: 'Publish…' }).click();
    await page.getByRole('button', { name: 'Give it an address' }).click();
    const address = await page.locator('.publish-readers a').first().getAttribute('href');

    const visitor = await (await browser.newContext({ baseURL })).newPage();
    await visitor.goto(address);
    await visitor.getByLabel('What do you bring?').fill('A lamp');
    await visitor.getByRole('button', { name: 'Send' }).click();
    await visitor.getByRole('link', { name: /change/i }).click();
    await expect(visitor.getByLabel('What do you bring?')).toHaveValue('A lamp');
    await walked(visitor, 'read.mine');
    await walked(visitor, 'visitor', link);
    await visitor.goto('/read/opening-hours');
    await visitor.getByText('As it was before').click();
    await visitor.locator('details li a').first().click();
    await expect(visitor.getByRole('note')).toContainText('was published on');
    await walked(visitor, 'read.memento');
    await visitor.context().close();
});

test('pages that mails lead to: an invitation, a new password, an address, no more mails; and the code besides the password', async ({
    page,
    browser,
    baseURL,
}) => {
    await signIn(page, 'Ines Oduya');
    await toShelf(page, 'Committee');
    await page.goto(`${page.url()}/people`);
    await page.getByLabel('E-mail address').fill('walked@fennel.example');
    await page.getByLabel(/Name, if/).fill('Wanda Walk');
    await page.getByRole('button', { name: 'Invite' }).click();
    const link = await page.getByLabel('Invitation link').inputValue();
    const guest = await (await browser.newContext({ baseURL })).newPage();
    await walked(guest, 'invitation', link);
    await guest.getByLabel(/^Password/).fill('long enough now');
    await guest.getByLabel('The same again').fill('long enough now');
    await guest.getByRole('button', { name: 'Come in' }).click();
    await expect(guest.getByRole('heading', { name: 'Committee', level: 1 })).toBeVisible();

    await guest.goto('/account/second');
    const key = (await guest.locator('.second-key').textContent()).replaceAll(' ', '');
    await guest.getByLabel(/code/i).fill(codeOf(key));
    await guest.locator('form:has(#code) button').click();
    await expect(guest.locator('.second-written')).toBeVisible();
    await guest.context().clearCookies();
    await guest.goto('/sign-in');
    await guest.getByLabel('E-mail address').fill('walked@fennel.example');
    await guest.getByLabel('Password').fill('long enough now');
    await guest.getByRole('button', { name: 'Sign in', exact: true }).click();
    await guest.waitForURL(/second/);
    await walked(guest, 'sign-in.second');

    await guest.goto('/forgotten');
    await guest.getByLabel(/address/i).fill('walked@fennel.example');
    await guest.getByRole('button').last().click();
    await expect(guest.getByText('a link is in its mail')).toBeVisible();
    await walked(guest, 'forgotten.choose', await mailed(page, /https?:\/\/[^\s"<]*\/new-password\/[^\s"<]*/));
    // As mails sign it, with the key of the server that tests begin.
    await walked(guest, 'mails.none', `/mails/none/1?signature=${createHmac('sha256', KEY).update('/mails/none/1').digest('hex')}`);
    await guest.context().close();
});

test('pages that something that waits leads to: a held edit, a request, deleting a shelf for good', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    const item = await newDocument(page, 'Held at all widths');
    await typed(page, 'Sign the log.');
    await page.goto('/');
    const { root, number, content } = await (await page.request.get(`${item}/state`)).json();
    const token = decodeURIComponent((await page.context().cookies()).find(({ name }) => name === 'XSRF-TOKEN').value);
    for (const [client, said] of [['one', 'Stamp the log.'], ['two', 'Initial the log.']]) {
        const sent = structuredClone(content);
        sent[0][3].text.runs = [[said]];
        const answer = await page.request.put(`${item}/state`, {
            headers: { 'X-XSRF-TOKEN': token },
            data: { base: root, from: number, client, content: sent },
        });
        expect(answer.ok()).toBe(true);
    }
    await page.goto(item);
    await expect(text(page)).toContainText('Stamp the log.');
    expect(words((await state(page)).content[0])).toBe('Stamp the log.');
    await page.locator('[data-notes] a[href*="/held/"]').first().click();
    await walked(page, 'held');

    await page.goto('/shelves/new');
    await page.getByLabel('What is it called?').fill('Gone at all widths');
    await page.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByRole('heading', { name: 'Gone at all widths' })).toBeVisible();
    const shelf = page.url();
    await page.goto(`${shelf}/delete`);
    await page.getByRole('button', { name: /^Delete/ }).click();
    await page.waitForURL((address) => !address.pathname.endsWith('/delete'));
    await walked(page, 'shelf.ask-for-good', `${shelf}/for-good`);

    await page.goto('/');
    await toShelf(page, 'Website');
    await find(page, 'Opening hours');
    await page.goto(page.url().split('?')[0]);
    await page.locator('a[href*="/publishings/"]').first().click();
    await walked(page, 'wish');
});
