/**
 * Windows of one item in which people do this and that at once, with a server at the other end of standard input and output: see
 * tests/Feature/WindowsTest.php. A line of JSON asks, a line answers:
 *
 *   {"put": {"base", "edits" or "content", "client"}, "who"}   as `PUT /state`
 *   {"get": since, "who"}                                      as `GET /state?since=`
 *   {"restore": number, "who"}                                 an earlier version, on another page
 *   {"role": "viewer" or "editor", "who"}                      somebody may not write any more, or may again
 *   {"end": for each window its state, whether anything in it is not saved, what it holds, and what a fresh one would hold, "went":
 *   words that somebody wrote and that went from their window while others' work came in, and that nobody took out}
 *
 * Who may not, is answered {"mayNot": true}, and sends it again later.
 *
 *   node tests/scripts/windows.mjs SEED KIND ROOT < the first line: the parts of the item
 */
import { createInterface } from 'node:readline';
import { SheetDesk } from '../../resources/js/kinds/spreadsheet/sheet-desk.js';
import { DocumentDesk } from '../../resources/js/sync/document-desk.js';
import { Random } from './random.mjs';
import { seedIds, Someone } from './someone.mjs';
import { Writer } from './writer.mjs';

const [seed, kind, root] = [Number(process.argv[2]), process.argv[3], process.argv[4]];
const random = new Random(seed);
seedIds(() => random);
const lines = createInterface({ input: process.stdin })[Symbol.asyncIterator]();
const read = async () => JSON.parse((await lines.next()).value ?? process.exit(1));
const tell = (...what) => process.env.TELL && console.error(...what.map((one) => (typeof one === 'string' ? one : JSON.stringify(one))));
const ask = async (question) => {
    process.stdout.write(`${JSON.stringify(question)}\n`);
    const answer = await read();
    tell(question.who ?? '', question, '\n    →', answer);
    return answer;
};

/** Words that are like no others, and that somebody wrote. */
const words = (window) => new Set(JSON.stringify(window.someone.whole()).match(/w\d+q/g));
const takenOut = new Set();
const went = new Set();
/** Does something in a window and writes down which words are not there any more. */
const noting = (window, where, does) => {
    const before = words(window);
    const result = does();
    const after = words(window);
    for (const word of before) if (!after.has(word)) where.add(word);
    return result;
};

class Window {
    /** @param {number} at which of them @param {number} who whose it is */
    constructor(at, who, parts) {
        this.at = at;
        this.who = who;
        this.typing = null;
        this.someone = kind === 'spreadsheet' ? new Someone(parts, random) : new Writer(kind, parts, random);
        this.desk = kind === 'spreadsheet'
            ? new SheetDesk(this.someone.sheet, { takeIn: (bring) => bring(), writing: () => this.typing })
            : new DocumentDesk(this.someone.state.doc, this.someone.editor, this.someone.kind.convert);
        this.base = root;
        this.sendings = 0;
        this.answer = null;
    }

    get isBusy() {
        return this.answer !== null;
    }

    async send() {
        if (this.isBusy || !this.desk.isDirty()) return;
        const client = `w${this.at}.${this.sendings}`;
        const answer = await ask({ put: { base: this.base, client, ...this.desk.take() }, who: this.who });
        if (answer.mayNot) this.desk.untake();
        else this.answer = answer;
    }

    arrive() {
        if (!this.isBusy) return;
        const { on } = noting(this, went, () => this.desk.answered(this.answer));
        tell(`${this.who} took it in, on ${on}`);
        this.base = this.answer[on];
        this.sendings++;
        this.answer = null;
    }

    /** Begins to type in a cell, or is done with it: until then it is in the field alone. */
    type() {
        if (kind !== 'spreadsheet') return;
        if (this.typing) {
            const { row, column } = this.typing;
            this.typing = null;
            noting(this, takenOut, () => this.someone.sheet.run([{ do: 'cells', cells: [[row, column, this.someone.word()]] }]));
        } else if (this.someone.choose()) {
            this.typing = { row: this.someone.grid.row.id, column: this.someone.grid.column.id };
        }
    }

    /** The answer does not come, though it was saved. */
    lose() {
        if (!this.isBusy) return;
        tell(`${this.who} lost it`);
        this.desk.untake();
        this.answer = null;
    }

    async follow() {
        if (this.isBusy || this.desk.isDirty()) return;
        this.desk.since(this.base);
        const state = await ask({ get: this.base, who: this.who });
        if (state.mayNot) return;
        const isIn = noting(this, went, () => this.desk.bring(state));
        tell(`${this.who} follows: ${isIn}`);
        if (isIn) this.base = state.root;
    }
}

const parts = await read();
// The first of two people has two windows open.
const windows = [0, 1, 0].map((who, at) => new Window(at, who, parts));
for (let round = 0; round < 50; round++) {
    const window = random.pick(windows);
    switch (random.under(10)) {
        case 0:
        case 1:
        case 2: {
            for (let steps = 1 + random.under(4); steps > 0; steps--) noting(window, takenOut, () => window.someone.step());
            break;
        }
        case 3:
        case 4: await window.send(); break;
        case 5: window.arrive(); break;
        case 6: await window.follow(); break;
        case 7: window.type(); break;
        case 8:
            if (random.under(3) === 0) await ask({ restore: random.under(1000), who: 0 });
            else if (random.under(4) === 0) await ask({ role: random.pick(['viewer', 'editor']), who: 1 });
            break;
        default: if (random.under(3) === 0) window.lose();
    }
}
for (const window of windows) if (window.typing) window.type();
await ask({ role: 'editor', who: 1 });
for (let round = 0; round < 12; round++) {
    for (const window of windows) {
        window.arrive();
        await window.send();
        window.arrive();
        await window.follow();
    }
}
const { content } = await ask({ get: '', who: 0 });
await ask({
    end: windows.map((window) => ({
        root: window.base,
        isDirty: window.desk.isDirty(),
        parts: window.someone.whole(),
        fresh: window.someone.fresh(content),
    })),
    went: [...went].filter((word) => !takenOut.has(word)),
});
process.exit(0);
