/**
 * Small comforts for plain forms: choices that are sent at once, boxes that are ticked together, a link that is selected whole, messages that leave, and
 * a form that is not sent twice.
 *
 * @param {HTMLElement} root
 * @returns {() => void}
 */
export function attachForms(root) {
    for (const button of root.querySelectorAll('[data-submit-button]')) button.setAttribute('hidden', '');
    /** @param {Event} event */
    const change = (event) => {
        const target = event.target;
        if (target instanceof HTMLSelectElement && target.hasAttribute('data-submit')) target.form?.requestSubmit();
    };
    /** @param {Event} event */
    const focus = (event) => {
        const target = event.target;
        if (target instanceof HTMLInputElement && target.hasAttribute('data-select')) target.select();
    };
    /** @param {SubmitEvent} event */
    const submit = (event) => {
        const form = /** @type {HTMLFormElement} */ (event.target);
        if (form.method !== 'post') return;
        if (form.dataset.sent) {
            event.preventDefault();
            return;
        }
        form.dataset.sent = '1';
        setTimeout(() => delete form.dataset.sent, 4000);
        if (form.dataset.slow) {
            // What takes a while says so.
            const button = form.querySelector('button:not([type="button"])');
            if (button) button.textContent = form.dataset.slow;
            form.setAttribute('aria-busy', 'true');
        }
        if (form.hasAttribute('data-sign-out')) {
            // What was kept of items for times without a server is the business of who was signed in.
            navigator.serviceWorker?.controller?.postMessage('forget');
        }
    };
    /** @param {MouseEvent} event */
    const click = (event) => {
        const button = event.target instanceof Element ? event.target.closest('[data-tick-boxes]') : null;
        for (const box of button?.closest('form')?.querySelectorAll('input[type="checkbox"]') ?? []) /** @type {HTMLInputElement} */ (box).checked = true;
    };
    for (const button of root.querySelectorAll('[data-tick-boxes]')) button.removeAttribute('hidden');
    root.addEventListener('click', click);
    root.addEventListener('change', change);
    root.addEventListener('focusin', focus);
    root.addEventListener('submit', submit);
    const said = root.querySelector('[data-said]');
    const leave = said ? setTimeout(() => said.remove(), 8000) : undefined;
    return () => {
        clearTimeout(leave);
        root.removeEventListener('click', click);
        root.removeEventListener('change', change);
        root.removeEventListener('focusin', focus);
        root.removeEventListener('submit', submit);
    };
}
