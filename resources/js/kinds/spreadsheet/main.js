/** @param {HTMLElement} root */
export async function attach(root) {
    if (root.querySelector('[data-sheet]')) (await import('./sheet.js')).attachSheet(root);
    if (root.querySelector('[data-causes]')) (await import('./causes.js')).attachCauses(root);
}
