import { carried, differences } from './differences.js';

/** @typedef {import('prosemirror-model').Node} Node */
/**
 * @typedef {object} Desk what {@link Sync} works on: knows what is not saved, gives it away and takes in what came from elsewhere
 * @property {() => boolean} isDirty whether there is something that the server does not have
 * @property {() => Record<string, unknown>} take what to send of it
 * @property {() => Record<string, unknown>} takeWhole all that is here, to send
 * @property {() => void} untake it was not taken
 * @property {(answer: any) => {on: 'root' | 'sent', merged: boolean}} answered takes in what the server made of it; tells the state it is
 *     on now, and whether others' edits came along
 * @property {() => unknown} keep what to keep on this computer
 * @property {(kept: any) => boolean} takeUp takes up what was kept; false when it can't be read
 * @property {(base: string) => string} since how to ask for the newest state
 * @property {(state: any) => boolean} bring takes in the newest state; false when it can't just now
 */

/**
 * A document in the editor. What is different from `base`, the state that the server knows, is not saved; what the server has
 * more is carried over into the editor, if it does not meet what was typed in the meantime.
 *
 * @implements {Desk}
 */
export class DocumentDesk {
    /**
     * @param {Node} document
     * @param {{document: () => Node, busy: () => boolean, apply: (changes: import('./differences.js').Difference[]) => void}} editor
     *     `busy` while it must not be changed (a word is being composed)
     * @param {{toParts: (doc: Node) => unknown[], toDocument: (parts: any[]) => Node}} convert
     */
    constructor(document, editor, convert) {
        this.convert = convert;
        this.base = document;
        this.sent = document;
        this.editor = editor;
        /** @type {Node | null} what was kept from an earlier visit */
        this.kept = null;
    }

    isDirty() {
        return !this.editor.document().eq(this.base);
    }

    take() {
        this.sent = this.editor.document();
        return { content: this.convert.toParts(this.sent) };
    }

    takeWhole() {
        return this.take();
    }

    untake() {}

    /** @param {any} answer @returns {{on: 'root' | 'sent', merged: boolean}} */
    answered(answer) {
        if (answer.content === null) {
            this.base = this.sent;
            return { on: 'root', merged: false };
        }
        if (this.carry(this.sent, this.convert.toDocument(answer.content))) return { on: 'root', merged: true };
        // Something was typed where the merge changed something: let the server merge again, from what it was sent.
        this.base = this.sent;
        return { on: 'sent', merged: true };
    }

    keep() {
        return this.convert.toParts(this.editor.document());
    }

    /** @param {any} kept */
    takeUp(kept) {
        try {
            this.kept = this.convert.toDocument(kept);
            this.kept.check();
            return true;
        } catch {
            return false;
        }
    }

    since() {
        return '';
    }

    /** @param {any} state */
    bring(state) {
        return this.carry(this.base, this.convert.toDocument(state.content));
    }

    /**
     * Carries what leads from one known document to the server's over into the editor.
     *
     * @param {Node} known what the editor had, and may have grown from since
     * @param {Node} newest
     * @returns {boolean} false when it meets what was typed since
     */
    carry(known, newest) {
        if (this.editor.busy()) return false;
        const theirs = carried(differences(known, newest), differences(known, this.editor.document()));
        if (theirs === null) return false;
        if (theirs.length) this.editor.apply(theirs);
        this.base = newest;
        return true;
    }
}
