import { writeFileSync } from 'node:fs';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from '@playwright/test';
import { axe, openItem, saved, signIn, state, test } from './steps.mjs';

/** What another program puts on the clipboard. */
const pasted = (page, lines) => page.evaluate((text) => {
    const data = new DataTransfer();
    data.setData('text/plain', text);
    document.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));
}, lines.map((line) => line.join('\t')).join('\n'));

/** Makes a spreadsheet with some lines in it, typed or pasted. */
async function newSheet(page, lines, typed = false) {
    await page.getByText('New…', { exact: true }).click();
    await page.getByLabel('Spreadsheet', { exact: true }).check();
    await page.getByLabel('What is it called?').fill(`Sheet ${Math.random()}`);
    await page.getByRole('button', { name: 'Make it' }).click();
    await page.waitForURL(/\/items\//);
    await expect(grid(page)).toBeFocused();
    if (!typed) await pasted(page, lines);
    for (const line of typed ? lines : []) {
        for (const cell of line) {
            await page.keyboard.type(cell);
            await page.keyboard.press('Tab');
        }
        await page.keyboard.press('ArrowDown');
        await page.keyboard.press('Home');
    }
    await settled(page);
    return page.url();
}

const grid = (page) => page.locator('[data-grid]');

/** Everything is saved, results and all. */
async function settled(page) {
    await page.waitForTimeout(450);
    await saved(page);
}

/** The shown text of a cell such as B3. */
const cell = (page, name) => page.locator(`[data-line="${Number(name.slice(1)) - 1}"] > [data-column="${name.charCodeAt(0) - 65}"]`);

/** Chooses a cell by keys alone. */
async function at(page, name) {
    // The desk comes after the page: before it, the keys would go nowhere.
    await expect(grid(page)).toHaveAttribute('aria-rowcount', /\d/);
    await grid(page).focus();
    await page.keyboard.press('Control+Home');
    for (let down = 1; down < Number(name.slice(1)); down++) await page.keyboard.press('ArrowDown');
    for (let right = 0; right < name.charCodeAt(0) - 65; right++) await page.keyboard.press('ArrowRight');
}

async function menu(page, name, line) {
    await page.getByRole('toolbar').getByText(name, { exact: true }).click();
    await page.locator('details[open]').getByRole('button', { name: line, exact: true }).click();
}

const log = [
    ['Item', 'Kg', 'Tip'],
    ['Toaster', '1.8', '2'],
    ['Lamp', '1.1', '0'],
    ['Radio', '2.2', '5'],
    ['Total', '=SUM(B2:B4)', '=sum(c2:c4)'],
];

test('a table is typed, calculated and saved by keys alone', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await newSheet(page, log, true);
    await expect(cell(page, 'B5')).toHaveText('5.1');
    await at(page, 'B2');
    await page.keyboard.type('2');
    await page.keyboard.press('Enter');
    await expect(cell(page, 'B5')).toHaveText('5.3');
    await page.keyboard.press('Enter');
    await page.keyboard.type('0');
    await page.keyboard.press('Escape');
    await expect(cell(page, 'B3')).toHaveText('1.1');
    await page.keyboard.press('Delete');
    await expect(cell(page, 'B5')).toHaveText('4.2');
    await page.keyboard.press('Control+z');
    await expect(cell(page, 'B5')).toHaveText('5.3');
    await page.keyboard.press('Control+y');
    await expect(cell(page, 'B3')).toHaveText('');
    await at(page, 'B5');
    await expect(page.locator('[data-cell-line]')).toHaveValue('=SUM(B2:B4)');
    await page.locator('[data-cell-line]').fill('=B2/0');
    await page.keyboard.press('Enter');
    await expect(cell(page, 'B5')).toHaveText('#DIV/0!');
    await settled(page);
    const total = (await state(page)).content.find((part) => part[3][Object.keys(part[3])[0]] === 'Total');
    expect(JSON.stringify(total[3])).toContain('#DIV/0!');
    // A row is typed from cell to cell, and the next one begins below where it began.
    await at(page, 'A6');
    for (const [words, key] of [['Fair', 'Tab'], ['3', 'Enter'], ['Quay', 'Tab'], ['4', 'Enter']]) {
        await page.keyboard.type(words);
        await page.keyboard.press(key);
    }
    await expect(cell(page, 'A7')).toHaveText('Quay');
    await expect(cell(page, 'B7')).toHaveText('4');
    // An accent that waits for its letter opens the cell, and is not lost.
    await at(page, 'A8');
    await grid(page).evaluate((root) => root.dispatchEvent(new KeyboardEvent('keydown', { key: 'Dead', bubbles: true })));
    await page.keyboard.insertText('é');
    await page.keyboard.press('Enter');
    await expect(cell(page, 'A8')).toHaveText('é');
    // Escape, then Tab, leaves the grid.
    await grid(page).focus();
    await page.keyboard.press('Escape');
    await page.keyboard.press('Tab');
    await expect(grid(page)).not.toBeFocused();
});

