import { inLine } from './clipboard.js';
import { keep, letters } from './formula.js';
import { element } from './grid.js';
import { dressed, lookOf } from './cell.js';
import { lookParts, lookWith, typed } from './values.js';
import { inWords } from '../../common/words.js';

/**
 * @typedef {import('./grid.js').Spot} Spot
 * @typedef {import('./model.js').Sheet} Sheet
 * @typedef {import('./grid.js').Grid} Grid
 */

/** What was typed, as a value for a cell. @param {Sheet} sheet @param {string} text @param {string} row @param {string} column @param {import('./values.js').Writing} [writing] */
export function readCell(sheet, text, row, column, writing) {
    const { value, formula, format } = typed(text, writing);
    const old = lookOf(sheet.value(row, column));
    const { letters: marks, format: had } = lookParts(old);
    const of = /** @type {import('./model.js').Column} */ (sheet.parts.get(column)).format;
    const look = format !== undefined && had === '' && lookParts(of).format === '' ? lookWith(marks, format) : old;
    return dressed(formula !== undefined ? ['=', keep(formula, row, sheet)] : value, look);
}

/**
 * Writing in a cell: in its place in the grid, or in the line below.
 *
 * @param {Sheet} sheet @param {Grid} grid
 * @param {{line: HTMLTextAreaElement, where: HTMLElement, story: HTMLAnchorElement, editable: boolean, makeRoom: () => void}} around
 */
