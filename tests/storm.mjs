/*
 * Many people at once over one place, by HTTP, each doing one thing after the other at random: nobody is answered with an error of the
 * server, and all is well afterwards. The world (tests/World) knows what must hold after every step, and takes them one by one; this has
 * them meet.
 *
 *   node tests/storm.mjs [seconds 60] [people at once 8] [seed]
 */
import { execFileSync } from 'node:child_process';
import { request } from '@playwright/test';
import { Server } from './browser/server.mjs';

const [seconds, people, seed] = [
    Number(process.argv[2] ?? 60),
    Number(process.argv[3] ?? 8),
    Number(process.argv[4] ?? Date.now() % 1_000_000),
];
const KINDS = ['document', 'spreadsheet', 'page', 'form', 'report', 'dataset', 'file'];
/** @type {Record<string, number>} */
const answers = {};
/** @type {string[]} */
const broken = [];

/** A linear congruential generator (Park and Miller, CACM 31(10), 1988). @param {number} from */
function chance(from) {
    let at = (from % 2_147_483_646) + 1;
    const next = () => (at = (at * 48_271) % 2_147_483_647) / 2_147_483_647;
    return {
        next,
        of: (/** @type {any[]} */ list) => list[Math.floor(next() * list.length)],
        under: (/** @type {number} */ most) => Math.floor(next() * most),
    };
}

