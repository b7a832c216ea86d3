import assert from 'node:assert/strict';
import { beforeEach, test } from 'node:test';
import { Slice } from 'prosemirror-model';
import { ReplaceStep, Transform } from 'prosemirror-transform';
import { toDocument, toParts } from '../../resources/js/document/convert.js';
import { readKept } from '../../resources/js/sync/kept.js';
import { DocumentDesk } from '../../resources/js/sync/document-desk.js';
import { Sync } from '../../resources/js/sync/sync.js';

const paragraphs = (...texts) => texts.map((text, at) => [`p${at}aa`, 'paragraph', 0, { text: { runs: text === '' ? [] : [[text]] } }]);
const words = (parts) => parts.map((part) => part[3].text.runs.map((run) => run[0]).join(''));

let store;
/** Whom the page was made for. */
let meta;
beforeEach(() => {
    store = new Map();
    meta = { content: '7', dataset: { key: btoa('k'.repeat(32)) } };
    globalThis.document = { cookie: 'XSRF-TOKEN=token', querySelector: () => meta };
    globalThis.localStorage = {
        getItem: (key) => store.get(key) ?? null,
        setItem: (key, value) => store.set(key, value),
        removeItem: (key) => store.delete(key),
    };
});

/** An editor that is only its document, and a server that answers with what it is told to. */
function desk(...texts) {
    const self = {
        now: toDocument(paragraphs(...texts)),
        said: [],
        asked: [],
        answers: [],
        signedIn: 0,
        write: (...to) => {
            self.now = toDocument(paragraphs(...to));
            self.sync.changed();
            clearTimeout(self.sync.timer);
            self.sync.timer = undefined;
        },
        texts: () => words(toParts(self.now)),
    };
    globalThis.fetch = async (url, options) => {
        const body = options.body ? JSON.parse(options.body) : null;
        self.asked.push({ url, method: options.method, ...body });
        const answer = self.answers.shift() ?? { status: 500 };
        if (answer.before) answer.before();
        if (answer.error) throw new TypeError('no network');
        return {
            ok: (answer.status ?? 200) < 400,
            status: answer.status ?? 200,
            headers: { get: (name) => answer.headers?.[name] ?? null },
            json: async () => answer.json ?? {},
        };
    };
    self.desk = new DocumentDesk(self.now, {
        document: () => self.now,
        busy: () => self.busy ?? false,
        apply: (changes) => {
            const transform = new Transform(self.now);
            for (const { from, to, content } of [...changes].reverse()) transform.step(new ReplaceStep(from, to, new Slice(content, 0, 0)));
            self.now = transform.doc;
        },
    }, { toParts, toDocument });
    self.sync = new Sync({ key: 'item', root: 'r0', number: 1, me: 7 }, self.desk, {
        say: (text, kind) => self.said.push([kind, text]),
        signIn: async () => {
            self.signedIn++;
        },
        moved: () => {},
    });
    // No timer goes on by itself here: each test says when.
    self.sync.later = () => {};
    return self;
}

test('a save sends the base and the content, and takes the new root', async () => {
    const at = desk('One.', 'Two.');
    at.write('One!', 'Two.');
    at.answers.push({ json: { root: 'r1', sent: 'r1', number: 2, content: null, held: 0 } });
    assert.equal(await at.sync.save(), true);
    assert.deepEqual([at.asked[0].base, words(at.asked[0].content)], ['r0', ['One!', 'Two.']]);
    assert.deepEqual([at.sync.base, at.sync.number, at.sync.dirty], ['r1', 2, false]);
    assert.equal(readKept('item', 7), null);
});

test('nothing changed is not sent, unless a version is to be kept', async () => {
    const at = desk('One.');
    assert.equal(await at.sync.save(), true);
    assert.equal(at.asked.length, 0);
    at.answers.push({ json: { root: 'r0', sent: 'r0', number: 1, content: null, held: 0 } });
    assert.equal(await at.sync.save({ keep: true, note: 'as read' }), true);
    assert.deepEqual([at.asked[0].keep, at.asked[0].note], [true, 'as read']);
});

