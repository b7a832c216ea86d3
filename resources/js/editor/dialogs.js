/**
 * Asks one thing in a dialog.
 *
 * @param {HTMLDialogElement} dialog with a form of method `dialog`
 * @param {string} field the name of its input
 * @param {string} value what stands in it at first
 * @param {(value: string) => boolean} [fits] what may be set
 * @returns {Promise<string | null>} what was set, '' for taken off, null for neither
 */
export function ask(dialog, field, value, fits = () => true) {
    const form = /** @type {HTMLFormElement} */ (dialog.querySelector('form'));
    const input = /** @type {HTMLInputElement} */ (form.elements.namedItem(field));
    const problem = dialog.querySelector('.dialog-problem');
    input.value = value;
    problem?.setAttribute('hidden', '');
    dialog.returnValue = '';
    return new Promise((resolve) => {
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
        const close = () => {
            form.removeEventListener('submit', submit);
            form.removeEventListener('keydown', enter);
            resolve(dialog.returnValue === 'set' ? input.value.trim() : dialog.returnValue === 'remove' ? '' : null);
        };
        form.addEventListener('submit', submit);
        form.addEventListener('keydown', enter);
        dialog.addEventListener('close', close, { once: true });
        dialog.showModal();
        input.select();
    });
}
