import { Plugin } from 'prosemirror-state';
import { Mapping } from 'prosemirror-transform';
import { newId } from '../common/new-id.js';

/** @typedef {import('prosemirror-model').Node} Node */
/** @typedef {{pos: number, node: Node}} Held */

/**
 * Sees to it that every block has an id of its own, which tells what became of it, and that list items nest by one step at a time.
 *
 * - When an id comes twice (after a split, or a paste), the block that is as it was keeps it, or else the first that is not empty.
 * - When a block is joined into one of which nothing is left, it is that block still: whoever deletes a line and its end with Home,
 *   Shift+Down, Delete removes that line, not the next one.
 * - What was cut and is pasted whole is the same block, also when the caret stood in another one.
 *
 * @returns {Plugin}
 */
export function ids() {
    /** @type {Node[]} blocks that were cut whole, the last time */
    let cut = [];
    return new Plugin({
        appendTransaction(transactions, before, state) {
            if (!transactions.some((transaction) => transaction.docChanged)) return null;
            /** @type {Map<string, Held[]>} */
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
            /** @type {Map<string, Held> | undefined} */
            let old;
            for (const [id, holders] of seen) {
                if (holders.length === 1) continue;
                old ??= blocksById(before.doc);
                const keeper =
                    holders.find((holder) => old?.get(id)?.node.eq(holder.node)) ??
                    holders.find((holder) => holder.node.content.size > 0) ??
                    holders[0];
                for (const holder of holders) if (holder !== keeper) changes.push([holder.pos, 'id', newId()]);
            }
            if (!transactions.some((transaction) => transaction.getMeta('brought') || transaction.getMeta('history$'))) {
                old ??= blocksById(before.doc);
                changes.push(...joined(transactions, old, seen, state.doc));
                if (transactions.some((transaction) => transaction.getMeta('paste'))) changes.push(...pasted(cut, old, seen, state.doc));
            }
            if (changes.length === 0) return null;
            const transaction = state.tr;
            for (const [pos, name, value] of changes) transaction.setNodeAttribute(pos, name, value);
            return transaction;
        },
        props: {
            handleDOMEvents: {
                // Keys that queue up come before the page tells that the last one changed the selection.
                keydown: (view) => {
                    /** @type {any} */ (view).domObserver?.flush?.();
                    return false;
                },
                cut: (view) => {
                    cut = whole(view.state.doc, view.state.selection.from, view.state.selection.to);
                    return false;
                },
            },
        },
    });
}

/**
 * Blocks whose words are now all that is left in one of another id.
 *
 * @param {readonly import('prosemirror-state').Transaction[]} transactions
 * @param {Map<string, Held>} old
 * @param {Map<string, Held[]>} seen
 * @param {Node} doc
 * @returns {[number, string, any][]}
 */
function joined(transactions, old, seen, doc) {
    const vanished = [...old].filter(([id, { node }]) => !seen.has(id) && node.isTextblock && node.content.size > 0);
    if (vanished.length === 0) return [];
    const mapping = new Mapping();
    for (const transaction of transactions) mapping.appendMapping(transaction.mapping);
    /** @param {Held} held @returns {[number, number]} what is left of its content */
    const left = ({ pos, node }) => [mapping.map(pos + 1, 1), mapping.map(pos + node.nodeSize - 1, -1)];
    /** @type {[number, string, any][]} */
    const changes = [];
    const taken = new Set();
    for (const [id, held] of vanished) {
        const [from, to] = left(held);
        if (to <= from) continue;
        const $from = doc.resolve(from);
        const host = $from.parent;
        const was = old.get(host.attrs.id);
        if (!host.isTextblock || !('id' in host.attrs) || !was || taken.has(host.attrs.id)) continue;
        const [start, end] = left(was);
        if (was.node.content.size === 0 || end <= start) {
            taken.add(host.attrs.id);
            changes.push([$from.before(), 'id', id]);
        }
    }
    return changes;
}

/**
 * What was cut whole and is whole somewhere again, under another id.
 *
 * @param {Node[]} cut
 * @param {Map<string, Held>} old
 * @param {Map<string, Held[]>} seen
 * @param {Node} doc
 * @returns {[number, string, any][]}
 */
function pasted(cut, old, seen, doc) {
    /** @type {[number, string, any][]} */
    const changes = [];
    for (const block of cut) {
        const id = block.attrs.id;
        const remains = seen.get(id) ?? [];
        // It is there already, or its place was filled otherwise.
        if (remains.some(({ node }) => node.content.size > 0)) continue;
        /** @type {Held | undefined} */
        let found;
        doc.descendants((node, pos) => {
            if (
                found === undefined &&
                node.isTextblock &&
                node.attrs.id !== id &&
                'id' in node.attrs &&
                node.content.eq(block.content) &&
                !old.get(node.attrs.id)?.node.content.eq(node.content)
            )
                found = { pos, node };
            return !node.isTextblock && found === undefined;
        });
        if (found === undefined) continue;
        changes.push([found.pos, 'id', id]);
        for (const { pos } of remains) changes.push([pos, 'id', newId()]);
    }
    return changes;
}

/** The blocks whose whole content lies in a range. @param {Node} doc @param {number} from @param {number} to @returns {Node[]} */
function whole(doc, from, to) {
    /** @type {Node[]} */
    const found = [];
    doc.nodesBetween(from, to, (node, pos) => {
        if (node.isTextblock && node.attrs.id && node.content.size > 0 && from <= pos + 1 && to >= pos + node.nodeSize - 1)
            found.push(node);
        return !node.isTextblock;
    });
    return found;
}

/** @param {Node} doc @returns {Map<string, Held>} */
function blocksById(doc) {
    const map = new Map();
    doc.descendants((node, pos) => {
        if (node.isInline) return false;
        if ('id' in node.attrs) map.set(node.attrs.id, { node, pos });
        return !node.isTextblock;
    });
    return map;
}
