/**
 * What people do at a desk, at random: how it is begun, one thing that somebody does, and what is shown.
 *
 * @typedef {import('@playwright/test').Page} Page
 * @typedef {(below: number) => number} Under a random number from 0
 * @typedef {{shelf: string, begin: (page: Page) => Promise<unknown>, act: (page: Page, who: string, under: Under) => Promise<string>, shown: (page: Page) => Promise<string[]>}}
 *     Walk
 */

const KEYS = [
    ['Enter'],
    ['End', 'Enter'],
    ['Home', 'Enter'],
    ['End', 'Delete'],
    ['Home', 'Backspace'],
    ['Home', 'Shift+ArrowDown', 'Delete'],
    ['Home', 'Shift+End', 'Control+x', 'Control+End', 'Control+v'],
    ['Shift+End', 'Control+c', 'End', 'Control+v'],
    ['Escape', 'Enter'],
    ['Escape', ' ', 'ArrowDown', 'Enter'],
    ['Control+z'],
    ['Control+z', 'Control+z'],
    ['Control+y'],
    ['Control+b'],
    ['Tab'],
    ['Shift+Tab'],
    ['Control+a', 'Control+c', 'ArrowRight', 'Enter', 'Control+v'],
    ['Control+s', 'Escape'],
];

/** One of those that can be seen and pressed, or null. @param {import('@playwright/test').Locator} all @param {Under} under */
async function oneOf(all, under) {
    const count = await all.count();
    return count ? all.nth(under(count)) : null;
}

/** Fills in some of what a dialog asks for, and sends it or puts it away. @param {Page} page @param {string} who @param {Under} under */
async function answer(page, who, under) {
    const dialog = page.locator('dialog[open]').last();
    if (!(await dialog.count())) return;
    for (const field of await dialog.locator('input[type=text], input:not([type]), input[type=number], textarea').all())
        if (under(2)) await field.fill(under(2) ? `${who}${under(1000)}` : String(under(30))).catch(() => {});
    for (const list of await dialog.locator('select').all())
        if (under(2)) await list.selectOption({ index: under(await list.locator('option').count()) }).catch(() => {});
    for (const tick of await dialog.locator('input[type=checkbox], input[type=radio]').all())
        if (under(3) === 0) await tick.click().catch(() => {});
    if (under(4))
        await dialog
            .locator('button[type=submit], button:not([type])')
            .first()
            .click()
            .catch(() => {});
    if (await dialog.count()) await page.keyboard.press('Escape');
}

/** @param {Page} page @param {string} who @param {Under} under @returns {Promise<string>} what was done */
async function atText(page, who, under) {
    const tools = page.locator('[data-tools]');
    await (
        await oneOf(page.locator('.ProseMirror [data-part]:visible'), under)
    )
        ?.click({ position: { x: 5 + under(30), y: 5 }, timeout: 1500 })
        .catch(() => {});
    const what = under(10);
    let done;
    if (what < 3) {
        const tag = `${who}x${under(10_000)}y`;
        done = `types ${tag}`;
        await page.keyboard.press('End');
        // Four words are followed wherever they are copied to.
        await page.keyboard.type(` ${tag} ${who}one ${who}two ${who}three`);
    } else if (what < 5) {
        const keys = KEYS[under(KEYS.length)];
        done = keys.join(' ');
        for (const key of keys) await page.keyboard.press(key);
    } else if (what < 6) {
        const list = await oneOf(tools.locator('select:visible'), under);
        const index = list ? under(await list.locator('option').count()) : 0;
        done = `chooses ${index} of a list`;
        await list?.selectOption({ index }).catch(() => {});
    } else {
        if (what < 8) await (await oneOf(tools.locator('summary:visible'), under))?.click().catch(() => {});
        const button = await oneOf(tools.locator(`${what < 8 ? 'details[open] ' : ''}button:visible:not([disabled])`), under);
        done = `presses ${(await button?.textContent())?.trim()}`;
        await button?.click().catch(() => {});
    }
    await answer(page, who, under);
    return done;
}

