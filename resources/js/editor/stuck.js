import { shown } from './dialogs.js';

/**
 * Asks what is to become of what was written, when it can't be saved as it is.
 *
 * @param {HTMLDialogElement} dialog
 * @returns {Pick<import('../sync/sync.js').Around, 'stuck' | 'kept'>}
 */
export function wayOn(dialog) {
    return {
        stuck: (why) => {
            for (const part of dialog.querySelectorAll('[data-why]'))
                part.toggleAttribute('hidden', /** @type {HTMLElement} */ (part).dataset.why !== why);
            return shown(dialog, (how) => /** @type {any} */ (['merge', 'again', 'aside'].includes(how) ? how : null));
        },
        kept: (address) => location.assign(address),
    };
}