test('rows, columns and tabs come, move and go, and formulas follow', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await newSheet(page, log);
    await at(page, 'A3');
    await menu(page, 'Rows', 'Put in above');
    await page.keyboard.type('Kettle');
    await page.keyboard.press('Tab');
    await page.keyboard.type('1');
    await page.keyboard.press('Enter');
    await expect(cell(page, 'B6')).toHaveText('6.1');
    await at(page, 'B6');
    await expect(page.locator('[data-cell-line]')).toHaveValue('=SUM(B2:B5)');
    await at(page, 'A2');
    await menu(page, 'Rows', 'Remove');
    await expect(cell(page, 'B5')).toHaveText('4.3');
    await at(page, 'B1');
    await menu(page, 'Columns', 'Put in before');
    await expect(cell(page, 'C5')).toHaveText('4.3');
    await at(page, 'C2');
    await menu(page, 'Columns', 'Move to the left');
    await expect(cell(page, 'B5')).toHaveText('4.3');
    await at(page, 'B2');
    await menu(page, 'Sort', 'Largest first');
    await expect(cell(page, 'B2')).toHaveText('2.2');
    // The row of sums stays below what it adds up.
    await expect(cell(page, 'B5')).toHaveText('4.3');
    await settled(page);
    await page.getByLabel('This tab, and new ones').click();
    await page.getByRole('button', { name: 'New tab' }).click();
    await expect(page.getByRole('navigation', { name: 'Tabs' }).getByRole('button')).toHaveCount(2);
    await page.keyboard.type('=Sheet!B3*2');
    await page.keyboard.press('Enter');
    await expect(cell(page, 'A1')).toHaveText('2.2');
    await page.getByLabel('This tab, and new ones').click();
    await page.getByRole('button', { name: 'Rename this one…' }).click();
    await page.keyboard.type('Sums');
    await page.keyboard.press('Enter');
    await page.getByLabel('This tab, and new ones').click();
    await page.getByRole('button', { name: 'Copy it' }).click();
    await expect(page.getByRole('navigation', { name: 'Tabs' })).toContainText('Sums (copy)');
    await page.getByLabel('This tab, and new ones').click();
    await page.getByRole('button', { name: 'Remove it' }).click();
    await settled(page);
    expect((await state(page)).content.filter((part) => part[1] === 'tab').map((part) => part[3].name)).toEqual(['Sheet', 'Sums']);
});

