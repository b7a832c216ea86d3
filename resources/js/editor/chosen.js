import { NodeSelection } from 'prosemirror-state';

/**
 * @typedef {import('prosemirror-state').Transaction} Transaction
 * @typedef {import('prosemirror-state').Command} Command
 */

/** Chooses what is at a place as a whole. @param {Transaction} transaction @param {number} pos */
export const choose = (transaction, pos) => transaction.setSelection(NodeSelection.create(transaction.doc, pos)).scrollIntoView();

/** Settings of what is at a place. @param {number} pos @param {Record<string, any>} values @returns {Command} */
export const set = (pos, values) => (state, dispatch) => {
    const node = state.doc.nodeAt(pos);
    if (!node) return false;
    const transaction = state.tr;
    for (const [name, value] of Object.entries(values)) transaction.setNodeAttribute(pos, name, value);
    if (state.selection instanceof NodeSelection && state.selection.from === pos) choose(transaction, pos);
    dispatch?.(transaction);
    return true;
};
