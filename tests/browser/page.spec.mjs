import { request } from 'node:http';
import { expect } from '@playwright/test';
import { axe, newItem, openHistory, saved, signIn, state, test, text, tool, toShelf, words } from './steps.mjs';

/** A page of its own on a shelf, with these texts in its only column. */
async function newPage(page, title, texts = [], on = 'Website') {
    await newItem(page, 'Page', title, on);
    await text(page).focus();
    if (texts.length > 0) await tool(page, 'Text');
    for (const [at, line] of texts.entries()) {
        if (at > 0) await page.keyboard.press('Enter');
        await page.keyboard.type(line);
    }
    if (texts.length > 0) await saved(page);
    return page.url();
}

const spoken = (page) => page.locator('[data-spoken]');
const roles = async (page) => (await state(page)).content.map((part) => `${'>'.repeat(part[2])}${part[1]}`);
const said = async (page) => (await state(page)).content.filter((part) => part[3].text).map(words);

/** A request by hand: what Node's fetch hides, a cache would see. */
const http = (url, headers = {}) =>
    new Promise((resolve, reject) => {
        request(url, { headers }, (response) => {
            let body = '';
            response
                .on('data', (chunk) => (body += chunk))
                .on('end', () => resolve({ status: response.statusCode, headers: response.headers, body }));
        })
            .on('error', reject)
            .end();
    });

test('a page is laid out and written by keys alone, with every step said aloud and undone', async ({ page }) => {
    await signIn(page, 'Tobi Brandt');
    await newPage(page, 'By keys');
    await tool(page, 'Heading');
    await page.keyboard.type('Find us');
    await page.keyboard.press('Enter');
    await page.keyboard.type('Behind the laundry');
    await tool(page, 'Call-out');
    await page.keyboard.type('Ring twice');
    await saved(page);
    expect(await roles(page)).toEqual(['section', '>column', '>>heading', '>>rich_text', '>>call_out']);
    // What turns into another block as one types is the same block.
    const { 0: id } = (await state(page)).content[3];
    await page.getByText('Behind the laundry').click();
    await page.keyboard.press('Home');
    await page.keyboard.type('## ');
    await saved(page);
    expect((await state(page)).content[3].slice(0, 2)).toEqual([id, 'heading']);
    await page.locator('[data-style]').selectOption('text-plain');
    await saved(page);
    await page.getByLabel('Columns').selectOption('8 4');
    await text(page).focus();
    await saved(page);
    expect(await roles(page)).toEqual(['section', '>column', '>>heading', '>>rich_text', '>>call_out', '>column']);
    // From the section to its last block, taken up and carried to the right.
    await page.keyboard.press('ArrowDown');
    await page.locator('.ProseMirror aside').click();
    await expect(page.locator('[data-chosen]')).toHaveText('Call-out “Ring twice”');
    await page.keyboard.press('Escape');
    await expect(spoken(page)).toHaveText('Call-out “Ring twice”: left column, 3 of 3, section 1 of 1.');
    await page.keyboard.press('Space');
    await expect(spoken(page)).toContainText('taken up');
    await page.keyboard.press('ArrowUp');
    await expect(spoken(page)).toHaveText('left column, 2 of 3, section 1 of 1.');
    await page.keyboard.press('ArrowRight');
    await expect(spoken(page)).toHaveText('right column, 1 of 1, section 1 of 1.');
    await page.keyboard.press('ArrowRight');
    await expect(spoken(page)).toHaveText('It can’t go further right.');
    await page.keyboard.press('Space');
    await expect(spoken(page)).toContainText('put down');
    await saved(page);
    expect(await roles(page)).toEqual(['section', '>column', '>>heading', '>>rich_text', '>column', '>>call_out']);
    await page.keyboard.press('Space');
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('Escape');
    await expect(spoken(page)).toHaveText('Taken back to where it was.');
    await page.keyboard.press('Control+z');
    await page.keyboard.press('Control+z');
    await saved(page);
    expect(await roles(page)).toEqual(['section', '>column', '>>heading', '>>rich_text', '>>call_out', '>column']);
    // A copy, and the copy gone again.
    await page.getByRole('button', { name: 'Copy', exact: true }).press('Enter');
    await saved(page);
    expect((await said(page)).filter((line) => line === 'Ring twice')).toHaveLength(2);
    await page.keyboard.press('Delete');
    await saved(page);
    expect((await said(page)).filter((line) => line === 'Ring twice')).toHaveLength(1);
    await tool(page, 'Section below');
    await page.keyboard.type('Another section');
    await saved(page);
    expect((await roles(page)).filter((role) => role === 'section')).toHaveLength(2);
    await page.getByRole('button', { name: 'Remove section' }).press('Enter');
    await saved(page);
    expect((await roles(page)).filter((role) => role === 'section')).toHaveLength(1);
});