export function cellEditor(sheet, grid, { line, where, story, editable, makeRoom }) {
    /** @type {{row: string, column: string, box: HTMLTextAreaElement} | null} */
    let editing = null;
    let lineFor = '';

    const showLine = () => {
        const { row, column } = grid;
        const { top, bottom: low, left, right } = grid.range;
        line.disabled = !editable || !row;
        if (!row || !column) return;
        const name = `${letters(grid.at.column)}${sheet.position(row.id) + 1}`;
        const many = top !== low || left !== right;
        const told = many ? sums() : '';
        where.textContent = (many ? inWords('spreadsheet.cell-editor.to', { left: letters(left), top: top + 1, right: letters(right), low: low + 1 }) : name) + (told === '' ? '' : `: ${told}`);
        if (document.activeElement !== line) line.value = inLine(sheet, row.id, row.cells[column.id]);
        story.href = `${story.dataset.cellStory}/${row.id}/${column.id}`;
        story.textContent = inWords('spreadsheet.cell-editor.history_of', { name });
    };
    /** Count and sum of the chosen numbers. @returns {string} */
    const sums = () => {
        const { top, bottom: low, left, right } = grid.range;
        if ((low - top + 1) * (right - left + 1) > 200_000) return '';
        let [count, sum] = [0, 0];
        for (const [row, column] of grid.chosen) {
            const value = row.cells[column.id];
            const number = typeof value === 'number' ? value : Array.isArray(value) ? value[value.length - 1] : undefined;
            if (typeof number === 'number') [count, sum] = [count + 1, sum + number];
        }
        return count > 1 ? inWords('spreadsheet.cell-editor.numbers_sum', { count, value: Number(sum.toPrecision(12)) }) : '';
    };
    /** @param {Spot} spot @param {string} [text] what it begins with, instead of what is there */
    const edit = (spot, text) => {
        const row = (grid.rows ?? [])[spot.row];
        const column = grid.tab.columns[spot.column];
        if (!editable || !row || !column) return;
        finish(true);
        grid.choose(spot);
        const box = /** @type {HTMLTextAreaElement} */ (element('textarea', 'grid-edit', { 'aria-label': inWords('spreadsheet.cell-editor.cell', { column: letters(spot.column), id: sheet.position(row.id) + 1 }), rows: '1', spellcheck: 'false', maxlength: '32767' }));
        const over = /** @type {HTMLElement} */ (grid.cell(spot.row, spot.column));
        const [from, frame] = [over.getBoundingClientRect(), grid.root.getBoundingClientRect()];
        box.style.left = `${from.left - frame.left + grid.root.scrollLeft}px`;
        box.style.top = `${from.top - frame.top + grid.root.scrollTop}px`;
        box.style.minWidth = `${from.width + 1}px`;
        box.value = text ?? inLine(sheet, row.id, row.cells[column.id]);
        editing = { row: row.id, column: column.id, box };
        grid.space.append(box);
        grow();
        box.focus({ preventScroll: true });
        box.setSelectionRange(box.value.length, box.value.length);
        line.value = box.value;
    };
    const grow = () => {
        if (!editing) return;
        const { box } = editing;
        box.style.width = '0';
        box.style.width = `${Math.min(520, box.scrollWidth + 8)}px`;
        box.style.height = '0';
        box.style.height = `${box.scrollHeight}px`;
    };
    /** @param {boolean} take whether what was typed counts */
    const finish = (take) => {
        if (!editing) return;
        const { row, column, box } = editing;
        editing = null;
        const text = box.value;
        box.remove();
        if (take && text !== inLine(sheet, row, sheet.value(row, column))) sheet.run([{ do: 'cells', cells: [[row, column, readCell(sheet, text, row, column)]] }]);
        else showLine();
    };
    /** @param {number} down */
    const step = (down) => {
        if (down > 0 && grid.at.row === (grid.rows ?? []).length - 1 && grid.filter === null && editable) makeRoom();
        grid.onward(down);
    };
    /** In a formula that waits for one, a press on a cell writes its name. @param {Spot} spot */
    const point = (spot) => {
        const box = editing?.box ?? (document.activeElement === line ? line : null);
        if (!box || !box.value.startsWith('=') || !/[=(,+\-*/^&<>:;]\s*$/.test(box.value.slice(0, box.selectionStart))) return false;
        const row = (grid.rows ?? [])[spot.row];
        box.setRangeText(`${letters(spot.column)}${sheet.position(row.id) + 1}`, box.selectionStart, box.selectionEnd, 'end');
        grow();
        if (editing) line.value = box.value;
        return true;
    };

    /** @param {KeyboardEvent} event */
    const editKey = (event) => {
        if (event.isComposing) return;
        if (event.key === 'Enter' && !event.altKey) {
            event.preventDefault();
            finish(true);
            grid.root.focus({ preventScroll: true });
            step(event.shiftKey ? -1 : 1);
        } else if (event.key === 'Tab') {
            event.preventDefault();
            finish(true);
            grid.root.focus({ preventScroll: true });
            grid.beside(event.shiftKey ? -1 : 1);
        } else if (event.key === 'Escape') {
            event.preventDefault();
            finish(false);
            grid.root.focus({ preventScroll: true });
        }
    };
    /** @param {KeyboardEvent} event */
    const lineKey = (event) => {
        if (event.key === 'Enter' && !event.isComposing) {
            event.preventDefault();
            takeLine();
            grid.root.focus({ preventScroll: true });
            step(1);
        } else if (event.key === 'Escape') {
            event.preventDefault();
            grid.root.focus({ preventScroll: true });
            showLine();
        }
    };
    const takeLine = () => {
        const [row, column] = lineFor.split('/');
        lineFor = '';
        if (column && sheet.parts.has(row) && line.value !== inLine(sheet, row, sheet.value(row, column))) sheet.run([{ do: 'cells', cells: [[row, column, readCell(sheet, line.value, row, column)]] }]);
    };

    const typedIn = () => {
        grow();
        if (editing) line.value = editing.box.value;
    };
    /** @type {[string, (event: any) => void][]} */
    const listeners = [
        ['keydown', lineKey],
        ['focus', () => (lineFor = grid.row ? `${grid.row.id}/${grid.column.id}` : '')],
        ['blur', () => (takeLine(), showLine())],
    ];
    for (const [name, listener] of listeners) line.addEventListener(name, listener);
    grid.onChoice = showLine;
    return {
        edit, finish, point, showLine, typedIn,
        /** A key in the cell itself. @param {KeyboardEvent} event @returns {boolean} whether it was one */
        key: (event) => {
            if (!editing || event.target !== editing.box) return false;
            editKey(event);
            return true;
        },
        dispose: () => {
            for (const [name, listener] of listeners) line.removeEventListener(name, listener);
        },
    };
}
