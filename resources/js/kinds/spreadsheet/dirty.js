const WRITTEN = /** @type {const} */ (['cells', 'fields']);
const LAYOUT = /** @type {const} */ (['added', 'moved', 'removed', 'sorted']);

/** What of a sheet the server does not have. */
export class Dirty {
    constructor() {
        /** @type {Map<string, Set<string>>} row => columns */
        this.cells = new Map();
        /** @type {Map<string, Set<string>>} tab or column => fields */
        this.fields = new Map();
        /** @type {Set<string>} */
        this.added = new Set();
        /** @type {Set<string>} */
        this.moved = new Set();
        /** @type {Set<string>} */
        this.removed = new Set();
        /** @type {Set<string>} tabs whose rows were sorted */
        this.sorted = new Set();
    }

    none() {
        return new Dirty();
    }

    get any() {
        return [this.cells, this.fields, this.added, this.moved, this.removed, this.sorted].some((of) => of.size > 0);
    }

    /** What came, went and moved. */
    get layout() {
        const layout = new Dirty();
        for (const of of LAYOUT) layout[of] = new Set(this[of]);
        return layout;
    }

    /** What was written in what stays. */
    get written() {
        const written = new Dirty();
        for (const of of WRITTEN) written[of] = new Map(this[of]);
        // What came is all of it written here.
        written.added = new Set(this.added);
        return written;
    }

    /** @param {string} id @param {string} column */
    has(id, column) {
        return this.added.has(id) || (this.cells.get(id)?.has(column) ?? false);
    }

    /** @param {Map<string, Set<string>>} map @param {string} key @param {string} value */
    static note(map, key, value) {
        const set = map.get(key) ?? new Set();
        map.set(key, set.add(value));
    }

    /** @param {Dirty} later */
    with(later) {
        for (const of of WRITTEN) for (const [key, values] of later[of]) for (const value of values) Dirty.note(this[of], key, value);
        for (const of of LAYOUT) for (const id of later[of]) this[of].add(id);
        return this;
    }
}
