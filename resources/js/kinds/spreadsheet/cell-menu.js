import { inWords } from '../../common/words.js';
import { letters } from './formula.js';

/**
 * What can be done with a cell, or with the row or column whose name is pressed. What the pointer is on is chosen, unless it is among what
 * is; by the key it is the chosen cell.
 *
 * @param {MouseEvent} event
 * @param {{item: {key: string}, sheet: import('./model.js').Sheet, grid: import('./grid.js').Grid, talks: {mayBegin: () => boolean, begin: () => void}, leave: (to: string) => void}} desk
 * @returns {import('../../common/part-menu.js').Offer}
 */
export function cellMenu(event, { item, sheet, grid, talks, leave }) {
    const target = /** @type {HTMLElement} */ (event.target);
    if (target.closest('.grid-below')) return null;
    const spot = grid.spotOf(event);
    const { name, number } = target.dataset;
    const { top, bottom: low, left, right } = grid.range;
    if (name !== undefined) grid.chooseRange({ top: 0, bottom: (grid.rows ?? []).length - 1, left: Number(name), right: Number(name) });
    else if (number !== undefined)
        grid.chooseRange({ top: Number(number), bottom: Number(number), left: 0, right: grid.tab.columns.length - 1 });
    else if (spot && !(spot.row >= top && spot.row <= low && spot.column >= left && spot.column <= right)) grid.choose(spot);
    const { row, column } = grid;
    if (!row || !column) return null;
    const [letter, at] = [letters(sheet.position(column.id)), sheet.position(row.id) + 1];
    /** @param {string} of @param {string} way */
    const line = (of, way) => ({
        text: inWords('spreadsheet.cell-editor.history_of', { name: of }),
        href: `/items/${item.key}/${way}`,
        do: () => leave(`/items/${item.key}/${way}`),
    });
    const ofRow = line(inWords('spreadsheet.cell-menu.row', { number: at }), `parts/${row.id}`);
    const ofColumn = line(inWords('spreadsheet.cell-menu.column', { letter }), `parts/${column.id}`);
    if (name !== undefined) return { lines: [ofColumn] };
    if (number !== undefined) return { lines: [ofRow] };
    const lines = [
        { ...line(`${letter}${at}`, `cells/${row.id}/${column.id}`), key: 'Alt+W' },
        ofRow,
        ofColumn,
        ...(talks.mayBegin() ? [{ text: inWords('common.part-menu.comment'), key: 'Alt+C', do: talks.begin }] : []),
    ];
    const box = spot ? null : grid.root.querySelector('#grid-at')?.getBoundingClientRect();
    return { lines, ...(box ? { x: box.left + 8, y: box.bottom } : {}) };
}
