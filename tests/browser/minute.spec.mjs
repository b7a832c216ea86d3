import { expect } from '@playwright/test';
import { newForm, newItem, saved, signIn, state, test, words } from './steps.mjs';

/** Two people type for so long. A whole minute of it is asked for by MINUTE=60. */
const SECONDS = Number(process.env.MINUTE ?? 12);

const shelves = { Document: 'Volunteers', Page: 'Website', Form: 'Committee', Spreadsheet: 'Volunteers' };

/** Saves that were refused, and pages that broke. */
function watched(page) {
    const wrong = [];
    page.on('response', (response) => response.status() >= 400 && wrong.push(`${response.status()} ${response.url()}`));
    page.on('pageerror', (error) => wrong.push(String(error)));
    return wrong;
}

async function two(browser, kind) {
    const [one, other] = await Promise.all([browser.newContext(), browser.newContext()]);
    const [ines, nell] = [await one.newPage(), await other.newPage()];
    await signIn(ines, 'Ines Oduya');
    if (kind === 'Form') await newForm(ines, `A minute of ${kind}`, shelves[kind]);
    else await newItem(ines, kind, `A minute of ${kind}`, shelves[kind]);
    return { ines, nell, close: () => Promise.all([one.close(), other.close()]) };
}

/** Puts something in, by keys. */
async function putIn(page, name) {
    await page.getByText('Put in…', { exact: true }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name, exact: true }).focus();
    await page.keyboard.press('Enter');
}

const all = async (page) => JSON.stringify((await state(page)).content);

for (const kind of ['Document', 'Page', 'Form']) {
    test(`two type in one ${kind.toLowerCase()}: nothing is refused, and both see all`, async ({ browser }) => {
        const { ines, nell, close } = await two(browser, kind);
        if (kind === 'Document') {
            await ines.locator('.ProseMirror').click();
            await ines.keyboard.type('First one.');
            await ines.keyboard.press('Enter');
            await ines.keyboard.type('Second one.');
        } else if (kind === 'Page') {
            await ines.locator('.ProseMirror').focus();
            await putIn(ines, 'Text');
            await ines.keyboard.type('First one.');
            await ines.keyboard.press('Enter');
            await ines.keyboard.type('Second one.');
        } else {
            for (const text of ['First one?', 'Second one?']) {
                await putIn(ines, 'Short text');
                await ines.keyboard.type(text);
            }
        }
        await saved(ines);
        await signIn(nell, 'Nell Warwick');
        await nell.goto(ines.url());
        await expect(nell.locator('.ProseMirror')).toContainText('Second one');
        const wrong = [watched(ines), watched(nell)];
        const put = async (page, which) => {
            await page.getByText(which === 0 ? /First one/ : /Second one/).first().click();
            await page.keyboard.press('End');
        };
        await put(ines, 0);
        await put(nell, 1);
        const typed = { i: 0, n: 0 };
        const type = async (page, who) => {
            for (const until = Date.now() + SECONDS * 1000; Date.now() < until;) await page.keyboard.type(` ${who}x${++typed[who]}`, { delay: 35 });
        };
        await Promise.all([type(ines, 'i'), type(nell, 'n')]);
        await saved(ines);
        await saved(nell);
        expect(wrong).toEqual([[], []]);
        const expected = Object.entries(typed).map(([who, count]) => Array.from({ length: count }, (_, at) => ` ${who}x${at + 1}`).join(''));
        await expect.poll(() => all(ines)).toContain(expected[0]);
        await expect.poll(() => all(ines)).toContain(expected[1]);
        for (const page of [ines, nell]) for (const text of expected) await expect(page.locator('.ProseMirror')).toContainText(text.trim());
        await close();
    });
}

