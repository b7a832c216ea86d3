import { expect } from '@playwright/test';
import { pages, screens } from './screens.mjs';
import { ofTheDay, openHistory, openItem, saved, screenOf, signIn, test, toShelf, usable } from './steps.mjs';

for (const [name, [route, open]] of ofTheDay(Object.entries(screens), 6)) {
    test(`${name}: axe finds nothing by day and by night, and nothing is wider than the window, down to 320 px`, async ({ page }) => {
        await open(page);
        await expect(page.locator(screenOf(route))).toBeAttached();
        await usable(page, name);
        // Whoever sets letters, words, lines and paragraphs further apart (WCAG 2.2, 1.4.12) still reads all of it.
        await page.setViewportSize({ width: 1280, height: 800 });
        expect(
            await page.evaluate(() => {
                const apart = new CSSStyleSheet();
                apart.replaceSync(
                    '* { letter-spacing: .12em !important; word-spacing: .16em !important; line-height: 1.5 !important } p { margin-bottom: 2em !important }',
                );
                document.adoptedStyleSheets = [apart];
                return document.documentElement.scrollWidth - innerWidth;
            }),
        ).toBeLessThanOrEqual(0);
    });
}

/** Where an item is that pages hang on; a shelf is on none. */
const shelfOf = { 'Volunteer handbook': 'Volunteers', 'notes.txt': 'Volunteers', 'Book a repair': 'Open days' };

for (const on of new Set(pages.map(([, one]) => one))) {
    // Half of them a day.
    test(`pages that hang on ${on || 'nothing'}: axe finds nothing, and all of it fits and can be pressed`, async ({ page }) => {
        await signIn(page, 'Ines Oduya');
        if (on !== '') await toShelf(page, shelfOf[on] ?? on);
        if (on in shelfOf) {
            await openItem(page, on);
            await page.waitForURL(/\/items\//);
        }
        const address = on === '' ? '' : page.url().split('#')[0];
        for (const [route, , rest] of ofTheDay(pages.filter(([, one]) => one === on), 2)) {
            await page.setViewportSize({ width: 1280, height: 800 });
            await page.goto(`${address}${rest}`);
            await expect(page.locator(screenOf(route)), route).toBeAttached();
            await usable(page, route);
        }
    });
}

test('comparisons, plans and lists are printed on as many pages as they need, with a legend in forms', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await openHistory(page, 'Volunteer handbook', 'from=120&to=198');
    const item = page.url().split('/history')[0];
    const pages = async () => ((await page.pdf({ format: 'A4' })).toString('latin1').match(/\/Type \/Page\b/g) ?? []).length;
    expect(await pages()).toBeGreaterThanOrEqual(4);
    await page.emulateMedia({ media: 'print' });
    await expect(page.getByText('Underlined: added.', { exact: false })).toBeVisible();
    await expect(page.locator('.ribbon, .bar-row, .top').first()).toBeHidden();
    // What is on paper is not cut off by what scrolls on a screen.
    expect(
        await page.evaluate(() =>
            [...document.querySelectorAll('.past, .past-state, .state, .entries')]
                .filter(
                    (box) =>
                        getComputedStyle(box).display !== 'none' &&
                        box.scrollHeight > box.clientHeight + 4 &&
                        getComputedStyle(box).overflowY !== 'visible',
                )
                .map((box) => box.className),
        ),
    ).toEqual([]);
    await page.emulateMedia({ media: 'screen' });
    await page.goto(`${item}/versions/120/restore`);
    expect(await pages()).toBeGreaterThanOrEqual(3);
    await page.goto(`${item}/history/list`);
    expect(await pages()).toBeGreaterThanOrEqual(4);
});

/** Stops of the Tab key on one screen that are looked at, and where they begin to be told apart. */
const STOPS = 34;