test('blocks that are set up in a dialog say what is wrong, and show what readers will see', async ({ page }) => {
    await signIn(page, 'Tobi Brandt');
    await newPage(page, 'Dialogs', ['Words']);
    await tool(page, 'Table of hours…');
    const dialog = page.getByRole('dialog');
    await dialog.getByLabel('Title').fill('Benches');
    await dialog.getByRole('textbox').nth(1).fill('Saturday');
    await dialog.getByRole('textbox').nth(2).fill('10 to 3');
    await axe(page);
    await page.keyboard.press('Enter');
    await expect(page.locator('.ProseMirror table.hours')).toHaveText('BenchesSaturday10 to 3');
    await tool(page, 'Button…');
    await dialog.getByLabel('Words on it').fill('Book a place');
    await dialog.getByLabel('Where it leads').fill('javascript:alert(1)');
    await dialog.getByRole('button', { name: 'Save' }).click();
    await expect(dialog).toBeVisible();
    await dialog.getByLabel('Where it leads').fill('/read/opening-hours');
    await dialog.getByRole('button', { name: 'Save' }).click();
    await expect(dialog).toBeHidden();
    await saved(page);
    const button = (await state(page)).content.find((part) => part[1] === 'button');
    expect(button[3]).toEqual({ label: 'Book a place', target: '/read/opening-hours' });
    await page.getByRole('button', { name: 'Section…' }).click();
    await dialog.getByLabel(/^Title/).fill('Good to know');
    await dialog.getByLabel('Ground').selectOption('deep');
    await dialog.getByRole('button', { name: 'Save' }).click();
    await expect(page.locator('.ProseMirror section.deep h1')).toHaveText('Good to know');
    await axe(page);
    await page.getByRole('button', { name: 'Phone' }).click();
    expect((await page.locator('.page-writing').boundingBox()).width).toBeLessThan(400);
    await page.getByRole('button', { name: 'Desk', exact: true }).click();
    expect((await page.locator('.page-writing').boundingBox()).width).toBeGreaterThan(900);
});

test('a block is dragged into another column by its grip', async ({ page }) => {
    await signIn(page, 'Tobi Brandt');
    await newPage(page, 'Dragged', ['One', 'Two', 'Three']);
    await page.getByLabel('Columns').selectOption('6 6');
    await text(page).getByText('Two', { exact: true }).hover();
    const grip = page.locator('.page-grip');
    await expect(grip).toBeVisible();
    const [from, to] = [await grip.boundingBox(), await page.locator('.ProseMirror [data-width]').nth(1).boundingBox()];
    await page.mouse.move(from.x + 5, from.y + 5);
    await page.mouse.down();
    await page.mouse.move(from.x + 40, from.y + 10, { steps: 4 });
    await page.mouse.move(to.x + 60, to.y + 18, { steps: 8 });
    await page.mouse.up();
    await saved(page);
    expect(await roles(page)).toEqual(['section', '>column', '>>rich_text', '>>rich_text', '>column', '>>rich_text']);
    expect(await said(page)).toEqual(['One', 'Three', 'Two']);
    await expect(spoken(page)).toHaveText('Text “Two” was moved.');
});

test('two people lay out one page at once, and both find all of it', async ({ browser, page }) => {
    await signIn(page, 'Tobi Brandt');
    const url = await newPage(page, 'Together', ['One', 'Two']);
    const nell = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })).newPage();
    await signIn(nell, 'Nell Warwick');
    await nell.goto(url);
    await text(nell).getByText('Two', { exact: true }).click();
    await text(page).getByText('One', { exact: true }).click();
    await Promise.all([
        nell.keyboard.press('End').then(() => nell.keyboard.type(' from Nell')),
        page.getByLabel('Columns').selectOption('8 4'),
    ]);
    await text(page).getByText('One', { exact: true }).click();
    await expect(page.locator('[data-chosen]')).toHaveText('Text “One”');
    await page.keyboard.press('Escape');
    await page.keyboard.press('Space');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Space');
    for (const each of [page, nell]) {
        await expect(each.locator('.ProseMirror [data-width]').nth(1)).toHaveText('One');
        await expect(each.locator('.ProseMirror [data-width]').nth(0)).toContainText('Two from Nell');
    }
    await nell.context().close();
});