test('cells are copied, cut, pasted, filled and formatted', async ({ page, context }) => {
    await context.grantPermissions(['clipboard-read', 'clipboard-write']);
    await signIn(page, 'Ines Oduya');
    await newSheet(page, log);
    await at(page, 'B5');
    await page.keyboard.press('Control+c');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Control+v');
    await expect(cell(page, 'D5')).toHaveText('0');
    await at(page, 'D5');
    await expect(page.locator('[data-cell-line]')).toHaveValue('=SUM(D2:D4)');
    await at(page, 'E2');
    await pasted(page, [['10', '=1+1'], ['12%', '3 May 2026']]);
    await expect(cell(page, 'F2')).toHaveText('2');
    await expect(cell(page, 'E3')).toHaveText('12%');
    await expect(cell(page, 'F3')).toHaveText('2026-05-03');
    // A column with commas before decimals is numbers.
    await at(page, 'E4');
    await pasted(page, [['1.204,75'], ['2.000'], ['=E4+E5']]);
    await expect(cell(page, 'E6')).toHaveText('3204.75');
    await at(page, 'A2');
    await page.keyboard.press('Shift+ArrowDown');
    await page.keyboard.press('Control+x');
    await expect(cell(page, 'A3')).toHaveText('');
    await page.keyboard.press('Control+v');
    await expect(cell(page, 'A3')).toHaveText('Lamp');
    await at(page, 'B2');
    await page.keyboard.press('Shift+ArrowDown');
    await page.keyboard.press('Shift+ArrowDown');
    await page.getByRole('button', { name: 'Fill down' }).click();
    await expect(cell(page, 'B5')).toHaveText('5.4');
    await page.getByLabel('How numbers are written').selectOption('two');
    await expect(cell(page, 'B4')).toHaveText('1.80');
    await page.keyboard.press('Control+b');
    await expect(cell(page, 'B4')).toHaveClass(/is-bold/);
    // The corner of the chosen cells carries them on.
    await settled(page);
    await at(page, 'C2');
    const [corner, target] = [await page.locator('[data-handle]').boundingBox(), await cell(page, 'C3').boundingBox()];
    await page.mouse.move(corner.x + 4, corner.y + 4);
    await page.mouse.down();
    await page.mouse.move(target.x + 20, target.y + 12, { steps: 4 });
    await page.mouse.up();
    await expect(cell(page, 'C5')).toHaveText('9');
    await settled(page);
});

test('cells are opened, chosen and widened with the mouse, and a press leads nowhere else', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    const url = await newSheet(page, log);
    await cell(page, 'A3').click();
    await expect(cell(page, 'A3')).toHaveClass(/is-at/);
    await page.waitForTimeout(600);
    await cell(page, 'A3').dblclick();
    await page.keyboard.type(' shade');
    await cell(page, 'B2').click();
    await expect(cell(page, 'A3')).toHaveText('Lamp shade');
    await cell(page, 'D2').dblclick();
    await page.keyboard.type('=SUM(');
    await cell(page, 'B2').click();
    await page.keyboard.type(':');
    await cell(page, 'B4').click();
    await page.keyboard.type(')*2');
    await page.keyboard.press('Enter');
    await expect(cell(page, 'D2')).toHaveText('10.2');
    await cell(page, 'B2').hover();
    await page.mouse.down();
    await cell(page, 'C4').hover();
    await page.mouse.up();
    await expect(page.locator('[data-cell-place]')).toHaveText('B2 to C4: 6 numbers, sum 12.1');
    const wide = (await cell(page, 'B2').boundingBox()).width;
    const grip = await page.locator('[data-grip="1"]').boundingBox();
    await page.mouse.move(grip.x + 4, grip.y + 12);
    await page.mouse.down();
    await page.mouse.move(grip.x + 64, grip.y + 12, { steps: 3 });
    await page.mouse.up();
    expect((await cell(page, 'B2').boundingBox()).width).toBe(wide + 60);
    await page.locator('[data-name="2"]').click();
    await page.keyboard.press('Delete');
    await expect(cell(page, 'C4')).toHaveText('');
    await settled(page);
    expect(page.url()).toBe(url);
});

