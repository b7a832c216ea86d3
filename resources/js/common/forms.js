import { forgetOwn, waiting } from './own.js';
import { inWords } from './words.js';

/**
 * A moment is shown and chosen in one's own time, and sent in UTC.
 *
 * @param {HTMLInputElement} field
 */
function ownTime(field) {
    /** @param {Date} date */
    const said = (date) => (Number.isNaN(date.getTime()) ? '' : date.toISOString().slice(0, 16));
    const away = (/** @type {string} */ moment, /** @type {number} */ sign) => {
        const date = new Date(`${moment}Z`);
        return said(new Date(date.getTime() + sign * new Date(moment).getTimezoneOffset() * 60_000));
    };
    if (field.value !== '') field.value = away(field.value, -1);
    field.form?.addEventListener('formdata', (event) => {
        if (field.value !== '') event.formData.set(field.name, away(field.value, 1));
    });
}

/**
 * Small comforts for plain forms: choices that are sent at once, boxes that are ticked together, a link that is selected whole, messages
 * that leave, and a form that is not sent twice.
 *
 * @param {HTMLElement} root
 * @returns {() => void}
 */
export function attachForms(root) {
    for (const button of root.querySelectorAll('[data-submit-button]')) button.setAttribute('hidden', '');
    for (const field of /** @type {NodeListOf<HTMLInputElement>} */ (root.querySelectorAll('input[data-utc]'))) ownTime(field);
    const going = root.querySelector('form[data-goes-on]');
    // Long work in pieces: the page goes on by itself as long as somebody looks.
    const goesOn = going instanceof HTMLFormElement ? setTimeout(() => going.requestSubmit(), 400) : 0;
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
        const left = form.hasAttribute('data-sign-out') ? waiting() : 0;
        if (left > 0 && !form.dataset.warned) {
            // What is not saved yet goes with the session: one is told first.
            event.preventDefault();
            form.dataset.warned = '1';
            const word = document.createElement('p');
            word.className = 'menu-note';
            word.setAttribute('role', 'alert');
            word.textContent = inWords('common.forms.that_is_not_saved_yet_whoever', {
                left:
                    left === 1
                        ? inWords('common.forms.in_one_item_there_is_text')
                        : inWords('common.forms.in_items_there_is_text', { left }),
            });
            form.before(word);
            const button = form.querySelector('button');
            if (button) button.textContent = inWords('common.forms.sign_out_all_the_same');
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
        if (form.hasAttribute('data-sign-out')) forgetOwn();
    };
    /** @param {MouseEvent} event */
    const click = (event) => {
        const button = event.target instanceof Element ? event.target.closest('[data-tick-boxes]') : null;
        for (const box of button?.closest('form')?.querySelectorAll('input[type="checkbox"]') ?? [])
            /** @type {HTMLInputElement} */ (box).checked = true;
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
        clearTimeout(goesOn);
        root.removeEventListener('click', click);
        root.removeEventListener('change', change);
        root.removeEventListener('focusin', focus);
        root.removeEventListener('submit', submit);
    };
}
