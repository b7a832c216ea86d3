import { formulaOf, resultOf } from './cell.js';

/**
 * @typedef {import('./tabs.js').Row} Row
 * @typedef {import('./tabs.js').Tab} Tab
 * @typedef {import('./tabs.js').Value} Value
 */

const RANGES = /\[\$?([A-Za-z0-9_-]*|\*)\.\$?[A-Za-z0-9_-]+\]:\[\$?([A-Za-z0-9_-]*|\*)\.\$?[A-Za-z0-9_-]+\]/g;

/**
 * The rows of a tab in another order. A row that sums up rows which are sorted stays where it is, and so does all that is not sorted.
 *
 * @param {Tab} tab
 * @param {Row[]} chosen the rows to sort, in their order
 * @param {string} column by its values
 * @param {1 | -1} direction
 * @returns {{order: string[], sorted: number, stayed: Row[]}} ids of all rows of the tab, how many were sorted, and those that were left
 *     out
 */
export function sorting(tab, chosen, column, direction) {
    const positions = new Map(tab.rows.map((row, at) => [row.id, at]));
    const stayed = chosen.filter((row) => sumsUp(row, chosen, positions));
    const rows = chosen.filter((row) => !stayed.includes(row));
    const collator = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });
    const keyed = rows.map((row, at) => ({ id: row.id, at, key: key(row.cells[column]) }));
    keyed.sort((one, two) => {
        // What is empty is last either way.
        if ((one.key[0] === 9) !== (two.key[0] === 9)) return one.key[0] - two.key[0];
        const order =
            one.key[0] !== two.key[0]
                ? one.key[0] - two.key[0]
                : one.key[0] === 2
                  ? collator.compare(one.key[1], two.key[1])
                  : one.key[1] < two.key[1]
                    ? -1
                    : one.key[1] > two.key[1]
                      ? 1
                      : 0;
        return order * direction || one.at - two.at;
    });
    const moving = new Set(rows.map((row) => row.id));
    let next = 0;
    return { order: tab.rows.map((row) => (moving.has(row.id) ? keyed[next++].id : row.id)), sorted: rows.length, stayed };
}

/** @param {Row} row @param {Row[]} others @param {Map<string, number>} positions */
function sumsUp(row, others, positions) {
    return Object.values(row.cells).some((value) =>
        [...(formulaOf(value) ?? '').matchAll(RANGES)].some(([, from, to]) => {
            if (from === '*' || to === '*') return true;
            const [one, two] = [positions.get(from || row.id), positions.get(to || row.id)];
            if (one === undefined || two === undefined) return false;
            const [low, high] = [Math.min(one, two), Math.max(one, two)];
            return (
                others.filter(
                    (other) =>
                        other !== row &&
                        /** @type {number} */ (positions.get(other.id)) >= low &&
                        /** @type {number} */ (positions.get(other.id)) <= high,
                ).length > 1
            );
        }),
    );
}

/** @param {Value | undefined} value @returns {[number, any]} what it is ordered by: its sort first */
function key(value) {
    const result = resultOf(value);
    if (result === undefined || result === '') return [9, 0];
    if (Array.isArray(result)) return result[0] === 'd' ? [1, result[1]] : [4, result[1]];
    return typeof result === 'number' ? [0, result] : typeof result === 'string' ? [2, result] : [3, result];
}
