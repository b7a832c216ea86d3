import { keydownHandler } from 'prosemirror-keymap';
import { Plugin, PluginKey, TextSelection } from 'prosemirror-state';

/** @type {PluginKey<boolean>} */
const key = new PluginKey('thrice');

/** Takes out the block that three presses chose. @type {import('prosemirror-state').Command} */
const remove = (state, dispatch) => {
    const { $from } = state.selection;
    if (!key.getState(state) || $from.depth === 0 || !('id' in $from.parent.attrs)) return false;
    const [around, index] = [$from.node(-1), $from.index(-1)];
    if (!around.canReplace(index, index + 1)) return false;
    dispatch?.(state.tr.delete($from.before(), $from.after()).scrollIntoView());
    return true;
};

/**
 * Three presses of the mouse choose the words of a block: what is typed then takes their place, and Delete takes out the block with them.
 *
 * @returns {Plugin}
 */
export const thrice = () => new Plugin({
    key,
    state: {
        init: () => false,
        apply: (transaction, was) => transaction.getMeta(key) ?? (was && !transaction.docChanged && !transaction.selectionSet),
    },
    props: {
        handleTripleClick(view, pos, event) {
            const $pos = view.state.doc.resolve(pos);
            if (event.button !== 0 || !$pos.parent.isTextblock) return false;
            view.dispatch(view.state.tr.setSelection(TextSelection.create(view.state.doc, $pos.start(), $pos.end())).setMeta(key, true));
            view.focus();
            return true;
        },
        handleKeyDown: keydownHandler({ Delete: remove, Backspace: remove }),
    },
});
