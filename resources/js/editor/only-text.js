import { NodeSelection, Plugin, Selection, TextSelection } from 'prosemirror-state';

/** @typedef {import('prosemirror-view').EditorView} EditorView */

/**
 * Keys write where text is and nowhere else: not beside it, where the page would show what the document has not, and not over something
 * that is chosen as a whole, of which one letter would leave nothing.
 *
 * @returns {Plugin}
 */
export const onlyText = () => new Plugin({
    props: {
        handleTextInput: (view) => isWhole(view),
        // What is pasted comes behind what is chosen.
        handlePaste: (view, _, slice) => {
            if (!isWhole(view) || slice.size === 0) return false;
            const { to } = view.state.selection;
            view.dispatch(view.state.tr.replaceRange(to, to, slice).scrollIntoView().setMeta('paste', true).setMeta('uiEvent', 'paste'));
            return true;
        },
        handleDOMEvents: {
            keydown: (view, event) => {
                if (!event.ctrlKey && !event.metaKey) toText(view);
                return false;
            },
            compositionstart: (view) => {
                toText(view);
                return false;
            },
            beforeinput: (view, event) => {
                if (!event.inputType.startsWith('insert') || !event.cancelable || view.composing || beside(view) === null) return false;
                event.preventDefault();
                return true;
            },
        },
    },
});

/** @param {EditorView} view */
const isWhole = ({ state: { selection } }) => selection instanceof NodeSelection && !selection.node.isInline;

/** A press beside a text leaves the browser's caret there: it goes into the text that is next to it. @param {EditorView} view */
function toText(view) {
    const pos = beside(view);
    if (pos === null) return;
    const selection = Selection.near(view.state.doc.resolve(pos));
    if (!selection.eq(view.state.selection)) view.dispatch(view.state.tr.setSelection(selection));
    if (selection instanceof NodeSelection) return;
    const { node, offset } = view.domAtPos(selection.head);
    view.dom.ownerDocument.getSelection()?.collapse(node, offset);
}

/**
 * @param {EditorView} view @returns {number | null} the position of the browser's caret where it is in no text; null where it is in one,
 *     and where something else than text is chosen
 */
function beside(view) {
    const caret = view.dom.ownerDocument.getSelection();
    const at = caret?.anchorNode;
    if (!at || !caret.isCollapsed || !view.dom.contains(at) || !(view.state.selection instanceof TextSelection)) return null;
    const fixed = (at instanceof Element ? at : at.parentElement)?.closest('[contenteditable=false]');
    // What is laid between the text by others than the document has keys of its own.
    if (fixed?.closest('.ProseMirror-widget')) return null;
    const pos = view.posAtDOM(at, caret.anchorOffset);
    const $pos = view.state.doc.resolve(pos);
    const text = $pos.parent.inlineContent ? view.domAtPos($pos.start()).node : null;
    return text?.contains(at) && !(fixed && text.contains(fixed)) ? null : pos;
}
