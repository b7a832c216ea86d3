import { expect } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { axe, newItem, openItem, signIn, test, toShelf } from './steps.mjs';

const CSV = 'Day,Bench,Minutes,Mended\n2026-01-03,Wood,35,yes\n2026-01-17,Cloth,20,no\n2026-02-07,Wood,80,yes\n2026-03-07,Heat,15,yes\n';

/** Makes a dataset from a file on a shelf, looking at it first. */
async function dataset(page, title) {
    await toShelf(page, 'Committee');
    await page.getByText('New…', { exact: true }).click();
    await page.getByRole('link', { name: /^Dataset…/ }).click();
    await page.getByLabel('Which file?').setInputFiles({ name: `${title}.csv`, mimeType: 'text/csv', buffer: Buffer.from(CSV) });
    await page.getByRole('button', { name: 'Look at it' }).first().click();
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('4 records with 4 fields');
    await expect(page.getByLabel('What “Minutes” is')).toHaveValue('number');
    await axe(page);
    await page.getByRole('button', { name: 'Take it in' }).click();
    await expect(page.locator('.said')).toContainText('with 4 records');
    return page.url();
}

const report = (page, title) => newItem(page, 'Report', title, 'Committee');

/** Puts a widget in and sets it up, by keys alone. */
async function widget(page, type, title, source, choose = {}) {
    await page.getByText('Put in…', { exact: true }).press('Enter');
    await page.getByRole('button', { name: type, exact: true }).press('Enter');
    const dialog = page.getByRole('dialog');
    await expect(dialog.getByLabel('Title')).toBeFocused();
    await dialog.getByLabel('Dataset').selectOption({ label: source });
    await expect(dialog.getByLabel('How much')).toBeVisible();
    await dialog.getByLabel('Title').fill(title);
    for (const [label, value] of Object.entries(choose))
        await dialog.getByRole('combobox', { name: label, exact: true }).selectOption({ label: value });
    await dialog.getByRole('button', { name: 'Save' }).press('Enter');
    await expect(page.getByRole('article', { name: title })).toBeFocused();
}

test('a dataset is taken in after a look, calculated with, changed and looked back at', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    const url = await dataset(page, `Log ${Date.now()}`);
    await page.getByRole('link', { name: 'New field…' }).click();
    await page.getByLabel('What is it called?').fill('Hours');
    await page.getByLabel('Calculated by').fill('[Minutes] / 6 0');
    await page.getByRole('button', { name: 'Save' }).press('Enter');
    await expect(page.getByRole('alert')).toContainText('can not be read as an expression. At character');
    await expect(page.getByLabel('Calculated by')).toHaveValue('[Minutes] / 6 0');
    await axe(page);
    await page.getByLabel('Calculated by').fill('round([Minutes] / 60, 2)');
    await page.getByRole('button', { name: 'Save' }).press('Enter');
    await expect(page.locator('tbody tr').first()).toContainText('0.58');
    await axe(page);
    await page.getByRole('link', { name: 'Change record 1' }).click();
    await page.getByLabel(/^Minutes/).fill('45');
    await page.getByRole('button', { name: 'Save' }).click();
    await page.getByRole('link', { name: 'History', exact: true }).first().click();
    await expect(page.locator('[data-changes]')).toContainText('Typed “45” over “35”');
    await expect(page.locator('[data-state]')).toContainText('3 records the same');
    await axe(page);
    await page.goto(url);
    await page.getByRole('link', { name: 'Change the field “Minutes”' }).click();
    await page.getByRole('link', { name: 'Remove it…' }).click();
    await expect(page.getByRole('main')).toContainText('“Hours”');
    await page.getByRole('button', { name: 'Remove it' }).click();
    await expect(page.locator('thead')).toContainText('There is no field');
    await page.goto(`${url}/history`);
    await page.locator('[data-entry]', { hasText: 'Removed the field “Minutes”' }).locator('xpath=..').locator('.entry-history').click();
    await page.getByRole('button', { name: /^Bring this back/ }).first().click();
    await page.goto(url);
    await expect(page.locator('tbody tr').first()).toContainText('0.75');
});

