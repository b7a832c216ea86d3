import { expect } from '@playwright/test';
import { axe, fits, newDocument, newForm, newItem, saved, signIn, state, test, text, typed, words } from './steps.mjs';

/** Waits until what was typed is kept on the side line. */
async function proposed(page) {
    await page.waitForTimeout(60);
    await expect(page.locator('[data-save-line]')).toHaveText(/Kept .*as a proposal/);
}

/** Somebody else, in a browser of their own. */
async function other(browser, name, url) {
    const page = await (await browser.newContext()).newPage();
    await signIn(page, name);
    await page.goto(url);
    return page;
}

async function beginProposing(page, url) {
    await page.goto(`${url}/proposals`);
    await page.getByRole('button', { name: 'Propose instead of writing' }).press('Enter');
    await expect(page.getByText('You propose changes to')).toBeVisible();
}

test('a text is proposed by keys, seen in place, accepted and declined change by change, and taken back', async ({ page, browser }) => {
    await signIn(page, 'Ines Oduya');
    const url = await newDocument(page, 'Leads on the hook');
    await typed(page, 'Every lead is looked at before it goes back.');
    await page.keyboard.press('Enter');
    await typed(page, 'A lead without a tag is a broken lead.');

    const tobi = await other(browser, 'Tobi Brandt', url);
    await tobi.getByRole('link', { name: 'Proposals' }).press('Enter');
    await tobi.getByRole('button', { name: 'Propose instead of writing' }).press('Enter');
    await expect(tobi.getByText('You propose changes to “Leads on the hook”')).toBeVisible();
    await expect(tobi.locator('[data-save-line]')).toHaveText('Nothing proposed yet');
    await text(tobi).focus();
    await tobi.keyboard.press('Control+Home');
    await tobi.keyboard.press('End');
    await tobi.keyboard.type(' Twice.');
    await tobi.keyboard.press('Control+End');
    await tobi.keyboard.press('Enter');
    await tobi.keyboard.type('Write the date with the paint pen.');
    await proposed(tobi);
    await axe(tobi);

    // Nothing has changed; the desk says that something is proposed.
    await page.goto(url);
    expect((await state(page)).content.map(words)).toEqual([
        'Every lead is looked at before it goes back.',
        'A lead without a tag is a broken lead.',
    ]);
    await page.getByRole('link', { name: 'With what is proposed' }).press('Enter');
    await expect(page.getByRole('heading', { name: 'Tobi proposes 2 changes' })).toBeVisible();
    await expect(page.locator('.paper ins')).toHaveText([' Twice.', 'Write the date with the paint pen.']);
    await page.getByRole('link', { name: 'As it would be' }).press('Enter');
    await expect(page.locator('.past-state')).toContainText('goes back. Twice.');
    await expect(page.locator('.past-state ins')).toHaveCount(0);

    // One is accepted where it is, the other declined with a word.
    await page.getByRole('link', { name: 'With what is proposed' }).press('Enter');
    await page.locator('.paper .block-answer').first().getByRole('button', { name: 'Accept' }).press('Enter');
    await expect(page.getByText(/^Accepted: it is version \d+ now, under Tobi’s name\.$/)).toBeVisible();
    await expect(page.getByRole('heading', { name: 'Tobi proposes one change' })).toBeVisible();
    await page.getByLabel('A word with your answer, if you like').fill('The pen ran.');
    await page.getByRole('button', { name: 'Decline all' }).press('Enter');
    await expect(page.getByText('Declined. Tobi is told.')).toBeVisible();
    expect((await page.request.get(`${url}/state`).then((answer) => answer.json())).content.map(words)).toEqual([
        'Every lead is looked at before it goes back. Twice.',
        'A lead without a tag is a broken lead.',
    ]);

    // Its author is told, and proposes it again; the side line that was answered says so.
    await tobi.goto('/for-you');
    await expect(tobi.getByText('Ines accepted what you proposed')).toBeVisible();
    await tobi.locator('li, tr, article').filter({ hasText: 'The pen ran.' }).first().getByRole('link').first().click();
    await tobi.getByRole('button', { name: 'Propose it again' }).press('Enter');
    await expect(text(tobi)).toContainText('Write the date with the paint pen.');

    // In the history it is Tobi's, by Ines's yes, and it is taken back at a press.
    await page.goto(`${url}/history`);
    await page.getByRole('button', { name: 'Take it back' }).press('Enter');
    await page.goto(`${url}/history/list`);
    await expect(page.getByText('Ines accepted Tobi’s: added one word', { exact: false })).toBeVisible();
    await expect(page.getByText('Ines declined what Tobi proposed: The pen ran.')).toBeVisible();
    await axe(page);
});

