/**
 * What a sheet says to the server of what was done to it.
 *
 * @typedef {import('./model.js').Sheet} Sheet
 * @typedef {import('./tabs.js').Tab} Tab
 * @typedef {import('./tabs.js').Place} Place
 * @typedef {import('./tabs.js').Edits} Edits
 * @typedef {import('./dirty.js').Dirty} Dirty
 */

/** Rows up to which it is said where they stood. */
const FEW = 500;

/** @param {Sheet} sheet @param {Dirty} dirty @returns {Edits} */
export function editsOf(sheet, dirty) {
    const placed = dirty.added.size || dirty.moved.size ? places(sheet, dirty) : [];
    /** @type {Edits} */
    const edits = { removed: [...dirty.removed], ...(placed.length ? { placed } : {}) };
    for (const id of dirty.sorted) {
        const tab = /** @type {Tab | undefined} */ (sheet.parts.get(id));
        if (tab) (edits.order ??= {})[id] = tab.rows.map((row) => row.id);
    }
    for (const [id, columns] of dirty.cells) {
        const row = dirty.added.has(id) ? undefined : sheet.row(id);
        const written = row ? [...columns].filter((column) => sheet.parts.has(column)) : [];
        if (row && written.length)
            (edits.cells ??= {})[id] = Object.fromEntries(written.map((column) => [column, row.cells[column] ?? null]));
    }
    const at = stood(sheet, edits);
    if (at) edits.at = at;
    for (const [id, names] of dirty.fields) {
        const part = /** @type {Record<string, any> | undefined} */ (dirty.added.has(id) ? undefined : sheet.parts.get(id));
        if (part) (edits.fields ??= {})[id] = Object.fromEntries([...names].map((name) => [name, part[name]]));
    }
    return edits;
}

/** What came, and what is elsewhere. @param {Sheet} sheet @param {Dirty} dirty */
function places(sheet, dirty) {
    /** @type {Place[]} */
    const placed = [];
    /**
     * @param {string} id @param {string} role @param {string} parent @param {string | null} after @param {() => Record<string, any>} fields
     */
    const place = (id, role, parent, after, fields) => {
        if (dirty.added.has(id)) placed.push([id, role, parent, after, fields()]);
        else if (dirty.moved.has(id)) placed.push([id, null, parent, after]);
    };
    let beforeTab = null;
    for (const tab of sheet.tabs) {
        place(tab.id, 'tab', '', beforeTab, () => ({ name: tab.name, frozen: tab.frozen }));
        beforeTab = tab.id;
        let before = null;
        for (const column of tab.columns) {
            place(column.id, 'column', tab.id, before, () => ({ width: column.width, format: column.format }));
            before = column.id;
        }
        // The first row is after the last column.
        for (const row of tab.rows) {
            place(row.id, 'row', tab.id, before, () => row.cells);
            before = row.id;
        }
    }
    return placed;
}

/**
 * Where the rows stood, so that of a large table only they are read; undefined when that would not do. @param {Sheet} sheet @param {Edits}
 * edits
 */
function stood(sheet, edits) {
    const placed = edits.placed ?? [];
    const rows = [...Object.keys(edits.cells ?? {}), ...placed.map(([id]) => id)];
    if (!rows.length || rows.length > FEW || !placed.every(([, role]) => role === 'row') || edits.order || edits.removed?.length)
        return undefined;
    const came = placed.map(([id]) => sheet.wholePosition(id));
    return Object.fromEntries(
        rows.map((id) => [id, sheet.wholePosition(id)]).map(([id, at]) => [id, Number(at) - came.filter((one) => one < Number(at)).length]),
    );
}