test('a filter leaves in sight what was asked for and changes nothing', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await openItem(page, 'Repair log');
    await expect(grid(page)).toBeFocused();
    await page.keyboard.press('ArrowRight');
    await page.getByRole('toolbar').getByText('Filter', { exact: true }).click();
    await expect(page.locator('[data-filter-of]')).toHaveText('Only rows whose “Item”');
    await page.getByLabel('What', { exact: true }).fill('toaster');
    await page.getByRole('button', { name: 'Show these' }).click();
    await expect(cell(page, 'B2')).toHaveText('Toaster, two slot');
    await expect(cell(page, 'B3')).toHaveText('Toaster, two slot');
    await page.getByRole('toolbar').getByText('Filter', { exact: true }).click();
    await page.getByRole('button', { name: 'Show all rows' }).click();
    await expect(cell(page, 'A2')).toHaveText('101');
    await expect(page.locator('[data-save-line]')).toContainText('Saved');
});

test('two people write in one table, see each other, and a cell that both changed waits', async ({ browser }) => {
    const [one, other] = await Promise.all([browser.newContext(), browser.newContext()]);
    const [ines, nell] = [await one.newPage(), await other.newPage()];
    await signIn(ines, 'Ines Oduya');
    const url = await newSheet(ines, log);
    await signIn(nell, 'Nell Warwick');
    await nell.goto(url);
    await at(nell, 'B3');
    await expect(cell(ines, 'B3')).toHaveAttribute('data-who', 'NW');
    await nell.keyboard.type('9');
    await nell.keyboard.press('Enter');
    await expect(cell(ines, 'B5')).toHaveText('13');
    await one.setOffline(true);
    await at(ines, 'C2');
    await ines.keyboard.type('7');
    await ines.keyboard.press('Tab');
    await expect(ines.locator('[data-save-line]')).toContainText('kept on this computer');
    await at(nell, 'C2');
    await nell.keyboard.type('8');
    await nell.keyboard.press('Enter');
    await at(nell, 'A2');
    await menu(nell, 'Rows', 'Put in above');
    await settled(nell);
    await one.setOffline(false);
    await expect(ines.locator('[data-notes]')).toContainText('held back');
    await expect(cell(ines, 'C3')).toHaveText('8');
    await ines.getByRole('link', { name: 'Settle it' }).click();
    await axe(ines);
    await ines.getByRole('button', { name: 'Take mine' }).click();
    await ines.waitForURL(/items/);
    await ines.goto(url);
    await expect(cell(ines, 'C3')).toHaveText('7');
    await expect(cell(ines, 'C6')).toHaveText('12');
    await Promise.all([one.close(), other.close()]);
});

test('who chooses and types stays with their cells, whatever another does to rows and columns', async ({ browser }) => {
    const [one, other] = await Promise.all([browser.newContext(), browser.newContext()]);
    const [ines, nell] = [await one.newPage(), await other.newPage()];
    const wrong = [];
    for (const page of [ines, nell]) page.on('pageerror', (error) => wrong.push(String(error)));
    await signIn(ines, 'Ines Oduya');
    const url = await newSheet(ines, log);
    await signIn(nell, 'Nell Warwick');
    await nell.goto(url);
    const place = (page) => page.locator('[data-cell-place]');
    // Chosen: the cell goes along with its row and its column.
    await at(ines, 'B3');
    await at(nell, 'A1');
    await menu(nell, 'Rows', 'Put in above');
    await menu(nell, 'Columns', 'Put in before');
    await expect(place(ines)).toHaveText('C4');
    await expect(cell(ines, 'C4')).toHaveClass(/is-at/);
    // A formula that is open names the same cells, and what was not changed is not written.
    await at(ines, 'C6');
    await ines.keyboard.press('Enter');
    await expect(ines.locator('.grid-edit')).toHaveValue('=SUM(C3:C5)');
    await at(nell, 'A2');
    await menu(nell, 'Rows', 'Put in above');
    await expect(ines.locator('.grid-edit')).toHaveValue('=SUM(C4:C6)');
    await ines.keyboard.press('Enter');
    await ines.keyboard.press('ArrowUp');
    await expect(ines.locator('[data-cell-line]')).toHaveValue('=SUM(C4:C6)');
    // What is typed where another takes the row away is held back, and not lost.
    await at(ines, 'C5');
    await ines.keyboard.type('55');
    await at(nell, 'A5');
    await menu(nell, 'Rows', 'Remove');
    await settled(nell);
    await ines.waitForTimeout(2500);
    await ines.keyboard.press('Enter');
    await expect(ines.locator('[data-notes]')).toContainText('held back');
    await ines.getByRole('link', { name: 'Settle it' }).click();
    await expect(ines.locator('main')).toContainText('55');
    // Another writes in a cell that is open here, and nothing is typed: it is theirs.
    await ines.goto(url);
    await at(ines, 'C4');
    await ines.keyboard.press('Enter');
    await at(nell, 'C4');
    await nell.keyboard.type('77');
    await nell.keyboard.press('Enter');
    await expect(cell(ines, 'C4')).toHaveText('77');
    await ines.keyboard.press('Enter');
    await settled(ines);
    await expect(cell(nell, 'C4')).toHaveText('77');
    // What was begun in the line and given up with Escape is not written.
    await at(ines, 'C4');
    await ines.locator('[data-cell-line]').fill('99');
    await ines.keyboard.press('Escape');
    await settled(ines);
    await expect(cell(ines, 'C4')).toHaveText('77');
    expect(wrong).toEqual([]);
    await Promise.all([one.close(), other.close()]);
});

