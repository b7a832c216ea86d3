import { expect } from '@playwright/test';
import {
    ask,
    axe,
    newDocument,
    newForm,
    newItem,
    ofTheDay,
    openHistory,
    openItem,
    saved,
    signIn,
    state,
    test,
    text,
    tool,
    toShelf,
    words,
} from './steps.mjs';

/** The sentences of the versions after a number, newest first. */
async function told(page, since) {
    const list = await page.request.get(`${page.url().split('?')[0]}/history/list`);
    const html = await list.text();
    return [...html.matchAll(/<td class="versions-number">(\d+)<\/td>\s*<td>([^<]*)/g)]
        .filter(([, number]) => Number(number) > since)
        .map(([, , sentence]) => sentence.replace(/&[a-z]+;/g, (sign) => ({ '&amp;': '&', '&quot;': '"' })[sign] ?? sign).trim());
}

/** Writes three paragraphs and keeps them; gives their ids and the number of that version. */
async function three(page) {
    await page.keyboard.type('Alpha bravo charlie.');
    await page.keyboard.press('Enter');
    await page.keyboard.type('Delta echo foxtrot.');
    await page.keyboard.press('Enter');
    await page.keyboard.type('Golf hotel india.');
    await saved(page);
    await page.keyboard.press('Control+s');
    await expect(page.locator('[data-save-line]')).toContainText('Kept as');
    await page.keyboard.press('Escape');
    const { content, number } = await state(page);
    await text(page).click();
    return { ids: content.map((part) => part[0]), number };
}

const press = async (page, ...keys) => {
    for (const key of keys) {
        await page.keyboard.press(key);
        await page.waitForTimeout(25);
    }
};

/** Three presses of the mouse on one paragraph; what was pressed before is over by then. */
async function thrice(page, at) {
    await page.waitForTimeout(600);
    await page.locator('.ProseMirror p').nth(at).click({ clickCount: 3 });
}

/** Presses keys while the window is busy, so that they queue up. */
async function queued(page, ...keys) {
    const cdp = await page.context().newCDPSession(page);
    const busy = page.evaluate(() => {
        const until = performance.now() + 400;
        return new Promise((resolve) => setTimeout(() => {
            while (performance.now() < until);
            resolve(undefined);
        }));
    });
    const codes = { Home: 36, End: 35, ArrowDown: 40, ArrowUp: 38, Delete: 46, Backspace: 8, Enter: 13 };
    for (const combined of keys) {
        const [key, ...modifiers] = combined.split('+').reverse();
        const event = {
            key,
            code: key,
            windowsVirtualKeyCode: codes[key],
            modifiers: (modifiers.includes('Shift') ? 8 : 0) + (modifiers.includes('Control') ? 2 : 0),
        };
        // Sent without waiting: the window answers none of them yet.
        cdp.send('Input.dispatchKeyEvent', { type: 'rawKeyDown', ...event });
        cdp.send('Input.dispatchKeyEvent', { type: 'keyUp', ...event });
    }
    await busy;
    await page.waitForTimeout(300);
}

