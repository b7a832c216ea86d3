import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, test as base } from '@playwright/test';

/** The checks as a script: put into a page by hand they are there for both colours of it, and need no page of their own to end in. */
const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

const isReady = () => !document.querySelector('script[type=module]') || document.body?.dataset.ready !== undefined;

/** Days since 1970: what is tried at random is the same all day, so that what failed can be seen again. */
export const DAY = Math.floor(Date.now() / 86_400_000);

/**
 * What goes the same way for every kind and every screen is tried for a share of them a day, and for all by `bin/test browser --every`.
 *
 * @template T
 * @param {T[]} all
 * @param {number} share one in so many
 * @returns {T[]}
 */
export const ofTheDay = (all, share) => (process.env.EVERY ? all : all.filter((_, at) => at % share === DAY % share));

/**
 * A test of one person at a browser: what it keeps of scripts and styles stays from test to test; who was signed in, and what waits in it,
 * does not.
 */
export const test = base.extend({
    kept: [async ({ browser }, use) => {
        const kept = await browser.newContext();
        await use(kept);
        await kept.close();
    }, { scope: 'worker' }],
    context: async ({ kept }, use) => {
        await kept.clearCookies();
        await kept.clearPermissions();
        await use(kept);
        await Promise.all(kept.pages().map((page) => page.close()));
    },
    page: async ({ context, baseURL }, use) => {
        const page = await context.newPage();
        const session = await context.newCDPSession(page);
        await session.send('Storage.clearDataForOrigin', { origin: baseURL, storageTypes: 'local_storage,indexeddb' });
        await session.detach();
        await use(page);
    },
});

/** Pages on which keys and presses wait for the scripts: on a slow machine these come after the page, and a person would not press yet. */
const patient = new WeakSet();
let locatorsWait = false;

/** @param {import('@playwright/test').Page} page */
async function ready(page) {
    if (patient.has(page) && !await page.evaluate(isReady).catch(() => false)) await page.waitForFunction(isReady).catch(() => {});
}

/**
 * Has all that acts on something wait first. @param {object} acting @param {string[]} ways @param {(acting: any) =>
 * import('@playwright/test').Page} on
 */
function waiting(acting, ways, on) {
    for (const way of ways) {
        const done = acting[way];
        acting[way] = async function (...given) {
            await ready(on(this));
            return done.apply(this, given);
        };
    }
}

/** @param {import('@playwright/test').Page} page */
function bePatient(page) {
    if (patient.has(page)) return;
    const go = page.goto.bind(page);
    page.goto = async (...given) => {
        const answer = await go(...given);
        await page.waitForFunction(isReady, null, { timeout: 5_000 }).catch(() => {});
        return answer;
    };
    waiting(page.keyboard, ['press', 'type', 'insertText'], () => page);
    if (!locatorsWait) {
        locatorsWait = true;
        const locators = Object.getPrototypeOf(page.locator('body'));
        // Where something is, is asked of what is seen: it may just be drawn again.
        const { boundingBox } = locators;
        locators.boundingBox = async function (...given) {
            for (let tries = 0; tries < 3; tries++) {
                await this.waitFor({ state: 'visible' });
                const box = await boundingBox.apply(this, given);
                if (box) return box;
            }
            return null;
        };
        waiting(locators, ['press', 'pressSequentially', 'click', 'fill', 'check', 'uncheck', 'selectOption', 'focus'], (locator) =>
            locator.page(),
        );
    }
    patient.add(page);
}

/**
 * Through the door of the demo without looking at it: that it opens by a press is seen in shelf.spec. @param
 * {import('@playwright/test').Page} page @param {string} name
 */
