// The editor is by far the largest part, and only needed where one writes.
/** @param {HTMLElement} root */
export async function attach(root) {
    if (root.querySelector('[data-editor]')) (await import('../../editor/editor.js')).attachEditor(root);
}