/** Every part that is shown, with its words. @param {Page} page */
const shownText = (page) =>
    page.locator('.ProseMirror').evaluate((root) => {
        const bare = /** @type {Element} */ (root.cloneNode(true));
        for (const beside of bare.querySelectorAll(
            '.ProseMirror-widget, .ProseMirror-separator, .ProseMirror-trailingBreak, .is-sr-only, .slips, .talk, .grip',
        ))
            beside.remove();
        return [...bare.querySelectorAll('[data-part]')].map(
            (part) => `${part.getAttribute('data-part')} ${part.tagName} ${(part.textContent ?? '').replace(/\s+/g, ' ').trim()}`,
        );
    });

/** Puts something in by the tools. @param {Page} page @param {string} role */
async function putIn(page, role) {
    await page.locator('[data-tools] summary.tool-add').first().click();
    await page.locator(`[data-tools] details[open] [data-put="${role}"]`).click();
}

/** @param {Page} page @param {string[][]} lines */
const paste = (page, lines) => page.evaluate((text) => {
    const data = new DataTransfer();
    data.setData('text/plain', text);
    document.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));
}, lines.map((line) => line.join('\t')).join('\n'));

/** @param {Page} page @param {string} menu @param {string} line */
async function byMenu(page, menu, line) {
    await page.getByRole('toolbar').getByText(menu, { exact: true }).click();
    const button = page.locator('details[open]').getByRole('button', { name: line, exact: true });
    if (await button.isEnabled({ timeout: 1000 }).catch(() => false)) await button.click();
    else await page.keyboard.press('Escape');
}

/** What is done in a cell. @type {Record<string, (page: Page, who: string, under: Under) => Promise<unknown>>} */
const inCell = {
    figure: (page, who, under) => page.keyboard.type(`${under(1000)}\n`),
    text: (page, who, under) => page.keyboard.type(`${who}${under(1000)}\t`),
    formula: (page, who, under) => page.keyboard.type(`${['=SUM(B2:B4)', '=B2*2', '=C3+1', '=SUM(C:C)', '=A2&"x"'][under(5)]}\n`),
    'slow figure': async (page, who, under) => {
        await page.keyboard.type(String(under(1000)));
        await page.waitForTimeout(900);
        await page.keyboard.press('Enter');
    },
    'open and leave': async (page) => {
        await page.keyboard.press('Enter');
        await page.waitForTimeout(700);
        await page.keyboard.press('Enter');
    },
    empty: (page) => page.keyboard.press('Delete'),
    bold: (page) => page.keyboard.press('Control+b'),
    undo: (page) => page.keyboard.press('Control+z'),
    redo: (page) => page.keyboard.press('Control+y'),
    paste: (page, who, under) => paste(page, [[String(under(99)), `p${under(99)}`], ['=B2', String(under(9))]]),
    'row above': (page) => byMenu(page, 'Rows', 'Put in above'),
    'row below': (page) => byMenu(page, 'Rows', 'Put in below'),
    'row up': (page) => byMenu(page, 'Rows', 'Move up'),
    'row down': (page) => byMenu(page, 'Rows', 'Move down'),
    'row out': (page) => byMenu(page, 'Rows', 'Remove'),
    'column before': (page) => byMenu(page, 'Columns', 'Put in before'),
    'column right': (page) => byMenu(page, 'Columns', 'Move right'),
    'column out': (page) => byMenu(page, 'Columns', 'Remove'),
    'sort up': (page) => byMenu(page, 'Sort', 'Smallest first'),
    'sort down': (page) => byMenu(page, 'Sort', 'Largest first'),
};

/** @param {Page} page @param {string} who @param {Under} under @returns {Promise<string>} what was done */
async function atGrid(page, who, under) {
    const [name, down, right] = [Object.keys(inCell)[under(Object.keys(inCell).length)], under(7), under(5)];
    await page.locator('[data-grid]').focus();
    await page.keyboard.press('Control+Home');
    for (let step = 0; step < down; step++) await page.keyboard.press('ArrowDown');
    for (let step = 0; step < right; step++) await page.keyboard.press('ArrowRight');
    await inCell[name](page, who, under);
    return `${name} at ${down}/${right}`;
}