test('two type in one sheet with a sum: every figure arrives', async ({ browser }) => {
    const { ines, nell, close } = await two(browser, 'Spreadsheet');
    await expect(ines.locator('[data-sheet]')).not.toHaveAttribute('aria-busy', 'true');
    await ines.locator('[data-grid]').focus();
    // A sum over both columns, in the third.
    await ines.keyboard.press('ArrowRight');
    await ines.keyboard.press('ArrowRight');
    await ines.keyboard.type('=SUM(A1:B40)');
    await ines.keyboard.press('Enter');
    await saved(ines);
    await signIn(nell, 'Nell Warwick');
    await nell.goto(ines.url());
    await expect(nell.locator('[data-sheet]')).not.toHaveAttribute('aria-busy', 'true');
    const wrong = [watched(ines), watched(nell)];
    await ines.locator('[data-grid]').focus();
    await ines.keyboard.press('Control+Home');
    await nell.locator('[data-grid]').focus();
    await nell.keyboard.press('Control+Home');
    await nell.keyboard.press('ArrowRight');
    const figures = [[], []];
    const type = async (page, which) => {
        for (const until = Date.now() + SECONDS * 1000; Date.now() < until && figures[which].length < 35;) {
            const figure = 100 + which * 1000 + figures[which].length;
            await page.keyboard.type(String(figure), { delay: 20 });
            await page.keyboard.press('Enter');
            figures[which].push(figure);
            await page.waitForTimeout(120);
        }
    };
    await Promise.all([type(ines, 0), type(nell, 1)]);
    await saved(ines);
    await saved(nell);
    expect(wrong).toEqual([[], []]);
    const sum = figures.flat().reduce((total, figure) => total + figure, 0);
    await expect.poll(async () => JSON.stringify((await state(ines)).content.filter((part) => part[1] === 'row').flatMap((part) => Object.values(part[3])).filter(Array.isArray).map((value) => value.at(-1)))).toBe(JSON.stringify([sum]));
    const cells = (await state(ines)).content.filter((part) => part[1] === 'row').flatMap((part) => Object.values(part[3])).filter((value) => typeof value === 'number');
    expect([...cells].sort((a, b) => a - b)).toEqual(figures.flat().sort((a, b) => a - b));
    for (const page of [ines, nell]) await expect(page.locator('[data-grid]')).toContainText(String(sum));
    await close();
});

test('a random walk of gestures in two windows loses no word and mixes none', async ({ browser }) => {
    const seed = Number(process.env.SEED ?? Date.now() % 1_000_000);
    console.log(`gestures: SEED=${seed}`);
    let chance = seed;
    const under = (below) => (chance = (chance * 1103515245 + 12345) % 2147483648) % below;
    const { ines, nell, close } = await two(browser, 'Document');
    await ines.locator('.ProseMirror').click();
    for (const text of ['Alpha bravo charlie.', 'Delta echo foxtrot.', 'Golf hotel india.', 'Juliet kilo lima.']) {
        await ines.keyboard.type(text);
        await ines.keyboard.press('Enter');
    }
    await saved(ines);
    await signIn(nell, 'Nell Warwick');
    await nell.goto(ines.url());
    await expect(nell.locator('.ProseMirror')).toContainText('Juliet');
    const wrong = [watched(ines), watched(nell)];
    const tags = new Set();
    const gestures = [['Enter'], ['End', 'Enter'], ['Home', 'Enter'], ['End', 'Delete'], ['Home', 'Backspace'], ['Home', 'Shift+ArrowDown', 'Delete'], ['Home', 'Shift+End', 'Control+x', 'Control+End', 'Control+v'], ['Escape', ' ', 'ArrowDown', 'Enter', 'Enter'], ['Control+z'], ['Control+y']];
    for (let round = 0; round < 28; round++) {
        const [page, who] = under(2) === 0 ? [ines, 'ines'] : [nell, 'nell'];
        const blocks = page.locator('.ProseMirror > *');
        await blocks.nth(under(await blocks.count())).click();
        if (under(2) === 0) {
            const tag = `${who}x${round}y`;
            tags.add(tag);
            await page.keyboard.press('End');
            await page.keyboard.type(` ${tag}`);
        } else {
            for (const key of gestures[under(gestures.length)]) {
                await page.keyboard.press(key);
                await page.waitForTimeout(20);
            }
        }
        if (under(3) === 0) await page.waitForTimeout(900);
    }
    // Where both wrote the same words, those of one wait, which is an answer, too.
    for (const page of [ines, nell]) await expect(page.locator('[data-save-line]')).toHaveText(/as \d+/);
    await ines.waitForTimeout(3500);
    expect(wrong).toEqual([[], []]);
    // Both windows show what is stored, and every id is one part's.
    const stored = (await state(ines)).content;
    const shown = async (page) => page.locator('.ProseMirror').evaluate((root) => [...root.children].map((block) => [block.getAttribute('data-part'), block.textContent]));
    const texts = stored.map((part) => [part[0], words(part)]);
    expect(await shown(ines)).toEqual(texts);
    expect(await shown(nell)).toEqual(texts);
    expect(new Set(stored.map((part) => part[0])).size).toBe(stored.length);
    // Wherever it is said who wrote a word, its tag agrees.
    const base = ines.url().split('?')[0];
    const { number } = await state(ines);
    const html = await (await ines.request.get(`${base}/history?from=${number}&to=${number}&view=who`)).text();
    for (const [, who, text] of html.matchAll(/title="written by (\w+)[^"]*">([^<]*)</g)) {
        for (const [tag, owner] of text.matchAll(/(ines|nell)x\d+y/g)) expect([tag, who]).toEqual([tag, owner === 'ines' ? 'Ines' : 'Nell']);
    }
    await close();
});
