/**
 * A cell's value as it is kept: a number, a text or a boolean is itself; `["d", "2026-05-03"]` a day, `["!", "#DIV/0!"]` an
 * error, `["=", "SUM(…)", 6]` a formula with its result, `["*", "b|0.00", …]` one with a look before it.
 *
 * @typedef {string | number | boolean | (string | number | boolean)[]} Value
 * @typedef {{id: string, width: number, format: string}} Column
 * @typedef {{id: string, cells: Record<string, Value>}} Row
 * @typedef {{id: string, name: string, frozen: number, columns: Column[], rows: Row[]}} Tab
 * @typedef {[string, string, number, Record<string, any>]} Part
 * @typedef {[string, string | null, string, string | null, Record<string, any>?]} Place id, role, parent, after, fields
 * @typedef {{removed?: string[], placed?: Place[], order?: Record<string, string[]>, at?: Record<string, number>, cells?: Record<string, Record<string, Value | null>>, fields?: Record<string, Record<string, any>>}}
 *     Edits
 */

/**
 * The tabs of a spreadsheet with their columns and rows: where each part is; putting in, moving, taking out. Nothing here says what of it
 * is saved.
 */
export class Tabs {
    /** @param {Part[]} parts */
    constructor(parts) {
        /** @type {Tab[]} */
        this.tabs = [];
        /** @type {Map<string, Tab | Column | Row>} */
        this.parts = new Map();
        /** @type {Map<string, Tab>} row or column => its tab */
        this.tabOf = new Map();
        /** @type {Map<string, number> | null} */
        this.positions = null;
        /** How all of it was when the server was last told or asked. @type {{tab: Tab, columns: Column[], rows: Row[]}[]} */
        this.known = [];
        this.replace(parts);
    }

    /** All of it again. @param {Part[]} parts */
    replace(parts) {
        this.tabs = [];
        this.parts.clear();
        this.tabOf.clear();
        this.positions = null;
        for (const [id, role, , fields] of parts)
            this.insert(id, role, role === 'tab' ? '' : this.tabs[this.tabs.length - 1].id, undefined, fields);
        this.mark();
    }

    /** @param {string} id */
    row(id) {
        return /** @type {Row | undefined} */ (this.parts.get(id));
    }

    /** @param {string} id @returns {number} where a row or column is in its tab, from 0; -1 when it is gone */
    position(id) {
        if (this.positions === null) {
            this.positions = new Map();
            for (const tab of this.tabs) {
                tab.columns.forEach((column, at) => this.positions?.set(column.id, at));
                tab.rows.forEach((row, at) => this.positions?.set(row.id, at));
            }
        }
        return this.positions.get(id) ?? -1;
    }

    /** @param {string} id a row @returns {number} where it is in the list of all parts */
    wholePosition(id) {
        let before = 0;
        for (const tab of this.tabs) {
            if (tab === this.tabOf.get(id)) return before + 1 + tab.columns.length + this.position(id);
            before += 1 + tab.columns.length + tab.rows.length;
        }
        return -1;
    }

    /** @param {string} row @param {string} column @returns {Value | undefined} */
    value(row, column) {
        return this.row(row)?.cells[column];
    }

    /** All of it, as the list of its parts. @returns {Part[]} */
    whole() {
        return this.tabs.flatMap((tab) => [
            /** @type {Part} */ ([tab.id, 'tab', 0, { name: tab.name, frozen: tab.frozen }]),
            ...tab.columns.map((column) => /** @type {Part} */ ([column.id, 'column', 1, { width: column.width, format: column.format }])),
            ...tab.rows.map((row) => /** @type {Part} */ ([row.id, 'row', 1, row.cells])),
        ]);
    }

    /** The part before one among its like. @param {string} id @returns {string | null} */
    before(id) {
        const list = this.list(id);
        return list[list.findIndex((each) => each.id === id) - 1]?.id ?? null;
    }

    /** @param {string} id @returns {(Tab | Column | Row)[]} */
    list(id) {
        const tab = this.tabOf.get(id);
        return tab === undefined ? this.tabs : 'cells' in /** @type {object} */ (this.parts.get(id)) ? tab.rows : tab.columns;
    }

