import { readFileSync } from 'node:fs';
import { expect } from '@playwright/test';
import { ask, newForm, newItem, ofTheDay, saved, signIn, state, test, text, tool } from './steps.mjs';

/** How each kind is written by keys: two parts, more words in the first one, and the first one gone. */
const kinds = {
    Document: {
        async begin(page) {
            await newItem(page, 'Document', 'Talked about, document', 'Committee');
            await text(page).click();
            await page.keyboard.type('First one.');
            await page.keyboard.press('Enter');
            await page.keyboard.type('Second one.');
        },
        ...texts('p'),
    },
    Page: {
        async begin(page) {
            await newItem(page, 'Page', 'Talked about, page', 'Website');
            await text(page).focus();
            await tool(page, 'Text');
            await page.keyboard.type('First one.');
            await page.keyboard.press('Enter');
            await page.keyboard.type('Second one.');
        },
        ...texts('p'),
    },
    Form: {
        async begin(page) {
            await newForm(page, 'Talked about, form');
            await ask(page, 'Short text', 'First one');
            await ask(page, 'Short text', 'Second one');
        },
        ...texts('.question'),
    },
    Spreadsheet: {
        async begin(page) {
            await newItem(page, 'Spreadsheet', 'Talked about, sheet', 'Committee');
            await expect(page.locator('[data-grid]')).toBeFocused();
            for (const words of ['Thing', 'First one', 'Second one']) {
                await page.keyboard.type(words);
                await page.keyboard.press('Enter');
            }
        },
        async first(page) {
            await page.locator('[data-grid]').focus();
            await page.keyboard.press('Control+Home');
            await page.keyboard.press('ArrowDown');
        },
        async more(page, words) {
            await this.first(page);
            await page.keyboard.press('Enter');
            await page.keyboard.type(words);
            await page.keyboard.press('Enter');
            await this.first(page);
        },
        async second(page, words) {
            await this.first(page);
            await page.keyboard.press('ArrowDown');
            await page.keyboard.press('Enter');
            await page.keyboard.type(words);
            await page.keyboard.press('Enter');
        },
        async remove(page) {
            await this.first(page);
            await page.getByText('Rows', { exact: true }).press('Enter');
            await page.getByRole('button', { name: 'Remove', exact: true }).press('Enter');
        },
        written: (page) => page.locator('[data-grid]'),
        // A row's slips open below it while one is there.
        slip: (page) => page.locator('[data-slips] [data-slip], .grid-below [data-slip]'),
    },
};

/** What is written as text. @param {string} block */
function texts(block) {
    const end = async (page, which) => {
        await text(page).locator(block).nth(which).getByText(which === 0 ? /First one/ : /Second one/).first().click();
        await page.keyboard.press('End');
    };
    return {
        first: (page) => end(page, 0),
        async more(page, words) {
            await end(page, 0);
            await page.keyboard.type(words);
        },
        async second(page, words) {
            await end(page, 1);
            await page.keyboard.type(words);
        },
        async remove(page) {
            await end(page, 0);
            await page.keyboard.press('Escape');
            await page.keyboard.press('Delete');
        },
        written: text,
        slip: (page) => page.locator('.ProseMirror [data-slip], [data-slips] [data-slip]'),
    };
}

/** Waits until whoever said something is back at the thread: a key that comes before would go elsewhere. */
const isBack = (page) =>
    expect.poll(() => page.evaluate(() => document.activeElement?.closest('[data-slip], [data-grid], .ProseMirror') !== null)).toBe(true);

const content = async (page, url) => JSON.stringify((await (await page.request.get(`${url}/state`)).json()).content);

