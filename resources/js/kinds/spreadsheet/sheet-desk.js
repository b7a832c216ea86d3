/** @typedef {import('../../sync/document-desk.js').Desk} Desk */
/**
 * A spreadsheet for the sync to work on: what is sent is what became of it, cell by cell.
 *
 * @implements {Desk}
 */
export class SheetDesk {
    /** @param {import('./model.js').Sheet} sheet @param {() => void} refresh shows what came from elsewhere */
    constructor(sheet, refresh) {
        this.sheet = sheet;
        this.refresh = refresh;
    }

    isDirty() {
        return this.sheet.isDirty;
    }

    take() {
        return { edits: this.sheet.take() };
    }

    takeWhole() {
        this.sheet.take();
        return { content: this.sheet.whole() };
    }

    untake() {
        this.sheet.untake();
    }

    /** @param {any} answer @returns {{on: 'root' | 'sent', merged: boolean}} */
    answered(answer) {
        if (answer.edits === undefined) {
            // All of it was sent; what was written here since is done again in what came of it.
            this.sheet.sent = null;
            if (answer.content) {
                const since = this.sheet.pending();
                this.sheet.replace(answer.content);
                this.sheet.dirty = this.sheet.dirty.none();
                this.sheet.takeUp(since);
            }
            this.refresh();
            return { on: 'root', merged: answer.content !== null };
        }
        const merged = this.sheet.arrived(answer.edits);
        this.refresh();
        return { on: 'root', merged };
    }

    keep() {
        return { edits: this.sheet.pending() };
    }

    /** @param {any} kept */
    takeUp(kept) {
        if (typeof kept?.edits !== 'object' || kept.edits === null) return false;
        this.sheet.takeUp(kept.edits);
        return true;
    }

    /** @param {string} base */
    since(base) {
        return `?since=${base}`;
    }

    /** @param {any} state */
    bring(state) {
        if (state.edits) this.sheet.bring(state.edits);
        else this.sheet.replace(state.content);
        this.refresh();
        return true;
    }
}