test('what changed is marked on the page itself, with a map of the layout, and the marks go off', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await toShelf(page, 'Website');
    await openHistory(page, 'Opening hours', 'from=31&to=34');
    await expect(page.locator('[data-changes] h2')).toHaveText(/4 changes\s+since it went live/);
    for (const sentence of [
        'Moved “Find us” and what stands below it from left to right',
        'Added the call-out “Closed in August” in “When we are open”',
        'Removed the picture “The bench on a Saturday”',
        'Rewrote 2 words in “When we are open”',
    ]) {
        await expect(page.locator('[data-changes]')).toContainText(sentence);
    }
    const state = page.locator('[data-state]');
    await expect(state.locator('del')).toHaveText(['three, and Wednesday']);
    await expect(state.locator('.was-moved')).toHaveCount(2);
    await expect(state.locator('.was-moved').first()).toContainText('moved from the left column');
    await expect(state.locator('[data-trace]')).toHaveCount(2);
    await expect(state.locator('.page-lines path')).toHaveCount(2);
    await expect(state.locator('.was-removed img')).toBeVisible();
    await expect(page.locator('.page-map .map-arrow')).toHaveCount(2);
    await expect(page.locator('.page-map')).toContainText('31, live');
    await page.getByRole('checkbox', { name: 'marks' }).click();
    await expect(page).toHaveURL(/marks=off/);
    await expect(state.locator('.block-who').first()).toBeHidden();
    await expect(state.locator('del')).toHaveCount(0);
    await page.getByRole('checkbox', { name: 'marks' }).click();
    await page.getByRole('link', { name: 'Side by side' }).click();
    await expect(state.locator('.page')).toHaveCount(2);
    await expect(state.locator('.page').first()).toContainText('three, and Wednesday');
    await expect(state.locator('.page').nth(1)).not.toContainText('Wednesday');
    await axe(page);
    await page.getByRole('link', { name: 'Source' }).click();
    await expect(state.locator('tr.was-added')).toContainText(['<p>Every second Saturday, ten to four']);
    await axe(page);
    await page.getByRole('link', { name: 'As it was' }).click();
    await expect(state).toContainText('Readers have seen it since');
    await expect(state.locator('.page')).toContainText('three, and Wednesday');
    await axe(page);
});

test('settings stand old above new, and pictures are compared in three ways', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await toShelf(page, 'Website');
    await openHistory(page, 'Volunteer with us', 'from=5&to=7');
    await expect(page.locator('[data-changes]')).toContainText('Changed the picture “The bench on a Saturday”');
    const pictures = page.locator('[data-pictures]');
    await expect(pictures.locator('img')).toHaveCount(2);
    const boxes = async () => Promise.all([0, 1].map((at) => pictures.locator('img').nth(at).boundingBox()));
    const [left, right] = await boxes();
    expect(right.x).toBeGreaterThan(left.x + left.width - 1);
    await pictures.getByLabel('Overlaid').check();
    const [under, over] = await boxes();
    expect(over.x).toBe(under.x);
    await pictures.getByRole('slider').focus();
    await page.keyboard.press('Home');
    await expect(pictures).toHaveAttribute('style', /--slide:\s*0%/);
    await pictures.getByLabel('Difference').check();
    expect(await pictures.locator('[data-later]').evaluate((img) => getComputedStyle(img).mixBlendMode)).toBe('difference');
    await axe(page);
    await openHistoryOf(page, 'Opening hours', 'from=30&to=31');
    await expect(page.locator('[data-state] .button del')).toHaveText('Book a place');
    await expect(page.locator('[data-state] .button ins')).toHaveText('Book a place at a bench');
});

