import { isInTable } from 'prosemirror-tables';
import { isMarked, listen } from './bar.js';
import { style, tools } from './commands.js';
import { schema } from '../document/schema.js';

/** @param {import('prosemirror-state').EditorState} state @param {string} name whether a tool's state is on */
function active(state, name) {
    if (name in schema.marks) return isMarked(state, schema.marks[name]);
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
        const value =
            block.type.name === 'heading'
                ? `heading-${block.attrs.level}`
                : block.type.name === 'cell' || block.type.name === 'head'
                  ? 'paragraph'
                  : block.type.name;
        if (select.value !== value) select.value = value;
        const table = isInTable(state);
        select.disabled = table;
        inTable.hidden = !table;
        for (const button of buttons) {
            const name = /** @type {string} */ (button.dataset.do);
            button.disabled = !all[name]?.(state);
            if (name in schema.marks || ['bullet', 'number', 'task'].includes(name))
                button.setAttribute('aria-pressed', String(active(state, name)));
        }
    };
    const dispose = listen(bar, (target) => {
        const name = target.dataset.do ?? '';
        all[name]?.(view.state, view.dispatch, view);
        if (!(name in more)) view.focus();
    }, (target) => {
        if (target !== select) return;
        style(select.value)(view.state, view.dispatch);
        view.focus();
    });
    refresh();
    return { refresh, dispose };
}
