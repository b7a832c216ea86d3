/** @typedef {import('prosemirror-state').EditorState} EditorState */

/**
 * Whether a mark is set where the caret is, or somewhere in what is selected. @param {EditorState} state @param
 * {import('prosemirror-model').MarkType} mark
 */
export function isMarked(state, mark) {
    const { from, to, empty, $from } = state.selection;
    return empty ? Boolean(mark.isInSet(state.storedMarks ?? $from.marks())) : state.doc.rangeHasMark(from, to, mark);
}

/**
 * Listens to a bar of tools: a press does not take the caret out of the text.
 *
 * @param {HTMLElement} bar
 * @param {(target: HTMLElement) => void} press with the tool that was pressed
 * @param {(target: EventTarget | null) => void} change with the select that was changed
 * @returns {() => void} stops listening
 */
export function listen(bar, press, change) {
    /** @param {Event} event @returns {HTMLElement | null} */
    const tool = (event) => /** @type {Element} */ (event.target).closest('[data-do], [data-put], [data-wide]');
    /** @param {MouseEvent} event */
    const down = (event) => {
        if (tool(event)) event.preventDefault();
    };
    /** @param {MouseEvent} event */
    const click = (event) => {
        const pressed = tool(event);
        if (!pressed) return;
        pressed.closest('details')?.removeAttribute('open');
        press(pressed);
    };
    /** @param {Event} event */
    const changed = (event) => change(event.target);
    bar.addEventListener('mousedown', down);
    bar.addEventListener('click', click);
    bar.addEventListener('change', changed);
    return () => {
        bar.removeEventListener('mousedown', down);
        bar.removeEventListener('click', click);
        bar.removeEventListener('change', changed);
    };
}
