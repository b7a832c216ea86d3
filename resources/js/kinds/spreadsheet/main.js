/** @param {HTMLElement} root */
export async function attach(root) {
    if (root.querySelector('[data-sheet]')) (await import('./sheet.js')).attachSheet(root);
}