export async function signIn(page, name) {
    bePatient(page);
    const door = await (await page.request.get('/sign-in')).text();
    const form = door.split('<form').find((one) => one.includes(`<span>${name}</span>`)) ?? '';
    const [address, token] = [/action="([^"]+)"/, /name="_token" value="([^"]+)"/].map((one) => form.match(one)?.[1] ?? '');
    const answer = await page.request.post(address, { form: { _token: token }, maxRedirects: 0 });
    await page.goto(answer.headers().location);
    await page.waitForURL(/\/shelves\//);
}

/** Makes an item on a shelf and opens it, without looking at the shelf: that it is made by *New…* is seen in shelf.spec. */
async function made(page, shelf, kind, title) {
    const _token = await page.locator('input[name=_token]').first().inputValue();
    const answer = await page.request.post(`${shelf}/items`, { form: { _token, kind, title }, maxRedirects: 0 });
    await page.goto(answer.headers().location);
    return page.url();
}

/** Makes a document on the shelf that is open, with the caret in it. @param {import('@playwright/test').Page} page */
export async function newDocument(page, title) {
    const url = await made(page, shelfAt(page), 'document', title);
    await text(page).click();
    return url;
}

const shelfAt = (page) => page.url().split(/[?#]/)[0];

/** @param {import('@playwright/test').Page} page */
export async function toShelf(page, name) {
    await page.getByRole('link', { name }).first().click();
    await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
}

/** Makes an item of a kind on a shelf, and gives its address. */
export async function newItem(page, kind, title, on) {
    const shelf = await page.getByRole('link', { name: on }).first().getAttribute('href');
    return made(page, new URL(shelf, page.url()).href, kind.toLowerCase(), title);
}

/** Makes a form, with the focus in it. */
export async function newForm(page, title, on = 'Committee') {
    const url = await newItem(page, 'Form', title, on);
    await page.locator('.form-writing').focus();
    return url;
}

/** Puts something in, by keys alone. */
export async function tool(page, name) {
    await page.getByText('Put in…', { exact: true }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name, exact: true }).focus();
    await page.keyboard.press('Enter');
}

/** Puts a question in, by keys alone. */
export async function ask(page, type, words) {
    await tool(page, type);
    await page.keyboard.type(words);
}

/** The sheet. */
export const text = (page) => page.locator('.ProseMirror');

/** Waits until what was typed is saved. */
export async function saved(page) {
    await page.waitForTimeout(60);
    await expect(page.locator('[data-save-line]')).toHaveText(/(Saved .* as \d+|saved as \d+|Kept as \d+)/);
}

/** Types a line and keeps it as a version of its own. */
export async function typed(page, words) {
    await page.keyboard.type(words);
    await saved(page);
}

/** The newest state as the server has it: a list of id, role, depth and fields. */
export async function state(page) {
    return (await page.request.get(`${page.url().split('?')[0]}/state`)).json();
}

export const words = (part) => part[3].text.runs.map((run) => run[0]).join('');

/** Looks through the shelf for an item: after many tests it may be on a later page. */
export async function find(page, title) {
    await page.goto(`${shelfAt(page)}?find=${encodeURIComponent(title)}`);
}

/** Where an item of the shelf that is open is, read from its row; that rows lead there is seen in shelf.spec. */
async function addressOf(page, title) {
    const shelf = await (await page.request.get(`${shelfAt(page)}?find=${encodeURIComponent(title)}`)).text();
    const row = shelf.split('<td class="items-name">').find((cell) => cell.includes(` title="${title.replaceAll('&', '&amp;')}">`));
    if (!row) throw new Error(`${title} is not on ${page.url()}`);
    return new URL(row.match(/href="([^"]+)"/)?.[1] ?? '', page.url()).href;
}

/** Opens an item of the shelf that is open. */
export async function openItem(page, title) {
    await page.goto(await addressOf(page, title));
}

/** Opens the history of an item of the shelf that is open. */
export async function openHistory(page, title, query = '') {
    await page.goto(`${await addressOf(page, title)}/history${query && `?${query}`}`);
    await expect(page.locator('[data-ribbon][data-ready]')).toBeVisible();
}

/** Axe finds nothing on this screen, by day and by night; what the hour changes are colours, so that night asks for contrast alone. */
export async function axe(page) {
    for (const frame of page.frames()) await frame.evaluate(AXE);
    for (const [colorScheme, rules] of [['light', null], ['dark', ['color-contrast']]]) {
        await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
        const wrong = await page.evaluate(async ([rules]) => {
            // What is right is not asked for: that takes as long again.
            const { violations } = await axe.run(document, { resultTypes: ['violations'], ...(rules ? { runOnly: rules } : {}) });
            return violations.map(({ id, nodes }) => [id, nodes.map((node) => `${node.target} ${node.any[0]?.message ?? ''}`).slice(0, 3)]);
        }, [rules]);
        expect(wrong, colorScheme).toEqual([]);
    }
}

/** A moment as addresses have it: the demo ends today, whenever that is. @param {number} days */
export const daysAgo = (days) => `${new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 11)}18:00:00Z`;

/**
 * What can be pressed and is too small (WCAG 2.2, 2.5.8: under 24 px, with another one within 24 px of its middle), or lies under something
 * else.
 *
 * @param {import('@playwright/test').Page} page
 */
export const hardToPress = (page) =>
    page.evaluate(() => {
        const LEAST = 24;
        const all = [
            ...document.querySelectorAll(
                'a[href], button, summary, select, textarea, input:not([type=hidden]), [role=slider], [role=button]',
            ),
        ].filter((one) => {
            const style = getComputedStyle(one);
            return (
                one.checkVisibility({ visibilityProperty: true, opacityProperty: true }) &&
                style.pointerEvents !== 'none' &&
                !one.closest('.is-sr-only, .skip') &&
                !(/** @type {HTMLInputElement} */ (one).disabled)
            );
        });
        const named = (/** @type {Element} */ one) =>
            `${one.tagName.toLowerCase()}.${one.getAttribute('class') ?? ''} “${(one.getAttribute('aria-label') ?? one.textContent ?? '').trim().slice(0, 30)}”`;
        // What is scrolled out of its own box is scrolled in first; marks on the time axis are where their moment is, and the list has the
        // same with room around.
        const isOut = (/** @type {Element} */ one, /** @type {number} */ x, /** @type {number} */ y) => {
            for (let around = one.parentElement; around; around = around.parentElement) {
                const frame = around.getBoundingClientRect();
                if (
                    getComputedStyle(around).overflow !== 'visible' &&
                    (x < frame.left || x > frame.right || y < frame.top || y > frame.bottom)
                )
                    return true;
            }
            return false;
        };
        const isSticky = (/** @type {Element | null} */ one) => {
            for (; one; one = one.parentElement) if (['fixed', 'sticky'].includes(getComputedStyle(one).position)) return true;
            return false;
        };
        const boxes = all
            .filter((one) => !one.closest('[data-ribbon] .ribbon-scroll, [data-day-ribbon] .handle, .ribbon-flags'))
            .map((one) => ({ one, box: (one.closest('label') ?? one).getBoundingClientRect() }))
            .filter(({ one, box }) => box.width > 1 && box.height > 1 && !isOut(one, box.x + box.width / 2, box.y + box.height / 2));
        const middle = (/** @type {DOMRect} */ box) => [box.x + box.width / 2, box.y + box.height / 2];
        const isSmall = (/** @type {DOMRect} */ box) => box.width < LEAST - 0.5 || box.height < LEAST - 0.5;
        // A link within a sentence is as high as its line.
        const isInline = (/** @type {Element} */ one) =>
            getComputedStyle(one).display === 'inline' &&
            [...(one.parentElement?.childNodes ?? [])].some(
                (node) => node.nodeType === Node.TEXT_NODE && (node.textContent ?? '').trim() !== '',
            );
        const found = [];
        for (const { one, box } of boxes) {
            const [x, y] = middle(box);
            if (isSmall(box) && !isInline(one)) {
                const near = boxes.find((other) => {
                    if (other.one === one || one.contains(other.one) || other.one.contains(one)) return false;
                    const [ox, oy] = middle(other.box);
                    const gap = isSmall(other.box)
                        ? Math.hypot(ox - x, oy - y) - LEAST / 2
                        : Math.hypot(
                              Math.max(other.box.left - x, 0, x - other.box.right),
                              Math.max(other.box.top - y, 0, y - other.box.bottom),
                          );
                    return gap < LEAST / 2 - 0.5;
                });
                if (near) found.push(`small: ${named(one)} ${Math.round(box.width)}×${Math.round(box.height)} by ${named(near.one)}`);
            }
            if (x < 0 || y < 0 || x >= innerWidth || y >= innerHeight) continue;
            const top = document.elementFromPoint(x, y);
            // A foot that stays in sight lies over what is scrolled past it.
            if (top && !isSticky(top) && !one.contains(top) && !top.contains(one) && !top.closest('label')?.contains(one))
                found.push(`covered: ${named(one)} by ${named(top)}`);
        }
        return [...new Set(found)].slice(0, 8);
    });

/** What axe finds by day and by night, what is wider than the window, and what can't be pressed, in windows of all widths. */
export async function usable(page, what) {
    await axe(page);
    await fits(page, what);
}

/** What is wider than the window, named, and what can't be pressed, in windows of all widths. */
export async function fits(page, what) {
    for (const width of [1920, 900, 640, 400, 320]) {
        await page.setViewportSize({ width, height: 800 });
        expect
            .soft(
                await page.evaluate(() =>
                    document.documentElement.scrollWidth <= innerWidth
                        ? []
                        : [...document.querySelectorAll('main *')]
                              .filter((one) => one.getBoundingClientRect().right > innerWidth + 1)
                              .map(
                                  (one) =>
                                      `${one.tagName.toLowerCase()}.${one.getAttribute('class') ?? ''} “${(one.textContent ?? '').trim().slice(0, 30)}”`,
                              )
                              .slice(-3),
                ),
                `${what}, ${width}`,
            )
            .toEqual([]);
        expect.soft(await hardToPress(page), `${what}, ${width}`).toEqual([]);
    }
}

/** The page of a route, once it is there: what was pressed may still be on its way. @param {string} route '' for one that none leads to */
export const screenOf = (route) => (route === '' ? 'body:is(:not([data-screen]), [data-screen=""])' : `body[data-screen="${route}"]`);
