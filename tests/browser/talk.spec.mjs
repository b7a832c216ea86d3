import { expect } from '@playwright/test';
import { axe, newDocument, newItem, openHistory, openItem, saved, signIn, test, text, toShelf, typed } from './steps.mjs';

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

    // Written before it: slip and words go along, and after it was opened again as well.
    await text(page).locator('p').first().click();
    await page.keyboard.press('Home');
    await page.keyboard.type('First: ');
    await saved(page);
    await page.goto(url);
    await expect(page.locator('.ProseMirror .is-talked')).toHaveText('tag with the date.');
    expect(
        await page.evaluate(() =>
            [...document.querySelectorAll('.ProseMirror > *')].map((block) =>
                block.classList.contains('slip') ? 'slip' : block.textContent.slice(0, 5),
            ),
        ),
    ).toEqual(['First', 'slip', 'A lea']);
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
    await expect(other.locator('.slip')).toContainText('Whom?');
    await other.getByRole('button', { name: 'Answer' }).click();
    await other.getByLabel('Your answer').fill('The');
    // What is begun stays, whatever is said meanwhile and wherever one goes.
    await text(other).locator('p').first().click();
    await page.getByRole('button', { name: 'Answer' }).click();
    await page.getByLabel('Your answer').fill('Anyone?');
    await page.getByRole('button', { name: 'Say it' }).click();
    await expect(page.locator('.slip')).toContainText('Anyone?');
    await other.waitForTimeout(3000);
    await expect(other.getByLabel('Your answer')).toHaveValue('The');
    await other.keyboard.press('Alt+c');
    await expect(other.getByLabel('Your answer')).toBeFocused();
    await other.keyboard.type(' owner.');
    await other.getByRole('button', { name: 'Say it' }).click();
    await expect(other.locator('.slip')).toContainText('Anyone?');
    await expect(page.locator('.slip')).toContainText('The owner.');
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

test('words that are talked about are lit where they are, in what has more beside them, too', async ({ page }) => {
    const lit = () => page.evaluate(() => [...CSS.highlights.get('talked') ?? []].map(String));
    await toShelf(page, 'Open days');
    await openHistory(page, 'Book a repair', 'from=17&to=21');
    await expect.poll(lit).toEqual(['What are you bringing?']);
    // Chosen words of a heading of a page.
    await page.goto('/');
    const url = await newItem(page, 'Page', 'Lit words', 'Website');
    await page.locator('.ProseMirror').focus();
    await page.locator('[data-tools] summary.tool-add').first().click();
    await page.locator('[data-tools] details[open] [data-put="heading"]').click();
    await page.keyboard.type('Bring the leads along');
    await saved(page);
    await page.goto(`${url}/history?view=who`);
    await page.getByRole('heading', { name: 'Bring the leads along' }).evaluate((heading) => {
        const text = document.createTreeWalker(heading, NodeFilter.SHOW_TEXT).nextNode();
        getSelection().setBaseAndExtent(text, 6, text, 15);
    });
    await page.keyboard.press('Alt+c');
    await page.getByRole('textbox', { name: /^Comment on/ }).fill('All of them?');
    await page.keyboard.press('Control+Enter');
    await expect(page.locator('[data-state] .slip')).toContainText('“the leads”');
    await expect.poll(lit).toEqual(['the leads']);
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

    // What is said about a row opens below it, where one is there, and moves the others down.
    for (const key of ['ArrowDown', 'ArrowDown', 'Alt+c']) await page.keyboard.press(key);
    await expect(page.getByText('Comment on A3')).toBeVisible();
    await page.keyboard.type('Empty?');
    await page.keyboard.press('Control+Enter');
    await expect(page.locator('.grid-below .slip')).toContainText('Empty?');
    const [third, fourth] = await Promise.all(['2', '3'].map((line) => page.locator(`.grid-row[data-line="${line}"]`).boundingBox()));
    expect(fourth.y - third.y).toBeGreaterThan(80);
    await page.locator('.grid-below').getByRole('button', { name: 'Answer' }).press('Enter');
    await page.keyboard.type('Not yet');
    await page.keyboard.press('Control+Enter');
    await expect(page.locator('.grid-below .slip')).toContainText('Not yet');
    await expect(page.locator('.grid-row[data-line="2"]')).not.toContainText('Not');
    await axe(page);
    await page.locator('[data-grid]').focus();
    await page.keyboard.press('ArrowUp');
    await expect(page.locator('.grid-below')).toHaveCount(0);
    await expect(page.locator('[data-slips] .slip')).toHaveCount(2);

    // Below a row that stays at the top, too, as long as nothing is scrolled away behind it.
    await page.goto('/');
    await openItem(page, 'Repair log');
    await expect(page.locator('[data-grid]')).toBeFocused();
    for (const key of ['Control+Home', 'Alt+c']) await page.keyboard.press(key);
    const [head, form] = [await page.locator('.grid-head').boundingBox(), await page.locator('.grid-below form').boundingBox()];
    expect(Math.abs(form.y - head.y - head.height)).toBeLessThan(12);
    await page.keyboard.press('Escape');
    await expect(page.locator('.grid-below')).toHaveCount(0);
    await page.locator('[data-grid]').focus();
    await page.keyboard.press('Control+End');
    await page.locator('.grid-head .grid-cell').first().click();
    await page.keyboard.press('Alt+c');
    await expect(page.locator('[data-slips] form')).toBeVisible();
    await page.keyboard.press('Escape');

    await page.goto('/');
    await newItem(page, 'Form', 'Talked about by questions', 'Committee');
    await page.keyboard.press('Alt+c');
    await page.getByRole('textbox', { name: /^Comment on/ }).fill('Do we need this?');
    await page.keyboard.press('Control+Enter');
    await expect(page.locator('.slip')).toContainText('Do we need this?');
});

