/** @param {HTMLElement} root */
export async function attach(root) {
    if (root.querySelector('[data-editor]')) (await import('./page.js')).attachPage(root);
}
