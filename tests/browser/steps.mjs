import AxeBuilder from '@axe-core/playwright';
import { expect } from '@playwright/test';

const isReady = () => !document.querySelector('script[type=module]') || document.body?.dataset.ready !== undefined;

/** Keys and presses wait for the scripts of the page: on a slow machine these come after the page, and a person would not press yet. */
function patient(page) {
    const go = page.goto.bind(page);
    page.goto = async (...given) => {
        const answer = await go(...given);
        await page.waitForFunction(isReady, null, { timeout: 5_000 }).catch(() => {});
        return answer;
    };
    for (const way of ['press', 'type', 'insertText']) {
        const done = page.keyboard[way].bind(page.keyboard);
        page.keyboard[way] = async (...given) => {
            if (!await page.evaluate(isReady).catch(() => false)) await page.waitForFunction(isReady).catch(() => {});
            return done(...given);
        };
    }
}

/** @param {import('@playwright/test').Page} page @param {string} name */
export async function signIn(page, name) {
    patient(page);
    await page.goto('/sign-in');
    await page.getByRole('button', { name }).click();
    await page.waitForURL(/\/shelves\//);
}

/** @param {import('@playwright/test').Page} page */
export async function newDocument(page, title) {
    await page.getByText('New…', { exact: true }).click();
    await page.getByLabel('What is it called?').fill(title);
    await page.getByRole('button', { name: 'Make it' }).click();
    await page.waitForURL(/\/items\//);
    await text(page).click();
    return page.url();
}

/** @param {import('@playwright/test').Page} page */
export async function toShelf(page, name) {
    await page.getByRole('link', { name }).first().click();
    await expect(page.getByRole('heading', { name, level: 1 })).toBeVisible();
}

/** Makes an item of a kind on a shelf, and gives its address. */
export async function newItem(page, kind, title, on) {
    await toShelf(page, on);
    await page.getByText('New…', { exact: true }).click();
    await page.getByLabel(kind, { exact: true }).check();
    await page.getByLabel('What is it called?').fill(title);
    await page.getByRole('button', { name: 'Make it' }).click();
    await page.waitForURL(/\/items\//);
    return page.url();
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
    await expect(page.locator('[data-save-line]')).toHaveText(/(Saved .* as \d+|saved as \d+|Kept as \d+)/, { timeout: 10_000 });
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

/** Looks through the shelf for an item: after many tests it may stand on a later page. */
export async function find(page, title) {
    await page.goto(`${page.url().split('?')[0]}?find=${encodeURIComponent(title)}`);
}

/** Opens an item from its shelf. */
export async function openItem(page, title) {
    await find(page, title);
    await page.getByRole('link', { name: title, exact: true }).click();
}

/** Opens a demo document's history. */
export async function openHistory(page, title, query = '') {
    await find(page, title);
    await page.getByRole('link', { name: `History of ${title}` }).click();
    await page.waitForURL(/\/history/);
    if (query) await page.goto(`${page.url().split('?')[0]}?${query}`);
    await expect(page.locator('[data-ribbon][data-ready]')).toBeVisible();
}

/** Axe finds nothing on this screen, by day and by night; what the hour changes are colours, so that night asks for contrast alone. */
export async function axe(page) {
    for (const colorScheme of ['light', 'dark']) {
        await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
        // What is right is not asked for: that takes as long again.
        const all = new AxeBuilder({ page }).options({ resultTypes: ['violations'] });
        const { violations } = await (colorScheme === 'dark' ? all.withRules(['color-contrast']) : all).analyze();
        expect(violations.map(({ id, nodes }) => [colorScheme, id, nodes.map((node) => `${node.target} ${node.any[0]?.message ?? ''}`).slice(0, 3)])).toEqual([]);
    }
}

/** A moment as addresses have it: the demo ends today, whenever that is. @param {number} days */
export const daysAgo = (days) => `${new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 11)}18:00:00Z`;
