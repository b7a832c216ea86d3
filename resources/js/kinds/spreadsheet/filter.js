import { letters } from './formula.js';
import { lookOf, resultOf } from './cell.js';
import { lookParts, shown } from './values.js';
import { inWords } from '../../common/words.js';

/**
 * Leaves in sight only the rows whose cell in a column is as asked; a view of one's own, nothing is changed by it.
 *
 * @param {HTMLElement} root @param {import('./model.js').Sheet} sheet @param {import('./grid.js').Grid} grid
 * @returns {() => void}
 */
export function filters(root, sheet, grid) {
    const form = /** @type {HTMLFormElement | null} */ (root.querySelector('[data-filter]'));
    const off = /** @type {HTMLButtonElement | null} */ (root.querySelector('[data-filter-off]'));
    if (!form || !off) return () => {};
    const of = form.querySelector('[data-filter-of]');
    const menu = /** @type {HTMLDetailsElement | null} */ (form.closest('details'));

    const opened = () => {
        const first = grid.tab.rows[0]?.cells[grid.column?.id];
        const name =
            grid.tab.frozen > 0 && typeof resultOf(first) === 'string'
                ? `“${resultOf(first)}”`
                : inWords('spreadsheet.filter.column', { column: letters(grid.at.column) });
        if (of) of.textContent = inWords('spreadsheet.filter.only_rows_whose', { name });
        off.hidden = grid.filter === null;
    };
    /** @param {SubmitEvent} event */
    const ask = (event) => {
        event.preventDefault();
        const how = String(new FormData(form).get('how'));
        const text = String(new FormData(form).get('what')).trim();
        const number = Number(text);
        const { id, format } = grid.column;
        /** @param {import('./tabs.js').Value | undefined} value */
        const fits = (value) => {
            const result = resultOf(value);
            const said = shown(value, lookParts(lookOf(value)).format || lookParts(format).format).toLowerCase();
            const plain = Array.isArray(result) ? String(result[1]).toLowerCase() : String(result ?? '').toLowerCase();
            const wanted = text.toLowerCase();
            switch (how) {
                case 'contains': return said.includes(wanted) || plain.includes(wanted);
                case 'is': return said === wanted || plain === wanted || (text !== '' && typeof result === 'number' && result === number);
                case 'is-not': return said !== wanted && plain !== wanted;
                case 'above': return typeof result === 'number' ? result > number : result !== undefined && plain > wanted;
                case 'below': return typeof result === 'number' ? result < number : result !== undefined && plain < wanted;
                case 'empty': return said === '';
                default: return said !== '';
            }
        };
        grid.filter = new Set(grid.tab.rows.filter((row, at) => at < grid.tab.frozen || fits(row.cells[id])).map((row) => row.id));
        close();
    };
    const clear = () => {
        grid.filter = null;
        close();
    };
    const close = () => {
        menu?.removeAttribute('open');
        menu?.classList.toggle('is-on', grid.filter !== null);
        grid.refresh();
        grid.choose({ row: 0, column: grid.at.column });
        grid.root.focus({ preventScroll: true });
    };
    menu?.addEventListener('toggle', opened);
    form.addEventListener('submit', ask);
    off.addEventListener('click', clear);
    return () => {
        menu?.removeEventListener('toggle', opened);
        form.removeEventListener('submit', ask);
        off.removeEventListener('click', clear);
    };
}