test('what is typed while the server is away is there after the window was closed', async ({ page, context }) => {
    await signIn(page, 'Ines Oduya');
    const url = await newSheet(page, log);
    await page.route('**/state', (route) => route.abort());
    await at(page, 'B2');
    await page.keyboard.type('50');
    await page.keyboard.press('Enter');
    await expect(page.locator('[data-save-line]')).toContainText('kept on this computer');
    await page.close();
    const again = await context.newPage();
    await again.goto(url);
    await expect(cell(again, 'B2')).toHaveText('50');
    await expect(cell(again, 'B5')).toHaveText('53.3');
});

test('a history shows the cells, their values and why a result moved; first and last by keys', async ({ page }) => {
    await signIn(page, 'Tobi Brandt');
    const url = await newSheet(page, log);
    const before = (await state(page)).number;
    await page.waitForTimeout(1100);
    await at(page, 'B2');
    await page.keyboard.type('18');
    await page.keyboard.press('Enter');
    await page.keyboard.press('Control+s');
    await settled(page);
    await at(page, 'A4');
    await menu(page, 'Rows', 'Remove');
    await settled(page);
    const head = (await state(page)).number;
    await page.goto(`${url}/history?from=${before}&to=${head}`);
    await expect(page.locator('[data-ribbon][data-ready]')).toBeVisible();
    await expect(page.locator('.entries li')).toHaveCount(3);
    await expect(page.locator('td.is-typed')).toContainText(/1\.8.*18\+16\.2 \(\+900 %\)/);
    await expect(page.locator('tr.was-removed')).toContainText('Radio');
    await expect(page.locator('td.is-moved-on')).toHaveCount(2);
    await page.keyboard.press('End');
    await expect(page.locator('[data-step-count]')).toHaveText('3 of 3');
    await page.keyboard.press('Home');
    await expect(page.locator('[data-cell-card]')).toContainText('B2');
    await page.locator('td.is-moved-on').first().click();
    await page.getByRole('button', { name: 'Why did it move?' }).click();
    await expect(page.locator('.cell-causes')).toContainText('Kg · Toaster (1.8 → 18)');
    await axe(page);
    await page.getByRole('link', { name: 'Formulas' }).click();
    await expect(page.locator('tbody')).toContainText('=SUM(B2:B3)');
    await page.getByRole('link', { name: 'Values' }).click();
    await page.getByRole('link', { name: 'Who wrote what' }).click();
    await expect(page.locator('td.is-theirs').first()).toBeVisible();
    await page.getByRole('link', { name: 'By age' }).click();
    await expect(page.locator('td.age-0').first()).toBeVisible();
    await axe(page);
    await page.getByRole('link', { name: 'As it was' }).click();
    await expect(page.locator('.state-banner')).toContainText('Not the present state');
    await page.locator('td', { hasText: '1.8' }).first().click();
    await page.getByRole('link', { name: 'Its history' }).click();
    await expect(page.getByRole('heading', { name: /“Kg” of “Toaster”/ })).toBeVisible();
    await axe(page);
    await page.getByRole('button', { name: /Bring this back as it was in/ }).first().click();
    await page.waitForURL(/history/);
    await page.goto(url);
    await expect(cell(page, 'B4')).toHaveText('2.9');
});

