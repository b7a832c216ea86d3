import { shifted, spell } from './formula.js';
import { bareOf, dressed, formulaOf, lookOf } from './cell.js';
import { editable, lookParts, shown } from './values.js';

/**
 * @typedef {import('./grid.js').Grid} Grid
 * @typedef {import('./model.js').Sheet} Sheet
 * @typedef {import('./tabs.js').Value} Value
 * @typedef {{text: string, rows: {row: string, column: string, value: Value | undefined}[][]}} Copied
 */

/** @param {string} text */
const field = (text) => (/["\t\n\r]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text);

/** @param {string} text */
const escaped = (text) => text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);

/**
 * Puts the chosen cells on the clipboard, as text with tabs and as a table, the way other programs read them.
 *
 * @param {Grid} grid @param {DataTransfer} data
 * @returns {Copied} the same cells as they are kept, for pasting here
 */
export function copyOut(grid, data) {
    const { top, bottom, left, right } = grid.range;
    const columns = grid.tab.columns.slice(left, right + 1);
    const rows = (grid.rows ?? []).slice(top, bottom + 1);
    const shownRows = rows.map((row) =>
        columns.map((column) =>
            shown(row.cells[column.id], lookParts(lookOf(row.cells[column.id])).format || lookParts(column.format).format),
        ),
    );
    const text = shownRows.map((cells) => cells.map(field).join('\t')).join('\n');
    data.setData('text/plain', text);
    data.setData(
        'text/html',
        `<table>${shownRows.map((cells) => `<tr>${cells.map((cell) => `<td>${escaped(cell)}</td>`).join('')}</tr>`).join('')}</table>`,
    );
    return { text, rows: rows.map((row) => columns.map((column) => ({ row: row.id, column: column.id, value: row.cells[column.id] }))) };
}

/**
 * The cells that a clipboard brings from elsewhere: a table, or text with tabs.
 *
 * @param {DataTransfer} data
 * @returns {string[][]}
 */
export function cellsOf(data) {
    const html = data.getData('text/html');
    if (html !== '') {
        const table = new DOMParser().parseFromString(html, 'text/html').querySelector('table');
        if (table)
            return [...table.rows].map((row) =>
                [...row.cells].flatMap((cell) => [(cell.textContent ?? '').trim(), ...Array(Math.min(100, cell.colSpan) - 1).fill('')]),
            );
    }
    return separated(data.getData('text/plain'));
}

/** Text with tabs between cells, in quotation marks where a cell holds a tab or a line. @param {string} text @returns {string[][]} */
export function separated(text) {
    /** @type {string[][]} */
    const rows = [[]];
    let cell = '';
    let open = false;
    for (let at = 0; at < text.length; at++) {
        const sign = text[at];
        if (open) {
            if (sign === '"' && text[at + 1] === '"') cell += text[++at];
            else if (sign === '"') open = false;
            else cell += sign;
        } else if (sign === '"' && cell === '') {
            open = true;
        } else if (sign === '\t' || sign === '\n') {
            rows[rows.length - 1].push(cell.replace(/\r$/, ''));
            cell = '';
            if (sign === '\n') rows.push([]);
        } else {
            cell += sign;
        }
    }
    if (cell !== '' || rows[rows.length - 1].length) rows[rows.length - 1].push(cell.replace(/\r$/, ''));
    if (rows[rows.length - 1].length === 0) rows.pop();
    return rows;
}

/**
 * The value of a copied cell at another place: formulas move along. @param {Sheet} sheet @param {Value | undefined} value @param {string}
 * from row @param {string} fromColumn @param {string} to row @param {string} toColumn @returns {Value | undefined}
 */
export function carriedTo(sheet, value, from, fromColumn, to, toColumn) {
    const formula = formulaOf(value);
    if (formula === undefined || value === undefined) return value;
    const [down, right] = [sheet.position(to) - sheet.position(from), sheet.position(toColumn) - sheet.position(fromColumn)];
    return dressed(['=', shifted(formula, from, to, down, right, sheet)], lookOf(value));
}

/** @param {Sheet} sheet @param {string} row @param {Value | undefined} value @returns {string} what the line for editing shows */
export function inLine(sheet, row, value) {
    const formula = formulaOf(value);
    return formula === undefined ? editable(bareOf(value)) : `=${spell(formula, row, sheet)}`;
}
