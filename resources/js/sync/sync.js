import { ask, Refused, SignedOut, Troubled, Unreachable } from '../common/ask.js';
import { forgetKept, keepHere, readKept } from './kept.js';
import { inWords } from '../common/words.js';

/**
 * @typedef {object} Around what the sync tells
 * @property {(text: string, kind: 'saved' | 'saving' | 'away' | 'problem', number: number) => void} say
 * @property {() => Promise<void>} signIn asks to sign in, in place
 * @property {(number: number) => void} moved a newer version is there
 * @property {(why: 'base' | 'trouble') => Promise<'merge' | 'again' | 'aside' | null>} [stuck] asks what to do when it can't be saved as it
 *     is
 * @property {(address: string) => void} [kept] what was written is an item of its own now
 */

const SOON = 700;
const AT_MOST = 3000;
/** Longer than the server works on anything (30 s), so that nothing is sent twice at once. */
const PATIENCE = 45_000;
/** Times that a server in trouble is asked again: after 1, 2, 4, 8, 16 and 32 seconds. */
const TRIES = 6;

/**
 * Keeps what is on a desk and the server's newest state together. `base` is the state that the server knows and the desk
 * is on; what is different from it goes to the server, which merges it with what others wrote.
 */
export class Sync {
    /**
     * @param {{key: string, root: string, number: number, me: number}} item
     * @param {import('./document-desk.js').Desk} desk
     * @param {Around} around
     * @param {{soon?: number, bytes?: number}} [limits] milliseconds after which a change is sent; the most bytes of a sending
     */
    constructor(item, desk, around, { soon = SOON, bytes = 4_000_000 } = {}) {
        this.item = item;
        this.desk = desk;
        this.around = around;
        this.soon = soon;
        this.bytes = bytes;
        this.base = item.root;
        this.number = item.number;
        this.window = Math.random().toString(36).slice(2, 12);
        this.epoch = 0;
        this.client = '';
        this.nextClient();
        this.waiting = 0;
        this.sending = false;
        this.away = false;
        this.stopped = false;
        this.problem = false;
        /** @type {'base' | 'trouble' | null} why nothing is sent any more until somebody says what to do */
        this.stuck = null;
        this.troubles = 0;
        /** @type {ReturnType<typeof setTimeout> | undefined} */
        this.timer = undefined;
        this.firstChange = 0;
        this.retry = 1000;
        /** @type {{keep?: boolean, note?: string, of?: number} | null} */
        this.wish = null;
        /** @type {((isKept: boolean) => void)[]} who asked for something while something else was on its way */
        this.wished = [];
    }

    get url() {
        return `/items/${this.item.key}/state`;
    }

    get dirty() {
        return this.desk.isDirty();
    }

    /** Takes up what an earlier visit wrote and could not save. @returns {boolean} whether there was something */
    takeUp() {
        const kept = readKept(this.item.key, this.item.me);
        if (!kept || !this.desk.takeUp(kept.content)) return false;
        this.base = kept.base;
        this.number = kept.number ?? this.number;
        this.client = kept.client;
        this.waiting = kept.waiting;
        return true;
    }

    /** To be called on every change by the person at the keyboard. */
    changed() {
        if (!this.timer) {
            this.firstChange = Date.now();
            this.waiting++;
        }
        if (this.stuck !== null || this.troubles > 0) {
            // It is asked again when its time has come, not at every key.
            this.keepHere();
            return;
        }
        this.problem = false;
        clearTimeout(this.timer);
        this.timer = setTimeout(() => this.save(), Math.max(0, Math.min(this.soon, this.firstChange + AT_MOST - Date.now())));
        if (!this.away) this.around.say('saving…', 'saving', this.number);
        this.keepHere();
    }

    keepHere() {
        const kept = keepHere(this.item.key, this.item.me, {
            base: this.base,
            number: this.number,
            client: this.client,
            content: this.desk.keep(),
            waiting: this.waiting,
        });
        if (this.away) {
            const count = inWords(this.waiting === 1 ? 'sync.sync.one_change' : 'sync.sync.changes', { count: this.waiting });
            this.around.say(
                kept
                    ? inWords('sync.sync.not_reachable_kept_on_this_computer', { count })
                    : inWords('sync.sync.not_reachable_and_no_room_on'),
                'away',
                this.number,
            );
        }
    }

    /**
     * @param {{keep?: boolean, note?: string, of?: number}} [wish] `of` is the version that the note is on @returns {Promise<boolean>}
     *     whether it is saved now, with the note
     */
    async save(wish) {
        clearTimeout(this.timer);
        this.timer = undefined;
        if (wish) this.wish = { ...this.wish, ...wish };
        if (wish && this.stuck !== null && !this.sending) {
            // Who put it off asks for it again by keeping a version.
            await this.settleStuck(this.stuck);
            return !this.dirty;
        }
        if (this.sending && wish) {
            // It goes with the next sending, and is told of then.
            return new Promise((resolve) => this.wished.push(resolve));
        }
        if (this.sending || this.stopped || this.stuck !== null || (this.problem && !wish)) return false;
        if (!this.dirty && !this.wish) {
            this.settled();
            return true;
        }
        this.sending = true;
        const asked = this.wish;
        const body = this.desk.take();
        try {
            if (JSON.stringify(body).length > this.bytes) {
                this.desk.untake();
                this.refuse(inWords('sync.sync.this_is_too_much_at_once', { bytes: Math.floor(this.bytes / 1_000_000) }));
                return false;
            }
            if (!this.away) this.around.say('saving…', 'saving', this.number);
            const answer = await ask(this.url, {
                method: 'PUT',
                json: { base: this.base, from: this.number, client: this.client, ...body, ...asked },
                timeout: PATIENCE,
            });
            if (this.wish === asked) this.wish = null;
            this.take(answer);
            const isNoted = answer.noted !== false;
            if (asked) this.tell(isNoted);
            return isNoted;
        } catch (error) {
            this.desk.untake();
            await this.failed(error);
            this.tell(false);
            return false;
        } finally {
            this.sending = false;
            this.goOn();
        }
    }