test('what others wrote is carried into the editor, around what was typed in the meantime', async () => {
    const at = desk('One.', 'Two.', 'Three.');
    at.write('One.', 'Two, mine.', 'Three.');
    at.answers.push({
        before: () => at.write('One.', 'Two, mine.', 'Three, typed meanwhile.'),
        json: { root: 'r2', sent: 'r1', number: 3, content: paragraphs('One, theirs.', 'Two, mine.', 'Three.'), held: 0 },
    });
    await at.sync.save();
    assert.deepEqual(at.texts(), ['One, theirs.', 'Two, mine.', 'Three, typed meanwhile.']);
    assert.deepEqual([at.sync.base, at.sync.dirty], ['r2', true]);
    assert.ok(readKept('item', 7), 'what is not saved is still kept here');
});

test('where it meets what was typed in the meantime, the server merges again from what it was sent', async () => {
    const at = desk('One.');
    at.write('One, mine.');
    at.answers.push({
        before: () => at.write('One, mine, and more.'),
        json: { root: 'r2', sent: 'r1', number: 3, content: paragraphs('One, theirs.'), held: 1 },
    });
    await at.sync.save();
    assert.deepEqual([at.texts(), at.sync.base], [['One, mine, and more.'], 'r1']);
    assert.deepEqual(at.said.at(-1), ['saved', 'merged as 3; what met another edit is held back']);
    at.answers.push({ json: { root: 'r3', sent: 'r3', number: 3, content: paragraphs('One, theirs.'), held: 1 } });
    await at.sync.save();
    assert.equal(at.asked[1].base, 'r1');
    assert.deepEqual(at.texts(), ['One, theirs.']);
});

test('while a word is being composed nothing is put into the editor', async () => {
    const at = desk('One.', 'Two.');
    at.busy = true;
    at.write('One!', 'Two.');
    at.answers.push({ json: { root: 'r2', sent: 'r1', number: 3, content: paragraphs('One!', 'Two, theirs.'), held: 0 } });
    await at.sync.save();
    assert.deepEqual([at.texts(), at.sync.base], [['One!', 'Two.'], 'r1']);
});

test('without the server it is kept here, said so, and taken up again', async () => {
    const at = desk('One.');
    at.write('One, in the dark.');
    at.answers.push({ error: true });
    assert.equal(await at.sync.save(), false);
    assert.deepEqual(at.said.at(-1), ['away', 'not reachable: kept on this computer, one change waiting']);
    at.write('One, in the dark, twice.');
    assert.match(at.said.at(-1)[1], /2 changes waiting/);

    // The window is closed and opened again, perhaps with an older page.
    const later = desk('One.');
    assert.equal(later.sync.takeUp(), true);
    assert.deepEqual(words(toParts(later.desk.kept)), ['One, in the dark, twice.']);
    assert.deepEqual([later.sync.base, later.sync.client], ['r0', at.sync.client]);
});

test('a sending without an answer is repeated under the same name, an answered one is not', async () => {
    const at = desk('One.');
    at.write('One!');
    at.answers.push(
        { status: 502 },
        { json: { root: 'r1', sent: 'r1', number: 2, content: null, held: 0 } },
        { json: { root: 'r2', sent: 'r2', number: 2, content: null, held: 0 } },
    );
    await at.sync.save();
    await at.sync.save();
    at.write('One!!');
    await at.sync.save();
    const names = at.asked.map((asked) => asked.client);
    assert.equal(names[0], names[1]);
    assert.notEqual(names[1], names[2]);
});

test('what is refused is said, not sent again until it is changed, and not lost', async () => {
    const at = desk('One.');
    at.write('One!');
    at.answers.push({
        status: 422,
        json: { message: 'No.', problems: [{ code: 'x', path: 'parts.0', text: 'One paragraph is too long.' }] },
    });
    await at.sync.save();
    assert.deepEqual(at.said.at(-1), ['problem', 'Not saved. One paragraph is too long.']);
    assert.equal(await at.sync.save(), false);
    assert.equal(at.asked.length, 1);
    assert.ok(readKept('item', 7));
    at.write('Two.');
    at.answers.push({ json: { root: 'r1', sent: 'r1', number: 2, content: null, held: 0 } });
    assert.equal(await at.sync.save(), true);
});

