import { expect } from '@playwright/test';
import { ask, axe, newForm, openHistory, saved, signIn, state, test, toShelf } from './steps.mjs';

const editor = (page) => page.locator('.form-writing');

const brief = async (page) =>
    (await state(page)).content
        .filter((part) => part[1] !== 'settings')
        .map(([, role, , fields]) => (fields.text ? fields.text.runs.map((run) => run[0]).join('') : (fields.label ?? role)));

test('a form is built by keys alone: questions, choices, a rule, carried and undone', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await newForm(page, 'By keys');
    await ask(page, 'One of several', 'What is it?');
    await page.keyboard.press('Enter');
    await page.keyboard.type('A lamp');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.type('A coat');
    await ask(page, 'Number', 'How many?');
    await ask(page, 'Page below', 'Your name');
    await saved(page);
    expect(await brief(page)).toEqual(['page', 'What is it?', 'A lamp', 'A coat', 'How many?', 'page', 'Your name']);
    await editor(page).getByText('How many?').click();
    await expect(page.locator('[data-chosen]')).toHaveText('Question “How many?”');
    await page.keyboard.press('Escape');
    await expect(page.locator('[data-spoken]')).toHaveText('Question “How many?”: 2 of 2, page 1.');
    await page.keyboard.press('Space');
    await page.keyboard.press('ArrowDown');
    await expect(page.locator('[data-spoken]')).toHaveText('1 of 2, page 2.');
    await page.keyboard.press('Space');
    await saved(page);
    expect(await brief(page)).toEqual(['page', 'What is it?', 'A lamp', 'A coat', 'page', 'How many?', 'Your name']);
    await page.keyboard.press('Control+z');
    await editor(page).getByText('What is it?').click();
    await expect(page.locator('[data-chosen]')).toHaveText('Question “What is it?”');
    await page.getByRole('button', { name: 'Skip rule…' }).press('Enter');
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('button', { name: 'Cancel' }).press('Enter');
    await expect(editor(page).locator('.question-rule')).toHaveCount(0);
    await page.getByRole('button', { name: 'Skip rule…' }).press('Enter');
    await dialog.getByLabel('This').selectOption({ label: 'A coat' });
    await dialog.getByLabel('What', { exact: true }).selectOption({ label: 'Page 2' });
    await axe(page);
    await dialog.getByRole('button', { name: 'Save' }).press('Enter');
    await expect(editor(page).locator('.question-rule')).toHaveText('If the answer is “A coat”, go on with page 2');
    await saved(page);
    await expect(page.locator('[data-flow] .flow-arrow.is-rule')).toHaveCount(1);
    await expect(page.locator('[data-flow] .flow-box')).toHaveCount(4);
    await axe(page);
    await page.getByRole('link', { name: 'Try it' }).click();
    await page.getByLabel('A coat').check();
    await page.getByRole('button', { name: 'Go on' }).click();
    await expect(page.getByLabel('Your name')).toBeVisible();
    await expect(page.getByText('How many?')).toHaveCount(0);
    await axe(page);
});