    /** What came up while something was on its way. */
    goOn() {
        if (!this.stopped && !this.problem && this.stuck === null && !this.timer && (this.dirty || this.wish)) this.later();
    }

    /** @param {boolean} isKept */
    tell(isKept) {
        for (const told of this.wished.splice(0)) told(isKept);
    }

    later() {
        this.timer = setTimeout(() => this.save(), this.troubles > 0 || this.away ? this.retry : this.soon);
    }

    /** @param {any} answer */
    take(answer) {
        this.back();
        this.nextClient();
        this.number = answer.number;
        const { on, merged } = this.desk.answered(answer);
        this.base = answer[on];
        this.waiting = 0;
        this.around.moved(answer.number);
        this.settled();
        if (answer.held > 0)
            this.around.say(inWords('sync.sync.merged_as_what_met_another_edit', { number: answer.number }), 'saved', answer.number);
        else if (merged)
            this.around.say(inWords('sync.sync.merged_with_what_others_wrote_saved', { number: answer.number }), 'saved', answer.number);
    }

    settled() {
        if (this.dirty) {
            this.keepHere();
        } else {
            forgetKept(this.item.key, this.item.me);
            this.around.say('', 'saved', this.number);
        }
    }

    /** The server has another state than the one known here. @param {string} root */
    async follow(root) {
        if (root === this.base || this.sending || this.stopped) return;
        if (this.dirty) {
            if (!this.problem && !this.timer) await this.save();
            return;
        }
        this.sending = true;
        try {
            const state = await ask(this.url + this.desk.since(this.base));
            // What was written meanwhile goes to the server first, which sees what it met.
            if (!this.dirty && this.desk.bring(state)) {
                this.base = state.root;
                this.number = state.number;
                this.around.moved(state.number);
            }
        } catch (error) {
            await this.failed(error);
        } finally {
            this.sending = false;
            this.goOn();
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
        } else if (error instanceof Refused && error.problems[0]?.code === 'unknown_base') {
            this.refuse(error.problems[0].text);
            await this.settleStuck('base');
        } else if (error instanceof Troubled) {
            await this.inTrouble(error.after);
        } else if (error instanceof Refused) {
            this.refuse(
                error.problems
                    .map((problem) => problem.text)
                    .filter((text, at, all) => all.indexOf(text) === at)
                    .slice(0, 3)
                    .join(' ') || error.message,
            );
        } else if (error instanceof Unreachable) {
            this.away = true;
            this.retry = Math.min(10_000, this.retry * 1.5);
            this.keepHere();
        } else {
            throw error;
        }
    }

    /** The server answers that it can't just now. @param {number} after seconds that it asks for */
    async inTrouble(after) {
        this.troubles++;
        if (this.troubles > TRIES) {
            this.refuse(inWords('sync.sync.the_server_cant_save_it_at'));
            await this.settleStuck('trouble');
            return;
        }
        this.retry = Math.max(after, 2 ** (this.troubles - 1)) * 1000;
        this.keepHere();
        this.around.say(
            inWords('sync.sync.the_server_has_trouble_trying_again', { retry: Math.round(this.retry / 1000) }),
            'away',
            this.number,
        );
    }

    /**
     * There is always a way on: one says what is to become of what was written.
     *
     * @param {'base' | 'trouble'} why
     */
    async settleStuck(why) {
        this.stuck = why;
        const choice = (await this.around.stuck?.(why)) ?? null;
        if (choice === null) return;
        this.stuck = null;
        this.problem = false;
        this.troubles = 0;
        if (choice === 'again') this.later();
        else if (choice === 'merge') await this.sendWhole();
        else await this.keepAside();
    }

    /** Sends all that is here, to be merged from the last version that both know. */
    async sendWhole() {
        this.sending = true;
        try {
            this.take(
                await ask(this.url, {
                    method: 'PUT',
                    json: { base: this.base, from: this.number, client: this.client, ...this.desk.takeWhole() },
                    timeout: PATIENCE,
                }),
            );
        } catch (error) {
            this.desk.untake();
            await this.failed(error);
        } finally {
            this.sending = false;
        }
    }

    /** Makes an item of its own of what is here. */
    async keepAside() {
        try {
            const made = await ask(`/items/${this.item.key}/aside`, { method: 'POST', json: this.desk.takeWhole(), timeout: PATIENCE });
            this.stop();
            forgetKept(this.item.key, this.item.me);
            this.around.kept?.(made.address);
        } catch (error) {
            this.desk.untake();
            await this.failed(error);
        }
    }

    /** The server can be reached (again). */
    back() {
        this.away = false;
        this.troubles = 0;
        this.retry = 1000;
    }

    /** @param {string} text */
    refuse(text) {
        this.problem = true;
        this.keepHere();
        this.around.say(inWords('sync.sync.not_saved', { text }), 'problem', this.number);
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