test('when the session has ended one signs in, and then it saves', async () => {
    const at = desk('One.');
    at.write('One!');
    at.answers.push({ status: 419 }, { json: { root: 'r1', sent: 'r1', number: 2, content: null, held: 0 } });
    await at.sync.save();
    assert.equal(at.signedIn, 1);
    assert.equal(await at.sync.save(), true);
});

test('a newer state is fetched when nothing of one’s own waits, and merged by a save when something does', async () => {
    const at = desk('One.', 'Two.');
    at.answers.push({ json: { root: 'r5', number: 5, content: paragraphs('One, theirs.', 'Two.') } });
    await at.sync.follow('r5');
    assert.deepEqual([at.texts(), at.sync.base, at.sync.number], [['One, theirs.', 'Two.'], 'r5', 5]);
    await at.sync.follow('r5');
    assert.equal(at.asked.length, 1);
    at.write('One, theirs.', 'Two, mine.');
    at.answers.push({ json: { root: 'r7', sent: 'r6', number: 7, content: paragraphs('One, theirs again.', 'Two, mine.'), held: 0 } });
    await at.sync.follow('r6');
    assert.equal(at.asked[1].method, 'PUT');
    assert.deepEqual(at.texts(), ['One, theirs again.', 'Two, mine.']);
    // Written while it was fetched: the server sees first what it meets.
    at.answers.push({
        json: { root: 'r8', number: 8, content: paragraphs('One.', 'Two, mine.') },
        before: () => at.write('One, theirs again.', 'Two, mine, too.'),
    });
    await at.sync.follow('r8');
    assert.deepEqual([at.texts(), at.sync.base], [['One, theirs again.', 'Two, mine, too.'], 'r7']);
});

test('what waits on this computer is readable by its writer alone', async () => {
    const at = desk('One.');
    at.write('A secret.');
    at.answers.push({ error: true });
    await at.sync.save();
    assert.ok(store.size > 0 && ![...store.values()].some((kept) => kept.includes('secret')));
    meta = { content: '8', dataset: { key: btoa('x'.repeat(32)) } };
    assert.equal(readKept('item', 7), null, 'somebody else has another key');
    meta = { content: '7', dataset: { key: btoa('k'.repeat(32)) } };
    assert.deepEqual(words(readKept('item', 7).content), ['A secret.']);
});

test('with no room on this computer one is told to keep the window open', async () => {
    const at = desk('One.');
    globalThis.localStorage.setItem = () => {
        throw new Error('QuotaExceededError');
    };
    at.write('One!');
    at.answers.push({ error: true });
    await at.sync.save();
    assert.match(at.said.at(-1)[1], /keep this window open/);
});

test('a server in trouble is asked again with patience, not at every key, and then one says what to do', async () => {
    const at = desk('One.');
    const asked = [];
    at.sync.around.stuck = async (why) => (asked.push(why), 'again');
    at.write('One, mine.');
    for (let tries = 1; tries <= 6; tries++) {
        at.answers.push({ status: tries === 2 ? 503 : 500, headers: tries === 2 ? { 'Retry-After': '9' } : {} });
        assert.equal(await at.sync.save(), false);
        assert.equal(at.sync.retry, tries === 2 ? 9000 : 1000 * 2 ** (tries - 1));
        at.write(`One, mine, ${tries}.`);
        assert.equal(at.asked.length, tries, 'typing on sends nothing');
    }
    assert.deepEqual(asked, []);
    at.answers.push({ status: 500 });
    await at.sync.save();
    assert.deepEqual(asked, ['trouble']);
    at.answers.push({ json: { root: 'r1', sent: 'r1', number: 2, content: null, held: 0 } });
    assert.equal(await at.sync.save(), true, 'trying again begins anew');
    assert.deepEqual([at.sync.troubles, at.sync.dirty], [0, false]);
});