const gestures = [
    {
        name: 'a line and its end, by Home, Shift+Down, Delete',
        at: 0,
        does: (page) => press(page, 'Home', 'Shift+ArrowDown', 'Delete'),
        leaves: (ids) => [[ids[1], 'Delta echo foxtrot.'], [ids[2], 'Golf hotel india.']],
        says: /^Removed “Alpha bravo charlie”$/,
    },
    {
        name: 'the same with keys that queue up',
        at: 0,
        does: (page) => queued(page, 'Home', 'Shift+ArrowDown', 'Delete'),
        leaves: (ids) => [[ids[1], 'Delta echo foxtrot.'], [ids[2], 'Golf hotel india.']],
        says: /^Removed “Alpha bravo charlie”$/,
    },
    {
        name: 'three presses of the mouse and Delete',
        at: 1,
        does: async (page) => {
            await thrice(page, 1);
            await press(page, 'Delete');
        },
        leaves: (ids) => [[ids[0], 'Alpha bravo charlie.'], [ids[2], 'Golf hotel india.']],
        says: /^Removed “Delta echo foxtrot”$/,
    },
    {
        name: 'three presses of the mouse at the end and Backspace',
        at: 2,
        does: async (page) => {
            await thrice(page, 2);
            await press(page, 'Backspace');
        },
        leaves: (ids) => [[ids[0], 'Alpha bravo charlie.'], [ids[1], 'Delta echo foxtrot.']],
        says: /^Removed “Golf hotel india”$/,
    },
    {
        name: 'three presses of the mouse and other words',
        at: 1,
        does: async (page) => {
            await thrice(page, 1);
            await page.keyboard.type('Juliet.');
        },
        leaves: (ids) => [[ids[0], 'Alpha bravo charlie.'], [ids[1], 'Juliet.'], [ids[2], 'Golf hotel india.']],
        says: /“(Juliet|Delta)/,
    },
    {
        name: 'Delete at the end',
        at: 0,
        does: (page) => press(page, 'End', 'Delete'),
        leaves: (ids) => [[ids[0], 'Alpha bravo charlie.Delta echo foxtrot.'], [ids[2], 'Golf hotel india.']],
        says: /^Joined “Delta echo foxtrot” to “Alpha bravo charlie/,
    },
    {
        name: 'Backspace at the start',
        at: 1,
        does: (page) => press(page, 'Home', 'Backspace'),
        leaves: (ids) => [[ids[0], 'Alpha bravo charlie.Delta echo foxtrot.'], [ids[2], 'Golf hotel india.']],
        says: /^Joined “Delta echo foxtrot” to “Alpha bravo charlie/,
    },
    {
        name: 'Enter at the start',
        at: 1,
        does: (page) => press(page, 'Home', 'Enter'),
        leaves: (ids) => [[ids[0], 'Alpha bravo charlie.'], [null, ''], [ids[1], 'Delta echo foxtrot.'], [ids[2], 'Golf hotel india.']],
        says: /^Added an empty paragraph$/,
    },
    {
        name: 'Enter in the middle',
        at: 1,
        does: (page) => press(page, 'Home', 'Control+ArrowRight', 'Enter'),
        leaves: (ids) => [[ids[0], 'Alpha bravo charlie.'], [ids[1], 'Delta'], [null, ' echo foxtrot.'], [ids[2], 'Golf hotel india.']],
        says: /^Split “echo foxtrot” off “Delta”$/,
    },
    {
        name: 'Enter at the end',
        at: 1,
        does: (page) => press(page, 'End', 'Enter'),
        leaves: (ids) => [[ids[0], 'Alpha bravo charlie.'], [ids[1], 'Delta echo foxtrot.'], [null, ''], [ids[2], 'Golf hotel india.']],
        says: /^Added an empty paragraph$/,
    },
    {
        name: 'a selection from the middle of one into the next',
        at: 0,
        does: (page) => press(page, 'Home', 'Control+ArrowRight', 'Shift+ArrowDown', 'Delete'),
        leaves: (ids) => [[ids[0], /^Alpha ?(cho|echo|ho|o) foxtrot\.$/], [ids[2], 'Golf hotel india.']],
        says: /“Delta echo foxtrot”|“Alpha/,
    },
    {
        name: 'a selection over two whole ones',
        at: 0,
        does: (page) => press(page, 'Home', 'Shift+ArrowDown', 'Shift+ArrowDown', 'Delete'),
        leaves: (ids) => [[ids[2], 'Golf hotel india.']],
        says: /^Removed 2 paragraphs from “Alpha bravo charlie” on$/,
    },
    {
        name: 'a whole one cut and pasted elsewhere',
        at: 0,
        does: async (page) => {
            await press(page, 'Home', 'Shift+End', 'Control+x');
            await press(page, 'Control+End', 'Enter', 'Control+v');
            await page.locator('.ProseMirror p').first().click();
            await press(page, 'Delete');
        },
        leaves: (ids) => [[ids[1], 'Delta echo foxtrot.'], [ids[2], 'Golf hotel india.'], [ids[0], 'Alpha bravo charlie.']],
        says: /^Moved “Alpha bravo charlie” down$|^Moved 2 paragraphs/,
    },
    {
        name: 'carried down by keys',
        at: 0,
        does: (page) => press(page, 'Escape', ' ', 'ArrowDown', 'ArrowDown', 'Enter'),
        leaves: (ids) => [[ids[1], 'Delta echo foxtrot.'], [ids[2], 'Golf hotel india.'], [ids[0], 'Alpha bravo charlie.']],
        says: /^Moved “Alpha bravo charlie” down$/,
    },
    {
        name: 'copied and pasted twice',
        at: 0,
        does: (page) => press(page, 'Home', 'Shift+End', 'Control+c', 'Control+End', 'Enter', 'Control+v', 'Enter', 'Control+v'),
        leaves: (ids) => [
            [ids[0], 'Alpha bravo charlie.'],
            [ids[1], 'Delta echo foxtrot.'],
            [ids[2], 'Golf hotel india.'],
            [null, 'Alpha bravo charlie.'],
            [null, 'Alpha bravo charlie.'],
        ],
        says: /^Added 2 paragraphs from “Alpha bravo charlie” on$/,
    },
    {
        name: 'a split that is undone',
        at: 1,
        does: (page) => press(page, 'Home', 'Control+ArrowRight', 'Enter', 'Control+z'),
        leaves: (ids) => [[ids[0], 'Alpha bravo charlie.'], [ids[1], 'Delta echo foxtrot.'], [ids[2], 'Golf hotel india.']],
        says: null,
    },
    {
        name: 'a join that is undone and done again',
        at: 0,
        does: (page) => press(page, 'End', 'Delete', 'Control+z', 'Control+y'),
        leaves: (ids) => [[ids[0], 'Alpha bravo charlie.Delta echo foxtrot.'], [ids[2], 'Golf hotel india.']],
        says: /^Joined “Delta echo foxtrot”/,
    },
];

