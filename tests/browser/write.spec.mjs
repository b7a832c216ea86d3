import { expect } from '@playwright/test';
import { ask, newDocument, newForm, saved, signIn, state, test, text, words } from './steps.mjs';

test.beforeEach(async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await newDocument(page, 'Bench rules');
});

test('blocks by what is typed at the start of a line', async ({ page }) => {
    const lines = ['# Title', 'A paragraph', '## Lower', '', '- one', 'two', '', '1. first', 'second', '', '[] to do', '', '> said', '---'];
    for (const line of lines) {
        await page.keyboard.type(line);
        if (line !== '---') await page.keyboard.press('Enter');
    }
    await page.keyboard.type('after');
    await saved(page);
    const parts = (await state(page)).content.filter((part) => part[1] === 'rule' || words(part) !== '');
    expect(parts.map((part) => [part[1], part[3].level ?? part[3].style ?? null, part[3].text ? words(part) : null])).toEqual([
        ['heading', 1, 'Title'], ['paragraph', null, 'A paragraph'], ['heading', 2, 'Lower'],
        ['item', 'bullet', 'one'], ['item', 'bullet', 'two'], ['item', 'number', 'first'], ['item', 'number', 'second'],
        ['item', 'task', 'to do'], ['quote', null, 'said'], ['rule', null, null], ['paragraph', null, 'after'],
    ]);
});

test('a block that turns into another one as one types is the same block', async ({ page }) => {
    await page.keyboard.type('Before the doors');
    await saved(page);
    const [{ 0: id }] = (await state(page)).content;
    for (const [signs, role] of [['# ', 'heading'], ['> ', 'quote'], ['- ', 'item']]) {
        await page.keyboard.press('Home');
        await page.keyboard.type(signs);
        await saved(page);
        const [part] = (await state(page)).content;
        expect([part[0], part[1], words(part)]).toEqual([id, role, 'Before the doors']);
        await page.keyboard.press('Home');
        await page.keyboard.press('Backspace');
    }
});

test('a numbered list starts with the number that is typed, at any depth, and says so when it changes', async ({ page }) => {
    for (const line of ['5. fifth', 'sixth']) {
        await page.keyboard.type(line);
        await page.keyboard.press('Enter');
    }
    await page.keyboard.press('Tab');
    await page.keyboard.type('3. deeper');
    await saved(page);
    const items = async () => (await state(page)).content.map((part) => [part[2], part[3].start ?? null, words(part)]);
    expect(await items()).toEqual([[0, 5, 'fifth'], [0, null, 'sixth'], [1, 3, 'deeper']]);
    // What is drawn counts alike.
    expect(
        await text(page)
            .locator('.is-item')
            .evaluateAll((all) => all.map((item) => item.style.counterSet)),
    ).toEqual(['n0 5', '', 'n1 3']);
    await page.keyboard.press('Home');
    await page.keyboard.type('8. ');
    await saved(page);
    expect((await items())[2]).toEqual([1, 8, 'deeper']);
});

test('marks by keys and by tools, undo and redo', async ({ page }) => {
    for (const [key, word] of [['b', 'bold'], ['i', 'italic'], ['u', 'under'], ['e', 'code']]) {
        await page.keyboard.press(`Control+${key}`);
        await page.keyboard.type(word);
        await page.keyboard.press(`Control+${key}`);
        await page.keyboard.type(' ');
    }
    await page.getByRole('button', { name: 'Strike through' }).click();
    await page.keyboard.type('struck');
    await saved(page);
    const marks = (await state(page)).content[0][3].text.runs.filter((run) => run[1]).map((run) => [run[0], Object.keys(run[1])[0]]);
    expect(marks).toEqual([['bold', 'bold'], ['italic', 'italic'], ['under', 'underline'], ['code', 'code'], ['struck', 'strike']]);
    await page.keyboard.press('Control+z');
    await expect(text(page)).not.toContainText('struck');
    await page.keyboard.press('Control+y');
    await expect(text(page)).toContainText('struck');
});

test('lists nest with Tab, ticks are pressed, the list ends with two Enters', async ({ page }) => {
    await page.keyboard.type('- outer\n'.replace('\n', ''));
    await page.keyboard.press('Enter');
    await page.keyboard.press('Tab');
    await page.keyboard.type('inner');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Tasks' }).click();
    await page.keyboard.type('do it');
    await page.getByRole('checkbox', { name: 'Done' }).click();
    await saved(page);
    const parts = (await state(page)).content;
    expect(parts.map((part) => [part[2], part[3].style, part[3].done])).toEqual([
        [0, 'bullet', false],
        [1, 'bullet', false],
        [1, 'task', true],
    ]);
});

