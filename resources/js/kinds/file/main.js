import { attachFade } from './fade.js';

/** @param {HTMLElement} root */
export async function attach(root) {
    attachFade(root.ownerDocument);
    if (root.querySelector('[data-drop]')) (await import('./send.js')).attachDrops(root);
}
