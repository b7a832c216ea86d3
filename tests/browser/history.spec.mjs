import { expect } from '@playwright/test';
import { axe, newDocument, openHistory, saved, signIn, test, text } from './steps.mjs';

test.beforeEach(({ page }) => signIn(page, 'Ines Oduya'));

const range = 'from=186&to=198';

test('what changed, in sentences and in the text; n and p go from one to the next', async ({ page }) => {
    await openHistory(page, 'Volunteer handbook', range);
    await expect(page.getByRole('heading', { name: /8 changes between 186 and 198/ })).toBeVisible();
    await expect(page.locator('.entry', { hasText: 'Removed “Check the plug and lead first”' })).toContainText('Tobi in 192');
    await expect(page.locator('del', { hasText: 'Check the plug' })).toBeVisible();
    await page.keyboard.press('n');
    await expect(page.locator('[data-step-count]')).toHaveText('1 of 8');
    await page.keyboard.press('n');
    await page.keyboard.press('p');
    await expect(page.locator('.entry[aria-current]')).toContainText('Changed one word');
    await page.keyboard.press('p');
    await expect(page.locator('[data-step-count]')).toHaveText('8 of 8');
    await page.locator('.entry', { hasText: 'Check the plug' }).click();
    await expect(page.locator('.block.is-current')).toContainText('Check the plug');
    await expect(page.locator('.block.is-current')).toBeInViewport();
});

test('the ends move by arrow keys, by dragging and by pressing a mark, and the address goes along', async ({ page }) => {
    await openHistory(page, 'Volunteer handbook', range);
    await page.locator('.changes-head h2').click();
    await page.keyboard.press('ArrowLeft');
    await expect(page).toHaveURL(/from=186&to=197/);
    await page.keyboard.press('Shift+ArrowRight');
    await expect(page).toHaveURL(/from=187&to=197/);
    await expect(page.getByRole('heading', { name: /between 187 and 197/ })).toBeVisible();
    await page.goBack();
    await expect(page.getByRole('heading', { name: /between 186 and 197/ })).toBeVisible();
    await page.goBack();
    await page.goForward();
    await expect(page.getByRole('heading', { name: /between 186 and 197/ })).toBeVisible();
    await expect(page.getByRole('slider', { name: 'Later' })).toHaveAttribute('aria-valuenow', '197');

    const earlier = page.getByRole('slider', { name: 'Earlier' });
    await earlier.focus();
    await page.keyboard.press('ArrowLeft');
    await expect(page).toHaveURL(/from=185&to=197/);
    const box = await earlier.boundingBox();
    await page.mouse.move(box.x + box.width / 2, box.y + 40);
    await page.mouse.down();
    await page.mouse.move(box.x - 60, box.y + 40, { steps: 5 });
    await page.mouse.up();
    await expect(page).not.toHaveURL(/from=185/);
    const track = await page.locator('[data-scroll]').boundingBox();
    await page.mouse.click(track.x + track.width / 2, track.y + 60);
    await expect.poll(() => {
        const ends = new URL(page.url()).searchParams;
        return Number(ends.get('to')) - Number(ends.get('from'));
    }).toBe(1);
});

test('a mark and an end that is moved show the version from afar, in words, by whom and when', async ({ page }) => {
    await openHistory(page, 'Volunteer handbook', range);
    const card = page.locator('[data-card-box]');
    await expect(card).toBeHidden();
    const track = await page.locator('[data-scroll]').boundingBox();
    await page.mouse.move(track.x + track.width / 2, track.y + 60);
    await page.mouse.move(track.x + track.width / 2 + 2, track.y + 60);
    await expect(card).toBeVisible();
    await expect(card.locator('[data-card=now]')).toHaveJSProperty('complete', true);
    await expect.poll(() => card.locator('[data-card=now]').evaluate((picture) => picture.naturalWidth)).toBeGreaterThan(0);
    await expect(card.locator('[data-card=sentence]')).not.toHaveText(/saved this/);
    await page.keyboard.press('Escape');
    await expect(card).toBeHidden();
    await page.getByRole('slider', { name: 'Earlier' }).focus();
    for (let times = 0; times < 3; times++) await page.keyboard.press('ArrowLeft');
    await expect(card.locator('[data-card=when]')).toContainText('183 ·');
    await expect(card.locator('[data-tag=before]')).toHaveText('182');
    await expect(card.locator('[data-card=before]')).toHaveAttribute('src', /versions\/182\/miniature/);
    await expect(page.locator('[data-hint]')).toContainText(/^183: \w+, /);
    await expect(page.locator('.is-scrubbing')).toHaveCount(0);
    await expect(page).toHaveURL(/from=183/);
});

