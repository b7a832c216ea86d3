import { tableEditing } from 'prosemirror-tables';
import { toDocument, toParts } from '../document/convert.js';
import { insertBlock } from './commands.js';
import { keys, rules } from './keys.js';
import { toolbar } from './toolbar.js';
import { itemView, pictureView } from './views.js';
import { writing } from './writing.js';

/**
 * The editor of a document.
 *
 * @param {HTMLElement} root
 * @returns {() => void}
 */
export function attachEditor(root) {
    const sheet = /** @type {HTMLElement | null} */ (root.querySelector('[data-editor]'));
    return !sheet ? () => {} : writing(root, sheet, {
        convert: { toParts, toDocument },
        plugins: (open) => [rules(), ...keys(open), tableEditing({ allowTableNodeSelection: true })],
        nodeViews: (item) => ({ item: itemView, picture: pictureView(item.key) }),
        attributes: { class: 'prose', 'aria-label': 'The document' },
        insertPicture: (node) => insertBlock(node),
        part: (state) => (state.selection.$from.depth >= 1 ? state.selection.$from.node(1).attrs.id ?? '' : ''),
        tools: (element, view, more) => toolbar(/** @type {HTMLElement} */ (element.querySelector('[data-tools]')), view, more),
        isBlank: (state) => state.doc.textContent === '',
    });
}
