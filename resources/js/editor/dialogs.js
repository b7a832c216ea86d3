/** @type {WeakMap<HTMLDialogElement, () => void>} what ends the asking that a dialog is open for */
const asking = new WeakMap();

/**
 * Shows a dialog until it is closed. The event of a closing comes a while after it, when the same dialog may be open for the next thing
 * already: that one goes on.
 *
 * @template T
 * @param {HTMLDialogElement} dialog
 * @param {(how: string) => T} read what was asked for, by what the dialog was closed with: '' when it was left
 * @returns {Promise<T>}
 */
export function shown(dialog, read) {
    asking.get(dialog)?.();
    dialog.returnValue = '';
    return new Promise((resolve) => {
        const end = () => {
            dialog.removeEventListener('close', close);
            asking.delete(dialog);
            resolve(read(dialog.returnValue));
        };
        const close = () => {
            if (!dialog.open) end();
        };
        asking.set(dialog, end);
        dialog.addEventListener('close', close);
        if (!dialog.open) dialog.showModal();
    });
}

/**
 * Asks one thing in a dialog.
 *
 * @param {HTMLDialogElement} dialog with a form of method `dialog`
 * @param {string} field the name of its input
 * @param {string} value what is in it at first
 * @param {(value: string) => boolean} [fits] what may be set
 * @returns {Promise<string | null>} what was set, '' for taken off, null for neither
 */
export function ask(dialog, field, value, fits = () => true) {
    const form = /** @type {HTMLFormElement} */ (dialog.querySelector('form'));
    const input = /** @type {HTMLInputElement} */ (form.elements.namedItem(field));
    const problem = dialog.querySelector('.dialog-problem');
    /** @param {KeyboardEvent} event Enter sets, though the first button of the form is another */
    const enter = (event) => {
        if (event.key === 'Enter' && event.target === input) {
            event.preventDefault();
            /** @type {HTMLButtonElement | null} */ (form.querySelector('[value=set]'))?.click();
        }
    };
    /** @param {SubmitEvent} event */
    const submit = (event) => {
        const set = /** @type {HTMLButtonElement | null} */ (event.submitter)?.value === 'set';
        if (set && !fits(input.value.trim())) {
            event.preventDefault();
            problem?.removeAttribute('hidden');
            input.focus();
        }
    };
    const answer = shown(dialog, (how) => {
        form.removeEventListener('submit', submit);
        form.removeEventListener('keydown', enter);
        return how === 'set' ? input.value.trim() : how === 'remove' ? '' : null;
    });
    form.addEventListener('submit', submit);
    form.addEventListener('keydown', enter);
    input.value = value;
    problem?.setAttribute('hidden', '');
    input.select();
    return answer;
}
