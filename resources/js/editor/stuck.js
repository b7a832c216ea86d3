/**
 * Asks what is to become of what was written, when it can't be saved as it is.
 *
 * @param {HTMLDialogElement} dialog
 * @returns {Pick<import('../sync/sync.js').Around, 'stuck' | 'kept'>}
 */
export function wayOn(dialog) {
    return {
        stuck: (why) => new Promise((resolve) => {
            for (const part of dialog.querySelectorAll('[data-why]')) part.toggleAttribute('hidden', /** @type {HTMLElement} */ (part).dataset.why !== why);
            dialog.returnValue = '';
            dialog.addEventListener('close', () => resolve(/** @type {any} */ (['merge', 'again', 'aside'].includes(dialog.returnValue) ? dialog.returnValue : null)), { once: true });
            if (!dialog.open) dialog.showModal();
        }),
        kept: (address) => location.assign(address),
    };
}
