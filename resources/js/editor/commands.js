import { setBlockType, toggleMark } from 'prosemirror-commands';
import { TextSelection } from 'prosemirror-state';
import {
    TableMap,
    addColumnAfter,
    addColumnBefore,
    addRowAfter,
    addRowBefore,
    deleteColumn,
    deleteRow,
    deleteTable,
    goToNextCell,
    isInTable,
    selectedRect,
    toggleHeaderRow,
} from 'prosemirror-tables';
import { redo, undo } from 'prosemirror-history';
import { schema } from '../document/schema.js';

/** @typedef {import('prosemirror-state').Command} Command */
const { nodes, marks } = schema;

/** @param {import('prosemirror-state').EditorState} state */
const blockAt = (state) => state.selection.$from.node(1);

/**
 * Makes list items of the chosen blocks, or paragraphs again when they are that already.
 *
 * @param {'bullet' | 'number' | 'task'} style
 * @returns {Command}
 */
export const list = (style) => (state, dispatch) => {
    const blocks = chosen(state);
    if (blocks.length === 0) return false;
    const all = blocks.every(({ node }) => node.type === nodes.item && node.attrs.style === style);
    const transaction = state.tr;
    for (const { node, pos } of blocks) {
        if (all) transaction.setNodeMarkup(pos, nodes.paragraph, { id: node.attrs.id });
        else transaction.setNodeMarkup(pos, nodes.item, { id: node.attrs.id, style, done: false, depth: node.attrs.depth ?? 0 });
    }
    dispatch?.(transaction.scrollIntoView());
    return true;
};

/** @param {import('prosemirror-state').EditorState} state the top-level text blocks in the selection */
function chosen(state) {
    /** @type {{node: import('prosemirror-model').Node, pos: number}[]} */
    const blocks = [];
    state.doc.nodesBetween(state.selection.from, state.selection.to, (node, pos) => {
        if (node.isTextblock && state.doc.resolve(pos).depth === 0 && node.type !== nodes.codeblock) blocks.push({ node, pos });
        return false;
    });
    return blocks;
}

/** @param {number} by @returns {Command} */
export const indent = (by) => (state, dispatch) => {
    const blocks = chosen(state).filter(({ node }) => node.type === nodes.item);
    if (blocks.length === 0) return false;
    const transaction = state.tr;
    for (const { node, pos } of blocks) transaction.setNodeAttribute(pos, 'depth', Math.max(0, Math.min(8, node.attrs.depth + by)));
    dispatch?.(transaction);
    return true;
};

/** Enter in a list item: a new one, or out of the list when it is empty. @type {Command} */
export const splitItem = (state, dispatch) => {
    const { $from, empty } = state.selection;
    const node = $from.parent;
    if (node.type !== nodes.item) return false;
    if (empty && node.content.size === 0) {
        const pos = $from.before();
        dispatch?.(node.attrs.depth > 0
            ? state.tr.setNodeAttribute(pos, 'depth', node.attrs.depth - 1)
            : state.tr.setNodeMarkup(pos, nodes.paragraph, { id: node.attrs.id }));
        return true;
    }
    if (!dispatch) return true;
    const transaction = state.tr.deleteSelection();
    transaction.split(transaction.selection.from, 1, [{ type: nodes.item, attrs: { ...node.attrs, id: null, done: false, start: null } }]);
    dispatch(transaction.scrollIntoView());
    return true;
};

/** Backspace at the start of a list item, quote or heading: a paragraph. @type {Command} */
export const plainAtStart = (state, dispatch) => {
    const { $from, empty } = state.selection;
    if (!empty || $from.parentOffset > 0 || $from.depth !== 1 || ![nodes.item, nodes.quote, nodes.heading].includes($from.parent.type))
        return false;
    dispatch?.(state.tr.setNodeMarkup($from.before(), nodes.paragraph, { id: $from.parent.attrs.id }));
    return true;
};

/** A line break, which is all that Enter can mean in a cell. @type {Command} */
export const lineBreak = (state, dispatch) => {
    if (state.selection.$from.parent.type === nodes.codeblock) return false;
    dispatch?.(state.tr.replaceSelectionWith(nodes.break.create()).scrollIntoView());
    return true;
};

/** @type {Command} */
export const enterInCell = (state, dispatch) => isInTable(state) && lineBreak(state, dispatch);

