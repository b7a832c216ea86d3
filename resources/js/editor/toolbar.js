import { isInTable } from 'prosemirror-tables';
import { style, tools } from './commands.js';
import { schema } from '../document/schema.js';

/** @param {import('prosemirror-state').EditorState} state @param {string} name */
function markActive(state, name) {
    const { from, to, empty, $from } = state.selection;
    const type = schema.marks[name];
    return empty ? Boolean(type.isInSet(state.storedMarks ?? $from.marks())) : state.doc.rangeHasMark(from, to, type);
}

/** @param {import('prosemirror-state').EditorState} state @param {string} name whether a tool's state is on */
function active(state, name) {
    if (name in schema.marks) return markActive(state, name);
    const block = state.selection.$from.parent;
    return block.type === schema.nodes.item && block.attrs.style === name;
}

/**
 * @param {HTMLElement} bar
 * @param {import('prosemirror-view').EditorView} view
 * @param {Record<string, import('prosemirror-state').Command>} more commands that open something
 * @returns {{refresh: () => void, dispose: () => void}}
 */
export function toolbar(bar, view, more) {
    const all = { ...tools, ...more };
    const buttons = /** @type {HTMLButtonElement[]} */ ([...bar.querySelectorAll('[data-do]')]);
    const select = /** @type {HTMLSelectElement} */ (bar.querySelector('[data-style]'));
    const inTable = /** @type {HTMLElement} */ (bar.querySelector('[data-in-table]'));

    const refresh = () => {
        const { state } = view;
        const block = state.selection.$from.parent;
        const value = block.type.name === 'heading' ? `heading-${block.attrs.level}` : block.type.name === 'cell' || block.type.name === 'head' ? 'paragraph' : block.type.name;
        if (select.value !== value) select.value = value;
        const table = isInTable(state);
        select.disabled = table;
        inTable.hidden = !table;
        for (const button of buttons) {
            const name = /** @type {string} */ (button.dataset.do);
            button.disabled = !all[name]?.(state);
            if (name in schema.marks || ['bullet', 'number', 'task'].includes(name)) button.setAttribute('aria-pressed', String(active(state, name)));
        }
    };
    /** @param {MouseEvent} event a press must not take the caret out of the text */
    const down = (event) => {
        if (/** @type {Element} */ (event.target).closest('[data-do]')) event.preventDefault();
    };
    /** @param {MouseEvent} event */
    const press = (event) => {
        const name = /** @type {HTMLElement | null} */ (/** @type {Element} */ (event.target).closest('[data-do]'))?.dataset.do;
        if (!name) return;
        all[name]?.(view.state, view.dispatch, view);
        if (!(name in more)) view.focus();
    };
    const change = () => {
        style(select.value)(view.state, view.dispatch);
        view.focus();
    };
    bar.addEventListener('mousedown', down);
    bar.addEventListener('click', press);
    select.addEventListener('change', change);
    refresh();
    return {
        refresh,
        dispose: () => {
            bar.removeEventListener('mousedown', down);
            bar.removeEventListener('click', press);
            select.removeEventListener('change', change);
        },
    };
}