test('without the server it is tried again ever later, at most every ten seconds, and at once when it is back', async () => {
    const at = desk('One.');
    const later = Object.getPrototypeOf(at.sync).later;
    const waits = [];
    const timeout = globalThis.setTimeout;
    at.sync.later = function () {
        globalThis.setTimeout = (_, wait) => waits.push(wait);
        later.call(this);
        globalThis.setTimeout = timeout;
        this.timer = undefined;
    };
    at.write('One!');
    for (let tries = 0; tries < 8; tries++) {
        at.answers.push({ error: true });
        assert.equal(await at.sync.save(), false);
    }
    assert.deepEqual(waits.map(Math.round), [1500, 2250, 3375, 5063, 7594, 10_000, 10_000, 10_000]);
    at.answers.push({ status: 503 });
    await at.sync.save();
    assert.deepEqual([waits.at(-1), at.sync.troubles], [1000, 1], 'trouble has a patience of its own');
    at.answers.push({ status: 503 });
    await at.sync.save();
    assert.equal(waits.at(-1), 2000);
    at.answers.push({ json: { root: 'r1', sent: 'r1', number: 2, content: null, held: 0 } });
    assert.equal(await at.sync.save(), true);
    assert.deepEqual([at.sync.retry, at.sync.troubles, at.sync.away], [1000, 0, false]);
    // What was typed while it was sent goes soon.
    at.write('One!!');
    at.answers.push({ before: () => at.write('One!!!'), json: { root: 'r2', sent: 'r2', number: 2, content: null, held: 0 } });
    await at.sync.save();
    assert.equal(waits.at(-1), 700);
    at.write('One!!!!');
    at.answers.push({ status: 503 });
    await at.sync.save();
    assert.equal(waits.at(-1), 1000, 'trouble while it is there is no matter of moments either');
});

test('a base that nobody knows is no dead end: it is merged from the last version that both know, or kept as a new item', async () => {
    for (const choice of ['merge', 'aside', null]) {
        const at = desk('One.');
        let kept = '';
        at.sync.around.stuck = async () => choice;
        at.sync.around.kept = (address) => (kept = address);
        at.write('One, mine.');
        at.answers.push({
            status: 409,
            json: { message: 'no', problems: [{ code: 'unknown_base', path: 'base', text: 'You began elsewhere.' }] },
        });
        if (choice === 'merge') at.answers.push({ json: { root: 'r5', sent: 'r5', number: 9, content: null, held: 0 } });
        if (choice === 'aside') at.answers.push({ json: { address: '/items/new' } });
        await at.sync.save();
        if (choice === 'merge')
            assert.deepEqual([at.asked[1].method, at.asked[1].from, at.sync.base, at.sync.dirty], ['PUT', 1, 'r5', false]);
        else if (choice === 'aside')
            assert.deepEqual(
                [at.asked[1].url, at.asked[1].method, words(at.asked[1].content), kept],
                ['/items/item/aside', 'POST', ['One, mine.'], '/items/new'],
            );
        else {
            // Put off: nothing more is sent, and all is kept, until it is asked for.
            at.write('One, mine, and more.');
            assert.equal(await at.sync.save(), false);
            assert.equal(at.asked.length, 1);
            assert.deepEqual([words(readKept('item', 7).content), readKept('item', 7).number], [['One, mine, and more.'], 1]);
        }
    }
});

test('a version that is kept while something is on its way is kept with the next sending, and said to be', async () => {
    const at = desk('One.');
    let later = 0;
    at.sync.later = () => later++;
    let kept;
    at.write('One!');
    at.answers.push({
        json: { root: 'r1', sent: 'r1', number: 2, content: null, held: 0 },
        before: () => (kept = at.sync.save({ keep: true })),
    });
    assert.equal(await at.sync.save(), true);
    assert.deepEqual([at.asked[0].keep, later], [undefined, 1]);
    at.answers.push({ json: { root: 'r1', sent: 'r1', number: 2, content: null, held: 0 } });
    await at.sync.save();
    assert.deepEqual([at.asked[1].keep, await kept], [true, true]);
    // Also while it is looked for what others wrote.
    at.answers.push({
        json: { root: 'r2', number: 3, content: paragraphs('One, by others.') },
        before: () => (kept = at.sync.save({ keep: true })),
    });
    await at.sync.follow('r2');
    assert.equal(later, 2);
    at.answers.push({ status: 500 });
    await at.sync.save();
    assert.equal(await kept, false);
});