/** Tab in a table: the next cell, in a new row after the last. @type {Command} */
export const nextCell = (state, dispatch, view) => {
    if (!isInTable(state)) return false;
    if (goToNextCell(1)(state, dispatch)) return true;
    if (!dispatch || !view) return true;
    const { $from } = state.selection;
    const table = $from.node(1);
    addRowAfter(state, dispatch);
    const inside = view.state.doc.resolve($from.before(1) + table.nodeSize - 1);
    const found = TextSelection.findFrom(inside, 1, true);
    if (found) view.dispatch(view.state.tr.setSelection(found).scrollIntoView());
    return true;
};

/** @param {Command} add @param {-1 | 1} step @returns {Command} puts a row in and goes there: what is typed next belongs in it */
const intoNew = (add, step) => (state, dispatch, view) => {
    if (!isInTable(state) || !dispatch || !view) return add(state, dispatch);
    const rect = selectedRect(state);
    add(state, dispatch);
    const row = step > 0 ? rect.bottom : rect.top;
    const table = view.state.doc.nodeAt(rect.tableStart - 1);
    if (!table) return true;
    const cell = view.state.doc.resolve(rect.tableStart + TableMap.get(table).positionAt(row, rect.left, table));
    view.dispatch(view.state.tr.setSelection(TextSelection.near(cell, 1)).scrollIntoView());
    return true;
};

/** @param {import('prosemirror-model').Node} node @param {boolean} [select] @returns {Command} puts a block below the present one */
export const insertBlock = (node, select = false) => (state, dispatch) => {
    const { $from } = state.selection;
    const here = $from.depth >= 1 ? $from.node(1) : null;
    const after = $from.depth >= 1 ? $from.after(1) : state.selection.to;
    const transaction = state.tr;
    const empty = here?.type === nodes.paragraph && here.content.size === 0;
    const at = empty ? $from.before(1) : after;
    if (empty) transaction.delete($from.before(1), after);
    transaction.insert(at, transaction.doc.content.size === at || node.isLeaf ? [node, nodes.paragraph.create()] : node);
    const inside = TextSelection.findFrom(transaction.doc.resolve(select ? at + 1 : at + node.nodeSize), 1, true);
    if (inside) transaction.setSelection(inside);
    dispatch?.(transaction.scrollIntoView());
    return true;
};

/** @returns {import('prosemirror-model').Node} a table of three rows, the first its head */
export const newTable = () => {
    /** @param {'cell' | 'head'} name */
    const row = (name) => nodes.row.create(null, [1, 2, 3].map(() => nodes[name].create()));
    return nodes.table.create(null, [row('head'), row('cell'), row('cell')]);
};

/** @param {string} value such as heading-2 @returns {Command} */
export const style = (value) => {
    const [name, level] = value.split('-');
    return (state, dispatch) => {
        const id = blockAt(state)?.attrs.id ?? null;
        return setBlockType(nodes[name], (/** @type {import('prosemirror-model').Node} */ old) => ({
            id: old.attrs.id ?? id,
            ...(level ? { level: Number(level) } : {}),
        }))(state, dispatch);
    };
};

/** The commands behind the tools, by the name that a tool has in the page. @type {Record<string, Command>} */
export const tools = {
    bold: toggleMark(marks.bold),
    italic: toggleMark(marks.italic),
    underline: toggleMark(marks.underline),
    strike: toggleMark(marks.strike),
    raised: toggleMark(marks.raised),
    lowered: toggleMark(marks.lowered),
    code: toggleMark(marks.code),
    bullet: list('bullet'),
    number: list('number'),
    task: list('task'),
    table: (state, dispatch) => !isInTable(state) && insertBlock(newTable(), true)(state, dispatch),
    rule: (state, dispatch) => !isInTable(state) && insertBlock(nodes.rule.create())(state, dispatch),
    undo,
    redo,
    'row-above': intoNew(addRowBefore, -1),
    'row-below': intoNew(addRowAfter, 1),
    'row-remove': (state, dispatch) => isInTable(state) && (deleteRow(state, dispatch) || deleteTable(state, dispatch)),
    'column-before': addColumnBefore,
    'column-after': addColumnAfter,
    'column-remove': deleteColumn,
    'head-row': toggleHeaderRow,
    'table-remove': deleteTable,
};
