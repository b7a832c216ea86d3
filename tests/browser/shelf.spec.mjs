import { expect } from '@playwright/test';
import { axe, find, newDocument, saved, signIn, test, text } from './steps.mjs';

test('the door: one press in the demo, a password otherwise, and out again', async ({ page }) => {
    await page.goto('/');
    await expect(page).toHaveURL(/sign-in/);
    await page.getByLabel('E-mail address').fill('tobi@fennel.example');
    await page.getByLabel('Password').fill('wrong');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('alert')).toContainText('Wrong e-mail address or password');
    await page.getByLabel('Password').fill('attic-demo');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('heading', { name: 'Volunteers' })).toBeVisible();
    await page.locator('summary', { hasText: 'Signed in as' }).click();
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page).toHaveURL(/sign-in/);
    await signIn(page, 'Ines Oduya');
});

test('a shelf shows its items, and History is one press from three places of a row', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await find(page, 'Volunteer handbook');
    const row = page.locator('tr', { hasText: 'Volunteer handbook' });
    await expect(row.getByText(/Document · 198 versions/)).toBeVisible();
    await expect(row.locator('.items-change')).toContainText(/Ines, yesterday/);
    // One shape for each editor, with a bar for each of their days.
    const bars = await row
        .locator('.bar')
        .evaluateAll((shapes) => shapes.map((shape) => (shape.getAttribute('d') ?? '').split('M').length - 1));
    expect(bars).toHaveLength(5);
    expect(bars.reduce((sum, count) => sum + count, 0)).toBeGreaterThan(10);
    await expect(row.locator('.flag')).toContainText('Agreed at spring meeting');

    await row.getByRole('link', { name: 'History of Volunteer handbook' }).click();
    await expect(page).toHaveURL(/\/history$/);
    await page.goBack();
    await row.locator('.items-change a').click();
    await expect(page).toHaveURL(/\/history$/);
    await page.goBack();
    await row.getByLabel('More for Volunteer handbook').click();
    await row.locator('.menu-sheet').getByRole('link', { name: 'History', exact: true }).click();
    await expect(page).toHaveURL(/\/history$/);
});

test('other shelves are in reach, and those one is not on are not there', async ({ page }) => {
    await signIn(page, 'Rafi Sadek');
    await expect(page.getByRole('navigation', { name: 'Shelves' }).getByText('Committee')).toHaveCount(0);
    await page.getByRole('link', { name: /Open days/ }).click();
    await expect(page.getByText('Open day plan', { exact: true })).toBeVisible();
    await expect(page.getByText('New…')).toHaveCount(0);
    await page.getByText('Open day plan', { exact: true }).click();
    await expect(page.locator('.ProseMirror')).toHaveAttribute('contenteditable', 'false');
    await expect(page.getByRole('toolbar')).toHaveCount(0);
});

test('a new document, named in place, with a name of any length', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await newDocument(page, 'First');
    await page.keyboard.type('Some words.');
    await saved(page);
    const title = page.getByLabel('Title');
    await title.fill('A title that goes on and on '.repeat(6).trim());
    await title.press('Enter');
    await expect(page).toHaveTitle(/^A title that goes on/);
    await page.reload();
    await expect(text(page)).toContainText('Some words.');
    await expect(page.getByLabel('Title')).toHaveValue(/^A title that goes on/);
    const overflow = await page.evaluate(() => document.documentElement.scrollWidth - innerWidth);
    expect(overflow).toBeLessThanOrEqual(0);
});

test('people: invited, given rights, taken off, and what the invited person sees', async ({ page, browser }) => {
    await signIn(page, 'Nell Warwick');
    await page.getByRole('link', { name: /Open days/ }).click();
    await page.getByRole('navigation', { name: 'Shelves' }).getByRole('link', { name: 'People' }).click();
    await page.getByLabel('E-mail address').fill('ada@fennel.example');
    await page.getByLabel(/Name, if/).fill('Ada Brook');
    await page.getByRole('button', { name: 'Invite' }).click();
    const link = await page.getByLabel('Invitation link').inputValue();
    await axe(page);
    const ada = await (await browser.newContext()).newPage();
    await ada.goto(link);
    await axe(ada);
    await ada.getByLabel(/^Password/).fill('long enough now');
    await ada.getByLabel('The same again').fill('long enough now');
    await ada.getByRole('button', { name: 'Come in' }).click();
    await expect(ada.getByRole('heading', { name: 'Open days' })).toBeVisible();
    await page.reload();
    await page.getByLabel('What Ada Brook may do').selectOption('viewer');
    await expect(page.locator('tr', { hasText: 'Ada Brook' }).locator('select')).toHaveValue('viewer');
    await page.locator('tr', { hasText: 'Ada Brook' }).getByText('Remove…').click();
    await page.getByRole('button', { name: 'Take off the shelf' }).click();
    await expect(page.locator('tr', { hasText: 'Ada Brook' })).toHaveCount(0);
    await ada.goto('/');
    await expect(ada.getByRole('heading', { name: 'No shelf yet' })).toBeVisible();
    await axe(ada);
});
