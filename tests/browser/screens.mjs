import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from '@playwright/test';
import { axe, daysAgo, openHistory, openItem, signIn, text, toShelf } from './steps.mjs';

async function onWebsite(page) {
    await signIn(page, 'Ines Oduya');
    await toShelf(page, 'Website');
}

async function onCommittee(page) {
    await signIn(page, 'Ines Oduya');
    await toShelf(page, 'Committee');
}

/**
 * Every screen: the name of its route ('' where none leads there), and the way there; where it has rows without end, with few of them,
 * since axe takes its time over each.
 *
 * @type {Record<string, [string, (page: import('@playwright/test').Page) => Promise<unknown>]>}
 */
export const screens = {
    'sign-in': ['sign-in', async (page) => page.goto('/sign-in')],
    shelf: ['shelf', async (page) => signIn(page, 'Ines Oduya')],
    people: ['people', async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.getByRole('navigation', { name: 'Shelves' }).getByRole('link', { name: 'People' }).click();
    }],
    writing: ['item', async (page) => {
        await signIn(page, 'Ines Oduya');
        await openItem(page, 'Volunteer handbook');
        await expect(text(page)).toBeVisible();
    }],
    'a spreadsheet': ['item', async (page) => {
        await signIn(page, 'Ines Oduya');
        await openItem(page, 'Repair log');
        await expect(page.locator('[data-grid]')).toBeFocused();
        await page.keyboard.press('ArrowDown');
    }],
    'the history of a spreadsheet': ['history', async (page) => {
        await signIn(page, 'Ines Oduya');
        await openHistory(page, 'Repair log');
    }],
    'talk about an item': ['talk', async (page) => {
        await signIn(page, 'Ines Oduya');
        await openItem(page, 'Volunteer handbook');
        await page.getByRole('link', { name: /^Talk/ }).click();
        await page.getByRole('link', { name: 'All', exact: true }).click();
        await page.locator('.slip summary').first().click();
    }],
    'what is proposed': ['proposals', async (page) => {
        await signIn(page, 'Ines Oduya');
        await openItem(page, 'Volunteer handbook');
        await page.getByRole('link', { name: 'With what is proposed' }).click();
        await page.locator('.proposals-past summary').first().click();
    }],
    'what everybody proposes': ['proposals', async (page) => {
        await signIn(page, 'Ines Oduya');
        await openItem(page, 'Volunteer handbook');
        await page.getByRole('link', { name: 'With what is proposed' }).click();
        await page.getByRole('link', { name: 'Everybody' }).click();
        await expect(page.locator('.paper .slip.is-proposal').first()).toBeVisible();
    }],
    'proposing': ['item', async (page) => {
        await signIn(page, 'Ines Oduya');
        await openItem(page, 'Tool library');
        await page.getByRole('link', { name: 'Proposals' }).click();
        await page.getByRole('button', { name: 'Propose instead of writing' }).click();
        await expect(text(page)).toBeVisible();
    }],
    'history together': ['history', async (page) => {
        await signIn(page, 'Ines Oduya');
        await openHistory(page, 'Volunteer handbook', 'from=120&to=198');
    }],
    'history side by side': ['history', async (page) => {
        await signIn(page, 'Ines Oduya');
        await openHistory(page, 'Volunteer handbook', 'from=186&to=198&layout=side');
    }],
    'history as it was': ['history', async (page) => {
        await signIn(page, 'Ines Oduya');
        await openHistory(page, 'Volunteer handbook', 'from=128&to=198&view=was');
    }],
    'who wrote what in a document': ['history', async (page) => {
        await signIn(page, 'Ines Oduya');
        await openHistory(page, 'Volunteer handbook', 'from=128&to=198&view=who');
    }],
    'a page': ['item', async (page) => {
        await onWebsite(page);
        await openItem(page, 'What to bring');
        await expect(text(page)).toBeVisible();
    }],
    'the history of a page': ['history', async (page) => {
        await onWebsite(page);
        await openHistory(page, 'What to bring', 'from=8&to=14');
    }],
    'publishing a page': ['publish', async (page) => {
        await onWebsite(page);
        await openItem(page, 'Volunteer with us');
        await page.getByRole('link', { name: 'Publish…' }).click();
    }],
    'what everybody reads': ['read', async (page) => page.goto('/read/what-to-bring')],
    'a dataset': ['item', async (page) => {
        await onCommittee(page);
        await openItem(page, 'Bookings');
        await page.getByLabel('Find in the records').fill('toaster');
        await page.getByRole('button', { name: 'Find' }).click();
        await page.waitForURL(/find=/);
    }],
    'the history of a dataset': ['history', async (page) => {
        await onCommittee(page);
        await openHistory(page, 'Spring repairs', 'from=7&to=8');
    }],
    'a field of a dataset': ['field.hanging', async (page) => {
        await onCommittee(page);
        await openItem(page, 'Spring repairs');
        await page.getByRole('link', { name: 'Change the field “Saved kg”' }).click();
        await axe(page);
        await page.getByRole('link', { name: 'Remove it…' }).click();
        await expect(page.getByRole('heading', { name: 'Drawn from it' })).toBeVisible();
    }],
    'a new dataset': ['dataset.new', async (page) => {
        await onCommittee(page);
        await page.getByText('New…', { exact: true }).click();
        await page.getByRole('link', { name: /^Dataset…/ }).click();
    }],
    'a report': ['item', async (page) => {
        await onCommittee(page);
        await openItem(page, 'Quarterly repairs');
        await expect(page.locator('.chart svg').first()).toBeVisible();
    }],
    'a report as it was': ['history', async (page) => {
        await onCommittee(page);
        await openHistory(page, 'Quarterly repairs', 'from=18&to=23&view=was');
        await expect(page.locator('.chart svg').first()).toBeVisible();
    }],
    list: ['list', async (page) => {
        await onCommittee(page);
        await openHistory(page, 'Quarterly repairs');
        await page.getByRole('link', { name: 'List', exact: true }).click();
    }],
    'restore plan': ['restore', async (page) => {
        await signIn(page, 'Ines Oduya');
        await openHistory(page, 'Volunteer handbook', 'from=186&to=198');
        await page.getByRole('link', { name: 'Restore 186…' }).click();
    }],
    'the history of a part': ['part', async (page) => {
        await signIn(page, 'Ines Oduya');
        await openHistory(page, 'Volunteer handbook', 'from=150&to=198');
        await page.locator('.entry-history').nth(1).click();
        await page.waitForURL(/parts/);
    }],
    'take out': ['take-out', async (page) => {
        await signIn(page, 'Ines Oduya');
        await openHistory(page, 'Volunteer handbook', 'from=150&to=198');
        await page.locator('.pill').nth(1).click();
        await page.getByRole('link', { name: 'Take Tobi’s out…' }).click();
        await page.waitForURL(/take-out/);
    }],
    'copy out': ['copy', async (page) => {
        await signIn(page, 'Ines Oduya');
        await openHistory(page, 'Volunteer handbook', 'from=186&to=198');
        await page.getByRole('link', { name: 'Copy out…' }).click();
    }],
    'two files compared': ['', async (page) => {
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
    }],
    'Lost & found': ['lost.all', async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.goto('/lost');
        await expect(page.getByText('Kettle guide', { exact: true })).toBeVisible();
    }],
    'something that was deleted': ['item', async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.goto('/lost');
        await page.getByRole('link', { name: 'Kettle guide', exact: true }).click();
        await expect(page.getByText('Rafi deleted this')).toBeVisible();
    }],
    'deleting': ['item.delete', async (page) => {
        await signIn(page, 'Ines Oduya');
        await openItem(page, 'Volunteer handbook');
        await page.goto(`${page.url()}/delete`);
    }],
    'deleting for good': ['item.ask-for-good', async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.goto('/lost');
        await page.getByRole('link', { name: 'Delete for good: Summer rota' }).click();
    }],
    'what is kept of an item': ['keeping', async (page) => {
        await signIn(page, 'Ines Oduya');
        await openItem(page, 'Volunteer handbook');
        await page.goto(`${page.url()}/keeping?leave=60&every=30&pace1=daily&days1=365&pace2=monthly`);
        await expect(page.getByText('really come back')).toBeVisible();
    }],
    'what is kept on a shelf': ['keeping.shelf', async (page) => {
        await signIn(page, 'Nell Warwick');
        await page.goto('/');
        await toShelf(page, 'Open days');
        await page.getByRole('link', { name: 'Keeping' }).click();
    }],
    'about a shelf': ['shelf.edit', async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.getByRole('link', { name: 'About this shelf' }).click();
    }],
    'the log of a shelf': ['log', async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.getByRole('link', { name: 'Log', exact: true }).click();
        await page.getByLabel('What it is about').selectOption({ label: 'deleting and moving' });
        await page.getByLabel('Who').selectOption({ label: 'by Rafi Sadek' });
        await page.getByRole('button', { name: 'Show' }).click();
        await expect(page.getByText('deleted “Kettle guide”')).toBeVisible();
    }],
    'finding': ['find', async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.getByLabel('Find in every version').fill('kettle');
        await page.keyboard.press('Enter');
        await expect(page.getByText(/stretches of text/)).toBeVisible();
    }],
    'a shelf on a day': ['day', async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.goto(`${page.url()}/day?at=${daysAgo(48)}`);
        await expect(page.locator('[data-day-ribbon][data-ready]')).toBeVisible();
    }],
    'bringing a shelf back': ['day.back', async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.goto(`${page.url()}/day?at=${daysAgo(48)}`);
        await page.getByLabel('Tool library', { exact: true }).check();
        await page.getByRole('button', { name: 'Bring back what is ticked…' }).click();
        await page.waitForURL(/day\/back/);
    }],
    'milestones': ['milestones', async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.goto('/milestones');
    }],
    'the list of versions': ['list', async (page) => {
        await signIn(page, 'Ines Oduya');
        await openHistory(page, 'Tool library', 'from=12&to=17');
        await page.getByRole('link', { name: 'List', exact: true }).click();
        await page.getByRole('link', { name: 'Sittings' }).click();
    }],
    'for you': ['for-you', async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.goto('/for-you');
    }],
    'an account': ['account', async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.goto('/account');
    }],
    'a code besides the password': ['second', async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.goto('/account/second');
        await expect(page.locator('.second-square path')).toBeVisible();
    }],
    'a forgotten password': ['forgotten', async (page) => {
        await page.goto('/forgotten');
    }],
    'an error': ['item', async (page) => {
        await signIn(page, 'Ines Oduya');
        await page.goto('/items/nowhere');
    }],
};

