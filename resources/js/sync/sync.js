import { ask, Refused, SignedOut, Unreachable } from '../common/ask.js';
import { toDocument, toParts } from '../document/convert.js';
import { carried, differences } from './differences.js';
import { forgetKept, keepHere, readKept } from './kept.js';

/** @typedef {import('prosemirror-model').Node} Node */
/**
 * @typedef {object} Around what the sync works on and tells
 * @property {() => Node} document the document as it is in the editor now
 * @property {() => boolean} busy whether the editor must not be changed just now (a word is being composed)
 * @property {(changes: import('./differences.js').Difference[]) => void} apply
 * @property {(text: string, kind: 'saved' | 'saving' | 'away' | 'problem', number: number) => void} say
 * @property {() => Promise<void>} signIn asks to sign in, in place
 * @property {(number: number) => void} moved a newer version is there
 */

const SOON = 700;
const AT_MOST = 3000;
const MOST_BYTES = 4_000_000;

/**
 * Keeps a document in the editor and the server's newest state together. `base` is the state that the server knows and
 * `baseDocument` the same in the editor; what is different from it is mine and goes to the server, what the server has
 * more is carried over into the editor, if it does not meet what was typed in the meantime; then the server merges.
 */
export class Sync {
    /** @param {{key: string, root: string, number: number, me: number}} item @param {Node} document @param {Around} around */
    constructor(item, document, around) {
        this.item = item;
        this.around = around;
        this.base = item.root;
        this.number = item.number;
        this.baseDocument = document;
        this.window = Math.random().toString(36).slice(2, 12);
        this.epoch = 0;
        this.client = '';
        this.nextClient();
        this.waiting = 0;
        this.sending = false;
        this.away = false;
        this.stopped = false;
        this.problem = false;
        /** @type {ReturnType<typeof setTimeout> | undefined} */
        this.timer = undefined;
        this.firstChange = 0;
        this.retry = 1000;
        /** @type {{keep?: boolean, note?: string} | null} */
        this.wish = null;
    }

    get url() {
        return `/items/${this.item.key}/state`;
    }

    get dirty() {
        return !this.around.document().eq(this.baseDocument);
    }

    /** What an earlier visit wrote and could not save; null when there is nothing. @returns {Node | null} */
    takeUp() {
        const kept = readKept(this.item.key, this.item.me);
        if (!kept) return null;
        try {
            const document = toDocument(kept.content);
            document.check();
            this.base = kept.base;
            this.client = kept.client;
            this.waiting = kept.waiting;
            return document;
        } catch {
            return null;
        }
    }

    /** To be called on every change by the person at the keyboard. */
    changed() {
        if (!this.timer) {
            this.firstChange = Date.now();
            this.waiting++;
        }
        this.problem = false;
        clearTimeout(this.timer);
        this.timer = setTimeout(() => this.save(), Math.max(0, Math.min(SOON, this.firstChange + AT_MOST - Date.now())));
        if (!this.away) this.around.say('saving…', 'saving', this.number);
        this.keepHere();
    }

    keepHere() {
        const kept = keepHere(this.item.key, this.item.me, { base: this.base, client: this.client, content: toParts(this.around.document()), waiting: this.waiting });
        if (this.away) {
            const count = this.waiting === 1 ? 'one change' : `${this.waiting} changes`;
            this.around.say(kept ? `not reachable: kept on this computer, ${count} waiting` : 'not reachable, and no room on this computer: keep this window open', 'away', this.number);
        }
    }

