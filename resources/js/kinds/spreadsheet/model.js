import { Dirty } from './dirty.js';
import { formulaOf, same, sameInput, write } from './cell.js';
import { editsOf } from './edits-of.js';
import { Tabs } from './tabs.js';

/** @import { Edits, Part, Place, Row, Tab, Value } from './tabs.js' */

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
export class Sheet extends Tabs {
    /** @param {Part[]} parts */
    constructor(parts) {
        super(parts);
        this.dirty = new Dirty();
        /** @type {Dirty | null} what is on its way */
        this.sent = null;
        /** @type {Op[][]} */
        this.undone = [];
        /** @type {Op[][]} */
        this.done = [];
        /** @type {() => void} */
        this.changed = () => {};
        /** What an undo left alone, since somebody else wrote over it. @type {(count: number) => void} */
        this.leftAlone = () => {};
        this.left = 0;
        /** Results that are shown before the state is that one builds on, as they are in that one. @type {[string, string, Value | undefined][]} */
        this.ahead = [];
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
                    // With its column, a cell is gone for good.
                    if (!row || !this.parts.has(column) || same(row.cells[column], value)) return;
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

    get isDirty() {
        return this.dirty.any || this.sent !== null;
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

    /** What is not saved, without sending it. @returns {Edits} */
    pending() {
        return editsOf(this, new Dirty().with(this.sent ?? new Dirty()).with(this.dirty));
    }

    /**
     * What was sent has arrived; of what the server made of it only what is worked out is shown, and the state is still the one that was
     * sent. @param {Edits} edits @returns {boolean}
     */
    showResults(edits) {
        const results = this.results(edits);
        this.sent = null;
        this.ahead = Object.entries(results.cells ?? {}).flatMap(([row, cells]) =>
            Object.keys(cells).map((column) => /** @type {[string, string, Value | undefined]} */ ([row, column, this.value(row, column)])),
        );
        return this.bring(results);
    }

    /** Results are again as they are in the state that one builds on, so that what differs from that can be laid on top. */
    backFromAhead() {
        for (const [id, column, value] of this.ahead) {
            const row = this.row(id);
            if (row && this.parts.has(column) && sameInput(row.cells[column], value)) write(row, column, value);
        }
        this.ahead = [];
    }

    /**
     * What was sent has arrived, and this is what the server made of it and has more. @param {Edits} more @returns {boolean} whether there
     * was something of others in it
     */
    arrived(more) {
        this.sent = null;
        return this.bring(more);
    }

    /** What of some edits is worked out, and written by nobody. @param {Edits} edits @returns {Edits} */
    results(edits) {
        const isResult = (/** @type {string} */ row, /** @type {string} */ column, /** @type {Value | null} */ value) =>
            formulaOf(value ?? undefined) !== undefined && sameInput(this.value(row, column), value ?? undefined);
        return {
            cells: Object.fromEntries(
                Object.entries(edits.cells ?? {}).map(([row, cells]) => [
                    row,
                    Object.fromEntries(Object.entries(cells).filter(([column, value]) => isResult(row, column, value))),
                ]),
            ),
        };
    }

    /**
     * Takes in what comes from the server; what was written here since stays. @param {Edits} edits @returns {boolean} whether there is more
     * in it than results of formulas
     */
    bring(edits) {
        const laid = this.dirty.layout;
        if (!laid.any || !(edits.removed?.length || edits.placed?.length)) return this.lay(edits);
        // What was moved about here since is done again on top: only so does all are here where the server will have it.
        const [since, again, dirty] = [editsOf(this, laid), this.neighbours(), this.dirty];
        this.backToKnown();
        this.dirty = dirty.written;
        const others = this.lay(edits);
        this.dirty = dirty;
        // What came back here by an undo came back there as well: it is known from here on, and what is written in it is cells.
        for (const [id, role] of edits.placed ?? []) if (role !== null && dirty.added.delete(id)) dirty.moved.add(id);
        this.layAgain(since, again);
        return others;
    }

    /** @param {Edits} since @param {Map<string, string | null>} before where what others took away stood */
    layAgain({ removed = [], placed = [], order = {} }, before) {
        const standing = (/** @type {string | null} */ id) => {
            while (id !== null && !this.parts.has(id)) id = before.get(id) ?? null;
            return id;
        };
        this.perform([{ do: 'remove', ids: removed }]);
        for (const [id, role, parent, after, fields] of placed)
            this.perform([{ do: 'place', places: [[id, role, parent, standing(after), fields]] }]);
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
            for (const [name, value] of Object.entries(part ? fields : {}))
                if (!this.dirty.fields.get(id)?.has(name)) /** @type {any} */ (part)[name] = value;
        }
        return others;
    }

    /**
     * Does again what an earlier visit could not save. @param {Edits} edits @param {Map<string, string | null>} [before] how it stood then
     */
    takeUp(edits, before = new Map()) {
        this.layAgain(edits, before);
        this.perform([
            {
                do: 'cells',
                cells: Object.entries(edits.cells ?? {}).flatMap(([row, cells]) =>
                    Object.entries(cells).map(
                        ([column, value]) => /** @type {[string, string, Value | undefined]} */ ([row, column, value ?? undefined]),
                    ),
                ),
            },
            ...Object.entries(edits.fields ?? {}).map(([id, fields]) => /** @type {Op} */ ({ do: 'fields', id, fields })),
        ]);
    }
}
