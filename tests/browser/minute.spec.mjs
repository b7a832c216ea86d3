import { expect } from '@playwright/test';
import { DAY, newForm, newItem, ofTheDay, saved, signIn, state, test } from './steps.mjs';
import { actElsewhere, walks } from './walks.mjs';

/** Two people type for so long. A whole minute of it is asked for by MINUTE=60. */
const SECONDS = Number(process.env.MINUTE ?? 8);

/** What is done is another thing every day. KIND=Page SEED=7 ROUNDS=60 asks for a life of one's own. */
const SEED = Number(process.env.SEED ?? DAY);
const ROUNDS = Number(process.env.ROUNDS ?? 10);
const KIND = process.env.KIND;

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
    if (kind === 'Form') await newForm(ines, `A minute of ${kind}`, walks[kind].shelf);
    else await newItem(ines, kind, `A minute of ${kind}`, walks[kind].shelf);
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

const typedIn = ofTheDay(['Document', 'Page', 'Form', 'Spreadsheet'], 4);

for (const kind of typedIn.filter((kind) => kind !== 'Spreadsheet')) {
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
            for (const until = Date.now() + SECONDS * 1000; Date.now() < until;)
                await page.keyboard.type(` ${who}x${++typed[who]}`, { delay: 35 });
        };
        await Promise.all([type(ines, 'i'), type(nell, 'n')]);
        await saved(ines);
        await saved(nell);
        expect(wrong).toEqual([[], []]);
        const expected = Object.entries(typed).map(([who, count]) =>
            Array.from({ length: count }, (_, at) => ` ${who}x${at + 1}`).join(''),
        );
        await expect.poll(() => all(ines)).toContain(expected[0]);
        await expect.poll(() => all(ines)).toContain(expected[1]);
        for (const page of [ines, nell]) for (const text of expected) await expect(page.locator('.ProseMirror')).toContainText(text.trim());
        await close();
    });
}

if (typedIn.includes('Spreadsheet'))
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
        await expect
            .poll(async () =>
                JSON.stringify(
                    (await state(ines)).content
                        .filter((part) => part[1] === 'row')
                        .flatMap((part) => Object.values(part[3]))
                        .filter(Array.isArray)
                        .map((value) => value.at(-1)),
                ),
            )
            .toBe(JSON.stringify([sum]));
        const cells = (await state(ines)).content
            .filter((part) => part[1] === 'row')
            .flatMap((part) => Object.values(part[3]))
            .filter((value) => typeof value === 'number');
        expect([...cells].sort((a, b) => a - b)).toEqual(figures.flat().sort((a, b) => a - b));
        for (const page of [ines, nell]) await expect(page.locator('[data-grid]')).toContainText(String(sum));
        await close();
    });

/** One who looks at the same item in a window of their own. */
async function fresh(page, walk) {
    const other = await page.context().newPage();
    await other.goto(page.url());
    await other.locator('[data-save-line]').waitFor();
    await other.waitForTimeout(1000);
    const shown = await walk.shown(other);
    await other.close();
    return shown;
}

for (const kind of KIND ? [KIND] : ofTheDay(Object.keys(walks), 5)) {
    test(`whatever two do in two windows of one ${kind.toLowerCase()}, both show what a fresh one shows`, async ({ browser }) => {
        console.log(`gestures: KIND=${kind} SEED=${SEED}`);
        let chance = SEED * 7919 + 13;
        const under = (below) => ((chance = (chance * 1103515245 + 12345) % 2147483648) >> 8) % below;
        const walk = walks[kind];
        const { ines, nell, close } = await two(browser, kind);
        await walk.begin(ines);
        await saved(ines);
        await signIn(nell, 'Nell Warwick');
        await nell.goto(ines.url());
        await nell.waitForTimeout(500);
        const at = ines.url();
        // What is covered, or gone by then, is not pressed: the next one is.
        for (const page of [ines, nell]) page.setDefaultTimeout(2000);
        const wrong = [watched(ines), watched(nell)];
        const done = [];
        const note = (what) => {
            done.push(what);
            if (process.env.TELL) console.log(what);
        };
        const act = async (who) => {
            const page = who === 'ines' ? ines : nell;
            if (page.url().split('?')[0] !== at.split('?')[0]) await page.goto(at);
            note(`${who} ${await walk.act(page, who, under)}`);
        };
        for (let round = 0; round < ROUNDS; round++) {
            const [first, second] = under(2) ? ['ines', 'nell'] : ['nell', 'ines'];
            await act(first);
            if (under(2)) await act(second);
            if (under(5) === 0)
                note(`${second} on another page ${await actElsewhere(second === 'ines' ? ines : nell, at.split('?')[0], under)}`);
            if (under(3) === 0) await ines.waitForTimeout(900);
        }
        for (const page of [ines, nell]) {
            await page.keyboard.press('Escape');
            if (page.url().split('?')[0] !== at.split('?')[0]) await page.goto(at);
            await expect(page.locator('[data-save-line]')).toHaveText(/as \d+/);
        }
        const told = done.join('\n');
        expect(wrong, told).toEqual([[], []]);
        // What others wrote comes by asking, every other second.
        await expect
            .poll(async () => JSON.stringify([await walk.shown(ines), await walk.shown(nell)]), { message: told })
            .toBe(JSON.stringify(Array(2).fill(await fresh(ines, walk))));
        const { content, number } = await state(ines);
        expect(new Set(content.map((part) => part[0])).size, told).toBe(content.length);
        // Its whole history can be looked at, and wherever it is said who wrote a word, its tag agrees.
        const html = Object.fromEntries(
            await Promise.all(
                ['changed', 'was', 'who'].map(async (view) => [
                    view,
                    await (await ines.request.get(`${at.split('?')[0]}/history?from=1&to=${number}&view=${view}`)).text(),
                ]),
            ),
        );
        expect(
            Object.values(html).filter((page) => !page.includes('data-screen="history"')),
            told,
        ).toEqual([]);
        for (const [, who, text] of html.who.matchAll(/title="written by (\w+)[^"]*">([^<]*)</g)) {
            // A tag that is there once, and that nobody wrote on, is its writer's.
            for (const [tag, owner] of text.matchAll(/\b(ines|nell)x\d+y\b/g))
                if (html.who.split(tag).length === 2) expect([tag, who.toLowerCase()], told).toEqual([tag, owner]);
        }
        await close();
    });
}