    /** @param {{keep?: boolean, note?: string}} [wish] @returns {Promise<boolean>} whether it is saved now */
    async save(wish) {
        clearTimeout(this.timer);
        this.timer = undefined;
        if (wish) this.wish = { ...this.wish, ...wish };
        if (this.sending || this.stopped || (this.problem && !wish)) return false;
        if (!this.dirty && !this.wish) {
            this.settled();
            return true;
        }
        this.sending = true;
        const sent = this.around.document();
        const asked = this.wish;
        const content = toParts(sent);
        try {
            if (JSON.stringify(content).length > MOST_BYTES) {
                this.refuse('This is too much at once: an item holds 4 MB of text at most. It is kept on this computer; take some out again.');
                return false;
            }
            if (!this.away) this.around.say('saving…', 'saving', this.number);
            const answer = await ask(this.url, { method: 'PUT', json: { base: this.base, client: this.client, content, ...asked } });
            if (this.wish === asked) this.wish = null;
            this.take(answer, sent);
            return true;
        } catch (error) {
            await this.failed(error);
            return false;
        } finally {
            this.sending = false;
            if (!this.stopped && !this.problem && !this.timer && (this.dirty || this.wish)) this.later();
        }
    }

    later() {
        this.timer = setTimeout(() => this.save(), this.away ? this.retry : SOON);
    }

    /** @param {any} answer @param {Node} sent */
    take(answer, sent) {
        this.back();
        this.nextClient();
        this.number = answer.number;
        const merged = answer.content === null ? sent : toDocument(answer.content);
        if (answer.content === null) {
            this.base = answer.root;
            this.baseDocument = sent;
        } else if (!this.bring(sent, merged, answer.root)) {
            // Something was typed where the merge changed something: let the server merge again, from what it was sent.
            this.base = answer.sent;
            this.baseDocument = sent;
        }
        this.waiting = 0;
        this.around.moved(answer.number);
        this.settled();
        if (answer.held > 0) this.around.say(`merged as ${answer.number}; what met another edit is held back`, 'saved', answer.number);
        else if (answer.content !== null) this.around.say(`merged with what others wrote, saved as ${answer.number}`, 'saved', answer.number);
    }

    settled() {
        if (this.dirty) {
            this.keepHere();
        } else {
            forgetKept(this.item.key, this.item.me);
            this.around.say('', 'saved', this.number);
        }
    }

    /**
     * Carries what leads from one known document to the server's over into the editor.
     *
     * @param {Node} known what the editor had, and may have grown from since
     * @param {Node} newest
     * @param {string} root
     * @returns {boolean} false when it meets what was typed since
     */
    bring(known, newest, root) {
        if (this.around.busy()) return false;
        const theirs = carried(differences(known, newest), differences(known, this.around.document()));
        if (theirs === null) return false;
        if (theirs.length) this.around.apply(theirs);
        this.base = root;
        this.baseDocument = newest;
        return true;
    }

    /** The server has another state than the one known here. @param {string} root */
    async follow(root) {
        if (root === this.base || this.sending || this.stopped) return;
        if (this.dirty) {
            if (!this.problem && !this.timer) await this.save();
            return;
        }
        this.sending = true;
        const known = this.baseDocument;
        try {
            const state = await ask(this.url);
            if (this.bring(known, toDocument(state.content), state.root)) {
                this.number = state.number;
                this.around.moved(state.number);
            }
        } catch (error) {
            await this.failed(error);
        } finally {
            this.sending = false;
            if (this.dirty && !this.timer) this.later();
        }
    }

    /** @param {unknown} error */
    async failed(error) {
        if (error instanceof SignedOut) {
            this.keepHere();
            this.stopped = true;
            await this.around.signIn();
            this.stopped = false;
            this.later();
        } else if (error instanceof Refused) {
            this.refuse(error.problems.map((problem) => problem.text).filter((text, at, all) => all.indexOf(text) === at).slice(0, 3).join(' ') || error.message);
        } else if (error instanceof Unreachable) {
            this.away = true;
            this.retry = Math.min(10_000, this.retry * 1.5);
            this.keepHere();
        } else {
            throw error;
        }
    }

    /** The server can be reached (again). */
    back() {
        this.away = false;
        this.retry = 1000;
    }

    /** @param {string} text */
    refuse(text) {
        this.problem = true;
        this.keepHere();
        this.around.say(`Not saved. ${text}`, 'problem', this.number);
    }

    /** Each sending that was answered begins a new name, so that only a sending without an answer counts as repeated. */
    nextClient() {
        this.client = `${this.window}.${++this.epoch}`;
    }

    stop() {
        this.stopped = true;
        clearTimeout(this.timer);
    }
}
