import { atCell, causes } from '../../history/causes.js';

/**
 * In the history of a cell, what a result moved by is told in place.
 *
 * @param {HTMLElement} root
 */
export function attachCauses(root) {
    /** @param {MouseEvent} event */
    const press = async (event) => {
        const why = /** @type {HTMLAnchorElement | null} */ (/** @type {Element} */ (event.target).closest('[data-causes]'));
        if (!why || event.ctrlKey || event.metaKey || event.button !== 0) return;
        event.preventDefault();
        const told = await causes(why.dataset.causes ?? '', (cell) => atCell(why.href, cell));
        if (!told) return location.assign(why.href);
        told.said.tabIndex = -1;
        told.said.setAttribute('role', 'status');
        why.replaceWith(told.said);
        told.said.focus();
    };
    root.addEventListener('click', press);
}
