import { piece } from '../common/ask.js';
import { atCell, causes } from './causes.js';
import { inWords } from '../common/words.js';

/**
 * A table in a history: fetches its further lines as they come near, and tells of a cell that is pressed: its history, and
 * for a result that moved, the edits behind it.
 *
 * @param {HTMLElement} root
 * @returns {{reach: (part: string) => Promise<void>, chosen: (part: string) => void, dispose: () => void}}
 */
export function lined(root) {
    const table = /** @type {HTMLTableElement | null} */ (root.querySelector('[data-lined]'));
    const card = /** @type {HTMLElement | null} */ (root.querySelector('[data-cell-card]'));
    if (!table || !card) return { reach: async () => {}, chosen: () => {}, dispose: () => {} };
    const body = table.tBodies[0];
    /** @type {Promise<void> | null} */
    let coming = null;

    const last = () => /** @type {HTMLElement | null} */ (body.querySelector('[data-more]'));
    const more = () => {
        const end = last();
        if (!end) return Promise.resolve();
        coming ??= piece(/** @type {HTMLAnchorElement} */ (end.querySelector('a')).href).then((html) => {
            const fresh = new DOMParser().parseFromString(`<table><tbody>${html}</tbody></table>`, 'text/html').querySelector('tbody');
            watch.unobserve(end);
            end.replaceWith(...(fresh?.children ?? []));
        }).catch(() => {
            // It stays as a link.
        }).finally(() => {
            coming = null;
            const next = last();
            if (next) watch.observe(next);
        });
        return coming;
    };
    const watch = new IntersectionObserver((seen) => {
        if (seen.some((entry) => entry.isIntersecting)) more();
    }, { root: table.closest('[data-state]'), rootMargin: '1200px' });
    const first = last();
    if (first) watch.observe(first);

    /** @param {string} part */
    const reach = async (part) => {
        for (let tries = 0; tries < 400 && part && !document.getElementById(`part-${part}`) && last(); tries++) await more();
    };
    /** @param {string} text @param {string} href */
    const link = (text, href) => {
        const made = document.createElement('a');
        made.href = href;
        made.textContent = text;
        return made;
    };
    /** @param {string} cell */
    const show = (cell) => {
        const at = /** @type {HTMLElement | null} */ (table.querySelector(`[data-cell="${cell}"]`));
        if (!at) return;
        for (const marked of table.querySelectorAll('.is-pressed, .is-cause')) marked.classList.remove('is-pressed', 'is-cause');
        at.classList.add('is-pressed');
        const line = /** @type {HTMLTableRowElement} */ (at.closest('tr'));
        const column = /** @type {HTMLTableCellElement} */ (at).cellIndex;
        const letters = (table.tHead?.rows[0].cells[column].firstChild?.textContent ?? '').trim();
        const number = (line.cells[0].firstChild?.textContent ?? '').trim();
        const place = document.createElement('b');
        place.textContent = `${letters}${number}`;
        const value = document.createElement('span');
        value.textContent = at.querySelector('.cell-now')?.textContent ?? at.textContent ?? '';
        card.replaceChildren(place, ' ', value, ' ', link(inWords('history.lined.its_history'), `${table.dataset.cells}/cells/${cell}`));
        if (at.dataset.why !== undefined) {
            const why = document.createElement('button');
            why.type = 'button';
            why.className = 'link-button';
            why.textContent = inWords('history.lined.why_did_it_move');
            why.onclick = () => tell(cell);
            card.append(' ', why);
        }
        card.hidden = false;
    };
    /** The address of a cell: it may be in another tab. @param {string} of */
    const leadTo = (of) => (table.querySelector(`[data-cell="${CSS.escape(of)}"]`) ? `#part-${of}` : atCell(location.href, of));
    /** @param {string} cell */
    const tell = async (cell) => {
        const told = await causes(`${table.dataset.cells}/causes/${cell}?${table.dataset.ends}`, leadTo);
        if (!told) return;
        card.querySelector('button')?.remove();
        card.append(' ', told.said);
        for (const cause of told.cells) table.querySelector(`[data-cell="${cause}"]`)?.classList.add('is-cause');
    };
    /** @param {MouseEvent} event */
    const press = (event) => {
        const cell = /** @type {HTMLElement | null} */ (/** @type {Element} */ (event.target).closest('[data-cell]'));
        if (cell) show(cell.dataset.cell ?? '');
    };
    table.addEventListener('click', press);
    return {
        reach,
        chosen: (part) => (part.includes('/') ? show(part) : (card.hidden = true)),
        dispose: () => {
            watch.disconnect();
            table.removeEventListener('click', press);
        },
    };
}