test('as it was can not be taken for the present, and side by side has both', async ({ page }) => {
    await openHistory(page, 'Volunteer handbook', range);
    await page.getByRole('link', { name: 'As it was' }).click();
    // Several states in tabs are told apart by their moments.
    await expect(page).toHaveTitle(/^\d+ \w+, \d\d:\d\d · /);
    await expect(page).toHaveURL(/view=was/);
    await expect(page.locator('.state-banner')).toContainText('Not the present state. This is 186');
    await expect(page.locator('.paper')).toContainText('Check the plug and lead first.');
    await page.getByRole('link', { name: 'What changed' }).click();
    await page.getByRole('link', { name: 'Side by side' }).click();
    await expect(page.locator('.sides-name').first()).toContainText('Earlier: 186');
    await expect(page.locator('.sides ins').first()).toBeVisible();
    await page.reload();
    await expect(page.locator('.sides-name').last()).toContainText('Later: 198');
});

test('an editor alone', async ({ page }) => {
    await openHistory(page, 'Volunteer handbook', range);
    await page.locator('.pill', { hasText: 'Nell Warwick' }).click();
    await expect(page).toHaveURL(/by=3/);
    await expect(page.locator('.entry')).toHaveCount(2);
    await page.getByRole('link', { name: 'everybody' }).click();
    await expect(page.locator('.entry')).toHaveCount(8);
});

test('a milestone is marked, renamed, shown alone and taken off', async ({ page }) => {
    await newDocument(page, 'Milestones');
    await page.keyboard.type('One.');
    await saved(page);
    await page.keyboard.press('Control+s');
    await expect(page.locator('[data-save-line]')).toHaveText(/Kept as \d+/);
    await page.keyboard.type(' Two.');
    await expect(page.locator('[data-save-line]')).toHaveText(/as 3/);
    await page.getByRole('link', { name: 'Look back' }).click();
    await page.getByText('Mark a milestone').click();
    await page.getByLabel(/name version 3/).fill('Agreed');
    await page.keyboard.press('Enter');
    await expect(page.locator('.ribbon .flag')).toHaveText('Agreed');
    // Ready to be typed in at once, however busy the browser is.
    expect(await page.getByText('Mark a milestone').evaluate((summary) => {
        summary.click();
        return document.activeElement?.id;
    })).toBe('milestone-3');
    await page.getByLabel(/name version 3/).fill('Agreed in spring');
    await page.getByRole('button', { name: 'Rename' }).click();
    await expect(page.locator('.ribbon .flag')).toHaveText('Agreed in spring');
    await page.getByRole('button', { name: 'Milestones' }).click();
    await page.getByRole('link', { name: 'List', exact: true }).click();
    await page.getByRole('link', { name: 'Milestones' }).click();
    await expect(page.locator('.versions-number')).toHaveText(['3']);
    await page.locator('.versions summary').click();
    await page.getByRole('button', { name: 'Take the name off' }).click();
    await expect(page.getByText('No version has a name yet')).toBeVisible();
    await page.getByRole('link', { name: 'All', exact: true }).click();
    await expect(page.locator('.versions-number')).toHaveText(['3', '2', '1']);
});