for (const { name, at, does, leaves, says } of ofTheDay(gestures, 3)) {
    test(`what a person would say happened: ${name}`, async ({ page, context }) => {
        await context.grantPermissions(['clipboard-read', 'clipboard-write']);
        await signIn(page, 'Ines Oduya');
        await newDocument(page, 'Gestures');
        const { ids, number } = await three(page);
        await page.locator('.ProseMirror p').nth(at).click();
        await does(page);
        await page.waitForTimeout(100);
        await saved(page);
        await page.waitForTimeout(1200);
        const parts = (await state(page)).content;
        const expected = leaves(ids);
        expect(parts.map((part) => words(part))).toEqual(
            expected.map(([, content]) => (content instanceof RegExp ? expect.stringMatching(content) : content)),
        );
        parts.forEach((part, position) => expected[position][0] && expect([position, part[0]]).toEqual([position, expected[position][0]]));
        const sentences = await told(page, number);
        if (says === null) expect(sentences).toEqual([]);
        else expect(sentences.join(' | ')).toMatch(says);
    });
}

test('Escape, then Tab leaves the text', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await newDocument(page, 'Leaving');
    await page.keyboard.type('- one');
    await press(page, 'Tab');
    expect(await page.evaluate(() => document.activeElement?.classList.contains('ProseMirror'))).toBe(true);
    await press(page, 'Escape', 'Tab');
    expect(await page.evaluate(() => document.activeElement?.classList.contains('ProseMirror'))).toBe(false);
});

/** Does one thing after the other in an item, and tells what the history says of each. */
async function tells(page, does) {
    const said = [];
    for (const keys of does) {
        const { number } = await state(page);
        await keys();
        await page.waitForTimeout(80);
        await saved(page);
        await page.waitForTimeout(1100);
        said.push((await told(page, number)).join(' | '));
    }
    return said;
}