test('the item goes on meanwhile: its author takes that in, and what meets something says so', async ({ page, browser }) => {
    await signIn(page, 'Ines Oduya');
    const url = await newDocument(page, 'Goes on meanwhile');
    await typed(page, 'The door is open from six.');
    const tobi = await other(browser, 'Tobi Brandt', url);
    await beginProposing(tobi, url);
    await text(tobi).focus();
    await tobi.keyboard.press('Control+End');
    for (let letter = 0; letter < 4; letter++) await tobi.keyboard.press('Backspace');
    await tobi.keyboard.type('half past five.');
    await proposed(tobi);
    await page.goto(url);
    await text(page).focus();
    await page.keyboard.press('Control+End');
    for (let letter = 0; letter < 4; letter++) await page.keyboard.press('Backspace');
    await page.keyboard.type('seven.');
    await page.keyboard.press('Enter');
    await typed(page, 'Ring twice.');
    // What was written since comes in with the next word that is proposed.
    await tobi.keyboard.press('Home');
    await tobi.keyboard.type('Usually: ');
    await expect(text(tobi)).toContainText('Ring twice.');
    await page.goto(`${url}/proposals`);
    await expect(page.getByRole('heading', { name: 'Tobi proposes one change' })).toBeVisible();
    await page.getByRole('button', { name: 'Accept all' }).press('Enter');
    await expect(page.getByText(/^Accepted/)).toBeVisible();
    expect((await page.request.get(`${url}/state`).then((answer) => answer.json())).content.map(words)).toEqual([
        'Usually: The door is open from half past five.',
        'Ring twice.',
    ]);
    await tobi.reload();
    await expect(tobi.getByText('This was answered')).toBeVisible();
});

test('cells, blocks and questions are proposed on the same desks', async ({ page, browser }) => {
    await signIn(page, 'Ines Oduya');
    const sheet = await newItem(page, 'Spreadsheet', 'Proposed cells', 'Committee');
    await expect(page.locator('[data-grid]')).toBeFocused();
    await page.keyboard.type('Kettle');
    await page.keyboard.press('Enter');
    await saved(page);
    const nell = await other(browser, 'Nell Warwick', sheet);
    await beginProposing(nell, sheet);
    await expect(nell.locator('[data-grid]')).toBeFocused();
    await nell.keyboard.type('Toaster');
    await nell.keyboard.press('Enter');
    await proposed(nell);
    await page.goto(`${sheet}/proposals`);
    await expect(page.getByText('Renamed the column “Kettle” to “Toaster”', { exact: false })).toBeVisible();
    await axe(page);
    await page.getByRole('button', { name: 'Accept all' }).press('Enter');
    await page.goto(sheet);
    await expect(page.getByRole('gridcell', { name: 'Toaster' })).toBeVisible();

    const form = await newForm(page, 'Proposed questions');
    await page.keyboard.press('Control+Home');
    await nell.goto(form);
    await beginProposing(nell, form);
    await nell.getByText('Put in…', { exact: true }).press('Enter');
    await nell.getByRole('button', { name: 'Number', exact: true }).press('Enter');
    await nell.keyboard.type('How many?');
    await proposed(nell);
    await page.goto(`${form}/proposals`);
    await expect(page.getByText('How many?').first()).toBeVisible();
    await page.getByRole('button', { name: 'Accept all' }).press('Enter');
    await page.goto(form);
    await expect(text(page)).toContainText('How many?');
});

test('somebody without an account proposes by a link, by keys', async ({ page, browser }) => {
    await signIn(page, 'Ines Oduya');
    const url = await newDocument(page, 'Asked from outside');
    await typed(page, 'The door is open from six.');
    await page.goto(`${url}/proposals`);
    await page.getByText('Let somebody without an account propose').press('Enter');
    await page.getByRole('button', { name: 'Make a link' }).press('Enter');
    const link = await page.getByLabel('The link').inputValue();
    await axe(page);

    const outside = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
    await outside.goto(link);
    await outside.getByLabel('Paragraph').fill('The door is open from half past five.');
    await outside.getByLabel('Your name').fill('Dara Finch');
    await outside.getByRole('button', { name: 'Propose this' }).press('Enter');
    await expect(outside.getByRole('heading', { name: 'Thank you, Dara Finch.' })).toBeVisible();
    await page.goto(link);
    await axe(page);

    await page.goto(`${url}/proposals`);
    await expect(page.getByRole('heading', { name: 'Dara Finch proposes one change' })).toBeVisible();
    await page.getByRole('button', { name: 'Take it back' }).press('Enter');
    await expect(page.getByText('The link leads nowhere any more.')).toBeVisible();
    expect((await page.request.get(link)).status()).toBe(410);
});

