import { ask, Refused } from '../common/ask.js';
import { inWords } from '../common/words.js';

/**
 * Asks to sign in again, in place, and waits until that is done.
 *
 * @param {HTMLDialogElement} dialog
 * @param {number} person whose text is waiting: nobody else's session may save it
 * @returns {Promise<void>}
 */
export async function signInAgain(dialog, person) {
    /**
     * @param {{id: number | null, token?: string}} answer @returns {boolean} whether it is them; the forms of the page are of their new
     *     session then
     */
    const isThem = ({ id, token }) => {
        if (id === person && token)
            for (const input of document.querySelectorAll('input[name="_token"]')) /** @type {HTMLInputElement} */ (input).value = token;
        return id === person;
    };
    const signedIn = async () => isThem(await ask('/sign-in/state').catch(() => ({ id: null })));
    if (await signedIn()) return;
    const problem = /** @type {HTMLElement} */ (dialog.querySelector('.dialog-problem'));
    const form = /** @type {HTMLFormElement} */ (dialog.querySelector('[data-sign-in]'));
    const button = /** @type {HTMLElement | null} */ (dialog.querySelector('[data-sign-in-as]'));
    await new Promise((resolve) => {
        /** @param {string} url @param {Record<string, string>} json */
        const attempt = async (url, json) => {
            try {
                const answer = await ask(url, { method: 'POST', json });
                if (!isThem(answer)) throw new Refused(422, { message: inWords('editor.sign-in.that_is_somebody_else_sign_in') });
                dialog.removeEventListener('cancel', stay);
                dialog.close();
                resolve(undefined);
            } catch (error) {
                problem.textContent = error instanceof Refused ? error.message : inWords('editor.sign-in.the_server_is_not_reachable_just');
                problem.hidden = false;
            }
        };
        /** @param {Event} event */
        const stay = (event) => event.preventDefault();
        form.onsubmit = (event) => {
            event.preventDefault();
            const data = new FormData(form);
            attempt(form.dataset.signIn ?? '', {
                email: String(data.get('email')),
                password: String(data.get('password')),
                code: String(data.get('code') ?? ''),
            });
        };
        if (button) button.onclick = () => attempt(button.dataset.signInAs ?? '', {});
        dialog.addEventListener('cancel', stay);
        if (!dialog.open) dialog.showModal();
    });
}