test('a place in a picture is talked about, by pointer and by keys, while writing and looking back', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    const url = await newDocument(page, `Pictured ${Date.now()}`);
    await typed(page, 'The bench:');
    // 320 by 240, of one colour.
    const picture = await page.evaluate(() => {
        const canvas = Object.assign(document.createElement('canvas'), { width: 320, height: 240 });
        canvas.getContext('2d').fillRect(0, 0, 320, 240);
        return canvas.toDataURL('image/png').split(',')[1];
    });
    await page
        .locator('[data-picture-file]')
        .setInputFiles({ name: 'bench.png', mimeType: 'image/png', buffer: Buffer.from(picture, 'base64') });
    await page.getByRole('dialog').getByRole('textbox').fill('The bench');
    await page.keyboard.press('Enter');
    await saved(page);
    const image = page.locator('.ProseMirror img');
    await image.click();
    await page.keyboard.press('Alt+c');
    await expect(page.getByRole('textbox', { name: 'Comment on this' })).toBeFocused();
    const box = await image.boundingBox();
    await page.mouse.click(box.x + box.width / 4, box.y + box.height / 2);
    await page.keyboard.type('This vice is loose.');
    await page.keyboard.press('Control+Enter');
    const slip = page.locator('.slip').filter({ hasText: 'This vice is loose.' });
    await expect(slip).toContainText('on a place in the picture “The bench”');
    await expect(slip).toHaveAttribute('data-spot', /^2[45](\.\d)?,(49|50)(\.\d)?,[0-9a-f]{40}$/);
    await expect(page.getByRole('link', { name: '1', exact: true })).toHaveAttribute('href', /#thread-/);

    // Where one looks back, the place is said by keys.
    const { number } = await page.request.get(`${url}/state`).then((answer) => answer.json());
    await page.goto(`${url}/history?view=was&from=${number}&to=${number}`);
    await expect(page.locator('.past-state .spot')).toHaveText('1');
    await page.locator('.past-state .block.is-picture img').hover();
    await page.locator('.its-talk').click();
    await page.getByRole('textbox', { name: 'Comment on this' }).fill('And this one?');
    await page.getByLabel('Across').focus();
    await page.keyboard.press('End');
    await page.getByRole('button', { name: 'Say it' }).press('Enter');
    await expect(page.locator('.slip').filter({ hasText: 'And this one?' })).toHaveAttribute('data-spot', /^100,50,/);
    await axe(page);
});

test('what is not written as parts is talked about in its place, too: a picture, a file that is read, a record, an answer, a page as it was', async ({
    page,
}) => {
    const begun = async (/** @type {import('@playwright/test').Locator} */ thing, /** @type {string} */ words) => {
        await thing.scrollIntoViewIfNeeded();
        const mark = page.getByRole('button', { name: 'Comment on this' });
        // Scrolling takes the mark away until the pointer moves.
        await expect(async () => {
            await page.mouse.move(0, 0);
            await thing.hover();
            await expect(mark).toBeVisible({ timeout: 500 });
        }).toPass();
        await mark.click();
        await page.keyboard.type(words);
        await page.keyboard.press('Control+Enter');
        await expect(page.locator('.slip:not(.slip-begin)', { hasText: words })).toBeVisible();
    };
    const slip = (/** @type {string} */ words) => page.locator('.slip', { hasText: words });
    await toShelf(page, 'Open days');
    await openItem(page, 'poster.odt');
    await begun(page.locator('[data-state] .block', { hasText: 'lamps, kettles' }), 'And irons?');
    await expect(slip('And irons?')).toContainText('on “lamps, kettles, toasters”');
    await page.goto(`${page.url().split('#')[0]}/history?view=was`);
    await expect(page.getByRole('button', { name: 'Choose' })).toHaveCount(0);

    await page.goto('/');
    await toShelf(page, 'Website');
    await openItem(page, 'logo.png');
    await begun(page.locator('[data-state] figure'), 'A bit higher?');
    await expect(slip('A bit higher?')).toContainText('on a place in the picture “logo.png”');
    await expect(page.locator('.spot')).toHaveText('1');

    await page.goto('/');
    await toShelf(page, 'Committee');
    await openItem(page, 'Bookings');
    await begun(page.locator('th[data-part]', { hasText: 'Your name' }), 'First and last?');
    await expect(page.locator('tbody > .slip-row').first()).toContainText('on “Your name”');
    const record = page.locator('tbody > tr[data-part]').first();
    await begun(record, 'Came twice.');
    await page.reload();
    await expect(record.locator('+ .slip-row')).toContainText('Came twice.');

    await page.goto('/');
    await toShelf(page, 'Website');
    await openItem(page, 'What to bring');
    await page.goto(`${page.url()}/history?view=was`);
    await page.getByRole('button', { name: 'Choose' }).click();
    await page.locator('[data-state] p[data-part]').first().click();
    await expect(page.locator('[data-chosen-count]')).toContainText('One chosen');
    await axe(page);
});

test('an answer of an entry is talked about where it is changed', async ({ page }) => {
    await toShelf(page, 'Open days');
    await openItem(page, 'How was it?');
    await page.getByRole('link', { name: 'Entries' }).click();
    await page.locator('tbody a').first().click();
    const answer = page.locator('[data-part]').first();
    await answer.locator('input:not([type=hidden]), textarea').first().focus();
    await page.keyboard.press('Alt+c');
    await page.keyboard.type('Is this so?');
    await page.keyboard.press('Control+Enter');
    await expect(answer.locator('+ .slip')).toContainText('Is this so?');
    await axe(page);
});
