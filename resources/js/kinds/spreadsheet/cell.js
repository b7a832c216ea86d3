/**
 * @typedef {import('./tabs.js').Row} Row
 * @typedef {import('./tabs.js').Value} Value
 */

/** @param {Row} row @param {string} column @param {Value | undefined} value */
export function write(row, column, value) {
    if (value === undefined) delete row.cells[column];
    else row.cells[column] = value;
}

/** @param {Value | undefined} one @param {Value | undefined} two */
export function same(one, two) {
    return one === two || (Array.isArray(one) && Array.isArray(two) && JSON.stringify(one) === JSON.stringify(two));
}

/** @param {Value | null | undefined} value @returns {string} letters and format, see {@link dressed} */
export function lookOf(value) {
    return Array.isArray(value) && value[0] === '*' ? String(value[1]) : '';
}

/** @param {Value | null | undefined} value @returns {Value | undefined} the value without its look */
export function bareOf(value) {
    if (!Array.isArray(value) || value[0] !== '*') return value ?? undefined;
    return value.length > 3 ? value.slice(2) : value[2];
}

/** @param {Value | undefined} bare @param {string} look b i l c r, and a number format behind a bar @returns {Value | undefined} */
export function dressed(bare, look) {
    if (look === '') return bare;
    return ['*', look, ...(bare === undefined ? [] : Array.isArray(bare) ? bare : [bare])];
}

/** @param {Value | null | undefined} value @returns {string | undefined} a formula as it is kept */
export function formulaOf(value) {
    const bare = bareOf(value);
    return Array.isArray(bare) && bare[0] === '=' ? String(bare[1]) : undefined;
}

/** @param {Value | null | undefined} value @returns {Value | undefined} what a cell holds, or what its formula gave */
export function resultOf(value) {
    const bare = bareOf(value);
    if (!Array.isArray(bare) || bare[0] !== '=') return bare;
    return bare.length > 3 ? bare.slice(2) : bare[2];
}

/**
 * Whether two values were written alike: the result of a formula is not written. @param {Value | undefined} one @param {Value | undefined}
 * two
 */
export function sameInput(one, two) {
    return same(one, two) || (formulaOf(one) !== undefined && formulaOf(one) === formulaOf(two) && lookOf(one) === lookOf(two));
}
