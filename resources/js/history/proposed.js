import { hasRoom, put, shownPart } from '../talk/below.js';

/**
 * What is proposed is answered where it is, too: beside a changed block lie the two answers that its line in the list has; what everybody
 * proposes lies below what it is for.
 *
 * @param {HTMLElement} root
 */
export function proposed(root) {
    const state = /** @type {HTMLElement | null} */ (root.querySelector('[data-state]'));
    for (const slip of /** @type {NodeListOf<HTMLElement>} */ (root.querySelectorAll('[data-proposed-slips] > .slip'))) {
        const block = slip.dataset.below ? shownPart(state, slip.dataset.below) : null;
        if (block && hasRoom(block)) put(slip, block);
    }
    const form = /** @type {HTMLFormElement | null} */ (root.querySelector('.proposal-lines'));
    if (!form) return;
    for (const line of form.querySelectorAll('[data-entry]')) {
        const part = /** @type {HTMLElement} */ (line).dataset.entry ?? '';
        const answers = line.parentElement?.querySelector('.entry-answer');
        const who = document.getElementById(`part-${part}`)?.querySelector(':scope > .block-who');
        if (!answers || !who) continue;
        const beside = /** @type {HTMLElement} */ (answers.cloneNode(true));
        beside.className = 'block-answer';
        for (const button of beside.querySelectorAll('button')) button.setAttribute('form', form.id);
        who.append(beside);
    }
}