/** A few gestures one after the other, by what they happen to. */
const happened = {
    async 'list items'(page) {
        await signIn(page, 'Ines Oduya');
        await newDocument(page, 'Items');
        await page.keyboard.type('- Alpha bravo charlie.');
        for (const line of ['Delta echo foxtrot.', 'Golf hotel india.']) {
            await page.keyboard.press('Enter');
            await page.keyboard.type(line);
        }
        await saved(page);
        await page.waitForTimeout(1100);
        const ids = (await state(page)).content.map((part) => part[0]);
        const items = page.locator('.ProseMirror > [data-style]');
        const said = await tells(page, [
            async () => {
                await items.nth(0).click();
                await press(page, 'Home', 'Shift+ArrowDown', 'Delete');
            },
            async () => {
                await items.nth(0).click();
                await press(page, 'Home', 'Control+ArrowRight', 'Enter');
            },
            async () => {
                await items.nth(1).click();
                await press(page, 'Escape', ' ', 'ArrowUp', 'Enter');
            },
        ]);
        expect(said).toEqual([
            'Removed the list item “Alpha bravo charlie”',
            'Split “echo foxtrot” off “Delta”',
            expect.stringMatching(/^Moved the list item “(echo foxtrot|Delta)” (up|down)$/),
        ]);
        expect(
            (await state(page)).content
                .map((part) => part[0])
                .filter((id) => ids.includes(id))
                .sort(),
        ).toEqual(ids.slice(1).sort());
    },
    async 'the rows of a table'(page) {
        await signIn(page, 'Ines Oduya');
        await newDocument(page, 'Rows');
        await page.getByRole('button', { name: 'Table', exact: true }).click();
        const cells = ['Day', 'Who', 'Task', 'Monday', 'Ines', 'Keys', 'Tuesday', 'Nell', 'Tea'];
        for (const [at, words] of cells.entries()) {
            if (at > 0) await page.keyboard.press('Tab');
            await page.keyboard.type(words);
        }
        await saved(page);
        await page.waitForTimeout(1100);
        const cell = (words) => page.locator('.ProseMirror').locator('td, th').getByText(words, { exact: true });
        const press = (name) => page.getByRole('button', { name, exact: true }).click();
        const said = await tells(page, [
            async () => {
                await cell('Monday').click();
                await press('Row below');
            },
            async () => page.keyboard.type('Sunday'),
            async () => {
                await cell('Tuesday').click();
                await press('Remove row');
            },
            async () => {
                await cell('Who').click();
                await press('Remove column');
            },
            async () => page.keyboard.press('Control+z'),
        ]);
        expect(said).toEqual([
            'Added an empty row of the table in “Day”',
            'Wrote “Sunday”',
            'Removed the row “Tuesday” of the table in “Day”',
            'Removed the column “Who” of the table in “Day”',
            'Added the column “Who” of the table in “Day”',
        ]);
    },
    async 'questions and choices'(page) {
        await signIn(page, 'Ines Oduya');
        await newForm(page, 'Asked');
        await ask(page, 'One of several', 'What is it?');
        await page.keyboard.press('Enter');
        await page.keyboard.type('A lamp');
        await page.keyboard.press('Enter');
        await page.keyboard.type('A coat');
        await page.keyboard.press('Enter');
        await page.keyboard.type('A chair');
        await ask(page, 'Number', 'How many?');
        await saved(page);
        await page.waitForTimeout(1100);
        const at = (words) => page.locator('.form-writing').getByText(words, { exact: true }).click();
        const said = await tells(page, [
            async () => {
                await at('A coat');
                await press(page, 'Home', 'Shift+End', 'Delete', 'Backspace');
            },
            // Keys that were half a second apart are taken back one by one.
            async () => {
                for (
                    let times = 0;
                    times < 2 && !(await page.locator('.form-writing').getByText('A coat', { exact: true }).isVisible());
                    times++
                )
                    await page.keyboard.press('Control+z');
            },
            async () => {
                await at('A lamp');
                await press(page, 'End', 'Enter');
                await page.keyboard.type('A rug');
            },
            async () => {
                await at('How many?');
                await press(page, 'Escape', ' ', 'ArrowUp', 'Enter');
            },
            async () => {
                await at('What is it?');
                await press(page, 'Escape', 'Delete');
            },
            async () => {
                await page.keyboard.press('Control+z');
            },
        ]);
        expect(said).toEqual([
            'Removed the choice “A coat”',
            'Added the choice “A coat”',
            'Added the choice “A rug”',
            'Moved the question “How many?” up',
            'Removed the question “What is it?” with 5 choices',
            'Added the question “What is it?” with 5 choices',
        ]);
    },
    async 'the blocks of a page'(page) {
        await signIn(page, 'Tobi Brandt');
        await newItem(page, 'Page', 'Blocks', 'Website');
        await tool(page, 'Heading');
        await page.keyboard.type('Find us');
        await page.keyboard.press('Enter');
        await page.keyboard.type('Behind the laundry');
        await tool(page, 'Call-out');
        await page.keyboard.type('Ring twice');
        await saved(page);
        await page.waitForTimeout(1100);
        const said = await tells(page, [
            async () => {
                await page.locator('.ProseMirror aside').click();
                await press(page, 'Escape', ' ', 'ArrowUp', 'Enter');
            },
            async () => press(page, 'Delete'),
            async () => press(page, 'Control+z'),
            async () => {
                await page.getByText('Behind the laundry').click();
                await press(page, 'Home', 'Control+ArrowRight', 'Enter');
            },
            async () => press(page, 'Backspace'),
            async () => page.getByRole('button', { name: 'Copy', exact: true }).click(),
        ]);
        expect(said).toEqual([
            'Moved the call-out “Ring twice” up',
            'Removed the call-out “Ring twice” in “Find us”',
            'Added the call-out “Ring twice” in “Find us”',
            'Split “the laundry” off “Behind”',
            'Joined “the laundry” to “Behind”',
            'Added “Behind the laundry”',
        ]);
    },
};