test('a table: rows and columns come and go', async ({ page }) => {
    await page.getByRole('button', { name: 'Table', exact: true }).click();
    await page.keyboard.type('For');
    await page.keyboard.press('Tab');
    await page.keyboard.type('Ask');
    await page.getByRole('button', { name: 'Row below' }).click();
    await page.getByRole('button', { name: 'Column after' }).click();
    await saved(page);
    const count = async (role) => (await state(page)).content.filter((part) => part[1] === role).length;
    expect([await count('row'), await count('cell')]).toEqual([4, 16]);
    await page.getByRole('button', { name: 'Remove row' }).click();
    await page.getByRole('button', { name: 'Remove column' }).click();
    await saved(page);
    expect([await count('row'), await count('cell')]).toEqual([3, 9]);
    await page.getByRole('button', { name: 'Header row' }).click();
    await saved(page);
    expect(await page.locator('.ProseMirror th').count()).toBe((await state(page)).content.filter((part) => part[3].head).length);
    await page.getByRole('button', { name: 'Remove table' }).click();
    await saved(page);
    expect(await count('table')).toBe(0);
});

test('a link is set, checked and taken off', async ({ page }) => {
    await page.keyboard.type('the council line');
    await page.keyboard.press('Control+a');
    await page.keyboard.press('Control+k');
    await page.getByLabel('Address', { exact: true }).fill('javascript:alert(1)');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toContainText('An address begins with');
    await page.getByLabel('Address', { exact: true }).fill('https://example.org/line');
    await page.keyboard.press('Enter');
    await expect(page.locator('.ProseMirror a')).toHaveAttribute('href', 'https://example.org/line');
    await saved(page);
    await page.keyboard.press('Control+k');
    await page.getByRole('button', { name: 'Take the link off' }).click();
    await expect(page.locator('.ProseMirror a')).toHaveCount(0);
});

test('a picture is chosen, described and kept; what is none is refused in words', async ({ page }) => {
    const png = Buffer.from(
        'iVBORw0KGgoAAAANSUhEUgAAAAoAAAAKCAIAAAACUFjqAAAAEklEQVR4nGNgYPiPFw1iaQYGAHgOY53TIGNpAAAAAElFTkSuQmCC',
        'base64',
    );
    await page.locator('[data-picture-file]').setInputFiles({ name: 'x.png', mimeType: 'image/png', buffer: Buffer.from('<svg/>') });
    await expect(page.locator('[data-save-line]')).toContainText('not a picture');
    await page.locator('[data-picture-file]').setInputFiles({ name: 'bench.png', mimeType: 'image/png', buffer: png });
    await page.getByLabel('Description').fill('The long bench');
    await page.keyboard.press('Enter');
    await expect(page.getByAltText('The long bench')).toBeVisible();
    await saved(page);
    await page.reload();
    await expect(page.getByAltText('The long bench')).toHaveJSProperty('complete', true);
    expect(await page.getByAltText('The long bench').evaluate((image) => image.naturalWidth)).toBe(10);
});

test('a picture is pasted and dropped', async ({ page }) => {
    for (const kind of ['paste', 'drop']) {
        await text(page).evaluate((target, type) => {
            const bytes = Uint8Array.from(
                atob('iVBORw0KGgoAAAANSUhEUgAAAAoAAAAKCAIAAAACUFjqAAAAEklEQVR4nGNgYPiPFw1iaQYGAHgOY53TIGNpAAAAAElFTkSuQmCC'),
                (sign) => sign.charCodeAt(0),
            );
            const data = new DataTransfer();
            data.items.add(new File([bytes], 'p.png', { type: 'image/png' }));
            const box = target.getBoundingClientRect();
            target.dispatchEvent(
                type === 'paste'
                    ? new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true })
                    : new DragEvent('drop', {
                          dataTransfer: data,
                          bubbles: true,
                          cancelable: true,
                          clientX: box.left + 5,
                          clientY: box.top + 5,
                      }),
            );
        }, kind);
        await page.getByRole('button', { name: 'Cancel' }).click();
        await saved(page);
    }
    await expect(page.locator('.ProseMirror img.is-picture')).toHaveCount(2);
});