/** @param {string} url @param {number} nth @param {number} until */
async function somebody(url, nth, until) {
    const dice = chance(seed + nth * 7919);
    const web = await request.newContext({ baseURL: url, maxRedirects: 0 });
    const text = async (/** @type {string} */ address) => (await web.get(address, { maxRedirects: 5 })).text();
    /** @param {string} method @param {string} address @param {unknown} [data] */
    const does = async (method, address, data) => {
        const token = (await web.storageState()).cookies.find(({ name }) => name === 'XSRF-TOKEN')?.value ?? '';
        const answer = await web.fetch(address, {
            method,
            data,
            timeout: 60_000,
            headers: { 'X-XSRF-TOKEN': decodeURIComponent(token), Accept: 'application/json, text/html' },
        });
        const status = answer.status();
        answers[status] = (answers[status] ?? 0) + 1;
        if (status >= 500)
            broken.push(`${status} ${method} ${address} ${(await answer.text()).replace(/<[^>]+>|\s+/g, ' ').slice(0, 200)}`);
        return status === 200 ? answer : null;
    };
    const found = (/** @type {string} */ html, /** @type {RegExp} */ what) => [...new Set([...html.matchAll(what)].map(([, key]) => key))];

    const doors = found(await text('/sign-in'), /(\/sign-in\/demo\/\d+)/g);
    await does('POST', doors[nth % doors.length]);
    const shelves = found(await text('/'), /\/shelves\/([a-z0-9]{12})/g);
    const items = (
        await Promise.all(shelves.map(async (shelf) => found(await text(`/shelves/${shelf}`), /\/items\/([a-z0-9]{12})\//g)))
    ).flat();

    /** @param {string} item */
    const writes = async (item) => {
        const state = await (await does('GET', `${item}/state`))?.json();
        if (!Array.isArray(state?.content)) return;
        const sent = {
            base: state.root,
            from: state.number,
            client: `${nth}.${dice.under(1e9)}`,
            ...(dice.next() < 0.3 ? { keep: true } : {}),
        };
        if (state.content[0]?.[1] === 'tab') {
            const rows = state.content.filter((part) => part[1] === 'row').slice(1);
            const [row, column] = [dice.of(rows), state.content.find((part) => part[1] === 'column')];
            if (row && column)
                await does('PUT', `${item}/state`, {
                    ...sent,
                    edits: { cells: { [row[0]]: { [column[0]]: dice.under(1000) } }, at: { [row[0]]: state.content.indexOf(row) } },
                });
            return;
        }
        const texts = state.content.filter((part) => part[3]?.text?.runs);
        if (texts.length === 0) return;
        dice.of(texts)[3].text = { runs: [[`Storm ${nth} ${dice.under(1000)}`]] };
        await does('PUT', `${item}/state`, { ...sent, content: state.content });
    };
    const pages = [
        '',
        '/history',
        '/history/list',
        '/history?view=was',
        '/history?view=who',
        '/ribbon',
        '/keeping',
        '/talk',
        '/proposals',
        '/delete',
        '/move',
        '/take-out?from=1&to=2&by=1',
    ];
    const wider = ['/for-you', '/find?q=storm', '/milestones', '/lost', '/account'];
    /** @type {((item: string, shelf: string, head: number, number: number) => Promise<unknown>)[]} */
    const deeds = [
        (item, _, head, number) => does('POST', `${item}/versions/${number}/restore`, { seen: head }),
        (item, _, head) => does('POST', `${item}/versions/${head}/take-back`, {}),
        (item, _, head, number) =>
            does('POST', `${item}/take-out`, { from: Math.max(0, number - 1), to: number, by: 1 + dice.under(4), seen: head }),
        (item, _, __, number) => does('PUT', `${item}/versions/${number}/milestone`, { name: `Storm ${dice.under(1e6)}` }),
        (item, _, __, number) => does('PUT', `${item}/versions/${number}/pin`, { pin: dice.under(2) }),
        (item, shelf, __, number) =>
            does('POST', `${item}/versions/${number}/copy`, { title: `Copy ${dice.under(1e6)}`, shelf, history: dice.under(2) }),
        (item, _, head) => does('POST', `${item}/versions/${head}/publish`, { note: '' }),
        (item, _, __, number) =>
            does('GET', `${item}/versions/${number}/download/${dice.of(['json', 'csv', 'html', 'odt', 'xlsx', 'md'])}`),
        (item, _, head) => does('POST', `${item}/talk`, { text: 'Storm', part: '', number: head }),
        (item) => does('POST', `${item}/proposals`, {}),
        (item) => does('PUT', `${item}/title`, { title: `Storm ${dice.under(1e6)}` }),
        async (item) => {
            await does('DELETE', item, {});
            await does('PUT', `${item}/back`, {});
        },
        (item) =>
            does('POST', `${item}/keeping`, {
                leave: dice.of([0, 60, 300]),
                every: dice.of([1, 7, 30]),
                most: dice.of([10, 50, '']),
                do: 'keep',
            }),
        (item) => does('POST', `${item}/keeping/now`, {}),
        (item, _, __, number) => does('DELETE', `${item}/versions`, { from: number, to: number + 2, reason: 'storm' }),
        (item) => does('PUT', `${item}/shelf`, { to: dice.of(shelves) }),
        (item) => does('PUT', `${item}/watch`, { how: dice.of(['all', 'none']) }),
        (_, shelf) => does('PUT', `/shelves/${shelf}/keeping/kinds`, { kinds: dice.under(2) === 0 ? KINDS : KINDS.slice(1) }),
        (_, shelf) =>
            does('POST', `/shelves/${shelf}/day/mark`, {
                name: `Storm ${dice.under(1e6)}`,
                at: `${new Date().toISOString().slice(0, 19)}Z`,
            }),
        (_, shelf) => does('POST', `/shelves/${shelf}/items`, { kind: dice.of(KINDS.slice(0, 5)), title: `Made ${dice.under(1e6)}` }),
    ];
    while (Date.now() < until) {
        const [item, shelf, roll] = [`/items/${dice.of(items)}`, dice.of(shelves), dice.next()];
        if (roll < 0.35) await writes(item);
        else if (roll < 0.6)
            await does(
                'GET',
                dice.of([
                    ...pages.map((page) => item + page),
                    ...wider,
                    `/shelves/${shelf}`,
                    `/shelves/${shelf}/day`,
                    `/shelves/${shelf}/log`,
                    `/shelves/${shelf}/keeping`,
                ]),
            );
        else {
            const head = Number((await (await does('GET', `${item}/foot`))?.text())?.match(/data-number="(\d+)"/)?.[1] ?? 1);
            await dice.of(deeds)(item, shelf, head, 1 + dice.under(head));
        }
    }
    await web.dispose();
}

console.log(`storm: seed ${seed}, ${people} at once for ${seconds} s`);
const server = await new Server(8127, { checkpoint: 60 }).start();
try {
    const until = Date.now() + seconds * 1000;
    await Promise.all(Array.from({ length: people }, (_, nth) => somebody(server.url, nth, until)));
    console.log(Object.entries(answers).map(([status, count]) => `${count} answers of ${status}`).join(', '));
    for (const line of broken) console.log(line);
    console.log(execFileSync('php', ['artisan', 'attic:verify'], { env: server.env }).toString().trim().split('\n').pop());
} finally {
    server.stop();
}
process.exit(broken.length === 0 ? 0 : 1);
