import { inLine } from './clipboard.js';
import { keep, letters, spell } from './formula.js';
import { element } from './grid.js';
import { dressed, lookOf } from './cell.js';
import { lookParts, lookWith, typed } from './values.js';
import { inWords } from '../../common/words.js';

/**
 * @typedef {import('./grid.js').Spot} Spot
 * @typedef {import('./model.js').Sheet} Sheet
 * @typedef {import('./grid.js').Grid} Grid
 * @typedef {{row: string, column: string, box: HTMLTextAreaElement, opened: string}} Written what is being written in a cell, and what the
 *     box began with
 */

/**
 * What was typed, as a value for a cell. @param {Sheet} sheet @param {string} text @param {string} row @param {string} column @param
 * {import('./values.js').Writing} [writing]
 */
export function readCell(sheet, text, row, column, writing) {
    const { value, formula, format } = typed(text, writing);
    const old = lookOf(sheet.value(row, column));
    const { letters: marks, format: had } = lookParts(old);
    const of = /** @type {import('./tabs.js').Column} */ (sheet.parts.get(column)).format;
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
    /** In the cell itself. @type {Written | null} */
    let editing = null;
    /** In the line below, while it has the focus. @type {Written | null} */
    let lining = null;

    const showLine = () => {
        const { row, column } = grid;
        const { top, bottom: low, left, right } = grid.range;
        line.disabled = !editable || !row;
        if (!row || !column) return;
        const name = `${letters(grid.at.column)}${sheet.position(row.id) + 1}`;
        const many = top !== low || left !== right;
        const told = many ? sums() : '';
        where.textContent =
            (many
                ? inWords('spreadsheet.cell-editor.to', { left: letters(left), top: top + 1, right: letters(right), low: low + 1 })
                : name) + (told === '' ? '' : `: ${told}`);
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
        const box = /** @type {HTMLTextAreaElement} */ (
            element('textarea', 'grid-edit', {
                'aria-label': inWords('spreadsheet.cell-editor.cell', { column: letters(spot.column), id: sheet.position(row.id) + 1 }),
                rows: '1',
                spellcheck: 'false',
                maxlength: '32767',
            })
        );
        const opened = inLine(sheet, row.id, row.cells[column.id]);
        box.value = text ?? opened;
        editing = { row: row.id, column: column.id, box, opened };
        grid.space.append(box);
        lie();
        box.focus({ preventScroll: true });
        box.setSelectionRange(box.value.length, box.value.length);
        line.value = box.value;
    };
    /** Over its cell, as far as that is in sight. */
    const lie = () => {
        const over = editing && grid.cell(grid.at.row, grid.at.column);
        if (!editing || !over) return;
        const [from, frame, { style }] = [over.getBoundingClientRect(), grid.root.getBoundingClientRect(), editing.box];
        style.left = `${from.left - frame.left + grid.root.scrollLeft}px`;
        style.top = `${from.top - frame.top + grid.root.scrollTop}px`;
        style.minWidth = `${from.width + 1}px`;
        grow();
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
        const written = editing;
        editing = null;
        written.box.remove();
        if (!take || !put(written)) showLine();
    };
    /** Writes what was typed, if anything was. @param {Written} written @returns {boolean} whether something was */
    const put = ({ row, column, box: { value }, opened }) => {
        if (value === opened) return false;
        sheet.run([{ do: 'cells', cells: [[row, column, readCell(sheet, value, row, column)]] }]);
        return true;
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
            lining = null;
            grid.root.focus({ preventScroll: true });
        }
    };
    /** What was begun in the cell is gone on with in the line. */
    const toLine = () => {
        if (editing) {
            const { row, column, opened, box } = editing;
            editing = null;
            box.remove();
            lining = { row, column, box: line, opened };
        } else if (grid.row && grid.column) {
            lining = { row: grid.row.id, column: grid.column.id, box: line, opened: line.value };
        }
    };
    const takeLine = () => {
        const written = lining;
        lining = null;
        if (written) put(written);
    };
    /**
     * Before others' edits are shown. @returns {() => void} to be called once they are: a formula that is being written names the same
     * cells as before, wherever these are now
     */
    const hold = () => {
        const after = [editing, lining].flatMap((written) => {
            if (!written?.box.value.startsWith('=')) return [];
            const again = [written.opened, written.box.value].map((text) => {
                if (!text.startsWith('=')) return () => text;
                const kept = keep(text.slice(1), written.row, sheet);
                const before = spell(kept, written.row, sheet);
                return () => (spell(kept, written.row, sheet) === before ? text : `=${spell(kept, written.row, sheet)}`);
            });
            return () => {
                const [opened, text] = again.map((spelled) => spelled());
                written.opened = opened;
                if (text === written.box.value) return;
                const behind = written.box.value.length - written.box.selectionStart;
                written.box.value = text;
                written.box.setSelectionRange(Math.max(1, text.length - behind), Math.max(1, text.length - behind));
            };
        });
        return () => {
            if (editing && !(sheet.parts.has(editing.row) && sheet.parts.has(editing.column))) finish(false);
            if (lining && !(sheet.parts.has(lining.row) && sheet.parts.has(lining.column))) lining = null;
            for (const done of after) done();
            lie();
            if (editing) line.value = editing.box.value;
            else showLine();
        };
    };

    const typedIn = () => {
        grow();
        if (editing) line.value = editing.box.value;
    };
    /** @type {[string, (event: any) => void][]} */
    const listeners = [
        ['keydown', lineKey],
        ['focus', toLine],
        ['blur', () => (takeLine(), showLine())],
    ];
    for (const [name, listener] of listeners) line.addEventListener(name, listener);
    grid.onChoice = showLine;
    return {
        edit, finish, point, showLine, typedIn, hold,
        /** Where something was typed that is not in the sheet yet. @returns {{row: string, column: string} | null} */
        get writing() {
            return [editing, lining].find((written) => written && written.box.value !== written.opened) ?? null;
        },
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
