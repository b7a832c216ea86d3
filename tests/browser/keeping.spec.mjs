import { expect } from '@playwright/test';
import { newDocument, openItem, saved, signIn, test, toShelf, typed } from './steps.mjs';

test('something is deleted, found and brought back, and moved, by keys alone', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await toShelf(page, 'Committee');
    const title = `Lost ${Math.random()}`;
    await newDocument(page, title);
    await typed(page, 'Only here.');
    const item = page.url();
    await page.goto('/');
    await toShelf(page, 'Committee');
    await page.getByLabel(`More for ${title}`).press('Enter');
    await page.getByRole('link', { name: 'Delete…' }).press('Enter');
    await expect(page.getByRole('heading', { name: `Delete “${title}”?` })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Delete it' })).toBeFocused();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('status').filter({ hasText: 'is in Lost & found' })).toBeVisible();
    await expect(page.getByRole('link', { name: title, exact: true })).toHaveCount(0);

    await page.getByRole('link', { name: 'Lost & found', exact: true }).press('Enter');
    await page.getByRole('link', { name: title, exact: true }).press('Enter');
    await expect(page.getByText('Ines deleted this')).toBeVisible();
    await expect(page.getByText('Only here.')).toBeVisible();
    await expect(page.locator('.ProseMirror')).toHaveAttribute('contenteditable', 'false');
    await page.getByRole('button', { name: 'Bring it back' }).press('Enter');
    await expect(page.getByText('Ines deleted this')).toHaveCount(0);
    expect(page.url()).toBe(item);
    await page.locator('.ProseMirror').click();
    await page.keyboard.press('Control+End');
    await page.keyboard.type(' And on.');
    await saved(page);

    await page.goto(`${item}/move`);
    await page.getByLabel('Which one?').selectOption({ label: 'Volunteers' });
    await page.getByRole('button', { name: 'See what changes…' }).press('Enter');
    await expect(page.getByText('From “Committee” to “Volunteers”')).toBeVisible();
    await page.getByRole('button', { name: 'Move it' }).press('Enter');
    await expect(page.getByLabel('Where this is')).toContainText('Volunteers');
});

test('a window that is open while its item is deleted loses nothing', async ({ browser }) => {
    const [one, other] = await Promise.all([browser.newContext(), browser.newContext()]);
    const [ines, nell] = [await one.newPage(), await other.newPage()];
    await signIn(ines, 'Ines Oduya');
    const url = await newDocument(ines, `Open ${Math.random()}`);
    await typed(ines, 'Written together.');
    await signIn(nell, 'Nell Warwick');
    await nell.goto(`${url}/delete`);
    await nell.getByRole('button', { name: 'Delete it' }).click();
    await expect(nell.getByText('is in Lost & found')).toBeVisible();
    await ines.keyboard.type(' After it went.');
    await expect(ines.locator('[data-save-line]')).toContainText(/not saved/i);
    await nell.goto(url);
    await nell.getByRole('button', { name: 'Bring it back' }).click();
    await ines.reload();
    await expect(ines.locator('.ProseMirror')).toContainText('After it went.');
    await saved(ines);
    await one.close();
    await other.close();
});

test('rules are said, rehearsed, kept and done; a pin keeps, and a gap is told', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await openItem(page, 'Induction talk');
    await page.waitForURL(/items/);
    const item = page.url();
    await page.goto(`${item}/history/list`);
    await page.locator('summary').filter({ hasText: 'Mark 6 as a milestone' }).press('Enter');
    await page.getByRole('button', { name: 'Pin it, so that no rule lets it go' }).click();
    await expect(page.getByText('6 is pinned')).toBeVisible();
    await page.getByRole('link', { name: 'Keeping', exact: true }).click();
    await expect(page.getByText('Everything is kept for ever. Choose how long')).toBeVisible();
    await page.getByLabel('How long everything is kept').selectOption({ label: '30 days' });
    await page.getByRole('button', { name: 'Rehearse this' }).press('Enter');
    await expect(page.getByText('These rules are tried only.')).toBeVisible();
    await page.getByRole('button', { name: 'Keep these rules' }).press('Enter');
    await expect(page.getByText('From now on: Leave a version behind')).toBeVisible();
    await expect(page.getByRole('cell', { name: 'pinned', exact: true })).toBeVisible();
    await page.getByText(/^Let these \d+ go…$/).press('Enter');
    await page.getByRole('button', { name: 'Let them go' }).press('Enter');
    await expect(page.getByText(/versions went\./)).toBeVisible();
    await page.goto(`${item}/history/list`);
    await expect(page.getByText(/versions are no longer kept \(/).first()).toBeVisible();
    await expect(page.getByText('6, pinned')).toBeVisible();
    await page.goto(`${item}/history?from=2&to=20`);
    await expect(page.getByText(/is no longer kept. This is \d+, the nearest that is./)).toBeVisible();
});

test('a sentence that is gone is found from the top of any page, looked at and brought back', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    const word = `zebra${Math.floor(Math.random() * 1e6)}`;
    await newDocument(page, `Finding ${word}`);
    await typed(page, `The ${word} sleeps in the shed.`);
    await page.keyboard.press('Enter');
    await typed(page, 'Nobody else does.');
    const line = page.locator('[data-save-line]');
    await page.keyboard.press('Control+s');
    await expect(line).toContainText(/Kept as \d/);
    const kept = (await line.textContent()) ?? '';
    await page.keyboard.press('Escape');
    await page.locator('.ProseMirror p').first().click({ clickCount: 3 });
    await page.keyboard.press('Delete');
    await expect(page.locator('.ProseMirror')).not.toContainText('sleeps');
    await page.keyboard.press('Control+s');
    await expect(line).toContainText(/Kept as \d/);
    await expect(line).not.toHaveText(kept);
    await page.getByLabel('Find in every version').fill(`${word} sleeps`);
    await page.getByLabel('Find in every version').press('Enter');
    await expect(page.getByText('one stretch of text in one item, one of them gone')).toBeVisible();
    await page.getByRole('link', { name: 'Look', exact: true }).press('Enter');
    await expect(page.locator('.ribbon-flags .found').first()).toBeVisible();
    await expect(page.locator('.past-state .is-current')).toContainText('sleeps in the shed');
    await page.goBack();
    await page.getByRole('link', { name: 'Bring this back…' }).press('Enter');
    await page.waitForURL(/restore/);
    await page.getByRole('button', { name: /^(Bring these back|Restore)/ }).press('Enter');
    await page.waitForURL(/history/);
    await page.goto(`/find?q=${word}+sleeps`);
    await expect(page.getByText('none of them gone')).toBeVisible();
});

test('what somebody restored over waits for whose work it was, and is put aside', async ({ page }) => {
    await signIn(page, 'Nell Warwick');
    await page.getByRole('link', { name: /^For you/ }).press('Enter');
    await expect(page.getByText('Rafi restored 22 over what you wrote since, as 24')).toBeVisible();
    await page
        .getByRole('listitem')
        .filter({ hasText: 'Rafi restored 22' })
        .getByRole('link', { name: 'What of mine went?' })
        .press('Enter');
    await page.waitForURL(/history/);
    await page.goto('/for-you');
    await page.getByRole('button', { name: 'Put aside: Rafi restored 22' }).press('Enter');
    await expect(page.getByText('Put aside lately, 1')).toBeVisible();
});