for (const [what, does] of ofTheDay(Object.entries(happened), 3)) {
    test(`what a person would say happened to ${what}`, ({ page }) => does(page));
}

test('a right press, a finger that is held, and the menu key lead to the history of what is there, and to saying something about it', async ({
    page,
    browser,
}) => {
    await signIn(page, 'Ines Oduya');
    await openItem(page, 'Repair log');
    const menu = page.getByRole('menu', { name: 'What can be done with it' });
    const items = menu.getByRole('menuitem');
    await page.locator('[data-line="5"] [data-column="3"]').click({ button: 'right' });
    await expect(items).toHaveText([/^History of D6/, 'History of row 6', 'History of column D', /^Comment/]);
    await expect(items.first()).toBeFocused();
    await axe(page);
    await page.keyboard.press('Escape');
    await expect(menu).toHaveCount(0);
    // By keys it is the chosen cell; the focus comes back.
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Shift+F10');
    await expect(items.first()).toHaveText(/^History of D7/);
    await page.keyboard.press('Escape');
    await page.locator('[data-name="1"]').click({ button: 'right' });
    await expect(items).toHaveText(['History of column B']);
    await page.keyboard.press('Escape');
    await page.locator('[data-number="3"]').click({ button: 'right' });
    await expect(items).toHaveText(['History of row 4']);
    await page.keyboard.press('Enter');
    await page.waitForURL(/\/parts\//);

    await page.goto('/');
    await openHistory(page, 'Volunteer handbook', 'from=197&to=198');
    const block = page.locator('[data-state] .block-text').first();
    await block.click({ button: 'right' });
    await expect(items).toHaveText(['Its history', /^Comment/]);
    await items.last().press(' ');
    await expect(page.locator('[data-talk-begin] textarea')).toBeFocused();
    // Where somebody chose words to copy them, the browser's own menu is what they want.
    await page.keyboard.press('Escape');
    await block.click({ clickCount: 3 });
    await block.click({ button: 'right' });
    await expect(menu).toHaveCount(0);

    await page.goto('/');
    await toShelf(page, 'Committee');
    await openItem(page, 'Quarterly repairs');
    await page.locator('[data-widget]').first().click({ button: 'right', position: { x: 12, y: 12 } });
    await expect(items.first()).toHaveText(/^Its history/);
    await items.first().press('Enter');
    await page.waitForURL(/\/parts\//);

    // A finger, in a browser that makes no right press of it.
    const touched = await (await browser.newContext({ hasTouch: true })).newPage();
    await signIn(touched, 'Ines Oduya');
    await openItem(touched, 'Repair log');
    const at = await touched.locator('[data-line="3"] [data-column="1"]').boundingBox();
    const session = await touched.context().newCDPSession(touched);
    await session.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [{ x: at.x + 20, y: at.y + 10 }] });
    await expect(touched.getByRole('menuitem').first()).toHaveText(/^History of B4/);
    await session.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
    await expect(touched.getByRole('menuitem').first()).toHaveText(/^History of B4/);
});
