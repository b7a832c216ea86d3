import { ask, Refused } from './ask.js';
import { inWords } from './words.js';

/**
 * The title edited in place: kept on Enter or on leaving, put back on Escape. What somebody else calls the item is shown, unless one is
 * writing there.
 *
 * @param {HTMLElement} root
 * @returns {() => void}
 */
export function attachTitle(root) {
    const field = /** @type {HTMLInputElement | null} */ (root.querySelector('[data-title]'));
    if (!field) return () => {};
    let kept = field.value;
    /** What somebody else called it meanwhile, while one was writing here. */
    let theirs = kept;
    const fit = () => {
        field.size = Math.min(60, Math.max(6, field.value.length));
    };
    /** @param {string} title */
    const told = (title) => {
        [kept, theirs] = [title, title];
        document.title = inWords('common.title.misty_attic', { kept });
        root.querySelector('[data-title-heading]')?.replaceChildren(kept);
    };
    const show = () => {
        if (theirs !== kept) told(theirs);
        field.value = kept;
        fit();
    };
    /** @param {Event} event */
    const heard = (event) => {
        const title = /** @type {CustomEvent<string>} */ (event).detail;
        theirs = title;
        if (theirs !== kept && field.value === kept) show();
    };
    const keep = async () => {
        const title = field.value.trim();
        if (title === '' || title === kept) return show();
        try {
            told((await ask(field.dataset.title ?? '', { method: 'PUT', json: { title } })).title);
            field.setCustomValidity('');
        } catch (error) {
            field.setCustomValidity(error instanceof Refused ? error.message : inWords('common.title.the_title_could_not_be_saved'));
            field.reportValidity();
        }
    };
    /** @param {KeyboardEvent} event */
    const key = (event) => {
        if (event.key === 'Escape') show();
        if (event.key === 'Enter' || event.key === 'Escape') {
            event.preventDefault();
            field.blur();
        }
    };
    fit();
    field.addEventListener('input', fit);
    field.addEventListener('blur', keep);
    field.addEventListener('keydown', key);
    addEventListener('titled', heard);
    return () => {
        field.removeEventListener('input', fit);
        field.removeEventListener('blur', keep);
        field.removeEventListener('keydown', key);
        removeEventListener('titled', heard);
    };
}
