import { InputRule } from 'prosemirror-inputrules';

/**
 * What turns the block into another one as it is typed at its start. It is the same block: it keeps its id, and with that its history, its
 * comments and its authors.
 *
 * @param {RegExp} pattern @param {import('prosemirror-model').NodeType} type @param {(match: RegExpMatchArray) => any} [attrs]
 */
export const blockRule = (pattern, type, attrs = () => ({})) => new InputRule(pattern, (state, match, start, end) => {
    const $start = state.doc.resolve(start);
    if (!$start.node(-1).canReplaceWith($start.index(-1), $start.indexAfter(-1), type)) return null;
    return state.tr.delete(start, end).setBlockType(start, start, type, { id: $start.parent.attrs.id, ...attrs(match) });
});
