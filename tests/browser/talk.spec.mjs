import { expect, test } from '@playwright/test';
import { newDocument, newItem, saved, signIn, text } from './steps.mjs';

test.beforeEach(async ({ page }) => {
    await signIn(page, 'Ines Oduya');
});

test('words are talked about while writing, by keys alone, and the slip stays with them', async ({ page }) => {
    const url = await newDocument(page, 'Leads and tags');
    await page.keyboard.type('Every lead has a tag with the date.');
    await page.keyboard.press('Enter');
    await page.keyboard.type('A lead without one is broken.');
    await saved(page);
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('End');
    for (let letter = 0; letter < 18; letter++) await page.keyboard.press('Shift+ArrowLeft');
    await page.keyboard.press('Alt+c');
    await expect(page.getByText('Comment on “tag with the date.”')).toBeVisible();
    await page.keyboard.type('Round it, or through it? @Nell knows.');
    await page.keyboard.press('Control+Enter');
    const slip = page.locator('.ProseMirror .slip');
    await expect(slip).toContainText('Round it, or through it? Nell knows.');
    await expect(page.locator('.ProseMirror .is-talked')).toHaveText('tag with the date.');

    // Written before it: slip and words go along, and after it was opened anew as well.
    await text(page).locator('p').first().click();
    await page.keyboard.press('Home');
    await page.keyboard.type('First: ');
    await saved(page);
    await page.goto(url);
    await expect(page.locator('.ProseMirror .is-talked')).toHaveText('tag with the date.');
    expect(await page.evaluate(() => [...document.querySelectorAll('.ProseMirror > *')].map((block) => block.classList.contains('slip') ? 'slip' : block.textContent.slice(0, 5)))).toEqual(['First', 'slip', 'A lea']);
    await expect(page.getByRole('link', { name: 'Talk 1' })).toBeVisible();
});

test('a thread is answered, settled and opened again, and others see it at once', async ({ page, browser }) => {
    const url = await newDocument(page, 'Talked about by two');
    await page.keyboard.type('Ask before you cut.');
    await saved(page);
    const other = await (await browser.newContext()).newPage();
    await signIn(other, 'Nell Warwick');
    await other.goto(url);
    await expect(text(other)).toContainText('Ask before you cut.');

    await page.keyboard.press('Alt+c');
    await page.keyboard.type('Whom?');
    await page.keyboard.press('Control+Enter');
    await expect(other.locator('.slip')).toContainText('Whom?', { timeout: 15_000 });
    await other.getByRole('button', { name: 'Answer' }).click();
    await other.getByLabel('Your answer').fill('The owner.');
    await other.getByRole('button', { name: 'Say it' }).click();
    await expect(page.locator('.slip')).toContainText('The owner.', { timeout: 15_000 });
    await page.getByRole('button', { name: 'Settled' }).click();
    await page.getByLabel('A word on it, if you like').fill('Clear.');
    await page.keyboard.press('Control+Enter');
    await expect(page.locator('.slip.is-settled')).toContainText('Ines, Nell settled since');
    await page.getByRole('button', { name: 'Open it again' }).click();
    await expect(page.locator('.slip.is-settled')).toHaveCount(0);

    await other.goto('/for-you');
    await expect(other.getByText(/Ines settled a thread of yours on “Ask before you cut/)).toBeVisible();
    await other.context().close();
});

test('what is looked back at is talked about, and seen as it stood', async ({ page }) => {
    const url = await newDocument(page, 'Looked back at and talked about');
    await page.keyboard.type('Oil the vices.');
    await saved(page);
    await page.goto(`${url}/history`);
    await page.locator('[data-part]').first().hover();
    await page.getByRole('button', { name: 'Comment on this' }).click();
    await page.getByRole('textbox', { name: /^Comment on/ }).fill('Which oil?');
    await page.getByRole('button', { name: 'Say it' }).click();
    await expect(page.locator('[data-state] .slip')).toContainText('Which oil?');
    await page.goto(`${url}/history/list`);
    await expect(page.getByText('Ines on “Oil the vices”: Which oil?')).toBeVisible();
    await page.getByRole('link', { name: /^The thread/ }).click();
    await expect(page.locator('.slip:target')).toContainText('Which oil?');
    await page.goto(`${url}/history?from=1&to=1&view=was`);
    await expect(page.locator('.slip')).toHaveCount(0);
    // Without a part at hand it is the version that one comments on.
    await page.keyboard.press('Alt+c');
    await page.getByRole('textbox', { name: /^Comment on/ }).fill('So empty.');
    await page.keyboard.press('Control+Enter');
    await page.waitForURL(/talk/);
    await expect(page.locator('.slip', { hasText: 'So empty.' })).toContainText('on version 1');
});

test('a cell, a question and a widget are talked about', async ({ page }) => {
    await newItem(page, 'Spreadsheet', 'Talked about by cells', 'Committee');
    await expect(page.locator('[data-grid]')).toBeFocused();
    await page.keyboard.type('450');
    await page.keyboard.press('Enter');
    await page.keyboard.press('ArrowUp');
    await saved(page);
    await page.keyboard.press('Alt+c');
    await expect(page.getByText('Comment on A1')).toBeVisible();
    await page.keyboard.type('So much?');
    await page.keyboard.press('Control+Enter');
    await expect(page.locator('.slip')).toContainText('on “450”');
    await expect(page.locator('.grid-cell.is-talked')).toHaveText('450');

    await page.goto('/');
    await newItem(page, 'Form', 'Talked about by questions', 'Committee');
    await page.keyboard.press('Alt+c');
    await page.getByRole('textbox', { name: /^Comment on/ }).fill('Do we need this?');
    await page.keyboard.press('Control+Enter');
    await expect(page.locator('.slip')).toContainText('Do we need this?');
});