for (const [kind, it] of ofTheDay(Object.entries(kinds), 6)) {
    test(`a ${kind.toLowerCase()} is talked about by keys: called, answered, reworded, withdrawn, settled; looked back at; followed where it goes`, async ({
        page,
        browser,
    }) => {
        await signIn(page, 'Ines Oduya');
        await it.begin(page);
        await saved(page);
        const url = page.url().split('?')[0];
        await it.first(page);
        await page.keyboard.press('Alt+c');
        await page.keyboard.type('Is it so, @Nell?');
        await page.keyboard.press('Control+Enter');
        await expect(it.slip(page)).toContainText('Is it so, Nell?');
        await isBack(page);

        // Its author words it otherwise; what it was stays.
        await it.slip(page).getByRole('button', { name: 'Change the wording' }).press('Enter');
        await page.keyboard.press('Control+End');
        await page.keyboard.type(' Really?');
        await page.keyboard.press('Control+Enter');
        await expect(it.slip(page)).toContainText('Is it so, Nell? Really?');
        await expect(it.slip(page)).toContainText('worded otherwise before');
        await isBack(page);

        // Whoever is called is told, answers, and takes the answer back.
        const nell = await (await browser.newContext()).newPage();
        await signIn(nell, 'Nell Warwick');
        await nell.goto('/for-you');
        await nell.getByText('Is it so', { exact: false }).first().waitFor();
        await nell.goto(`${url}/talk`);
        await nell.getByRole('button', { name: 'Answer' }).press('Enter');
        await nell.keyboard.type('It is.');
        await nell.keyboard.press('Control+Enter');
        // The page of all is drawn again, at the thread.
        await nell.waitForURL(/#thread-/);
        await expect(nell.locator('[data-slip]')).toContainText('It is.');
        await nell.getByRole('button', { name: 'Withdraw it' }).press('Enter');
        await expect(nell.locator('[data-slip]')).toContainText('Withdrawn by who said it.');
        await nell.context().close();

        // Words that come to its part leave it where it is.
        await it.more(page, ' and more');
        await saved(page);
        await expect(it.slip(page)).toHaveCount(1);
        await page.goto(url);
        await it.first(page);
        await expect(it.slip(page)).toContainText('Really?');

        // Settled with a word, and opened again.
        await it.slip(page).getByRole('button', { name: 'Settled' }).press('Enter');
        await page.keyboard.type('Seen.');
        await page.keyboard.press('Control+Enter');
        await expect(page.locator('.slip.is-settled')).toContainText('settled since');
        await isBack(page);
        await page.locator('.slip.is-settled').getByRole('button', { name: 'Open it again' }).press('Enter');
        await expect(page.locator('.slip.is-settled')).toHaveCount(0);

        // Its part goes, and it waits; the part comes back, and it lies there.
        const { number: before } = await state(page);
        await it.remove(page);
        await saved(page);
        await page.goto(`${url}/talk?show=waiting`);
        await expect(page.locator('.talk-thread')).toContainText('Its part is not there now.');
        await page.goto(`${url}/history?from=${before}&to=${before}&view=was`);
        await expect(page.locator('[data-slip]')).toContainText('Really?');
        await page.goto(`${url}/history?from=1&to=1&view=was`);
        await expect(page.locator('[data-slip]')).toHaveCount(0);
        await page.goto(`${url}/versions/${before}/restore`);
        await page.getByRole('button', { name: /^Restore \d/ }).press('Enter');
        await page.waitForURL(/history/);
        await page.goto(url);
        await it.first(page);
        await expect(it.slip(page)).toContainText('Really?');
        await page.goto(`${url}/history/list`);
        await expect(page.getByText('Is it so', { exact: false }).first()).toBeVisible();

        // It goes along with a copy, with its history, and out as data.
        const { number } = await (await page.request.get(`${url}/state`)).json();
        await page.goto(`${url}/versions/${number}/copy`);
        await page.getByLabel('What was said about it').selectOption('all');
        await page.getByLabel('Its history').selectOption('1');
        await page.getByRole('button', { name: 'Copy it out' }).press('Enter');
        await page.waitForURL((address) => !address.href.includes('/copy'));
        const copy = /** @type {RegExpMatchArray} */ (page.url().match(/.*\/items\/\w+/))[0];
        expect(copy).not.toBe(url);
        await page.goto(`${copy}/talk?show=all`);
        await expect(page.locator('[data-slip]')).toContainText('Really?');
        await page.goto(`${url}/proposals`);
        await expect(page.getByText('One copy of it')).toBeVisible();
        const [download] = await Promise.all([
            page.waitForEvent('download'),
            page.evaluate(
                (address) => Object.assign(document.createElement('a'), { href: address, download: '' }).click(),
                `${url}/versions/${number}/download/json?said=1`,
            ),
        ]);
        expect(readFileSync(await download.path(), 'utf8')).toContain('Really?');
    });

    test(`a ${kind.toLowerCase()} is proposed for by keys: in place, as it would be, one by one, declined, proposed again, accepted and edited, taken back`, async ({
        page,
        browser,
    }) => {
        await signIn(page, 'Ines Oduya');
        await it.begin(page);
        await saved(page);
        const url = page.url().split('?')[0];
        const nell = await (await browser.newContext()).newPage();
        await signIn(nell, 'Nell Warwick');
        const propose = async (page) => {
            await page.goto(`${url}/proposals`);
            await page.getByRole('button', { name: /^(Propose instead of writing|Go on proposing)$/ }).press('Enter');
            await expect(page.getByText('You propose changes to')).toBeVisible();
        };
        const kept = async (page) => {
            await page.waitForTimeout(60);
            await expect(page.locator('[data-save-line]')).toHaveText(/Kept .*as a proposal/);
        };
        await propose(nell);
        await it.more(nell, ' of Nell');
        await it.second(nell, ' of Nell, too');
        await kept(nell);

        // The item goes on meanwhile, and nothing of it is there.
        await page.goto(url);
        await expect(it.written(page)).toContainText('First one');
        expect(await content(page, url)).not.toContain('Nell');
        await page.getByRole('link', { name: 'With what is proposed' }).press('Enter');
        await expect(page.getByRole('heading', { name: 'Nell proposes 2 changes' })).toBeVisible();
        await page.getByRole('link', { name: 'As it would be' }).press('Enter');
        await expect(page.locator('.past-state')).toContainText('of Nell, too');
        await page.getByRole('link', { name: 'With what is proposed' }).press('Enter');

        // The first of them is accepted, the other one declined with a word.
        await page
            .locator('[data-entries] > li')
            .filter({ hasText: 'First' })
            .first()
            .getByRole('button', { name: 'Accept', exact: true })
            .press('Enter');
        await expect(page.getByText(/^Accepted: it is version \d+ now, under Nell’s name\.$/)).toBeVisible();
        await page.getByLabel('A word with your answer, if you like').fill('Not this.');
        await page.getByRole('button', { name: 'Decline all' }).press('Enter');
        await expect(page.getByText('Declined. Nell is told.')).toBeVisible();
        expect(await content(page, url)).toContain('of Nell');
        expect(await content(page, url)).not.toContain('of Nell, too');
        await page.goto(`${url}/history/list`);
        await expect(page.getByText('Ines accepted Nell’s:', { exact: false })).toBeVisible();
        await expect(page.getByText('Ines declined what Nell proposed: Not this.')).toBeVisible();

        // Proposed again, accepted, and gone on with; then all of it is taken back.
        await nell.goto('/for-you');
        await nell.locator('li, tr, article').filter({ hasText: 'Not this.' }).first().getByRole('link').first().click();
        await nell.getByRole('button', { name: 'Propose it again' }).press('Enter');
        await expect(it.written(nell)).toContainText('of Nell, too');
        await nell.context().close();
        await page.goto(`${url}/proposals`);
        await page.getByRole('button', { name: 'Accept and edit' }).first().press('Enter');
        await expect(page.getByText('What you write from here on is yours.')).toBeVisible();
        await expect(it.written(page)).toContainText('of Nell, too');
        await page.goto(`${url}/history`);
        await page.getByRole('button', { name: 'Take it back' }).press('Enter');
        await expect.poll(() => content(page, url)).not.toContain('of Nell, too');
        expect(await content(page, url)).toContain('of Nell');
    });
}