test('another picture takes the place of one, and the two are compared', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    const url = await newPage(page, `Pictures ${Date.now()}`, ['Words']);
    const choose = (base64) =>
        page
            .locator('[data-picture-file]')
            .setInputFiles({ name: 'bench.png', mimeType: 'image/png', buffer: Buffer.from(base64, 'base64') });
    await page.locator('summary', { hasText: 'Put in' }).click();
    await page.getByRole('button', { name: 'Picture…', exact: true }).click();
    await choose('iVBORw0KGgoAAAANSUhEUgAAAAoAAAAKCAIAAAACUFjqAAAAEklEQVR4nGNgYPiPFw1iaQYGAHgOY53TIGNpAAAAAElFTkSuQmCC');
    await page.getByRole('dialog').getByRole('textbox').fill('A bench');
    await page.keyboard.press('Enter');
    await saved(page);
    await page.keyboard.press('Control+s');
    await expect(page.locator('[data-save-line]')).toHaveText(/Kept as \d+/);
    const first = await page.locator('.ProseMirror img').getAttribute('src');
    await page.locator('.ProseMirror img').click();
    await page.getByRole('button', { name: 'Other picture…' }).click();
    await choose('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==');
    await expect(page.getByRole('dialog').getByRole('textbox')).toHaveValue('A bench');
    await page.keyboard.press('Enter');
    await expect(page.locator('.ProseMirror img')).toHaveCount(1);
    await expect(page.locator('.ProseMirror img')).not.toHaveAttribute('src', first);
    await page.keyboard.press('Control+s');
    await saved(page);
    await page.goto(`${url}/history/list`);
    await page.getByRole('link', { name: /What changed in version/ }).first().click();
    await expect(page.locator('[data-changes]')).toContainText('Changed the picture “A bench”');
    await expect(page.locator('[data-pictures] img')).toHaveCount(2);
});

async function openHistoryOf(page, title, query) {
    await page.goto('/');
    await toShelf(page, 'Website');
    await openHistory(page, title, query);
}

test('an editor asks, the draft goes on, who may says no and then yes, and readers see what was asked for', async ({ browser, page }) => {
    await signIn(page, 'Tobi Brandt');
    const url = await newPage(page, `Asked for ${Date.now()}`, ['Open on Saturdays']);
    const reader = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })).newPage();
    await signIn(reader, 'Jun Castell');
    expect((await reader.goto(url)).status()).toBe(404);
    await page.getByRole('link', { name: 'Publish…' }).click();
    await expect(page.getByRole('heading', { name: 'Readers see nothing yet' })).toBeVisible();
    await page.getByLabel('What should those who say yes know?').fill('The first page');
    await page.getByRole('button', { name: /Ask to publish \d+/ }).click();
    await expect(page.locator('.said')).toContainText('Asked.');
    const ines = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' })).newPage();
    await signIn(ines, 'Ines Oduya');
    await ines.goto(`${url}/history`);
    await ines.getByRole('link', { name: 'Look and answer…' }).click();
    await axe(ines);
    await ines.getByRole('button', { name: 'Not yet' }).click();
    await expect(ines.locator('.problems, [role=alert]').first()).toContainText('so that Tobi knows');
    await ines.getByLabel('What do you say to Tobi?').fill('And Wednesdays?');
    await ines.getByRole('button', { name: 'Not yet' }).click();
    await page.goto('/');
    await toShelf(page, 'Website');
    await page.locator('.card', { hasText: 'And Wednesdays?' }).getByRole('link', { name: 'I have seen it' }).click();
    await page.goto(url);
    await text(page).getByText('Open on Saturdays').click();
    await page.keyboard.press('End');
    await page.keyboard.type(' and Wednesdays');
    await saved(page);
    await page.getByRole('link', { name: 'Publish…' }).click();
    await page.getByRole('button', { name: /Ask to publish/ }).click();
    await page.goto(url);
    await text(page).getByText('Open on Saturdays').click();
    await page.keyboard.press('End');
    await page.keyboard.type(', but not in August');
    await saved(page);
    await ines.goto(`${url}/history`);
    await ines.getByRole('link', { name: 'Look and answer…' }).click();
    await ines.getByRole('button', { name: /Yes, publish/ }).click();
    await expect(ines.locator('.head-note')).toContainText(/draft\s*\d+,\s*live is\s*\d+/);
    await reader.goto(url);
    await expect(reader.locator('main')).toContainText('Open on Saturdays and Wednesdays');
    await expect(reader.locator('main')).not.toContainText('August');
    await axe(reader);
    await ines.getByRole('link', { name: 'List' }).click();
    await ines.getByRole('link', { name: 'Published' }).click();
    await expect(ines.locator('tbody tr')).toHaveCount(1);
    await expect(ines.locator('tbody')).toContainText('Ines said yes to Tobi, and it went live as no. 1');
    await axe(ines);
    await Promise.all([reader.context().close(), ines.context().close()]);
});

