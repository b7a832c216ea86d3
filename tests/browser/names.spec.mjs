import { expect } from '@playwright/test';
import { fits, newDocument, ofTheDay, saved, signIn, test, text } from './steps.mjs';

/** As long as a name can be, without a place to break a line at. */
const LONG = 'Wastewaterpumpmaintenanceschedule'.repeat(4);

test('names of one long word fit on every screen, down to 320 px', async ({ page }) => {
    test.slow();
    await signIn(page, 'Ines Oduya');
    await page.getByRole('link', { name: 'New shelf…' }).click();
    await page.getByLabel('What is it called?').fill(LONG.slice(0, 80));
    await page.getByRole('button', { name: 'Make it' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Wastewater');
    const shelf = page.url();
    const gone = await newDocument(page, LONG);
    await page.keyboard.type(`Gone. ${LONG}`);
    await saved(page);
    await page.goto(`${gone}/delete`);
    await page.getByRole('button', { name: /^Delete/ }).click();
    await page.waitForURL(shelf);
    const item = await newDocument(page, LONG);
    await page.keyboard.type(`Some words. ${LONG}`);
    await saved(page);
    await page.goto(`${item}/history`);
    await page.getByText('Mark a milestone').click();
    await page.keyboard.type(LONG.slice(0, 80));
    await page.getByRole('button', { name: 'Save name' }).first().click();
    await expect(page.locator('.flag').first()).toBeAttached();
    await page.goto(item);
    await text(page).click();
    await page.keyboard.type('More.');
    await saved(page);
    const screens = [
        shelf,
        `${shelf}/day`,
        `${shelf}/lost`,
        '/lost',
        `${shelf}/keeping`,
        `${shelf}/log`,
        `${shelf}/about`,
        `${shelf}/people`,
        `${shelf}/delete`,
        '/milestones',
        '/for-you',
        `/find?q=${LONG.slice(0, 33)}`,
        item,
        `${item}/history`,
        `${item}/history?view=was`,
        `${item}/history?view=who`,
        `${item}/history?layout=side`,
        `${item}/history/list`,
        `${item}/versions/1/restore`,
        `${item}/keeping`,
        `${item}/move`,
        `${item}/delete`,
        `${item}/menu`,
        `${item}/file`,
        `${item}/watch`,
        gone,
        `${gone}/for-good`,
    ];
    for (const address of ofTheDay(screens, 6)) {
        await page.setViewportSize({ width: 1280, height: 800 });
        const answer = await page.goto(address);
        expect.soft(answer?.status(), address).toBe(200);
        await fits(page, address.replace(/^.*\/\/[^/]+/, ''));
    }
});
