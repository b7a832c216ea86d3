import { tableEditing } from 'prosemirror-tables';
import { toDocument, toParts } from '../document/convert.js';
import { levels, move, nameOf, spokenPlace } from '../document/places.js';
import { carrying } from './carry.js';
import { insertBlock } from './commands.js';
import { grip } from './grip.js';
import { keys, rules } from './keys.js';
import { toolbar } from './toolbar.js';
import { itemView, pictureView } from './views.js';
import { writing } from './writing.js';
import { inWords } from '../common/words.js';

/** How a document is walked and rearranged. */
const PLACES = { levels, nameOf, spokenPlace, move, sortOf: () => 'block', isQuiet: true };

/**
 * The editor of a document.
 *
 * @param {HTMLElement} root
 * @returns {() => void}
 */
export function attachEditor(root) {
    const sheet = /** @type {HTMLElement | null} */ (root.querySelector('[data-editor]'));
    const spoken = root.querySelector('[data-spoken]');
    /** @param {string} words */
    const say = (words) => {
        if (spoken) spoken.textContent = words;
    };
    return !sheet
        ? () => {}
        : writing(root, sheet, {
              convert: { toParts, toDocument },
              plugins: (open) => [
                  rules(),
                  carrying(PLACES, say, () => {}),
                  ...keys(open),
                  grip('.ProseMirror > [data-part]', 1),
                  tableEditing({ allowTableNodeSelection: true }),
              ],
              nodeViews: (item) => ({ item: itemView, picture: pictureView(item.key) }),
              attributes: { class: 'prose', 'aria-label': inWords('editor.editor.the_document') },
              insertPicture: (node) => insertBlock(node),
              part: (state) => (state.selection.$from.depth >= 1 ? (state.selection.$from.node(1).attrs.id ?? '') : ''),
              tools: (element, view, more) => toolbar(/** @type {HTMLElement} */ (element.querySelector('[data-tools]')), view, more),
              isBlank: (state) => state.doc.textContent === '',
          });
}
