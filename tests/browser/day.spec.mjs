import { expect } from '@playwright/test';
import { daysAgo, newDocument, saved, signIn, test, text } from './steps.mjs';

test('the shelf on a day: looked at, moved by its ends and by words, and marked', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await page.getByRole('link', { name: 'On a day' }).click();
    await page.getByLabel('As it was', { exact: true }).first().fill('48 days ago');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(new RegExp(`at=${daysAgo(48).slice(0, 10)}`));
    await expect(page.locator('[data-day-ribbon][data-ready]')).toBeVisible();
    const kettle = page.getByRole('row', { name: /Kettle guide/ });
    await expect(kettle).toContainText('Deleted by Rafi');
    await expect(page.getByRole('row', { name: /Repair log/ }).locator('.day-unusual').first()).toBeVisible();
    await expect(page.getByRole('row', { name: /Safeguarding note/ })).toContainText('the same again as then');
    const before = page.url();
    await page.getByRole('slider', { name: 'As it was' }).focus();
    await page.keyboard.press('ArrowLeft');
    await expect(page).not.toHaveURL(before);
    await expect(page.getByRole('heading', { level: 1 })).toContainText(
        new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' }).format(new Date(daysAgo(49))),
    );
    await page.getByLabel('held against').first().fill('28 days ago');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(new RegExp(`until=${daysAgo(28).slice(0, 10)}`));
    await expect(page.getByRole('row', { name: /Kettle guide/ })).not.toContainText('Deleted');
    await expect(page.locator('[data-day-tick]')).toHaveCount(0);
});

test('several items are brought back to one moment, and taken back together', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await page.getByRole('link', { name: 'New shelf…' }).click();
    await page.getByLabel('What is it called?').fill('For a day');
    await page.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByRole('heading', { name: 'For a day' })).toBeVisible();
    const shelf = page.url();
    const items = [];
    for (const title of ['One', 'Two']) {
        await page.goto(shelf);
        items.push(await newDocument(page, title));
        await page.keyboard.type(`${title} as it was.`);
        await saved(page);
        await page.keyboard.press('Control+s');
        await expect(page.locator('[data-save-line]')).toHaveText(/Kept as \d+/);
    }
    await page.waitForTimeout(1_100);
    const at = `${new Date().toISOString().slice(0, 19)}Z`;
    await page.waitForTimeout(1_100);
    for (const item of items) {
        await page.goto(item);
        await text(page).click();
        await page.keyboard.press('Control+End');
        await page.keyboard.type(' And more.');
        await saved(page);
    }
    await page.goto(`${shelf}/day?at=${at}`);
    await page.getByLabel('One', { exact: true }).check();
    await page.getByLabel('Two', { exact: true }).check();
    await expect(page.locator('[data-day-count]')).toHaveText('2 items ticked');
    await page.getByRole('button', { name: 'Bring back what is ticked…' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Bring 2 items of “For a day” back');
    // An item goes with its lines, and comes with one of them.
    await page.getByRole('checkbox', { name: '“Two”' }).uncheck();
    await expect(page.locator('[data-of-count]')).toHaveText('one item');
    await page.locator('[data-of]', { hasText: '“Two”' }).locator('[data-of-line]').first().check();
    await expect(page.getByRole('checkbox', { name: '“Two”' })).toBeChecked();
    await page.getByRole('button', { name: 'Bring them back' }).click();
    await expect(page.getByText('2 items were brought back together.')).toBeVisible();
    for (const item of items) {
        await page.goto(item);
        await expect(text(page)).not.toContainText('And more.');
    }
    await page.goto(`${shelf}/day?at=${at}`);
    await page.getByRole('button', { name: 'Take all of it back' }).click();
    await expect(page.getByText('All of it was taken back.')).toBeVisible();
    await page.goto(items[0]);
    await expect(text(page)).toContainText('And more.');
    await page.goto(`${shelf}/day?at=${at}`);
    await page.getByText('Copy the shelf out…').click();
    await page.getByLabel('What is the new shelf called?').fill('A copy of a day');
    await page.getByRole('button', { name: 'Copy it out' }).click();
    await expect(page.getByRole('heading', { name: 'A copy of a day' })).toBeVisible({ timeout: 20_000 });
    await expect(page.getByRole('link', { name: 'One', exact: true })).toBeVisible();
});

test('two milestones of one item are compared in two presses', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await page.getByRole('link', { name: 'Milestones' }).click();
    await page.getByRole('link', { name: 'Compare with…: “Half of spring” of Repair log' }).click();
    await page.waitForURL(/one=\d+/, { waitUntil: 'load' });
    await page.getByRole('link', { name: 'Compare with this: “Before summer count” with “Half of spring”' }).click();
    await expect(page).toHaveURL(/history\?from=\d+&to=\d+/);
});
