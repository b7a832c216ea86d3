import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { axe, daysAgo, openHistory, openItem, saved, signIn, text, toShelf } from './steps.mjs';

async function onWebsite(page) {
    await signIn(page, 'Ines Oduya');
    await toShelf(page, 'Website');
}

async function onCommittee(page) {
    await signIn(page, 'Ines Oduya');
    await toShelf(page, 'Committee');
}

/** Every screen, by what leads to it; where it has rows without end, with few of them, since axe takes its time over each. */
const screens = {
    'sign-in': async (page) => page.goto('/sign-in'),
    shelf: async (page) => signIn(page, 'Ines Oduya'),
    people: async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.getByRole('navigation', { name: 'Shelves' }).getByRole('link', { name: 'People' }).click();
    },
    writing: async (page) => {
        await signIn(page, 'Ines Oduya');
        await openItem(page, 'Volunteer handbook');
        await expect(text(page)).toBeVisible();
    },
    'a spreadsheet': async (page) => {
        await signIn(page, 'Ines Oduya');
        await openItem(page, 'Repair log');
        await expect(page.locator('[data-grid]')).toBeFocused();
        await page.keyboard.press('ArrowDown');
    },
    'the history of a spreadsheet': async (page) => {
        await signIn(page, 'Ines Oduya');
        await openHistory(page, 'Repair log');
    },
    'talk about an item': async (page) => {
        await signIn(page, 'Ines Oduya');
        await openItem(page, 'Volunteer handbook');
        await page.getByRole('link', { name: /^Talk/ }).click();
        await page.getByRole('link', { name: 'All', exact: true }).click();
        await page.locator('.slip summary').first().click();
    },
    'history together': async (page) => {
        await signIn(page, 'Ines Oduya');
        await openHistory(page, 'Volunteer handbook', 'from=120&to=198');
    },
    'history side by side': async (page) => {
        await signIn(page, 'Ines Oduya');
        await openHistory(page, 'Volunteer handbook', 'from=186&to=198&layout=side');
    },
    'history as it was': async (page) => {
        await signIn(page, 'Ines Oduya');
        await openHistory(page, 'Volunteer handbook', 'from=128&to=198&view=was');
    },
    'who wrote what in a document': async (page) => {
        await signIn(page, 'Ines Oduya');
        await openHistory(page, 'Volunteer handbook', 'from=128&to=198&view=who');
    },
    'a page': async (page) => {
        await onWebsite(page);
        await openItem(page, 'What to bring');
        await expect(text(page)).toBeVisible();
    },
    'the history of a page': async (page) => {
        await onWebsite(page);
        await openHistory(page, 'What to bring', 'from=8&to=14');
    },
    'publishing a page': async (page) => {
        await onWebsite(page);
        await openItem(page, 'Volunteer with us');
        await page.getByRole('link', { name: 'Publish…' }).click();
    },
    'what everybody reads': async (page) => page.goto('/read/what-to-bring'),
    'a dataset': async (page) => {
        await onCommittee(page);
        await openItem(page, 'Bookings');
        await page.getByLabel('Find in the records').fill('toaster');
        await page.getByRole('button', { name: 'Find' }).click();
        await page.waitForURL(/find=/);
    },
    'the history of a dataset': async (page) => {
        await onCommittee(page);
        await openHistory(page, 'Spring repairs', 'from=7&to=8');
    },
    'a field of a dataset': async (page) => {
        await onCommittee(page);
        await openItem(page, 'Spring repairs');
        await page.getByRole('link', { name: 'Change the field “Saved kg”' }).click();
        await axe(page);
        await page.getByRole('link', { name: 'Remove it…' }).click();
        await expect(page.getByRole('heading', { name: 'Drawn from it' })).toBeVisible();
    },
    'a new dataset': async (page) => {
        await onCommittee(page);
        await page.getByText('New…', { exact: true }).click();
        await page.getByRole('link', { name: /^Dataset…/ }).click();
    },
    'a report': async (page) => {
        await onCommittee(page);
        await openItem(page, 'Quarterly repairs');
        await expect(page.locator('.chart svg').first()).toBeVisible();
    },
    'a report as it was': async (page) => {
        await onCommittee(page);
        await openHistory(page, 'Quarterly repairs', 'from=18&to=23&view=was');
        await expect(page.locator('.chart svg').first()).toBeVisible();
    },
    list: async (page) => {
        await onCommittee(page);
        await openHistory(page, 'Quarterly repairs');
        await page.getByRole('link', { name: 'List', exact: true }).click();
    },
    'restore plan': async (page) => {
        await signIn(page, 'Ines Oduya');
        await openHistory(page, 'Volunteer handbook', 'from=186&to=198');
        await page.getByRole('link', { name: 'Restore 186…' }).click();
    },
    'the history of a part': async (page) => {
        await signIn(page, 'Ines Oduya');
        await openHistory(page, 'Volunteer handbook', 'from=150&to=198');
        await page.locator('.entry-history').nth(1).click();
        await page.waitForURL(/parts/);
    },
    'take out': async (page) => {
        await signIn(page, 'Ines Oduya');
        await openHistory(page, 'Volunteer handbook', 'from=150&to=198');
        await page.locator('.pill').nth(1).click();
        await page.getByRole('link', { name: 'Take Tobi’s out…' }).click();
        await page.waitForURL(/take-out/);
    },
    'copy out': async (page) => {
        await signIn(page, 'Ines Oduya');
        await openHistory(page, 'Volunteer handbook', 'from=186&to=198');
        await page.getByRole('link', { name: 'Copy out…' }).click();
    },
    'two files compared': async (page) => {
        const folder = mkdtempSync(join(tmpdir(), 'attic-'));
        const pages = { md: ['# Checks\n\nTest every socket.\n\n- tools\n', '# Checks\n\n- tools\n\nTest each socket.\n'], csv: ['Item,Price\nKettle,12\nLamp,8\n', 'Item,Price,Who\nLamp,9,Jun\nFan,3,Ines\n'] };
        for (const [ending, [old, now]] of Object.entries(pages)) {
            writeFileSync(join(folder, `old.${ending}`), old);
            writeFileSync(join(folder, `new.${ending}`), now);
            writeFileSync(join(folder, `${ending}.html`), spawnSync('php', ['bin/attic', 'compare', join(folder, `old.${ending}`), join(folder, `new.${ending}`), '--format=html']).stdout);
        }
        await page.goto(`file://${folder}/csv.html`);
        await axe(page);
        await page.goto(`file://${folder}/md.html`);
        await expect(page.getByRole('heading', { name: 'What changed' })).toBeVisible();
    },
    'Lost & found': async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.goto('/lost');
        await expect(page.getByText('Kettle guide', { exact: true })).toBeVisible();
    },
    'something that was deleted': async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.goto('/lost');
        await page.getByRole('link', { name: 'Kettle guide', exact: true }).click();
        await expect(page.getByText('Rafi deleted this')).toBeVisible();
    },
    'deleting': async (page) => {
        await signIn(page, 'Ines Oduya');
        await openItem(page, 'Volunteer handbook');
        await page.goto(`${page.url()}/delete`);
    },
    'deleting for good': async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.goto('/lost');
        await page.getByRole('link', { name: 'Delete Summer rota for good' }).click();
    },
    'what is kept of an item': async (page) => {
        await signIn(page, 'Ines Oduya');
        await openItem(page, 'Volunteer handbook');
        await page.goto(`${page.url()}/keeping?leave=60&every=30&pace1=daily&days1=365&pace2=monthly`);
        await expect(page.getByText('really come back')).toBeVisible();
    },
    'what is kept on a shelf': async (page) => {
        await signIn(page, 'Nell Warwick');
        await page.goto('/');
        await toShelf(page, 'Open days');
        await page.getByRole('link', { name: 'Keeping' }).click();
    },
    'about a shelf': async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.getByRole('link', { name: 'About this shelf' }).click();
    },
    'the log of a shelf': async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.getByRole('link', { name: 'Log', exact: true }).click();
        await expect(page.getByText('deleted “Kettle guide”')).toBeVisible();
    },
    'finding': async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.getByLabel('Find in every version').fill('kettle');
        await page.keyboard.press('Enter');
        await expect(page.getByText(/stretches of text/)).toBeVisible();
    },
    'a shelf on a day': async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.goto(`${page.url()}/day?at=${daysAgo(48)}`);
        await expect(page.locator('[data-day-ribbon][data-ready]')).toBeVisible();
    },
    'bringing a shelf back': async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.goto(`${page.url()}/day?at=${daysAgo(48)}`);
        await page.getByLabel('Tool library', { exact: true }).check();
        await page.getByRole('button', { name: 'Bring back what is ticked…' }).click();
        await page.waitForURL(/day\/back/);
    },
    'milestones': async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.goto('/milestones');
    },
    'the list of versions': async (page) => {
        await signIn(page, 'Ines Oduya');
        await openHistory(page, 'Tool library', 'from=12&to=17');
        await page.getByRole('link', { name: 'List', exact: true }).click();
        await page.getByRole('link', { name: 'Sittings' }).click();
    },
    'for you': async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.goto('/for-you');
    },
    'an account': async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.goto('/account');
    },
    'a forgotten password': async (page) => {
        await page.goto('/forgotten');
    },
    'an error': async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.goto('/items/nowhere');
    },
};

for (const [name, open] of Object.entries(screens)) {
    test(`${name}: axe finds nothing by day and by night, and nothing is wider than the window, down to 320 px`, async ({ page }) => {
        test.setTimeout(90_000);
        await open(page);
        await axe(page);
        for (const width of [1920, 900, 640, 400, 320]) {
            await page.setViewportSize({ width, height: 800 });
            expect(await page.evaluate(() => document.documentElement.scrollWidth - innerWidth)).toBeLessThanOrEqual(0);
        }
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
    test.setTimeout(90_000);
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