test('a restore shows its plan, adds a version, and is taken back in one press', async ({ page }) => {
    await newDocument(page, 'Restoring');
    await page.keyboard.type('Worth keeping.');
    await saved(page);
    await page.keyboard.press('Control+s');
    await expect(page.locator('[data-save-line]')).toHaveText(/Kept as \d+/);
    await page.keyboard.press('Control+a');
    await page.keyboard.press('Backspace');
    await page.keyboard.type('Something else.');
    await expect(page.locator('[data-save-line]')).toHaveText(/as [34]/);
    const item = page.url();
    await page.goto(`${item}/history?from=2&to=3`);
    await page.getByRole('link', { name: 'Restore 2…' }).click();
    await expect(page.getByRole('heading', { name: /Restore “Restoring” to 2/ })).toBeVisible();
    await expect(page.getByRole('heading', { name: /Comes back/ })).toBeVisible();
    await page.getByRole('button', { name: 'Restore 2' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Restored 2 as' })).toBeVisible();
    await page.goto(item);
    await expect(text(page)).toHaveText('Worth keeping.');
    await page.getByRole('link', { name: 'History', exact: true }).click();
    await page.getByRole('button', { name: 'Take it back' }).click();
    await page.goto(item);
    await expect(text(page)).toHaveText('Something else.');
});

test('one line of a plan is brought back, by keyboard alone, and the rest stays', async ({ page }) => {
    await newDocument(page, 'Picking');
    await page.keyboard.type('First of all.');
    await page.keyboard.press('Enter');
    await page.keyboard.type('Second thoughts.');
    await saved(page);
    await page.keyboard.press('Control+s');
    await expect(page.locator('[data-save-line]')).toHaveText(/Kept as \d+/);
    const kept = Number((await page.locator('[data-save-line]').textContent()).match(/\d+/)[0]);
    await page.keyboard.press('Control+a');
    await page.keyboard.press('Backspace');
    await page.keyboard.type('Third time lucky.');
    await expect
        .poll(async () => Number((await page.locator('[data-save-line]').textContent()).match(/as (\d+)/)?.[1]))
        .toBeGreaterThan(kept);
    await saved(page);
    const item = page.url();
    await page.goto(`${item}/versions/${kept}/restore`);
    const ticks = page.locator('[data-pick]');
    const count = await ticks.count();
    expect(count).toBeGreaterThan(1);
    await page.getByRole('button', { name: 'Tick none' }).focus();
    await page.keyboard.press('Enter');
    await expect(page.locator('[data-restore]')).toBeDisabled();
    await expect(page.locator('[data-plan-count]')).toHaveText('0 come back, 0 go away');
    const second = page.getByRole('checkbox', { name: /Second thoughts/ });
    await second.focus();
    await page.keyboard.press('Space');
    await expect(page.locator('[data-plan-count]')).toHaveText('1 come back, 0 go away');
    await page.getByRole('button', { name: 'Bring these back' }).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('status').filter({ hasText: `Brought back what you ticked from ${kept}` })).toBeVisible();
    await page.goto(item);
    await expect(text(page)).toContainText('Third time lucky.');
    await expect(text(page)).toContainText('Second thoughts.');
    await expect(text(page)).not.toContainText('First of all.');
    await page.getByRole('link', { name: 'History', exact: true }).click();
    await page.getByRole('button', { name: 'Take it back' }).click();
    await page.goto(item);
    await expect(text(page)).not.toContainText('Second thoughts.');
});

test('a paragraph has its own history, and comes back alone', async ({ page }) => {
    await newDocument(page, 'One part');
    await page.keyboard.type('The first wording.');
    await saved(page);
    await page.keyboard.press('Control+s');
    await expect(page.locator('[data-save-line]')).toHaveText(/Kept as \d+/);
    await page.keyboard.type(' And an end.');
    await page.keyboard.press('Enter');
    await page.keyboard.type('Another paragraph.');
    await expect(page.locator('[data-save-line]')).toHaveText(/as [34]/);
    const item = page.url();
    await page.goto(`${item}/history?from=2&to=3`);
    await page.getByRole('link', { name: /^The history of this part: Added 3 words/ }).focus();
    await page.keyboard.press('Enter');
    await page.waitForURL(/parts/);
    await expect(page.getByText('as it is now')).toBeVisible();
    await page.getByRole('button', { name: 'Bring this back as it was in 2' }).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('status').filter({ hasText: 'Brought back as it was in 2' })).toBeVisible();
    await page.goto(item);
    await expect(text(page)).toContainText('The first wording.');
    await expect(text(page)).toContainText('Another paragraph.');
    await expect(text(page)).not.toContainText('And an end.');
});

