import { expect } from '@playwright/test';
import { ask, axe, newDocument, newForm, saved, signIn, state, test, text, words } from './steps.mjs';

/** Two people in one document of two paragraphs. */
async function two(browser) {
    const [one, other] = await Promise.all([browser.newContext(), browser.newContext()]);
    const ines = await one.newPage();
    const nell = await other.newPage();
    await signIn(ines, 'Ines Oduya');
    await newDocument(ines, `Together ${Math.random()}`);
    await ines.keyboard.type('Test every socket before the doors open.');
    await ines.keyboard.press('Enter');
    await ines.keyboard.type('Sign the log.');
    await saved(ines);
    await signIn(nell, 'Nell Warwick');
    await nell.goto(ines.url());
    await expect(text(nell)).toContainText('Sign the log.');
    return { ines, nell, close: () => Promise.all([one.close(), other.close()]) };
}

/** Puts the caret behind some words. */
async function caretAfter(page, phrase) {
    await page.evaluate((wanted) => {
        const walker = document.createTreeWalker(document.querySelector('.ProseMirror'), NodeFilter.SHOW_TEXT);
        for (let node = walker.nextNode(); node; node = walker.nextNode()) {
            const at = node.textContent.indexOf(wanted);
            if (at < 0) continue;
            getSelection().collapse(node, at + wanted.length);
            document.querySelector('.ProseMirror').focus();
            return;
        }
        throw new Error(`nowhere does it say ${wanted}`);
    }, phrase);
    await page.waitForTimeout(60);
}

test('each sees who is here, and gets what the other writes without losing the caret', async ({ browser }) => {
    const { ines, nell, close } = await two(browser);
    await expect(ines.locator('[data-people]')).toHaveText('Nell is here too');
    await expect(nell.locator('[data-people]')).toHaveText('Ines is here too');
    await expect(nell.locator('.is-here')).toHaveAttribute('data-who', 'IO');
    await caretAfter(nell, 'Sign the');
    await caretAfter(ines, 'Test every');
    await ines.keyboard.type(' bench');
    const start = Date.now();
    await expect(text(nell)).toContainText('Test every bench socket');
    expect(Date.now() - start).toBeLessThan(5000);
    await nell.keyboard.type(' blue');
    await expect(text(ines)).toContainText('Sign the blue log.');
    await close();
});

test('a new name is shown where others have the item open, but not over what one is typing there', async ({ browser }) => {
    const { ines, nell, close } = await two(browser);
    const [own, theirs] = [ines, nell].map((page) => page.locator('[data-title]'));
    await own.fill('Keys and kettles');
    await own.press('Enter');
    await expect(theirs).toHaveValue('Keys and kettles');
    await expect(nell).toHaveTitle(/^Keys and kettles/);
    await theirs.fill('Keys');
    await own.fill('Kettles');
    await own.press('Enter');
    await expect(ines).toHaveTitle(/^Kettles/);
    await nell.waitForResponse((response) => response.url().includes('/live'));
    await expect(theirs).toHaveValue('Keys');
    await theirs.press('Escape');
    await expect(theirs).toHaveValue('Kettles');
    await close();
});

test('edits in one paragraph at once merge word by word', async ({ browser }) => {
    const { ines, nell, close } = await two(browser);
    await caretAfter(ines, 'Test every');
    await caretAfter(nell, 'the doors open');
    await Promise.all([ines.keyboard.type(' single', { delay: 30 }), nell.keyboard.type(' at six', { delay: 30 })]);
    const whole = 'Test every single socket before the doors open at six.';
    await expect(text(ines)).toContainText(whole);
    await expect(text(nell)).toContainText(whole);
    await expect.poll(async () => words((await state(ines)).content[0])).toBe(whole);
    await close();
});

test('edits that met keep the first, hold the other back, and are settled', async ({ browser }) => {
    const { ines, nell, close } = await two(browser);
    // Nell is cut off while Ines writes; then both have changed one word.
    await nell.context().setOffline(true);
    await ines.locator('.ProseMirror p', { hasText: 'Sign the log' }).dblclick({ position: { x: 8, y: 12 } });
    await ines.keyboard.type('Initial');
    await saved(ines);
    await nell.locator('.ProseMirror p', { hasText: 'Sign the log' }).dblclick({ position: { x: 8, y: 12 } });
    await nell.keyboard.type('Stamp');
    await expect(nell.locator('[data-save-line]')).toContainText('not reachable: kept on this computer');
    await nell.context().setOffline(false);
    await expect(nell.locator('[data-notes]')).toContainText('One of your edits is held back');
    await expect(text(nell)).toContainText('Initial the log.');
    await expect(ines.locator('[data-notes]')).not.toContainText('held back');
    await axe(nell);
    await nell.getByRole('link', { name: 'Settle it' }).click();
    await axe(nell);
    await expect(nell.locator('.settle-side').first()).toContainText('Stamp');
    await expect(nell.locator('.settle-side').last()).toContainText('Initial');
    await nell.getByLabel('Or write a third').fill('Initial and stamp');
    await nell.getByRole('button', { name: 'Put this there instead' }).click();
    await expect(text(nell)).toContainText('Initial and stamp the log.');
    await expect(text(ines)).toContainText('Initial and stamp the log.');
    await expect(nell.locator('[data-notes]')).not.toContainText('held back');
    await close();
});

test('a paragraph that another removed while it was edited is held, and comes back', async ({ browser }) => {
    const { ines, nell, close } = await two(browser);
    await nell.context().setOffline(true);
    await ines.locator('.ProseMirror p', { hasText: 'Sign the log' }).click({ clickCount: 3 });
    await ines.keyboard.press('Backspace');
    await ines.keyboard.press('Backspace');
    await saved(ines);
    await caretAfter(nell, 'Sign the log');
    await nell.keyboard.type(' twice');
    await nell.context().setOffline(false);
    await expect(nell.locator('[data-notes]')).toContainText('held back');
    await nell.getByRole('link', { name: 'Settle it' }).click();
    await nell.getByRole('button', { name: 'Take mine' }).click();
    await expect(text(nell)).toContainText('Sign the log twice.');
    await close();
});

test('two set different things of one question, both with its settings open', async ({ browser }) => {
    const [one, other] = await Promise.all([browser.newContext(), browser.newContext()]);
    const [ines, nell] = [await one.newPage(), await other.newPage()];
    await signIn(ines, 'Ines Oduya');
    const url = await newForm(ines, 'Two settings');
    await ask(ines, 'Short text', 'Which part?');
    await saved(ines);
    await signIn(nell, 'Nell Warwick');
    await nell.goto(url);
    for (const page of [ines, nell]) {
        await page.locator('.question-words').click();
        await page.keyboard.press('Escape');
        await page.keyboard.press('Enter');
    }
    await ines.getByLabel('Help below it').fill('Plug, lead or switch.');
    await ines.getByRole('dialog').getByRole('button', { name: 'Save', exact: true }).click();
    await saved(ines);
    await expect(nell.locator('.question-help')).toHaveText('Plug, lead or switch.');
    await nell.getByLabel('It has to be answered').check();
    await nell.getByRole('dialog').getByRole('button', { name: 'Save', exact: true }).click();
    await saved(nell);
    await expect.poll(async () => (await state(nell)).content.at(-1)[3]).toMatchObject({ help: 'Plug, lead or switch.', required: true });
    await Promise.all([one.close(), other.close()]);
});