test('picked rows come back with the plan’s sums in sight', async ({ page }) => {
    await signIn(page, 'Tobi Brandt');
    const url = await newSheet(page, log);
    await page.waitForTimeout(1100);
    const before = (await state(page)).number;
    await at(page, 'A2');
    await page.keyboard.press('Shift+ArrowDown');
    await menu(page, 'Rows', 'Remove');
    await settled(page);
    await page.goto(`${url}/versions/${before}/restore`);
    await expect(page.locator('.plan-totals')).toContainText('5.1');
    await page.getByLabel(/The row “Lamp”/).uncheck();
    await axe(page);
    await page.getByRole('button', { name: 'Bring these back' }).click();
    await page.waitForURL(/history/);
    await page.goto(url);
    await expect(cell(page, 'A2')).toHaveText('Toaster');
    await expect(cell(page, 'B4')).toHaveText('4');
});

test('an exported list that was edited elsewhere comes in as edits', async ({ page }) => {
    await signIn(page, 'Tobi Brandt');
    const url = await newSheet(page, log);
    const csv = await (await page.request.get(`${url}/versions/${(await state(page)).number}/download/csv`)).text();
    const file = join(mkdtempSync(join(tmpdir(), 'attic-')), 'log.csv');
    writeFileSync(file, csv.replace('Lamp,1.1', 'Lamp,1.4'));
    await page.getByLabel('This tab, and new ones').click();
    await page.getByRole('link', { name: 'A file as the next version…' }).click();
    await axe(page);
    await page.getByLabel('Which file?').setInputFiles(file);
    await page.getByRole('button', { name: 'Bring it in' }).click();
    await page.waitForURL(/history/);
    await expect(page.locator('.entries li')).toHaveCount(2);
    await expect(page.locator('.entries')).toContainText('Typed “1.4” over “1.1” in “Kg” of “Lamp”');
});

test('ten thousand changed cells open and scroll', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    const url = await newSheet(page, [['Number']]);
    await at(page, 'A2');
    await pasted(page, Array.from({ length: 2000 }, (_, row) => Array.from({ length: 5 }, (_, column) => row * 5 + column)));
    await settled(page);
    await page.keyboard.press('Control+End');
    await expect(page.locator('[data-cell-place]')).toContainText('2001');
    const head = (await state(page)).number;
    await page.goto(`${url}/history?from=${head - 1}&to=${head}`);
    await expect(page.locator('[data-ribbon][data-ready]')).toBeVisible();
    await expect(page.locator('tbody tr')).toHaveCount(151);
    await page.locator('[data-more]').scrollIntoViewIfNeeded();
    await expect.poll(() => page.locator('tbody tr').count()).toBeGreaterThan(290);
});

test('an unusual change asks for a look and is said to be meant', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    // Other tests may have left something unusual on the shelf, too.
    const card = page.locator('.card.is-unusual', { hasText: 'Repair log' });
    await expect(card).toBeVisible();
    await card.getByRole('link', { name: 'Look' }).click();
    await expect(page.locator('.note.is-unusual')).toContainText('is unusual for its column');
    await axe(page);
    await page.goBack();
    await card.getByRole('button', { name: 'It was meant' }).click();
    await expect(card).toHaveCount(0);
});
