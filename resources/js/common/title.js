import { ask, Refused } from './ask.js';
import { inWords } from './words.js';

/**
 * The title edited in place: kept on Enter or on leaving, put back on Escape.
 *
 * @param {HTMLElement} root
 * @returns {() => void}
 */
export function attachTitle(root) {
    const field = /** @type {HTMLInputElement | null} */ (root.querySelector('[data-title]'));
    if (!field) return () => {};
    let kept = field.value;
    const fit = () => {
        field.size = Math.min(60, Math.max(6, field.value.length));
    };
    const keep = async () => {
        const title = field.value.trim();
        if (title === kept) return;
        if (title === '') {
            field.value = kept;
            fit();
            return;
        }
        try {
            kept = (await ask(field.dataset.title ?? '', { method: 'PUT', json: { title } })).title;
            document.title = inWords('common.title.misty_attic', { kept });
            root.querySelector('[data-title-heading]')?.replaceChildren(kept);
            field.setCustomValidity('');
        } catch (error) {
            field.setCustomValidity(error instanceof Refused ? error.message : inWords('common.title.the_title_could_not_be_saved'));
            field.reportValidity();
        }
    };
    /** @param {KeyboardEvent} event */
    const key = (event) => {
        if (event.key === 'Escape') field.value = kept;
        if (event.key === 'Enter' || event.key === 'Escape') {
            event.preventDefault();
            field.blur();
        }
    };
    fit();
    field.addEventListener('input', fit);
    field.addEventListener('blur', keep);
    field.addEventListener('keydown', key);
    return () => {
        field.removeEventListener('input', fit);
        field.removeEventListener('blur', keep);
        field.removeEventListener('keydown', key);
    };
}
