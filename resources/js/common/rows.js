/**
 * A press anywhere on a row opens what its first link leads to; links and buttons in it keep their own meaning.
 *
 * @param {HTMLElement} root
 * @returns {() => void}
 */
export function attachRows(root) {
    /** @param {MouseEvent} event */
    const press = (event) => {
        const target = /** @type {Element} */ (event.target);
        const row = target.closest('[data-rows] [data-row]');
        if (!row || target.closest('a, button, summary, input, details') || String(getSelection()) !== '') return;
        row.querySelector('a')?.click();
    };
    root.addEventListener('click', press);
    return () => root.removeEventListener('click', press);
}
