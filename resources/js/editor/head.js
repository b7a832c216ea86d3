/**
 * The head says which draft one is at, and its way to publishing leads to that one.
 *
 * @param {HTMLElement} root @param {number} number
 */
export function headMoved(root, number) {
    const shown = root.querySelector('[data-head-number]');
    if (shown) shown.textContent = String(number);
    const since = /** @type {HTMLAnchorElement | null} */ (root.querySelector('[data-since-live]'));
    if (since) {
        since.href = since.href.replace(/to=\d+/, `to=${number}`);
        root.querySelector('[data-draft]')?.toggleAttribute('hidden', since.textContent === String(number));
    }
    for (const link of /** @type {NodeListOf<HTMLAnchorElement>} */ (root.querySelectorAll('[data-newest]')))
        link.href = (link.dataset.newest ?? '').replace('/versions/0/', `/versions/${number}/`);
}
