import { expect, test } from '@playwright/test';
import { Server } from './server.mjs';
import { DAY, signIn } from './steps.mjs';

/** Somebody presses and types whatever is there. WANDER=600 SEED=7 asks for ten minutes of a walk of one's own. */
const SECONDS = Number(process.env.WANDER ?? (process.env.EVERY ? 60 : 20));
const SEED = Number(process.env.SEED ?? DAY);

const PEOPLE = ['Ines Oduya', 'Tobi Brandt', 'Nell Warwick', 'Rafi Sadek', 'Jun Castell'];
const PRESSED =
    'a[href]:visible, button:visible:enabled, summary:visible, input[type=checkbox]:visible, input[type=radio]:visible, [role=button]:visible, [role=tab]:visible, [data-part]:visible, td:visible';
const FILLED = 'input:visible:not([type=checkbox]):not([type=radio]):not([type=file]):enabled, textarea:visible:enabled';
const TYPED = ['lamp', '3 Nov', '12', '1,5', '=A1', 'x'.repeat(300), '<b>', '2026-10-01'];
const KEYS = (
    'Enter Escape Tab ArrowDown ArrowRight ArrowLeft ArrowUp Delete Backspace Home End PageDown F2 Shift+ArrowDown ' +
    'Control+z Control+y Control+a Control+b Control+c Control+v Control+x Control+Enter'
).split(' ');

/** What ends the walk of a person, or is another's. */
const LEFT = /Sign out|out of everywhere|Leave|for good/i;

/** What was there a moment ago may be gone, or behind something: that is no fault. */
const MOVED = /Timeout|intercepts|not visible|detached|outside|navigat|not stable|Execution context|ERR_ABORTED|malformed value|not an/i;

/** What nobody is to read: a value that is none, a key of a text, a name that was not put into one. */
const UNREAD = /\b(undefined|NaN|null)\b|\[object |\b(views|history|item|form|report|file|shelf|keeping|talk|finding)[/.][a-z_]+\.[a-z_.]+\b|(^|\s):[a-z_]{3,}\b/;

/** @param {number} seed @returns {(below: number) => number} */
function chance(seed) {
    let state = seed * 7919 + 13;
    return (below) => ((state = (state * 1103515245 + 12345) % 2147483648) >> 8) % below;
}

/** One thing that somebody does, and what it was. */
async function act(page, under) {
    const quick = { timeout: 800 };
    const one = async (all) => {
        const found = page.locator(all);
        const count = await found.count();
        return count ? found.nth(under(count)) : null;
    };
    const dice = under(10);
    if (dice < 6) {
        const pressed = await one(PRESSED);
        const said = ((await pressed?.textContent(quick)) ?? '').trim().replace(/\s+/g, ' ').slice(0, 30);
        if (!pressed || LEFT.test(said)) return 'nothing';
        await pressed.click({ ...quick, noWaitAfter: true, button: under(12) ? 'left' : 'right' });
        return `pressed “${said}”`;
    }
    if (dice === 6) {
        const text = TYPED[under(TYPED.length)];
        await (await one(FILLED))?.fill(text, quick);
        return `filled in ${text.slice(0, 12)}`;
    }
    if (dice === 7) {
        const list = await one('select:visible:enabled');
        if (list) await list.selectOption({ index: under(await list.locator('option').count()) }, quick);
        return 'chose';
    }
    const key = KEYS[under(KEYS.length)];
    await (dice === 8 ? page.keyboard.press(key) : page.keyboard.type(['word', '7', 'a b', '='][under(4)]));
    return dice === 8 ? key : 'typed';
}

/** @type {Server} */
let server;
test.beforeAll(async () => {
    server = await new Server(8128).start();
});
test.afterAll(() => server.stop());

test('whatever somebody presses and types, nothing breaks, and no press that is offered is refused', async ({ browser }) => {
    const under = chance(SEED);
    const context = await browser.newContext({ baseURL: server.url, viewport: { width: [1280, 900, 1600][under(3)], height: 800 }, reducedMotion: 'reduce' });
    const page = await context.newPage();
    const done = [];
    const wrong = [];
    const tell = (what) => wrong.push(`${what} at ${page.url()}, after ${done.slice(-6).join(', ')}`);
    page.on('pageerror', (error) => tell(`${error.message} ${error.stack?.split('\n')[1] ?? ''}`));
    page.on('console', (message) => message.type() === 'error' && !/Failed to load/.test(message.text()) && tell(message.text()));
    page.on('response', (response) => {
        if (response.status() >= 500 || [403, 404, 405, 409, 410, 419].includes(response.status()))
            tell(`${response.status()} ${response.request().method()} ${response.url()}`);
    });
    page.on('dialog', (dialog) => (under(2) ? dialog.accept('x') : dialog.dismiss()).catch(() => {}));
    await signIn(page, PEOPLE[SEED % PEOPLE.length]);
    for (const until = Date.now() + SECONDS * 1000; Date.now() < until && wrong.length === 0; ) {
        try {
            if (!page.url().startsWith(server.url) || under(40) === 0) await page.goto('/');
            done.push(await act(page, under));
            if (under(60) === 0) await page.goBack();
            const text = await page.locator('main').first().innerText({ timeout: 800 });
            const unread = UNREAD.exec(text);
            if (unread) tell(`“${unread[0]}” is to be read`);
        } catch (error) {
            if (!MOVED.test(error.message)) tell(error.message.split('\n')[0]);
        }
    }
    await context.close();
    expect(wrong, `SEED=${SEED}, ${done.length} steps`).toEqual([]);
});