for (const [name, scheme] of ofTheDay(
    [
        ['shelf', 'light'],
        ['writing', 'dark'],
        ['history together', 'light'],
        ['what is proposed', 'dark'],
        ['restore plan', 'light'],
        ['a spreadsheet', 'light'],
        ['people', 'dark'],
    ],
    4,
)) {
    test(`${name}: every stop of the Tab key shows that it has the focus, at 3:1`, async ({ page }) => {
        await screens[name][1](page);
        await page.emulateMedia({ colorScheme: scheme, reducedMotion: 'reduce' });
        await page.evaluate(() => /** @type {HTMLElement | null} */ (document.activeElement)?.blur());
        const unseen = [];
        let last = '';
        for (let stop = 0; stop < STOPS; stop++) {
            await page.keyboard.press('Tab');
            const at = await page.evaluate(() => {
                const element = document.activeElement;
                if (!element || element === document.body) return null;
                const [box, style] = [element.getBoundingClientRect(), getComputedStyle(element)];
                const number = (/** @type {string} */ colour) => (colour.match(/[\d.]+/g) ?? []).map(Number);
                const light = (/** @type {number[]} */ [r, g, b]) =>
                    [r, g, b]
                        .map((one) => one / 255)
                        .map((one) => (one <= 0.03928 ? one / 12.92 : ((one + 0.055) / 1.055) ** 2.4))
                        .reduce((sum, one, part) => sum + one * [0.2126, 0.7152, 0.0722][part], 0);
                // The ring lies around it, on what it is on.
                let ground = /** @type {Element | null} */ (parseFloat(style.outlineOffset) < 0 ? element : element.parentElement);
                while (ground && (number(getComputedStyle(ground).backgroundColor)[3] ?? 1) === 0) ground = ground.parentElement;
                const [ring, under] = [
                    light(number(style.outlineColor)),
                    light(number(getComputedStyle(ground ?? document.documentElement).backgroundColor)),
                ];
                return {
                    name: `${element.tagName} ${element.className} ${(element.getAttribute('aria-label') ?? element.textContent ?? '').trim().slice(0, 40)}`,
                    box: {
                        x: Math.max(0, box.x - 6),
                        y: Math.max(0, box.y - 6),
                        width: Math.min(innerWidth - box.x, box.width + 12),
                        height: Math.min(innerHeight - box.y, box.height + 12),
                    },
                    ring: style.outlineStyle === 'none' ? 0 : (Math.max(ring, under) + 0.05) / (Math.min(ring, under) + 0.05),
                };
            });
            if (!at || at.name === last || at.box.width <= 0 || at.box.height <= 0) {
                last = at?.name ?? '';
                continue;
            }
            last = at.name;
            const lit = await page.screenshot({ clip: at.box, caret: 'hide' });
            const bare = await page.evaluateHandle(() => {
                const element = /** @type {HTMLElement} */ (document.activeElement);
                element.blur();
                return element;
            });
            const dark = await page.screenshot({ clip: at.box, caret: 'hide' });
            await bare.evaluate((element) => element.focus({ preventScroll: true }));
            // A slider or a grid may show it otherwise than by a ring.
            if (lit.equals(dark) || (at.ring > 0 && at.ring < 3)) unseen.push(`${at.name} ${at.ring.toFixed(2)}`);
        }
        expect(unseen).toEqual([]);
    });
}

/** Goes on with Tab until what has the focus answers to the name. */
async function tabTo(page, name, most = 60) {
    for (let i = 0; i < most; i++) {
        await page.keyboard.press('Tab');
        const focused = await page.evaluate(() => {
            const element = document.activeElement;
            return (element?.getAttribute('aria-label') ?? element?.textContent ?? '').trim();
        });
        if (focused.startsWith(name)) return;
    }
    throw new Error(`Tab never came to ${name}`);
}

test('from the door to a restore that is taken back, by keyboard alone', async ({ page }) => {
    await page.goto('/sign-in');
    await tabTo(page, 'IO');
    await page.keyboard.press('Enter');
    await page.waitForURL(/shelves/);
    await tabTo(page, 'New…');
    await page.keyboard.press('Enter');
    await expect(page.getByLabel('What is it called?')).toBeFocused();
    await page.keyboard.type('By keyboard');
    await page.keyboard.press('Enter');
    await page.waitForURL(/items/);
    await tabTo(page, 'The document');
    await page.keyboard.type('# Keys');
    await page.keyboard.press('Enter');
    await page.keyboard.type('First.');
    await saved(page);
    await page.keyboard.press('Control+s');
    await expect(page.locator('[data-save-line]')).toHaveText(/Kept as \d+/);
    await page.keyboard.type(' Second.');
    await expect(page.locator('[data-save-line]')).toHaveText(/as 3/);
    await tabTo(page, 'Look back');
    await page.keyboard.press('Enter');
    await page.waitForURL(/history/);
    await expect(page.locator('[data-ribbon][data-ready]')).toBeVisible();
    await tabTo(page, 'Earlier');
    await page.keyboard.press('Home');
    await page.keyboard.press('ArrowRight');
    await expect(page).toHaveURL(/from=2/);
    await expect(page.locator('[aria-busy]')).toHaveCount(0);
    await page.keyboard.press('n');
    await expect(page.locator('.entry[aria-current]')).toBeFocused();
    await tabTo(page, 'Restore 2…');
    await page.keyboard.press('Enter');
    await page.waitForURL(/restore/);
    await tabTo(page, 'Restore 2');
    await page.keyboard.press('Enter');
    await page.waitForURL(/history/);
    await tabTo(page, 'Take it back');
    await page.keyboard.press('Enter');
    await expect(page.getByText('Taken back: it is as it was in 3 again.')).toBeVisible();
    await tabTo(page, 'Mark a milestone');
    await page.keyboard.press('Enter');
    await expect(page.locator('.ribbon [data-focus]')).toBeFocused();
    await page.keyboard.type('Done');
    await page.keyboard.press('Enter');
    await expect(page.locator('.ribbon .flag')).toHaveText('Done');
});