test('a form is published, answered without JavaScript on a telephone, and its entry is edited and looked back at', async ({
    browser,
    baseURL,
    page,
}) => {
    await signIn(page, 'Ines Oduya');
    const url = await newForm(page, `Answered ${Date.now()}`);
    await ask(page, 'Short text', 'What do you bring?');
    await ask(page, 'E-mail address', 'Your address');
    await page.getByRole('button', { name: 'Settings of the form…' }).click();
    await page.getByLabel('Who may answer').selectOption('anyone');
    await page.getByRole('button', { name: 'Save' }).click();
    await saved(page);
    await page.getByRole('link', { name: 'Publish…' }).click();
    await expect(page.locator('.form-row')).toHaveCount(4);
    await page.getByRole('button', { name: /^Publish \d+/ }).click();
    await page.getByRole('link', { name: 'Publish…' }).click();
    await page.getByRole('button', { name: 'Give it an address' }).click();
    const address = await page.locator('.publish-readers a').first().getAttribute('href');

    const visitor = await (
        await browser.newContext({ javaScriptEnabled: false, viewport: { width: 390, height: 800 }, baseURL })
    ).newPage();
    await visitor.goto(address);
    expect(await visitor.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await visitor.getByLabel('What do you bring?').fill('<b>A lamp</b>');
    await visitor.getByLabel('Your address').fill('nobody');
    await visitor.getByRole('button', { name: 'Send' }).click();
    await expect(visitor.getByRole('alert')).toContainText('One answer is not right yet');
    await expect(visitor.getByLabel('What do you bring?')).toHaveValue('<b>A lamp</b>');
    await visitor.getByLabel('Your address').fill('ada@example.org');
    await visitor.getByRole('button', { name: 'Send' }).click();
    await expect(visitor.getByRole('status')).toContainText('Thank you');
    await visitor.context().close();

    await page.goto(`${url}/entries`);
    await expect(page.locator('tbody tr')).toHaveCount(1);
    await expect(page.locator('tbody')).toContainText('<b>A lamp</b>');
    await page.getByRole('link', { name: '1', exact: true }).click();
    await page.getByLabel('Your address').fill('ben@example.org');
    await page.getByRole('button', { name: 'Save' }).press('Enter');
    await expect(page.locator('.said')).toContainText('Saved as 2');
    await axe(page);
    await page.getByRole('link', { name: 'History' }).first().click();
    await expect(page.locator('[data-changes]')).toContainText('Changed “Your address” from “ada@example.org” to “ben@example.org”');
    await expect(page.locator('[data-state]')).toContainText('one answer the same');
    await axe(page);
    await page.getByRole('link', { name: /^Restore 1…/ }).click();
    await page.getByRole('button', { name: 'Restore 1' }).press('Enter');
    await expect(page.locator('.said')).toContainText('Restored 1');
});

test('a removed question says what it takes out of sight, and is compared question by question with the way through', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await toShelf(page, 'Open days');
    await openHistory(page, 'Book a repair', 'from=17&to=20');
    const item = page.url().split('/history')[0];
    await expect(page.locator('[data-changes]')).toContainText(
        'Removed the question “What is wrong with it?” with 4 choices 131 answers are out of sight',
        { useInnerText: false },
    );
    await expect(page.locator('.form-row.was-removed')).toContainText('What is wrong with it?');
    await expect(page.locator('.form-row del').first()).toContainText('and any manual that you still have.');
    await expect(page.locator('.form-same').first()).toContainText('questions the same');
    await expect(page.locator('.flow-box.was-removed')).toHaveCount(1);
    await axe(page);
    await page.getByRole('link', { name: 'All', exact: true }).last().click();
    await expect(page.locator('.form-same')).toHaveCount(0);
    await page.getByRole('link', { name: 'As it was' }).click();
    await expect(page.locator('[data-state]')).toContainText('Try this version out');
    await axe(page);
    await page.goto(`${item}/versions/17/restore`);
    await expect(page.locator('.plan-columns')).toContainText('131 answers come back into place');
    await axe(page);
    await page.goto(`${item}/entries`);
    await expect(page.getByText('146 entries')).toBeVisible();
    await page.getByLabel('Find in the answers').fill('sewing');
    await page.keyboard.press('Enter');
    await expect(page.getByText(/^\d+ entries$/)).not.toHaveText('146 entries');
    await axe(page);
    await page.goto(`${item}/entries/sums`);
    await expect(page.locator('.sum.is-gone')).toContainText('Removed question · 131 answers');
    await axe(page);
    await page.goto(item);
    await editor(page).getByText('Does it have a plug?').click();
    await expect(page.locator('[data-chosen]')).toHaveText('Question “Does it have a plug?”');
    await page.keyboard.press('Escape');
    await page.keyboard.press('Delete');
    await expect(page.locator('[data-gone]')).toContainText('146 answers go out of sight');
    await page.keyboard.press('Control+z');
    await expect(editor(page).getByText('Does it have a plug?')).toBeVisible();
    await saved(page);
});

test('a question is dragged elsewhere by its grip, and rules follow its number', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await newForm(page, 'Dragged');
    for (const words of ['One', 'Two', 'Three']) await ask(page, 'Short text', words);
    await editor(page).getByText('One', { exact: true }).click();
    await expect(page.locator('[data-chosen]')).toHaveText('Question “One”');
    await page.getByRole('button', { name: 'Skip rule…' }).click();
    await page.getByLabel('What', { exact: true }).selectOption({ label: '3. Three' });
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(editor(page).locator('.question-rule')).toContainText('go on with 3 “Three”');
    await editor(page).getByText('Three', { exact: true }).hover();
    const [from, to] = [await page.locator('.page-grip').boundingBox(), await editor(page).locator('.question').nth(1).boundingBox()];
    await page.mouse.move(from.x + 5, from.y + 5);
    await page.mouse.down();
    await page.mouse.move(from.x + 60, from.y - 10, { steps: 4 });
    await page.mouse.move(to.x + 80, to.y + 3, { steps: 8 });
    await page.mouse.up();
    await saved(page);
    expect((await brief(page)).filter((line) => ['One', 'Two', 'Three'].includes(line))).toEqual(['One', 'Three', 'Two']);
    await expect(editor(page).locator('.question-rule')).toContainText('go on with 2 “Three”');
});