test('a report is laid out by keys alone, undone, and its chart is over its earlier self in the history', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    const name = `Data ${Date.now()}`;
    await dataset(page, name);
    const url = await report(page, `Report ${Date.now()}`);
    await widget(page, 'Bars', 'By bench', name, { By: 'Bench' });
    await expect(page.getByRole('article', { name: 'By bench' }).locator('svg').first()).toBeVisible();
    await widget(page, 'One figure', 'Minutes', name, { 'How much': 'Sum', 'Of which field': 'Minutes' });
    await expect(page.getByRole('article', { name: 'Minutes' })).toContainText('150');
    const figure = page.getByRole('article', { name: 'Minutes' });
    await figure.press('ArrowRight');
    await expect(page.locator('[data-spoken]')).toHaveText(/Column \d+, row \d+/);
    await expect(figure).toBeFocused();
    await figure.press('Shift+ArrowRight');
    await expect(page.locator('[data-spoken]')).toHaveText(/4 of 12 wide/);
    await page.getByRole('button', { name: 'Undo' }).press('Enter');
    await expect(figure).toHaveAttribute('data-across', '3');
    await page.getByRole('button', { name: 'Redo' }).press('Enter');
    await expect(figure).toHaveAttribute('data-across', '4');
    await axe(page);
    await page.goto(`${url}/history/list`);
    const head = Number(await page.locator('tbody td.versions-number').first().innerText());
    await page.goto(url);
    // The chart is drawn by the script that also listens to the keys.
    await expect(page.getByRole('article', { name: 'By bench' }).locator('svg').first()).toBeVisible();
    await page.getByRole('article', { name: 'By bench' }).press('Enter');
    await page.getByRole('dialog').getByLabel('How much').selectOption({ label: 'Mean' });
    await page.getByRole('dialog').getByLabel('Of which field').selectOption({ label: 'Minutes' });
    await page.getByRole('dialog').getByRole('button', { name: 'Save' }).press('Enter');
    await expect(page.getByRole('article', { name: 'By bench' })).toContainText('mean of Minutes, by Bench');
    await page.getByRole('article', { name: 'Minutes' }).press('Delete');
    await expect(page.getByRole('article', { name: 'Minutes' })).toHaveCount(0);
    expect(head).toBeGreaterThan(0);
});

test('the demo report shows what changed in it, what in its data, and both come back together and go back together', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await toShelf(page, 'Committee');
    await openItem(page, 'Quarterly repairs');
    await expect(page.getByRole('article', { name: 'Hours at the benches' })).toContainText('Nell removed it in Spring repairs 8');
    const url = page.url();
    await page.goto(`${url}/history?from=18&to=23`);
    await expect(page.locator('[data-changes]')).toContainText('Removed the page “By bench” with 4 widgets');
    await expect(page.locator('[data-changes]')).toContainText('And because the data changed');
    await expect(page.locator('[data-changes]')).toContainText('“Hours at the benches” can not be drawn any more');
    await expect(page.locator('.widget-step', { hasText: 'Items by bench' }).locator('svg [fill="url(#earlier)"]').first()).toBeVisible();
    await expect(page.locator('.report-map').first()).toBeVisible();
    await axe(page);
    await page.getByRole('link', { name: 'As it was' }).click();
    await expect(page.getByText('Its pages as they were, with the data of that time.')).toBeVisible();
    await page.getByRole('link', { name: 'With today’s data' }).click();
    await expect(page.getByText('Its pages as they were, with the data of today.')).toBeVisible();
    await page.goto(`${url}/versions/18/restore`);
    await expect(page.getByRole('checkbox', { name: /The field “Hours”/ })).toBeChecked();
    await axe(page);
    await page.getByRole('button', { name: 'Bring both back' }).press('Enter');
    await expect(page.locator('.said')).toContainText('Restored together: “Quarterly repairs” 24, “Spring repairs” 9');
    await page.goto(url);
    await expect(page.getByRole('article', { name: 'Hours at the benches' })).toContainText(/\d+ h/);
    await page.goto(`${url}/history?from=23&to=24`);
    await page.getByRole('button', { name: 'Take it back' }).press('Enter');
    await expect(page.locator('.said')).toContainText('Taken back, in 2 items at once');
});

