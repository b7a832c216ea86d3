import { sameInput } from './cell.js';

/** @typedef {import('../../sync/document-desk.js').Desk} Desk */
/**
 * A spreadsheet for the sync to work on: what is sent is what became of it, cell by cell.
 *
 * @implements {Desk}
 */
export class SheetDesk {
    /**
     * @param {import('./model.js').Sheet} sheet
     * @param {{takeIn: (bring: () => void) => void, writing: () => {row: string, column: string} | null}} around has something come from elsewhere, and shows it; the
     *     cell in which something is typed that is not in the sheet yet
     */
    constructor(sheet, around) {
        this.sheet = sheet;
        this.around = around;
    }

    /**
     * What meets what is being typed is not taken in until that is sent: then the server sees that two met. What is only worked out meets nothing.
     *
     * @param {{edits?: import('./model.js').Edits, content?: import('./model.js').Part[]}} state
     */
    meets({ edits, content }) {
        const at = this.around.writing();
        if (at === null) return false;
        const { row, column } = at;
        const here = this.sheet.value(row, column);
        if (edits) {
            const value = edits.cells?.[row]?.[column];
            return [row, column, this.sheet.tabOf.get(row)?.id].some((id) => edits.removed?.includes(id ?? '')) || (value !== undefined && !sameInput(here, value ?? undefined));
        }
        const there = content?.find(([id]) => id === row);
        return !there || !content?.some(([id]) => id === column) || !sameInput(here, there[3][column]);
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
            if (answer.content && this.meets(answer)) return { on: 'sent', merged: true };
            if (answer.content) {
                this.around.takeIn(() => {
                    const [since, before] = [this.sheet.pending(), this.sheet.neighbours()];
                    this.sheet.replace(answer.content);
                    this.sheet.dirty = this.sheet.dirty.none();
                    this.sheet.takeUp(since, before);
                });
            }
            return { on: 'root', merged: answer.content !== null };
        }
        const meets = this.meets(answer);
        let merged = meets;
        this.around.takeIn(() => {
            merged = this.sheet.arrived(meets ? this.sheet.results(answer.edits) : answer.edits) || meets;
        });
        return { on: meets ? 'sent' : 'root', merged };
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
        this.sheet.mark();
        return `?since=${base}`;
    }

    /** @param {any} state */
    bring(state) {
        if (this.meets(state)) return false;
        this.around.takeIn(() => (state.edits ? this.sheet.bring(state.edits) : this.sheet.replace(state.content)));
        return true;
    }
}