test('one editor is taken out of a stretch, and the others’ work stays', async ({ page }) => {
    await signIn(page, 'Ines Oduya');
    await openHistory(page, 'Tool library', 'from=8&to=13');
    await page.locator('.pill', { hasText: 'NW' }).click();
    await page.getByRole('link', { name: 'Take Nell’s out…' }).click();
    await expect(page.getByRole('heading', { name: /Take Nell’s edits out of “Tool library”/ })).toBeVisible();
    await expect(page.getByText('4 versions between 8 and 13 are taken out.')).toBeVisible();
    await page.getByRole('button', { name: 'Take them out' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Took out what Nell wrote there' })).toBeVisible();
    const item = page.url().replace(/\/history.*/, '');
    await page.goto(item);
    await expect(text(page)).not.toContainText('Switch it on once');
    await expect(text(page)).toContainText('Batteries are lent charged');
    await page.goto(`${item}/history`);
    await page.getByRole('button', { name: 'Take it back' }).click();
    await page.goto(item);
    await expect(text(page)).toContainText('Switch it on once');
});

test('a version is copied out and downloaded', async ({ page }) => {
    const name = `Early handbook ${Date.now()}`;
    await openHistory(page, 'Volunteer handbook', 'from=40&to=41');
    await page.getByText('Download', { exact: true }).click();
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Markdown' }).first().click();
    expect((await download).suggestedFilename()).toBe('volunteer-handbook-40.md');
    await page.keyboard.press('Escape');
    await page.getByRole('link', { name: 'Copy out…' }).click();
    await page.getByLabel('What is it called?').fill(name);
    await page.getByLabel('On which shelf?').selectOption({ label: 'Committee' });
    await page.getByRole('button', { name: 'Copy it out' }).click();
    await expect(page.locator('.head-origin')).toContainText('copied out from 40 of “Volunteer handbook”');
    await expect(text(page)).toContainText('Volunteer handbook');
    await page.goto('/');
    await page.getByRole('link', { name: /Committee/ }).click();
    await expect(page.locator('tr', { hasText: name })).toContainText('Copied out from 40 of “Volunteer handbook”');
});

test('an old link to a version that is not there says so', async ({ page }) => {
    await openHistory(page, 'Safeguarding note');
    const response = await page.goto(`${page.url().split('?')[0]}?from=1&to=400`);
    expect(response.status()).toBe(404);
    await axe(page);
    await expect(page.getByText('There is no version 400 of “Safeguarding note”.')).toBeVisible();
});

test('much of a document gone at once asks for a look, is brought back, and a file comes in as its next version', async ({ page }) => {
    const title = `Rules ${Math.random()}`;
    const url = await newDocument(page, title);
    for (let at = 1; at <= 4; at++) {
        await page.keyboard.insertText(Array.from({ length: 45 }, (_, word) => `word${at}x${word}`).join(' '));
        await page.keyboard.press('Enter');
    }
    await saved(page);
    await page.waitForTimeout(1100);
    await page.keyboard.press('Control+a');
    await page.keyboard.press('Backspace');
    await saved(page);
    await page.getByRole('link', { name: 'Volunteers' }).first().click();
    const card = page.locator('.card.is-unusual', { hasText: title });
    await expect(card).toContainText('180 of 180 words were deleted at once');
    await card.getByRole('link', { name: /^Restore \d+…$/ }).click();
    await page.locator('[data-restore]').click();
    await page.waitForURL(/history/);
    await page.goto(url);
    await expect(text(page)).toContainText('word4x44');
    await page.getByRole('link', { name: 'Volunteers' }).first().click();
    await expect(card).toHaveCount(0);

    const number = (await (await page.request.get(`${url}/state`)).json()).number;
    const markdown = (await (await page.request.get(`${url}/versions/${number}/download/md`)).text()).replace('word2x7', 'another');
    await page.goto(`${url}/file`);
    await page.getByLabel('Which file?').setInputFiles({ name: 'rules.md', mimeType: 'text/markdown', buffer: Buffer.from(markdown) });
    await page.getByRole('button', { name: 'Bring it in' }).click();
    await page.waitForURL(/history/);
    // The empty paragraph at the end is in no Markdown file.
    await expect(page.locator('.entries li')).toHaveCount(2);
    await expect(page.locator('.entries')).toContainText('one word');
    await expect(page.locator('[data-state]')).toContainText('another');
});

// From the shelf to a paragraph, a row and a block that are back: each press counted, the last one not made, so that the demo stays as it
// is.
for (const [kind, words, gone] of [
    ['document', 'plug', 'Fish means a hot plug'],
    ['sheet', 'coffee', 'Coffee grinder'],
    ['page', 'solder', 'Soldering only with an adult'],
]) {
    test(`the shortest way to what is gone from a ${kind}: 15 presses by keyboard, 4 by mouse`, async ({ page }) => {
        let presses = 0;
        const shelf = page.url();
        const press = async (key) => {
            presses++;
            await page.keyboard.press(key);
        };
        while (!await page.evaluate(() => document.activeElement?.matches('input[type=search]'))) await press('Tab');
        for (const letter of words) await press(letter);
        await press('Enter');
        await page.waitForURL(/find\?q=/);
        await expect(page.locator('td', { has: page.locator('.is-first:focus') }).locator('.find-text')).toContainText(gone);
        await press('Enter');
        await page.waitForURL(/restore\?part=/);
        await expect(page.locator('[data-restore]')).toBeFocused();
        await expect(page.locator('[data-pick]:checked')).not.toHaveCount(0);
        await expect(page.locator('.plan-line', { has: page.locator(':checked') }).first()).toContainText(gone.slice(0, 12));
        expect(presses + 1).toBeLessThanOrEqual(15);

        await page.goto(shelf);
        await page.getByRole('searchbox', { name: 'Find in every version' }).click();
        await page.keyboard.type(words);
        await page.keyboard.press('Enter');
        await page.locator('.is-first').first().click();
        await expect(page.locator('[data-restore]')).toBeVisible();
        // Into the field, Bring this back…, Bring these back: three.
    });
}

test('what a block was, from where one writes: by the mark in the margin and by a key', async ({ page }) => {
    await newDocument(page, 'Kettle notes');
    await page.keyboard.type('Fill it first');
    await page.keyboard.press('Alt+w');
    await page.waitForURL(/\/parts\//);
    await expect(page.locator('main')).toContainText('Fill it first');
    await page.goBack();
    await text(page).getByText('Fill it first').hover();
    await page.locator('.its-history').click();
    await page.waitForURL(/\/parts\//);
});

test('to a day, restores alone, sittings folded, by the clock: and the address goes along', async ({ page }) => {
    await openHistory(page, 'Volunteer handbook', range);
    const ribbon = page.locator('[data-ribbon]');
    await page.getByPlaceholder('Go to a day…').fill('20 days ago');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/from=1[78]\d&to=198/);
    await expect(ribbon).toHaveAttribute('data-ready', '1');
    await page.getByRole('button', { name: 'Restores' }).click();
    await expect(page).toHaveURL(/only=restores/);
    await page.reload();
    await expect(page.getByRole('button', { name: 'Restores' })).toHaveAttribute('aria-pressed', 'true');
    await page.getByRole('button', { name: 'All', exact: true }).click();
    await expect(page).not.toHaveURL(/only=/);
    await page.keyboard.press('Alt+b');
    await expect(page).toHaveURL(/from=197&to=198/);
    await page.keyboard.press('Alt+Shift+W');
    await expect(page).toHaveURL(/from=198&to=198/);
    await expect(ribbon).toHaveAttribute('data-ready', '1');
    for (const way of ['Sittings', 'By the clock']) {
        await page.getByRole('button', { name: way }).click();
        await expect(page.getByRole('button', { name: way })).toHaveAttribute('aria-pressed', 'true');
    }
    await axe(page);
});

test('several paragraphs are chosen by pointer and by keys, and brought back together', async ({ page }) => {
    await openHistory(page, 'Volunteer handbook', 'from=150&to=198&view=was');
    await page.getByRole('button', { name: 'Choose', exact: true }).click();
    const things = page.locator('[data-state] [data-part]');
    await things.nth(2).click();
    await things.nth(4).click({ modifiers: ['Shift'] });
    await expect(page.locator('[data-chosen-count]')).toHaveText('3 chosen');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Space');
    await expect(page.locator('[data-chosen-count]')).toHaveText('4 chosen');
    await page.keyboard.press('Shift+ArrowDown');
    await expect(page.locator('[data-chosen-count]')).toHaveText('5 chosen');
    await axe(page);
    await page.getByRole('link', { name: 'Bring these back…' }).click();
    await page.waitForURL(/restore\?parts=/);
    await expect(page.locator('[data-pick]:checked')).not.toHaveCount(0);
    await expect(page.locator('[data-pick]:not(:checked)')).not.toHaveCount(0);
    await page.goBack();
    await page.getByRole('button', { name: 'Choose', exact: true }).click();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('button', { name: 'Choose', exact: true })).toBeFocused();
    await expect(page.locator('[data-chosen]')).toBeHidden();
});

test('a milestone is named while writing', async ({ page }) => {
    await newDocument(page, 'Named while writing');
    await page.keyboard.type('As agreed.');
    await saved(page);
    await page.keyboard.press('Control+s');
    await expect(page.locator('[data-save-line]')).toHaveText(/Kept as \d+/);
    await page.getByLabel('A note on this version').fill('Agreed by all');
    await page.getByRole('button', { name: 'As a milestone' }).click();
    await expect(page.locator('[data-save-line]')).toContainText('Agreed by all');
    await page.goto('/milestones');
    await expect(page.getByText('Agreed by all').first()).toBeVisible();
});

test('where much was kept, a name is offered', async ({ page }) => {
    await newDocument(page, 'Named by what was done');
    await page.keyboard.type('The lamp is tested before it goes home, and whoever tests it signs for it. '.repeat(6));
    await saved(page);
    await page.keyboard.press('Control+s');
    await page.getByRole('button', { name: /^Call it “/ }).click();
    await expect(page.locator('[data-save-line]')).toContainText('The lamp is tested');
});
