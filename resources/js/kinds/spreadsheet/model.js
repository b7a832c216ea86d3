import { Dirty } from './dirty.js';
import { formulaOf, same, sameInput, write } from './cell.js';
import { editsOf } from './edits-of.js';

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
 * @typedef {{removed?: string[], placed?: Place[], order?: Record<string, string[]>, at?: Record<string, number>, cells?: Record<string, Record<string, Value | null>>, fields?: Record<string, Record<string, any>>}} Edits
 */

/** Something that can be done to a sheet; doing it gives what undoes it.
 * `over` is what it undoes: what somebody else wrote over since stays as it is.
 *
 * @typedef {{do: 'cells', cells: [string, string, Value | undefined][], over?: (Value | undefined)[]}
 *   | {do: 'fields', id: string, fields: Record<string, any>, over?: Record<string, any>}
 *   | {do: 'place', places: Place[]}
 *   | {do: 'remove', ids: string[], over?: Record<string, Record<string, any>>}
 *   | {do: 'order', tab: string, rows: string[], over?: string[]}} Op
 */

/** A spreadsheet in the browser: its tabs, what was done to it, and what of that is not saved. */
export class Sheet {
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
        this.dirty = new Dirty();
        /** @type {Dirty | null} what is on its way */
        this.sent = null;
        /** @type {Op[][]} */
        this.undone = [];
        /** How all of it stood when the server was last told or asked. @type {{tab: Tab, columns: Column[], rows: Row[]}[]} */
        this.known = [];
        /** @type {Op[][]} */
        this.done = [];
        /** @type {() => void} */
        this.changed = () => {};
        /** What an undo left alone, since somebody else wrote over it. @type {(count: number) => void} */
        this.leftAlone = () => {};
        this.left = 0;
        this.replace(parts);
    }

    /** All of it again. @param {Part[]} parts */
    replace(parts) {
        this.tabs = [];
        this.parts.clear();
        this.tabOf.clear();
        this.positions = null;
        for (const [id, role, , fields] of parts) this.insert(id, role, role === 'tab' ? '' : this.tabs[this.tabs.length - 1].id, undefined, fields);
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

    /** Does something and remembers how to undo it. @param {Op[]} ops */
    run(ops) {
        const back = this.perform(ops);
        if (back.length === 0) return;
        this.done.push(back);
        this.undone = [];
        if (this.done.length > 200) this.done.shift();
        this.changed();
    }

    undo() {
        this.again(this.done, this.undone);
    }

    redo() {
        this.again(this.undone, this.done);
    }

    /** @param {Op[][]} from @param {Op[][]} to */
    again(from, to) {
        const ops = from.pop();
        if (!ops) return;
        this.left = 0;
        const back = this.perform(ops);
        if (back.length) to.push(back);
        if (back.length) this.changed();
        if (this.left) this.leftAlone(this.left);
    }

    /** @param {Op[]} ops @returns {Op[]} */
    perform(ops) {
        return ops.flatMap((op) => this.apply(op)).reverse();
    }

    /** @param {Op} op @returns {Op[]} what undoes it, the last to be done first */
    apply(op) {
        switch (op.do) {
            case 'cells': {
                /** @type {[string, string, Value | undefined][]} */
                const back = [];
                /** @type {(Value | undefined)[]} */
                const over = [];
                op.cells.forEach(([id, column, value], at) => {
                    const row = this.row(id);
                    if (!row || same(row.cells[column], value)) return;
                    if (op.over && !sameInput(row.cells[column], op.over[at])) {
                        this.left++;
                        return;
                    }
                    back.push([id, column, row.cells[column]]);
                    over.push(value);
                    write(row, column, value);
                    Dirty.note(this.dirty.cells, id, column);
                });
                return back.length ? [{ do: 'cells', cells: back.reverse(), over: over.reverse() }] : [];
            }
            case 'fields': {
                const part = /** @type {Record<string, any> | undefined} */ (this.parts.get(op.id));
                if (!part) return [];
                const differing = Object.keys(op.fields).filter((name) => part[name] !== op.fields[name]);
                const names = differing.filter((name) => !op.over || part[name] === op.over[name]);
                this.left += differing.length - names.length;
                if (names.length === 0) return [];
                const before = Object.fromEntries(names.map((name) => [name, part[name]]));
                for (const name of names) {
                    part[name] = op.fields[name];
                    Dirty.note(this.dirty.fields, op.id, name);
                }
                return [{ do: 'fields', id: op.id, fields: before, over: op.fields }];
            }
            case 'place': {
                /** @type {Op[]} */
                const back = [];
                for (const [id, role, parent, after, fields] of op.places) {
                    if (this.parts.has(id)) {
                        back.push({ do: 'place', places: [[id, null, this.tabOf.get(id)?.id ?? '', this.before(id)]] });
                        this.move(id, parent, after);
                        this.dirty.moved.add(id);
                    } else if (role !== null) {
                        this.insert(id, role, parent, after, fields ?? {});
                        this.dirty.added.add(id);
                        back.push({ do: 'remove', ids: [id], over: { [id]: { ...(fields ?? {}) } } });
                    }
                }
                return back;
            }
            case 'remove': {
                /** @type {Op[]} */
                const back = [];
                for (const id of op.ids) {
                    if (!this.parts.has(id)) continue;
                    if (op.over && this.isFilled(id, op.over[id] ?? {})) {
                        this.left++;
                        continue;
                    }
                    const { places, cells } = this.without(id);
                    if (cells.length) back.push({ do: 'cells', cells });
                    back.push({ do: 'place', places });
                    for (const [gone] of places) {
                        this.dirty.added.delete(gone);
                        this.dirty.moved.delete(gone);
                        this.dirty.cells.delete(gone);
                        this.dirty.fields.delete(gone);
                    }
                    this.dirty.removed.add(id);
                }
                return back;
            }
            case 'order': {
                const tab = /** @type {Tab | undefined} */ (this.parts.get(op.tab));
                if (!tab) return [];
                const before = tab.rows.map((row) => row.id);
                const named = new Set(op.rows);
                if (op.over) {
                    const known = new Set(op.over);
                    if (before.filter((id) => known.has(id)).join() !== op.over.filter((id) => this.parts.has(id)).join()) {
                        this.left++;
                        return [];
                    }
                }
                tab.rows = [...tab.rows.filter((row) => !named.has(row.id)), ...op.rows.flatMap((id) => this.row(id) ?? [])];
                this.positions = null;
                this.dirty.sorted.add(op.tab);
                return [{ do: 'order', tab: op.tab, rows: before, over: tab.rows.map((row) => row.id) }];
            }
        }
    }

    /** Whether somebody wrote in what was put in. @param {string} id @param {Record<string, any>} fields what it was put in with */
    isFilled(id, fields) {
        const part = /** @type {any} */ (this.parts.get(id));
        if ('cells' in part) return Object.entries(part.cells).some(([column, value]) => !sameInput(value, fields[column]));
        const rows = /** @type {Row[]} */ (part.rows ?? this.tabOf.get(id)?.rows ?? []);
        return rows.some((row) => ('rows' in part ? Object.keys(row.cells).length > 0 : row.cells[id] !== undefined));
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
                    places.push([each.id, role, id, of[at - 1]?.id ?? null, role === 'row' ? each.cells : { width: each.width, format: each.format }]);
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

    get isDirty() {
        return this.dirty.any || this.sent !== null;
    }

    /** The server is told of this state, or asked what became of it: what it answers goes on from here. */
    mark() {
        this.known = this.tabs.map((tab) => ({ tab, columns: [...tab.columns], rows: [...tab.rows] }));
    }

    /** What is not saved, to be sent. @returns {Edits} */
    take() {
        this.mark();
        this.sent = this.sent ? this.sent.with(this.dirty) : this.dirty;
        this.dirty = new Dirty();
        return editsOf(this, this.sent);
    }

    /** What was sent has not arrived. */
    untake() {
        if (this.sent) this.dirty = this.sent.with(this.dirty);
        this.sent = null;
    }

    /** All of it, as the list of its parts. @returns {Part[]} */
    whole() {
        return this.tabs.flatMap((tab) => [
            /** @type {Part} */ ([tab.id, 'tab', 0, { name: tab.name, frozen: tab.frozen }]),
            ...tab.columns.map((column) => /** @type {Part} */ ([column.id, 'column', 1, { width: column.width, format: column.format }])),
            ...tab.rows.map((row) => /** @type {Part} */ ([row.id, 'row', 1, row.cells])),
        ]);
    }

    /** What is not saved, without sending it. @returns {Edits} */
    pending() {
        return editsOf(this, new Dirty().with(this.sent ?? new Dirty()).with(this.dirty));
    }

    /** What was sent has arrived, and this is what the server made of it and has more. @param {Edits} more @returns {boolean} whether there was something of others in it */
    arrived(more) {
        this.sent = null;
        return this.bring(more);
    }

    /** What of some edits is worked out, and written by nobody. @param {Edits} edits @returns {Edits} */
    results(edits) {
        const isResult = (/** @type {string} */ row, /** @type {string} */ column, /** @type {Value | null} */ value) => formulaOf(value ?? undefined) !== undefined && sameInput(this.value(row, column), value ?? undefined);
        return { cells: Object.fromEntries(Object.entries(edits.cells ?? {}).map(([row, cells]) => [row, Object.fromEntries(Object.entries(cells).filter(([column, value]) => isResult(row, column, value)))])) };
    }

    /** Takes in what comes from the server; what was written here since stays. @param {Edits} edits @returns {boolean} whether there is more in it than results of formulas */
    bring(edits) {
        const laid = this.dirty.layout;
        if (!laid.any || !(edits.removed?.length || edits.placed?.length)) return this.lay(edits);
        // What was moved about here since is done again on top: only so does all are here where the server will have it.
        const [since, again, dirty] = [editsOf(this, laid), this.neighbours(), this.dirty];
        this.backToKnown();
        this.dirty = dirty.written;
        const others = this.lay(edits);
        this.dirty = dirty;
        this.layAgain(since, again);
        return others;
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
        for (const list of [this.tabs, ...this.tabs.flatMap((tab) => [tab.columns, tab.rows])]) list.forEach((part, at) => before.set(part.id, list[at - 1]?.id ?? null));
        return before;
    }

    /** @param {Edits} since @param {Map<string, string | null>} before where what others took away stood */
    layAgain({ removed = [], placed = [], order = {} }, before) {
        const standing = (/** @type {string | null} */ id) => {
            while (id !== null && !this.parts.has(id)) id = before.get(id) ?? null;
            return id;
        };
        this.perform([{ do: 'remove', ids: removed }]);
        for (const [id, role, parent, after, fields] of placed) this.perform([{ do: 'place', places: [[id, role, parent, standing(after), fields]] }]);
        this.perform(Object.entries(order).map(([tab, rows]) => /** @type {Op} */ ({ do: 'order', tab, rows })));
    }

    /** @param {Edits} edits @returns {boolean} */
    lay(edits) {
        let others = false;
        for (const id of edits.removed ?? []) {
            others = true;
            if (this.parts.has(id) && !this.dirty.added.has(id)) this.without(id);
        }
        for (const [id, role, parent, after, fields] of edits.placed ?? []) {
            others = true;
            if (this.parts.has(id)) {
                if (!this.dirty.moved.has(id)) this.move(id, parent, after);
            } else if (role !== null && !this.dirty.removed.has(id)) {
                this.insert(id, role, parent, after, fields ?? {});
            }
        }
        for (const [id, cells] of Object.entries(edits.cells ?? {})) {
            const row = this.row(id);
            for (const [column, value] of Object.entries(row ? cells : {})) {
                others ||= formulaOf(value) === undefined || formulaOf(value) !== formulaOf(row?.cells[column]);
                if (row && !this.dirty.has(id, column)) write(row, column, value ?? undefined);
            }
        }
        for (const [id, fields] of Object.entries(edits.fields ?? {})) {
            others = true;
            const part = this.parts.get(id);
            for (const [name, value] of Object.entries(part ? fields : {})) if (!this.dirty.fields.get(id)?.has(name)) /** @type {any} */ (part)[name] = value;
        }
        return others;
    }

    /** Does again what an earlier visit could not save. @param {Edits} edits @param {Map<string, string | null>} [before] how it stood then */
    takeUp(edits, before = new Map()) {
        this.layAgain(edits, before);
        this.perform([
            { do: 'cells', cells: Object.entries(edits.cells ?? {}).flatMap(([row, cells]) => Object.entries(cells).map(([column, value]) => /** @type {[string, string, Value | undefined]} */ ([row, column, value ?? undefined]))) },
            ...Object.entries(edits.fields ?? {}).map(([id, fields]) => /** @type {Op} */ ({ do: 'fields', id, fields })),
        ]);
    }
}
