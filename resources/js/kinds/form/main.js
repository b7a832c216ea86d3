/** @param {HTMLElement} root */
export async function attach(root) {
    if (root.querySelector('[data-editor]')) (await import('./form.js')).attachForm(root);
}