test('whoever has a link to a spreadsheet writes in its cells, page by page', async ({ page, browser }) => {
    await signIn(page, 'Ines Oduya');
    const url = await newItem(page, 'Spreadsheet', 'Cakes from outside', 'Committee');
    for (const cell of ['Cake', 'Slices', 'Poppy seed', '12', '=B2*2']) {
        await page.keyboard.type(cell);
        await page.keyboard.press(cell === 'Slices' ? 'Enter' : 'Tab');
    }
    await saved(page);
    await page.goto(`${url}/proposals`);
    await page.getByText('Let somebody without an account propose').press('Enter');
    await page.getByRole('button', { name: 'Make a link' }).press('Enter');
    const link = await page.getByLabel('The link').inputValue();

    const outside = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
    await outside.goto(link);
    await expect(outside.getByText('24', { exact: true })).toBeVisible();
    await outside.getByLabel('B2, Slices').fill('14,5');
    await outside.getByLabel('A3, Cake').fill('Plum');
    await outside.getByLabel('Your name').fill('Dara Finch');
    await outside.getByLabel('Your name').press('Enter');
    await expect(outside.getByRole('heading', { name: 'Thank you, Dara Finch.' })).toBeVisible();
    await page.goto(link);
    await fits(page, 'a table of fields');
    await axe(page);

    await page.goto(`${url}/proposals`);
    await expect(page.getByRole('heading', { name: 'Dara Finch proposes 2 changes' })).toBeVisible();
    await page.getByRole('button', { name: 'Accept all' }).press('Enter');
    await page.goto(url);
    await expect(page.getByText('29', { exact: true })).toBeVisible();
});

test('places of one text are answered by themselves, everybody’s lies side by side, and who accepts goes on writing', async ({
    page,
    browser,
}) => {
    await signIn(page, 'Ines Oduya');
    const url = await newDocument(page, 'Side by side');
    await typed(page, 'Every lead is looked at before it goes back on its hook.');
    for (const [who, letters] of [
        [
            'Tobi Brandt',
            [
                ['Home', 'Always: '],
                ['End', ' Twice.'],
            ],
        ],
        ['Rafi Sadek', [['End', ' By daylight.']]],
    ]) {
        const theirs = await other(browser, who, url);
        await beginProposing(theirs, url);
        await text(theirs).focus();
        for (const [key, words] of letters) {
            await theirs.keyboard.press(`Control+${key}`);
            await theirs.keyboard.type(words);
        }
        await proposed(theirs);
        await theirs.close();
    }
    const now = async () => (await page.request.get(`${url}/state`).then((answer) => answer.json())).content.map(words)[0];

    await page.goto(`${url}/proposals`);
    await page.getByRole('link', { name: 'Everybody' }).press('Enter');
    await expect(page.getByRole('heading', { name: '2 people propose 2 changes' })).toBeVisible();
    await expect(page.locator('.paper .slip.is-proposal')).toHaveCount(2);
    await axe(page);

    // One place of Tobi's.
    await page.locator('.proposals-who').getByRole('link', { name: 'Tobi' }).press('Enter');
    await page.getByText('2 places, each by itself').press('Enter');
    await page.locator('.entry-places li').filter({ hasText: 'put in “Always:”' }).getByRole('button', { name: 'Accept' }).press('Enter');
    await expect(page.getByText(/^Accepted: it is version \d+ now, under Tobi’s name\.$/)).toBeVisible();
    expect(await now()).toBe('Always: Every lead is looked at before it goes back on its hook.');

    // Rafi's is accepted by Ines, who goes on at its end.
    await page.locator('.proposals-who').getByRole('link', { name: 'Rafi' }).press('Enter');
    await page.getByRole('button', { name: 'Accept and edit' }).press('Enter');
    await expect(page.getByText('What you write from here on is yours.')).toBeVisible();
    await expect(text(page)).toBeFocused();
    await page.keyboard.type(' In April.');
    await saved(page);
    expect(await now()).toBe('Always: Every lead is looked at before it goes back on its hook. By daylight. In April.');
});
