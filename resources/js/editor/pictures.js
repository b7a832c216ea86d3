import { ask, Refused } from '../common/ask.js';
import { ask as askDialog } from './dialogs.js';
import { whereIs } from './where.js';
import { inWords } from '../common/words.js';

const MOST = 10 * 1024 * 1024;

/**
 * Takes pictures that are pasted, dropped or chosen, keeps them with the item and puts them in.
 *
 * @param {string} key the item
 * @param {HTMLDialogElement | null} dialog asks what the picture shows
 * @param {(text: string) => void} complain
 * @param {(node: import('prosemirror-model').Node) => import('prosemirror-state').Command} insert puts a picture in
 */
export function pictures(key, dialog, complain, insert) {
    /**
     * @param {import('prosemirror-view').EditorView} view @param {File} file @param {string | null} [other] the id of a picture whose place
     *     it takes
     */
    const put = async (view, file, other = null) => {
        if (file.size > MOST) {
            complain(inWords('editor.pictures.this_picture_is_larger_than_10'));
            return;
        }
        const form = new FormData();
        form.set('picture', file);
        try {
            const kept = await ask(`/items/${key}/pictures`, { method: 'POST', form, timeout: 60000 });
            const old = other === null ? null : whereIs(view.state.doc, other);
            const alt = dialog ? await askDialog(dialog, 'alt', old === null ? '' : view.state.doc.nodeAt(old)?.attrs.alt ?? '') : '';
            // Others may have moved it in the meantime.
            const place = other === null ? null : whereIs(view.state.doc, other);
            if (other !== null && place === null) complain(inWords('editor.pictures.the_picture_that_it_was_to'));
            else if (place !== null)
                view.dispatch(
                    view.state.tr.setNodeMarkup(place, null, {
                        ...view.state.doc.nodeAt(place)?.attrs,
                        ...kept,
                        ...(alt === null ? {} : { alt }),
                    }),
                );
            else insert(view.state.schema.nodes.picture.create({ ...kept, alt: alt ?? '' }))(view.state, view.dispatch);
            view.focus();
        } catch (error) {
            complain(error instanceof Refused ? error.message : inWords('editor.pictures.the_picture_could_not_be_kept'));
        }
    };
    /** @param {import('prosemirror-view').EditorView} view @param {DataTransfer | null} data */
    const taken = (view, data) => {
        const files = [...(data?.files ?? [])].filter((file) => file.type.startsWith('image/'));
        if (files.length === 0 || data?.types.includes('text/html')) return false;
        for (const file of files) put(view, file);
        return true;
    };
    return {
        put,
        props: {
            /** @param {import('prosemirror-view').EditorView} view @param {ClipboardEvent} event */
            handlePaste: (view, event) => taken(view, event.clipboardData),
            /** @param {import('prosemirror-view').EditorView} view @param {DragEvent} event */
            handleDrop: (view, event) => {
                if (!taken(view, event.dataTransfer)) return false;
                event.preventDefault();
                return true;
            },
            /**
             * @param {import('prosemirror-view').EditorView} view @param {number} pos @param {import('prosemirror-model').Node} node @param
             *     {number} at
             */
            handleDoubleClickOn: (view, pos, node, at) => {
                if (node.type !== view.state.schema.nodes.picture || !dialog || !view.editable) return false;
                askDialog(dialog, 'alt', node.attrs.alt).then((alt) => {
                    if (alt !== null) view.dispatch(view.state.tr.setNodeAttribute(at, 'alt', alt));
                });
                return true;
            },
        },
    };
}
