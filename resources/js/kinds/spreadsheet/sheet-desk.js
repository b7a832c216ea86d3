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
     * @param {{takeIn: (bring: () => void) => void, writing: () => {row: string, column: string} | null}} around has something come from
     *     elsewhere, and shows it; the
     *     cell in which something is typed that is not in the sheet yet
     */
    constructor(sheet, around) {
        this.sheet = sheet;
        this.around = around;
    }

    /**
     * What meets what is being typed, or what was done since and is not sent, is not taken in until that is sent: then the server sees that
     * two met, and holds back what it has to. So does what others wrote in something that was taken away here. What is only worked out meets
     * nothing.
     *
     * @param {{edits?: import('./tabs.js').Edits, content?: import('./tabs.js').Part[]}} state
     */
    meets({ edits, content }) {
        const [writing, { dirty, tabOf }] = [this.around.writing(), this.sheet];
        const [parts, gone] = [content && new Map(content.map((part) => [part[0], part])), new Set(edits?.removed)];
        const stays = (/** @type {string} */ id) =>
            (dirty.added.has(id) || (parts ? parts.has(id) : !gone.has(id))) && !gone.has(tabOf.get(id)?.id ?? '');
        const isMet = (/** @type {string} */ row, /** @type {string} */ column) => {
            const there = edits?.cells?.[row]?.[column];
            return !stays(row) || !stays(column) || (there !== undefined && !sameInput(this.sheet.value(row, column), there ?? undefined));
        };
        const isChanged =
            parts && writing && !sameInput(this.sheet.value(writing.row, writing.column), parts.get(writing.row)?.[3][writing.column]);

        return Boolean((writing && isMet(writing.row, writing.column)) || isChanged
            || [...dirty.cells].some(([row, columns]) => [...columns].some((column) => isMet(row, column)))
            || [...dirty.added].some((id) => !stays(id) || Object.keys(this.sheet.row(id)?.cells ?? {}).some((column) => !stays(column)))
            || [...dirty.fields.keys()].some((id) => !stays(id))
            || this.isOfGone(edits ?? {}));
    }

    /** Whether others wrote in what was taken away here, or put something below it. @param {import('./tabs.js').Edits} edits */
    isOfGone({ removed = [], placed = [], cells = {}, fields = {} }) {
        const known = new Set(['', ...removed, ...placed.map(([id]) => id)]);
        const isGone = (/** @type {string} */ id) => !known.has(id) && !this.sheet.parts.has(id);
        return (
            Object.entries(cells).some(([row, of]) => isGone(row) || (!known.has(row) && Object.keys(of).some(isGone)))
            || [...Object.keys(fields), ...placed.map(([, , parent]) => parent)].some(isGone)
        );
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
                    this.sheet.ahead = [];
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
            this.sheet.backFromAhead();
            merged = meets ? this.sheet.showResults(answer.edits) || meets : this.sheet.arrived(answer.edits);
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
        this.around.takeIn(() => {
            this.sheet.backFromAhead();
            if (state.edits) this.sheet.bring(state.edits);
            else this.sheet.replace(state.content);
        });
        return true;
    }
}