test('what is pasted from elsewhere is cleaned', async ({ page }) => {
    await text(page).evaluate((target) => {
        const data = new DataTransfer();
        data.setData(
            'text/html',
            '<h2 onclick="x()" style="color:red">Hot <b>plugs</b></h2><script>alert(1)</script><ul><li>one<ul><li>below</li></ul></li></ul><p><a href="javascript:x">bad</a> <a href="https://example.org">good</a><img src="https://evil.example/x.png"></p><table><tr><td>a</td><td>b</td></tr></table>',
        );
        target.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
    });
    await saved(page);
    const html = await text(page).innerHTML();
    expect(html).not.toMatch(/onclick|color|script|evil/);
    await expect(page.locator('.ProseMirror h2')).toHaveText('Hot plugs');
    await expect(page.locator('.ProseMirror a')).toHaveCount(1);
    const items = (await state(page)).content.filter((part) => part[1] === 'item').map((part) => [part[2], words(part)]);
    expect(items).toEqual([[0, 'one'], [1, 'below']]);
});

test('never pressing save, and keeping a version with a note all the same', async ({ page }) => {
    await page.keyboard.type('First words.');
    await expect(page.locator('[data-save-line]')).toHaveText('saving…');
    await saved(page);
    await expect(page.locator('[data-save-line]')).toHaveText(/Saved \d+ s ago as 2/);
    await expect(page.locator('.foot-last')).toContainText('Ines: Wrote “First words”');
    await page.keyboard.press('Control+s');
    await expect(page.getByLabel('A note on this version')).toBeVisible();
    await page.keyboard.press('Tab');
    await page.keyboard.type('as read aloud');
    await page.keyboard.press('Enter');
    await expect(page.locator('[data-save-line]')).toContainText('Note kept with 2');
    await text(page).click();
    await page.keyboard.type(' More.');
    await expect(page.locator('[data-save-line]')).toHaveText(/Saved \d+ s ago as 3/);
    await page.getByRole('link', { name: 'Look back' }).click();
    await page.getByRole('link', { name: 'List', exact: true }).click();
    await expect(page.getByText('“as read aloud”')).toBeVisible();
});

test('far too much pasted is said so, and nothing is lost', async ({ page }) => {
    await page.keyboard.type('Before.');
    await saved(page);
    await text(page).evaluate((target) => {
        const data = new DataTransfer();
        data.setData('text/plain', `${'word '.repeat(30_000)}\n`.repeat(32));
        target.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
    });
    await expect(page.locator('[data-save-line]')).toContainText('Not saved. This is too much at once');
    expect(words((await state(page)).content[0])).toBe('Before.');
    await page.keyboard.press('Control+z');
    await expect(page.locator('[data-save-line]')).toHaveText(/Saved|saved/);
});

test('keys write where text is: not beside it, and not over what is chosen as a whole', async ({ page }) => {
    /** What the page shows that the document has not. */
    const shownAlone = (typed) =>
        page
            .locator('.ProseMirror')
            .evaluate((root, words) => root.textContent.includes(words) && !root.pmViewDesc.node.textContent.includes(words), typed);
    await page.keyboard.type('- one');
    await saved(page);
    await page.locator('.item-mark').click({ force: true });
    await page.keyboard.type('beside a mark');
    expect(await shownAlone('beside a mark')).toBe(false);
    await saved(page);
    expect(words((await state(page)).content[0])).toBe('beside a markone');
    await page.keyboard.press('Escape');
    await page.keyboard.type('q');
    await page.keyboard.press('Control+c');
    await page.keyboard.press('Control+v');
    await saved(page);
    expect((await state(page)).content.map(words)).toEqual(['beside a markone', 'beside a markone']);
    await page.goto('/');
    await newForm(page, 'Where keys write');
    await ask(page, 'Short text', 'Who?');
    await saved(page);
    await page.locator('.form-page').click({ position: { x: 4, y: 4 } });
    await page.keyboard.type('beside a page ');
    expect(await shownAlone('beside a page')).toBe(false);
    await saved(page);
    for (let up = 0; up < 3; up++) {
        await page.keyboard.press('Escape');
        await page.keyboard.type('q');
    }
    await page.waitForTimeout(900);
    expect((await state(page)).content.map((part) => [part[1], part[3].text ? words(part) : ''])).toEqual([
        ['settings', ''],
        ['page', ''],
        ['question', 'beside a page Who?'],
    ]);
});
