import { bareOf } from './cell.js';

/** @typedef {import('./grid.js').Spot} Spot */

/**
 * What keys do while the grid has the focus.
 *
 * @param {import('./grid.js').Grid} grid
 * @param {Record<string, (value?: string) => void>} does
 * @param {{edit: (spot: Spot, text?: string) => void, key: (event: KeyboardEvent) => boolean}} editor
 * @param {boolean} editable
 * @returns {(event: KeyboardEvent) => void}
 */
export function gridKeys(grid, does, editor, editable) {
    /** Arrows with Control go to the end of what is written. @param {number} down @param {number} right @returns {Spot} */
    const edge = (down, right) => {
        const rows = grid.rows ?? [];
        const filled = (/** @type {Spot} */ { row, column }) => bareOf(rows[row]?.cells[grid.tab.columns[column]?.id]) !== undefined;
        let at = grid.at;
        const inside = (/** @type {Spot} */ { row, column }) =>
            row >= 0 && column >= 0 && row < rows.length && column < grid.tab.columns.length;
        const next = (/** @type {Spot} */ spot) => ({ row: spot.row + down, column: spot.column + right });
        if (!inside(next(at))) return at;
        const run = filled(at) && filled(next(at));
        do at = next(at); while (inside(next(at)) && (run ? filled(next(at)) : !filled(at)));
        return at;
    };
    let leaving = false;
    /** @param {KeyboardEvent} event */
    const gridKey = (event) => {
        if (editor.key(event) || event.target !== grid.root) return;
        const { key, shiftKey } = event;
        const held = event.ctrlKey || event.metaKey;
        const page = Math.max(1, Math.floor(grid.root.clientHeight / 28) - 3);
        /** @type {Record<string, [number, number]>} */
        const arrows = {
            ArrowUp: [-1, 0],
            ArrowDown: [1, 0],
            ArrowLeft: [0, -1],
            ArrowRight: [0, 1],
            PageUp: [-page, 0],
            PageDown: [page, 0],
        };
        const done = () => event.preventDefault();
        if (key === 'Escape') {
            // After it, Tab leaves the grid.
            leaving = true;
            return;
        }
        if (key === 'Tab') {
            const next = grid.at.column + (shiftKey ? -1 : 1);
            if (leaving || next < 0 || next >= grid.tab.columns.length) return;
            done();
            grid.beside(next - grid.at.column);
            return;
        }
        leaving = false;
        if (key in arrows) {
            done();
            const [down, right] = arrows[key];
            grid.choose(
                held ? edge(Math.sign(down), Math.sign(right)) : { row: grid.at.row + down, column: grid.at.column + right },
                shiftKey,
            );
        } else if (key === 'Home' || key === 'End') {
            done();
            const last = grid.tab.columns.length - 1;
            grid.choose(
                { row: held ? (key === 'Home' ? 0 : (grid.rows ?? []).length - 1) : grid.at.row, column: key === 'Home' ? 0 : last },
                shiftKey,
            );
        } else if (held && key.toLowerCase() === 'a') {
            done();
            grid.chooseRange({ top: 0, bottom: (grid.rows ?? []).length - 1, left: 0, right: grid.tab.columns.length - 1 });
        } else if (!editable) {
            return;
        } else if (held && key.toLowerCase() === 'z') {
            done();
            does[shiftKey ? 'redo' : 'undo']();
        } else if (held && key.toLowerCase() === 'y') {
            done();
            does.redo();
        } else if (held && key.toLowerCase() === 'b') {
            done();
            does.bold();
        } else if (key === 'Delete' || key === 'Backspace') {
            done();
            does.empty();
        } else if (key === 'Enter') {
            done();
            editor.edit(grid.at);
        } else if (key === 'Dead' || key === 'Process') {
            // An accent that waits for its letter, or an input method: what comes of it is written in the cell.
            editor.edit(grid.at, '');
        } else if (key.length === 1 && !held && !event.altKey) {
            done();
            editor.edit(grid.at, key);
        }
    };
    return gridKey;
}
