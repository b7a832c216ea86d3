import { Plugin } from 'prosemirror-state';
import { newId } from '../common/new-id.js';

/**
 * Sees to it that every block has an id of its own and that list items nest by one step at a time. When an id comes twice
 * (after a split, or a paste), the block that is as it was keeps it, or else the first that is not empty.
 *
 * @returns {Plugin}
 */
export function ids() {
    return new Plugin({
        appendTransaction(transactions, before, state) {
            if (!transactions.some((transaction) => transaction.docChanged)) return null;
            /** @type {Map<string, {pos: number, node: import('prosemirror-model').Node}[]>} */
            const seen = new Map();
            /** @type {[number, string, any][]} */
            const changes = [];
            let above = -1;
            state.doc.descendants((node, pos) => {
                if (node.isInline) return false;
                if (!('id' in node.attrs)) return !node.isTextblock;
                const id = node.attrs.id;
                if (id) seen.set(id, [...(seen.get(id) ?? []), { pos, node }]);
                else changes.push([pos, 'id', newId()]);
                if (node.type.name === 'item') {
                    if (node.attrs.depth > above + 1) changes.push([pos, 'depth', above + 1]);
                    above = Math.min(node.attrs.depth, above + 1);
                } else if (state.doc.resolve(pos).depth === 0) {
                    above = -1;
                }
                return !node.isTextblock;
            });
            /** @type {Map<string, import('prosemirror-model').Node>} */
            let old;
            for (const [id, holders] of seen) {
                if (holders.length === 1) continue;
                old ??= nodesById(before.doc);
                const keeper = holders.find((holder) => old.get(id)?.eq(holder.node)) ?? holders.find((holder) => holder.node.content.size > 0) ?? holders[0];
                for (const holder of holders) if (holder !== keeper) changes.push([holder.pos, 'id', newId()]);
            }
            if (changes.length === 0) return null;
            const transaction = state.tr;
            for (const [pos, name, value] of changes) transaction.setNodeAttribute(pos, name, value);
            return transaction;
        },
    });
}

/** @param {import('prosemirror-model').Node} doc */
function nodesById(doc) {
    const map = new Map();
    doc.descendants((node) => {
        if (node.isInline) return false;
        if ('id' in node.attrs) map.set(node.attrs.id, node);
        return !node.isTextblock;
    });
    return map;
}
