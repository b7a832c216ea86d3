import { expect } from '@playwright/test';
import { axe, signIn, test, toShelf } from './steps.mjs';

/**
 * Lets files go above the page. @param {import('@playwright/test').Page} page @param {{name: string, type: string, text: string}[]} files
 */
async function drop(page, files) {
    const data = await page.evaluateHandle((all) => {
        const transfer = new DataTransfer();
        for (const { name, type, text } of all) transfer.items.add(new File([text], name, { type }));
        return transfer;
    }, files);
    // A browser says it again and again while something is held above the page, also to a page that has just come.
    await expect(async () => {
        await page.dispatchEvent('body', 'dragover', { dataTransfer: data });
        await expect(page.getByText('Let go, and it is kept on')).toBeVisible({ timeout: 200 });
    }).toPass();
    await page.dispatchEvent('body', 'drop', { dataTransfer: data });
}

test('a file is dropped on its shelf, and dropped again it is its next version', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await toShelf(page, 'Committee');
    await drop(page, [{ name: 'fuses.txt', type: 'text/plain', text: 'Count the fuses\nSign the log\n' }]);
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('fuses.txt');
    await expect(page.getByText('Count the fuses')).toBeVisible();
    await axe(page);

    await page.getByRole('link', { name: 'Committee' }).first().click();
    await drop(page, [{ name: 'fuses.txt', type: 'text/plain', text: 'Count all fuses\nSign the log\n' }]);
    await expect(page.getByRole('button', { name: 'Its next version' })).toBeFocused();
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/history/);
    await expect(page.getByText('Changed one word in “Count all fuses”').first()).toBeVisible();
    await axe(page);

    // Several at once, one of which is left.
    await page.getByRole('link', { name: 'Committee' }).first().click();
    await drop(page, [
        { name: 'fuses.txt', type: 'text/plain', text: 'other' },
        { name: 'keys.txt', type: 'text/plain', text: 'Two keys' },
    ]);
    await page.getByRole('button', { name: 'Cancel' }).click();
    await expect(page.getByText('fuses.txt was not sent.')).toBeVisible();
    await page.getByRole('link', { name: 'keys.txt' }).first().click();
    await expect(page.getByText('Two keys')).toBeVisible();
});

test('a large file comes in slices, goes on when the line was gone, and can be stopped', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await toShelf(page, 'Committee');
    await page.getByText('New…', { exact: true }).click();
    await page.getByRole('link', { name: /^File…/ }).click();
    let failed = 0;
    let asked = 0;
    await page.route('**/uploads', (route) => (asked++ === 0 ? route.abort() : route.continue()));
    await page.route('**/uploads/*', (route) =>
        route.request().method() === 'PUT' && route.request().url().includes('at=4194304') && failed++ < 2
            ? route.abort()
            : route.continue(),
    );
    const bytes = Buffer.alloc(9_000_000);
    for (let at = 0; at < bytes.length; at++) bytes[at] = (at * 2654435761) >>> 24;
    await page.getByLabel('Which file?').setInputFiles({ name: 'scan.bin', mimeType: 'application/octet-stream', buffer: bytes });
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('scan.bin');
    await expect(page.getByText('9,000,000 bytes')).toBeVisible();
    expect([failed > 1, asked > 1]).toEqual([true, true]);
    await axe(page);

    await page.unroute('**/uploads/*');
    await page.route('**/uploads/*', (route) => (route.request().method() === 'PUT' ? new Promise(() => {}) : route.continue()));
    await page
        .getByLabel('A file as its next version')
        .setInputFiles({ name: 'scan.bin', mimeType: 'application/octet-stream', buffer: Buffer.from('short') });
    await page.getByRole('button', { name: 'Stop' }).click();
    await expect(page.getByText('scan.bin was not sent.')).toBeVisible();
});

test('two versions of a picture lie over one another, and one fades into the other', async ({ page }) => {
    await signIn(page, 'Nell Warwick');
    await toShelf(page, 'Website');
    await page.getByRole('link', { name: 'History of logo.png' }).click();
    await page.goto(`${page.url().split('?')[0]}?from=2&to=5`);
    await expect(page.getByText('One place differs')).toBeVisible();
    const over = page.locator('.file-lie .is-over');
    await page.getByLabel('How much of 5 lies over 2').focus();
    await page.keyboard.press('End');
    await expect(over).toHaveCSS('opacity', '1');
    await page.keyboard.press('Home');
    await expect(over).toHaveCSS('opacity', '0');
    await axe(page);
    await page.getByRole('link', { name: 'Side by side' }).click();
    await expect(page.getByText('Earlier: 2')).toBeVisible();
    await page.getByRole('link', { name: 'Bytes' }).click();
    await expect(page.getByText(/of it is the same/)).toBeVisible();
    await axe(page);
});
