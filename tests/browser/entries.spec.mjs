import { expect } from '@playwright/test';
import { axe, newForm, openItem, signIn, test, toShelf } from './steps.mjs';

/** Publishes a form with one question on a shelf of one's own, answers it, and gives the address of its entries. */
async function answered(page, title, name) {
    const url = await newForm(page, title);
    await page.getByText('Put in…', { exact: true }).press('Enter');
    await page.getByRole('button', { name: 'Short text', exact: true }).press('Enter');
    await page.keyboard.type('Your name');
    await expect(page.locator('[data-save-line]')).toHaveText(/Saved .* as \d+/);
    await page.getByRole('link', { name: 'Publish…' }).click();
    await page.getByRole('button', { name: /^Publish \d+/ }).click();
    await page.waitForURL(/\/history/);
    await page.goto(`${url}/answer`);
    await page.getByLabel('Your name').fill(name);
    await page.getByRole('button', { name: 'Send' }).click();
    await expect(page.getByRole('status')).toContainText('Thank you');
    return `${url}/entries`;
}

test('a change to an entry waits for a yes, others see what was agreed to, and a yes is said by keys', async ({
    browser,
    baseURL,
    page,
}) => {
    await signIn(page, 'Ines Oduya');
    const entries = await answered(page, `Asked ${Date.now()}`, 'Ada Quill');
    await page.getByRole('link', { name: 'People' }).last().click();
    await page.getByLabel(/Changes to entries/).check();
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.locator('.said')).toContainText('are kept');

    const nell = await (await browser.newContext({ baseURL })).newPage();
    await signIn(nell, 'Nell Warwick');
    await nell.goto(entries);
    await nell.getByRole('link', { name: '1', exact: true }).click();
    await nell.getByLabel('Your name').fill('Bea Rook');
    await nell.getByRole('button', { name: 'Save' }).click();
    await expect(nell.locator('.said')).toContainText('Your change waits for a yes');
    await expect(nell.getByLabel('Your name')).toHaveValue('Bea Rook');
    await nell.goto(entries);
    await expect(nell.locator('tbody')).toContainText('Ada Quill');
    await expect(nell.locator('tbody')).toContainText('a change waits');

    await page.goto(entries);
    await page.getByRole('link', { name: 'Waiting 1' }).press('Enter');
    await expect(page.locator('tbody')).toContainText('Changed “Your name” from “Ada Quill” to “Bea Rook”');
    await axe(page);
    await page.getByRole('link', { name: /^Look at the change to entry 1/ }).press('Enter');
    await expect(page.locator('.is-proposal')).toContainText('Bea Rook');
    await axe(page);
    await page.getByRole('button', { name: 'Not yet' }).press('Enter');
    await expect(page.getByRole('alert')).toContainText('what is missing');
    await page.goto(`${entries}/waiting`);
    await page.getByLabel('Say yes to the change to entry 1').press('Space');
    await page.getByRole('button', { name: 'Yes to those ticked' }).press('Enter');
    await expect(page.locator('.said')).toContainText('Said yes to one change');
    await nell.goto(entries);
    await expect(nell.locator('tbody')).toContainText('Bea Rook');
    await nell.context().close();

    await page.getByRole('link', { name: 'People' }).last().click();
    await page.getByLabel(/Changes to entries/).uncheck();
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.locator('.said')).toContainText('are kept');
});

test('the history of entries is switched off, every screen says so, and it is switched on again', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    const entries = await answered(page, `Switched ${Date.now()}`, 'Ada Quill');
    await page.goto(entries);
    await page.getByText('History is on', { exact: true }).press('Enter');
    await page.getByRole('button', { name: 'Switch the history off' }).press('Enter');
    await expect(page.getByRole('note')).toContainText('no change is kept');
    await axe(page);
    await page.getByRole('link', { name: '1', exact: true }).click();
    await expect(page.getByRole('note')).toContainText('no change is kept');
    for (const name of ['Bea Rook', 'Cleo Marsh']) {
        await page.getByLabel('Your name').fill(name);
        await page.getByRole('button', { name: 'Save' }).click();
        await expect(page.locator('.said')).toContainText('No history is kept');
    }
    await page.getByRole('link', { name: 'History' }).first().click();
    await expect(page.getByRole('note')).toContainText('no change is kept');
    await expect(page.locator('[data-changes]')).toContainText('from “Ada Quill” to “Cleo Marsh”');
    await page.goto(`${entries.replace('/entries', '')}/history/list`);
    await expect(page.locator('tbody').first()).toContainText('Switched the history of the entries off');
    await page.goto(entries);
    await page.getByText('History is off', { exact: true }).press('Enter');
    await page.getByRole('button', { name: 'Switch the history on' }).press('Enter');
    await expect(page.locator('.said')).toContainText('Every change to an entry is kept again');
    await expect(page.getByRole('note')).toHaveCount(0);
});

test('columns are chosen, and what one person changed in the demo is looked through and taken out of some', async ({ page }) => {
    await signIn(page, 'Nell Warwick');
    await toShelf(page, 'Open days');
    await openItem(page, 'Book a repair');
    await page.getByRole('link', { name: 'Entries' }).click();
    await page.getByText('Columns', { exact: true }).press('Enter');
    for (const name of ['Tell us more, if you like', 'Anything else?']) await page.getByLabel(name).uncheck();
    await page.getByRole('button', { name: 'Show these' }).press('Enter');
    await expect(page.locator('thead')).not.toContainText('Anything else?');
    await expect(page.locator('thead')).toContainText('no longer asked');
    await page.getByRole('link', { name: 'Changes' }).click();
    await page.getByLabel('What did').selectOption({ label: 'Jun Castell (14)' });
    await page.getByRole('button', { name: 'Show', exact: true }).click();
    await expect(page.locator('tbody tr')).toHaveCount(14);
    await expect(page.locator('tbody')).toContainText('to “Name withheld”');
    await axe(page);
    for (const box of (await page.locator('tbody input').all()).slice(2)) await box.uncheck();
    await page.getByRole('button', { name: 'Take those ticked out' }).press('Enter');
    await expect(page.locator('.said')).toContainText('Took what Jun changed out of 2 entries');
    await expect(page.locator('tbody tr')).toHaveCount(12);
});