/** Every line of the grid that is in sight, from the top. @param {Page} page */
async function shownGrid(page) {
    await page.locator('[data-grid]').evaluate((grid) => grid.scrollTo(0, 0));
    await page.waitForTimeout(200);
    return page.locator('[data-grid]').evaluate((grid) =>
        [...grid.querySelectorAll('[data-line]')]
            .map((line) => /** @type {HTMLElement} */ (line))
            .sort((a, b) => Number(a.dataset.line) - Number(b.dataset.line))
            .map((line) => [...line.querySelectorAll('[data-column]')].map((cell) => cell.textContent).join('|')),
    );
}

/** What is done to a widget by keys. */
const WIDGET_KEYS = [
    ['ArrowRight'],
    ['ArrowDown', 'ArrowDown'],
    ['ArrowLeft'],
    ['Shift+ArrowRight'],
    ['Shift+ArrowDown'],
    ['Shift+ArrowUp'],
    ['Delete'],
    ['Enter'],
    ['Control+z'],
    ['Control+y'],
];

/** @param {Page} page @param {string} who @param {Under} under @returns {Promise<string>} what was done */
async function atReport(page, who, under) {
    const what = under(10);
    const widget = await oneOf(page.locator('[data-widget]:visible'), under);
    let done;
    if (what < 5 && widget) {
        const keys = WIDGET_KEYS[under(WIDGET_KEYS.length)];
        await widget.focus();
        done = `${keys.join(' ')} on ${await widget.getAttribute('aria-label')}`;
        for (const key of keys) await page.keyboard.press(key);
    } else if (what < 7) {
        await page.locator('[data-tools] summary').first().click().catch(() => {});
        const button = await oneOf(page.locator('[data-tools] details[open] [data-add]:visible'), under);
        done = `puts in ${(await button?.textContent())?.trim()}`;
        await button?.click().catch(() => {});
    } else if (what < 8) {
        await (await oneOf(page.locator('[data-page-of]:visible'), under))?.click().catch(() => {});
        done = 'goes to a page';
    } else {
        const button = await oneOf(
            page.locator('[data-page-add], [data-page-settings], [data-undo]:not([disabled]), [data-redo]:not([disabled])'),
            under,
        );
        done = `presses ${(await button?.textContent())?.trim()}`;
        await button?.click().catch(() => {});
    }
    // What is set up comes from the server.
    await page.locator('dialog[open]').first().waitFor({ timeout: 400 }).catch(() => {});
    await answer(page, who, under);
    return done;
}

/** Every page with its widgets: where each is, and its words. @param {Page} page */
const shownReport = (page) =>
    page
        .locator('[data-sheet-of-report]')
        .evaluate((sheet) => [
            ...[...sheet.querySelectorAll('[data-page-of]')].map((tab) => tab.textContent ?? ''),
            ...[...sheet.querySelectorAll('[data-part]')].map((widget) =>
                JSON.stringify(
                    [.../** @type {HTMLElement} */ (widget).querySelectorAll('h3, p, .widget-text, td, th')]
                        .map((one) => one.textContent?.replace(/\s+/g, ' ').trim())
                        .concat(['part', 'x', 'y', 'across', 'down'].map((name) => /** @type {HTMLElement} */ (widget).dataset[name])),
                ),
            ),
        ]);

/**
 * Sends a form of a page, as it is, without that page being looked at. @param {Page} page @param {string} address @param {string} sign what
 * the form has in it
 */