    /**
     * @param {string} id @param {string} role @param {string} parent @param {string | null | undefined} after undefined for the end
     * @param {Record<string, any>} fields
     */
    insert(id, role, parent, after, fields) {
        const tab = /** @type {Tab | undefined} */ (this.parts.get(parent));
        /** @type {Tab | Column | Row} */
        const part = role === 'tab' ? { id, name: fields.name ?? '', frozen: fields.frozen ?? 0, columns: [], rows: [] }
            : role === 'column' ? { id, width: fields.width ?? 0, format: fields.format ?? '' }
            : { id, cells: { ...fields } };
        if (role !== 'tab') {
            if (!tab) return;
            this.tabOf.set(id, tab);
        }
        this.parts.set(id, part);
        const list = role === 'tab' ? this.tabs : role === 'column' ? /** @type {Tab} */ (tab).columns : /** @type {Tab} */ (tab).rows;
        this.put(/** @type {any[]} */ (list), part, after);
    }

    /** @param {any[]} list @param {{id: string}} part @param {string | null | undefined} after */
    put(list, part, after) {
        this.positions = null;
        const last = list[list.length - 1];
        if (after === undefined || (last && last.id === after)) list.push(part);
        // A row goes after the last column when it is the first one.
        else list.splice(after === null ? 0 : list.findIndex((each) => each.id === after) + 1, 0, part);
    }

    /** @param {string} id @param {string} parent @param {string | null} after */
    move(id, parent, after) {
        const part = this.parts.get(id);
        const list = /** @type {any[]} */ (this.list(id));
        list.splice(list.indexOf(part), 1);
        const tab = /** @type {Tab | undefined} */ (this.parts.get(parent));
        if (tab) this.tabOf.set(id, tab);
        this.put(/** @type {any[]} */ (this.list(id)), /** @type {any} */ (part), after);
    }

    /**
     * Takes a part out, with what is below it and, of a column, its cells.
     *
     * @param {string} id
     * @returns {{places: Place[], cells: [string, string, Value | undefined][]}} what it takes to put it back
     */
    without(id) {
        const part = /** @type {any} */ (this.parts.get(id));
        const parent = this.tabOf.get(id);
        const after = this.before(id);
        const list = /** @type {any[]} */ (this.list(id));
        list.splice(list.indexOf(part), 1);
        this.positions = null;
        this.parts.delete(id);
        this.tabOf.delete(id);
        if (parent === undefined) {
            /** @type {Place[]} */
            const places = [[id, 'tab', '', after, { name: part.name, frozen: part.frozen }]];
            for (const [role, of] of [['column', part.columns], ['row', part.rows]]) {
                of.forEach((/** @type {any} */ each, /** @type {number} */ at) => {
                    places.push([
                        each.id,
                        role,
                        id,
                        of[at - 1]?.id ?? null,
                        role === 'row' ? each.cells : { width: each.width, format: each.format },
                    ]);
                    this.parts.delete(each.id);
                    this.tabOf.delete(each.id);
                });
            }
            return { places, cells: [] };
        }
        if ('cells' in part) return { places: [[id, 'row', parent.id, after, part.cells]], cells: [] };
        /** @type {[string, string, Value | undefined][]} */
        const cells = [];
        for (const row of parent.rows) {
            if (row.cells[id] !== undefined) cells.push([row.id, id, row.cells[id]]);
            delete row.cells[id];
        }
        return { places: [[id, 'column', parent.id, after, { width: part.width, format: part.format }]], cells };
    }

    /** The server is told of this state, or asked what became of it: what it answers goes on from here. */
    mark() {
        this.known = this.tabs.map((tab) => ({ tab, columns: [...tab.columns], rows: [...tab.rows] }));
    }

    backToKnown() {
        this.tabs = [];
        this.parts.clear();
        this.tabOf.clear();
        this.positions = null;
        for (const { tab, columns, rows } of this.known) {
            this.tabs.push(tab);
            this.parts.set(tab.id, tab);
            [tab.columns, tab.rows] = [columns, rows];
            for (const part of [...columns, ...rows]) {
                this.parts.set(part.id, part);
                this.tabOf.set(part.id, tab);
            }
        }
        this.mark();
    }

    /** Those that are before others. @returns {Map<string, string | null>} */
    neighbours() {
        const before = new Map();
        for (const list of [this.tabs, ...this.tabs.flatMap((tab) => [tab.columns, tab.rows])])
            list.forEach((part, at) => before.set(part.id, list[at - 1]?.id ?? null));
        return before;
    }
}