test('the public address is read without JavaScript, kept by caches, and answers for any moment', async ({ browser, baseURL }) => {
    const page = await (await browser.newContext({ javaScriptEnabled: false, viewport: { width: 390, height: 800 }, baseURL })).newPage();
    await page.goto('/read/opening-hours');
    await expect(page.getByRole('heading', { name: 'Opening hours' })).toBeVisible();
    await expect(page.locator('main')).toContainText('ten to three, and Wednesday');
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await page.getByText('As it was before').click();
    const past = page.locator('details li a').first();
    await past.click();
    await expect(page.getByRole('note')).toContainText('This is how “Opening hours” was published on');
    await page.context().close();

    const read = `${baseURL}/read/opening-hours`;
    const now = await http(read);
    expect([now.status, now.headers['set-cookie'], now.headers.vary]).toEqual([200, undefined, 'Accept-Datetime']);
    expect((await http(read, { 'If-None-Match': now.headers.etag })).status).toBe(304);
    expect((await http(read, { 'If-Modified-Since': now.headers['last-modified'] })).status).toBe(304);
    const map = await http(`${read}/timemap`);
    expect(map.headers['content-type']).toBe('application/link-format');
    const mementos = [...map.body.matchAll(/<([^>]+)>;rel="[^"]*memento";datetime="([^"]+)"/g)].map((found) => ({
        url: found[1],
        at: found[2],
    }));
    expect(mementos).toHaveLength(7);
    const gate = await http(read, { 'Accept-Datetime': mementos[3].at });
    expect([gate.status, gate.headers.location]).toEqual([302, mementos[3].url]);
    const memento = await http(mementos[3].url);
    expect([memento.status, memento.headers['memento-datetime']]).toEqual([200, mementos[3].at]);
    expect(memento.body).toContain('class="deep"');
    expect((await http(read, { 'Accept-Datetime': 'now' })).status).toBe(400);
});

test('a block has a history through its moves, and comes back where somebody says', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await toShelf(page, 'Website');
    await openHistory(page, 'What to bring', 'from=8&to=14');
    await page
        .locator('[data-changes] li', { hasText: 'Moved the heading “Bicycles” from “What to bring” to “Rather not”' })
        .getByRole('link', { name: /history of this part/i })
        .click();
    await expect(page.locator('.part-step')).toHaveCount(3);
    await expect(page.locator('.part-step').first()).toContainText('Moved it from “What to bring” to “Rather not”');
    await page.getByRole('button', { name: 'Bring this back as it was in 5' }).click();
    await expect(page.getByRole('heading', { name: 'Where should it go?' })).toBeVisible();
    await axe(page);
    await page.getByLabel(/The left column/).check();
    await page.getByRole('button', { name: 'Bring it back' }).press('Enter');
    await expect(page.locator('[data-changes]')).toContainText('Moved the heading “Bicycles” from “Rather not” to “What to bring”');
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect(page.locator('[data-ribbon][data-ready]')).toBeVisible();
});

test('a page that went wrong and live comes back as a draft, or at once for those who may publish', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    const url = await newPage(page, 'Messed up', ['Words that were good'], 'Committee');
    const publish = async () => {
        await page.getByRole('link', { name: 'Publish…' }).click();
        await page.getByRole('button', { name: /^Publish \d+/ }).click();
        await expect(page.locator('.said')).toContainText('is live now');
    };
    await publish();
    await page.goto(url);
    await text(page).getByText('Words that were good').click();
    await page.keyboard.press('End');
    await page.keyboard.type(', made bad');
    await saved(page);
    await publish();
    const live = Number(await page.locator('[data-since-live]').textContent());
    await page.goto(`${url}/history?from=${live - 1}&to=${live}`);
    await page.getByRole('link', { name: /^Restore \d+…/ }).click();
    await expect(page.locator('.plan-lead')).toContainText('It becomes a draft');
    await axe(page);
    await page.getByRole('button', { name: /^Restore \d+$/ }).press('Enter');
    await expect(page.locator('.said')).toContainText('Readers don’t see it yet');
    await expect(page.locator('.head-note')).toContainText(/draft\s*\d+,\s*live is/);
    await page.locator('[data-ribbon][data-ready]').waitFor();
    await page.getByRole('button', { name: 'Take it back' }).click();
    await expect(page.locator('.said')).toBeVisible();
    await page.goto(`${url}/versions/${live - 1}/restore`);
    await page.getByRole('button', { name: 'Restore and publish' }).click();
    await expect(page.locator('.said')).toContainText('and published it');
    await expect(page.locator('.head-note [data-draft]')).toBeHidden();
});

test('the people of a shelf: who publishes, and who sees drafts', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await toShelf(page, 'Website');
    await page.getByRole('link', { name: 'People' }).click();
    await expect(page.getByRole('button', { name: /^(Allow|Stop) Rafi/ })).toBeVisible();
    await expect(page.getByLabel(/Publishing needs another person/)).toBeChecked();
    await expect(page.getByLabel(/Who sees drafts/)).toHaveValue('editors');
    await axe(page);
});