test('a widget is dragged and sized with the mouse, two people lay out one report, and it is taken along as files', async ({
    browser,
    baseURL,
    page,
}) => {
    await signIn(page, 'Ines Oduya');
    const name = `Shared ${Date.now()}`;
    await dataset(page, name);
    const url = await report(page, `Shared report ${Date.now()}`);
    await widget(page, 'Lines', 'By month', name, { By: 'Day', 'A day counts': 'by month' });
    const article = page.getByRole('article', { name: 'By month' });
    await article.hover();
    const grip = await article.locator('[data-grip]').boundingBox();
    await page.mouse.move(grip.x + 8, grip.y + 8);
    await page.mouse.down();
    await page.mouse.move(grip.x + 420, grip.y + 60, { steps: 6 });
    await page.mouse.up();
    await expect(article).toHaveAttribute('data-x', '4');
    await expect(page.locator('[data-save-line]')).toHaveText(/Saved .* as \d+/);
    await article.hover();
    const corner = await article.locator('[data-size]').boundingBox();
    await page.mouse.move(corner.x + 8, corner.y + 8);
    await page.mouse.down();
    await page.mouse.move(corner.x + 8, corner.y + 104, { steps: 6 });
    await page.mouse.up();
    await expect(article).toHaveAttribute('data-down', '9');

    // The server is away: what was carried is where it was, and what was typed is there still.
    await page.route(`${url}/report`, (route) => route.abort());
    await article.press('ArrowLeft');
    await expect(page.locator('[data-save-line]')).toContainText('not reachable');
    await expect(article).toHaveAttribute('data-x', '4');
    await article.press('Enter');
    await page.getByRole('dialog').getByLabel('Title').fill('Month by month');
    await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('dialog').getByRole('alert')).toContainText('not reachable');
    await expect(page.getByRole('dialog').getByLabel('Title')).toHaveValue('Month by month');
    await page.unroute(`${url}/report`);
    await page.getByRole('dialog').getByLabel('Title').fill('By month');
    await page.getByRole('dialog').getByLabel('Title').press('Enter');
    await expect(page.getByRole('dialog')).toBeHidden();
    await expect(page.locator('[data-save-line]')).toHaveText(/Saved .* as \d+/);

    const nell = await (await browser.newContext({ baseURL })).newPage();
    await signIn(nell, 'Nell Warwick');
    await nell.goto(url);
    await nell.getByRole('button', { name: 'New page' }).click();
    await expect(nell.getByRole('button', { name: 'Page 2', exact: true })).toBeVisible();
    await expect(page.getByRole('button', { name: 'Page 2', exact: true })).toBeVisible({ timeout: 10_000 });
    await expect(page.locator('[data-spoken]')).toContainText('Nell');
    await nell.context().close();

    for (const [press, ending, has] of [
        ['HTML, all in one file', 'html', 'Mar 2026'],
        ['This page as SVG', 'svg', 'By month'],
        ['This page as PNG', 'png', 'PNG'],
    ]) {
        await page.getByText('Download', { exact: true }).click();
        const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: press }).click()]);
        expect(file.suggestedFilename()).toMatch(new RegExp(`\\.${ending}$`));
        expect(readFileSync(await file.path()).toString('latin1')).toContain(has);
        if (ending === 'html') {
            const alone = await (await browser.newContext({ offline: true, javaScriptEnabled: false })).newPage();
            await alone.goto(`file://${await file.path()}`).catch(() => {});
            await alone.setContent(readFileSync(await file.path(), 'utf8'));
            await expect(alone.locator('svg').first()).toBeVisible();
            await alone.context().close();
        }
    }
    await page.keyboard.press('Escape');
    const [csv] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('link', { name: 'Figures of By month as CSV' }).click(),
    ]);
    expect(readFileSync(await csv.path(), 'utf8')).toContain('Jan 2026,2');
});

test('a report is published with its data, read without JavaScript, and follows it when that is said', async ({
    browser,
    baseURL,
    page,
}) => {
    await signIn(page, 'Ines Oduya');
    const name = `Public ${Date.now()}`;
    const data = await dataset(page, name);
    await report(page, name);
    await widget(page, 'Bars', 'By bench', name, { By: 'Bench' });
    await page.getByRole('link', { name: 'Publish…' }).click();
    await axe(page);
    await page.getByRole('button', { name: /^Publish \d+/ }).click();
    await page.getByRole('link', { name: 'Publish…' }).click();
    await page.getByRole('button', { name: 'Give it an address' }).click();
    const address = await page.locator('.publish-readers a').first().getAttribute('href');
    await page.goto(data);
    await page.getByRole('link', { name: 'New record' }).click();
    await page.getByLabel(/^Bench/).fill('Wood');
    await page.getByRole('button', { name: 'Save' }).click();
    const reader = await (await browser.newContext({ javaScriptEnabled: false, baseURL })).newPage();
    await reader.goto(address);
    await reader.locator('summary', { hasText: 'The figures' }).first().click();
    await expect(reader.getByRole('row', { name: 'Wood 2' })).toBeVisible();
    await expect(reader.getByText(/The figures are those of/)).toBeVisible();
    await reader.context().close();
    const drawn = await (await browser.newContext({ baseURL })).newPage();
    await drawn.goto(address);
    await expect(drawn.locator('.chart svg').first()).toBeVisible();
    await axe(drawn);
    await drawn.context().close();
});