async function send(page, address, sign) {
    const html = await (await page.request.get(address)).text();
    const form = html.split('<form').slice(1).map((one) => one.split('</form>')[0]).find((one) => one.includes(sign));
    if (!form) return 'nothing';
    const plain = (text) => text.replaceAll('&amp;', '&').replaceAll('&quot;', '"');
    const fields = Object.fromEntries(
        [...form.matchAll(/<input type="hidden" name="([^"]+)" value="([^"]*)"/g)].map(([, name, value]) => [plain(name), plain(value)]),
    );
    const answer = await page.request.post(plain(form.match(/action="([^"]+)"/)?.[1] ?? ''), { form: fields, maxRedirects: 0 });
    return String(answer.status());
}

/**
 * What somebody does to an item on other pages than its desk, while both are at it.
 *
 * @type {Record<string, (page: Page, item: string, head: number, under: Under) => Promise<string>>}
 */
const elsewhere = {
    restore: (page, item, head, under) => send(page, `${item}/versions/${1 + under(head)}/restore`, 'id="restore"'),
    'take out': async (page, item, head, under) => {
        const from = under(head);
        const by = [
            ...(await (await page.request.get(`${item}/history?from=1&to=${head}`)).text()).matchAll(/[?&;]by(?:%5B%5D|\[\])?=(\d+)/g),
        ].map(([, id]) => id);
        return by.length === 0
            ? 'nobody'
            : send(page, `${item}/take-out?from=${from}&to=${from + 1 + under(head - from)}&by=${by[under(by.length)]}`, 'id="restore"');
    },
    publish: (page, item, head) => send(page, `${item}/versions/${head}/publish`, '/publish"'),
    'take back': (page, item, head) => send(page, `${item}/history?from=${Math.max(1, head - 1)}&to=${head}`, '/take-back"'),
};

/** @param {Page} page @param {string} item @param {Under} under @returns {Promise<string>} what was done */
export async function actElsewhere(page, item, under) {
    const name = Object.keys(elsewhere)[under(Object.keys(elsewhere).length)];
    const { number } = await (await page.request.get(`${item}/state`)).json();
    return `${name}: ${await elsewhere[name](page, item, number, under)}`;
}

/** @type {Record<string, Walk>} by kind, as its name is on the shelf */
export const walks = {
    Document: {
        shelf: 'Volunteers', act: atText, shown: shownText,
        begin: async (page) => {
            await page.locator('.ProseMirror').click();
            for (const text of ['Alpha bravo charlie.', 'Delta echo foxtrot.', 'Golf hotel india.', 'Juliet kilo lima.'])
                await page.keyboard.type(`${text}\n`);
        },
    },
    Page: {
        shelf: 'Website', act: atText, shown: shownText,
        begin: async (page) => {
            for (const role of ['heading', 'text', 'callout']) {
                await putIn(page, role);
                await page.keyboard.type(`Words of a ${role}.`);
            }
        },
    },
    Form: {
        shelf: 'Committee', act: atText, shown: shownText,
        begin: async (page) => {
            for (const role of ['short', 'one', 'several']) {
                await putIn(page, role);
                await page.keyboard.type(`A ${role} question?`);
            }
        },
    },
    Spreadsheet: {
        shelf: 'Volunteers', act: atGrid, shown: shownGrid,
        begin: async (page) => {
            await page.locator('[data-grid]').focus();
            await paste(page, [
                ['Item', 'Kg', 'Tip', 'Sum'],
                ['Toaster', '1.8', '2', '=B2+C2'],
                ['Lamp', '1.1', '0', '=B3+C3'],
                ['Radio', '2.2', '5', '=B4+C4'],
                ['Iron', '3.3', '1', '=B5+C5'],
                ['Total', '=SUM(B2:B5)', '=SUM(C2:C5)', '=B6+C6'],
            ]);
        },
    },
    Report: {
        shelf: 'Committee', act: atReport, shown: shownReport,
        begin: async (page) => {
            for (const title of ['Hours', 'Leads']) {
                await page.locator('[data-tools] summary').first().click();
                await page.locator('[data-tools] [data-add="text"]').click();
                await page.locator('dialog[open] [name=title]').fill(title);
                await page.locator('dialog[open] .button.is-dark').last().click();
                await page.locator('[data-widget]', { hasText: title }).waitFor();
            }
        },
    },
};