/**
 * Pages that hang on an item or a shelf, or stand alone: route, what it hangs on, and the rest of the address. They are gone through in one
 * session.
 *
 * @type {[string, string, string][]}
 */
export const pages = [
    ['item.file', 'Volunteer handbook', '/file'],
    ['item.menu', 'Volunteer handbook', '/menu'],
    ['item.move', 'Volunteer handbook', '/move'],
    ['watch', 'Volunteer handbook', '/watch'],
    ['answer', 'Book a repair', '/answer'],
    ['entries', 'Book a repair', '/entries'],
    ['entries.changes', 'Book a repair', '/entries/changes'],
    ['entries.outbox', 'Book a repair', '/entries/outbox'],
    ['entries.sums', 'Book a repair', '/entries/sums'],
    ['entries.waiting', 'Book a repair', '/entries/waiting'],
    ['try', 'Book a repair', '/versions/2/try'],
    ['item', 'notes.txt', ''],
    ['shelf.delete', 'Volunteers', '/delete'],
    ['file.new', 'Volunteers', '/file'],
    ['lost', 'Volunteers', '/lost'],
    ['shelf.new', '', '/shelves/new'],
    ['place', '', '/place'],
    ['place.merge', '', '/place/people/2/merge'],
    ['keeping.place', '', '/keeping'],
    ['outbox', '', '/outbox'],
];

/**
 * Routes that answer something else than a page of their own (parts of one, data, files, a way on to another one), and pages that only a
 * link, a row or something that waits leads to.
 */
export const others = {
    parts: ['causes', 'item.foot', 'item.flow', 'item.notes', 'part.where', 'live', 'line', 'lines', 'ribbon', 'day.ribbon', 'miniature', 'state', 'sign-in.state', 'file.named', 'report.settings', 'report.show', 'work'],
    files: ['comparison', 'download', 'entries.download', 'feed.item', 'feed.shelf', 'file.content', 'log.csv', 'picture', 'proposals.file', 'read.feed', 'read.picture', 'read.timemap', 'report.figures', 'work.file'],
    leadsOn: ['home', 'history.at', 'account.moved', 'address.prove', 'proposal'],
    // These are walked in led.spec.mjs, by what leads to them.
    led: ['cell', 'field.edit', 'forgotten.choose', 'held', 'invitation', 'mails.none', 'read.memento', 'read.mine', 'record.edit', 'shelf.ask-for-good', 'sign-in.second', 'visitor', 'wish'],
};
