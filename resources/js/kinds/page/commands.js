import { toggleMark } from 'prosemirror-commands';
import { closeHistory, redo, undo } from 'prosemirror-history';
import { Fragment } from 'prosemirror-model';
import { NodeSelection, TextSelection } from 'prosemirror-state';
import { choose } from '../../editor/chosen.js';
import { chosen, placeAt, whereabouts } from './places.js';
import { schema } from './schema.js';

/** @typedef {import('prosemirror-state').Command} Command */
/** @typedef {import('prosemirror-state').Transaction} Transaction */
/** @typedef {import('prosemirror-model').Node} Node */
/** @typedef {'up' | 'down' | 'left' | 'right'} Direction */
const { nodes, marks } = schema;

export const MOST_COLUMNS = 4;

/** @returns {Node} */
export const newSection = () => nodes.section.create(null, nodes.column.create(null, nodes.rich_text.create()));

/** Chooses a node, or puts the caret into it if it has words. @param {Transaction} transaction @param {number} pos */
function reach(transaction, pos) {
    const node = transaction.doc.nodeAt(pos);
    if (!node) return transaction;
    return transaction
        .setSelection(
            node.isTextblock
                ? TextSelection.create(transaction.doc, pos + 1 + node.content.size)
                : NodeSelection.create(transaction.doc, pos),
        )
        .scrollIntoView();
}

/** @param {Node} node @returns {Command} puts a block below the present one, or at the end of the present column */
export const put = (node) => (state, dispatch) => {
    const { section, column, block } = whereabouts(state);
    const transaction = state.tr;
    if (block) {
        // An empty text gives its place up.
        const empty = block.node.type === nodes.rich_text && block.node.content.size === 0 && node.type !== nodes.rich_text;
        const at = empty ? block.pos : block.pos + block.node.nodeSize;
        transaction.replaceWith(at, empty ? block.pos + block.node.nodeSize : at, node);
        reach(transaction, at);
    } else {
        const in_ = column ?? (section?.node.firstChild ? placeAt(state.doc, section.pos + 1) : firstColumn(state.doc));
        if (in_) {
            const at = in_.pos + in_.node.nodeSize - 1;
            reach(transaction.insert(at, node), at);
        } else {
            reach(
                transaction.insert(state.doc.content.size, nodes.section.create(null, nodes.column.create(null, node))),
                state.doc.content.size + 2,
            );
        }
    }
    dispatch?.(transaction);
    return true;
};

/** @param {Node} doc */
const firstColumn = (doc) => (doc.firstChild?.firstChild ? placeAt(doc, 1) : null);

/** @type {Command} */
export const addSection = (state, dispatch) => {
    const { section } = whereabouts(state);
    const at = section ? section.pos + section.node.nodeSize : state.doc.content.size;
    dispatch?.(reach(state.tr.insert(at, newSection()), at + 2));
    return true;
};

/** @param {Node} node @returns {Node} the same without ids, so that it gets new ones */
function fresh(node) {
    if (node.isInline) return node;
    const children = [];
    for (let at = 0; at < node.childCount; at++) children.push(fresh(node.child(at)));
    return node.type.create({ ...node.attrs, id: null }, Fragment.from(children), node.marks);
}

/** @type {Command} */
export const duplicate = (state, dispatch) => {
    const { section } = whereabouts(state);
    const place = chosen(state);
    if (!place || (place.node.type === nodes.column && (section?.node.childCount ?? 0) >= MOST_COLUMNS)) return false;
    const at = place.pos + place.node.nodeSize;
    dispatch?.(choose(state.tr.insert(at, fresh(place.node)), at));
    return true;
};

/** The last column of a section stays. @type {Command} */
export const remove = (state, dispatch) => {
    const { section } = whereabouts(state);
    const place = chosen(state);
    if (!place || (place.node.type === nodes.column && section?.node.childCount === 1)) return false;
    const transaction = state.tr.delete(place.pos, place.pos + place.node.nodeSize);
    const next =
        placeAt(transaction.doc, place.pos) ??
        (place.index > 0 ? placeAt(transaction.doc, place.pos - (state.doc.resolve(place.pos).nodeBefore?.nodeSize ?? 0)) : null);
    const parent = transaction.doc.resolve(place.pos);
    if (next) choose(transaction, next.pos);
    else if (parent.depth > 0) choose(transaction, parent.before());
    dispatch?.(transaction);
    return true;
};

/** @type {Command} */
export const removeSection = (state, dispatch) => {
    const { section } = whereabouts(state);
    if (!section) return false;
    dispatch?.(state.tr.delete(section.pos, section.pos + section.node.nodeSize).scrollIntoView());
    return true;
};

/**
 * Where something would be next in a direction: a position in the document without it.
 *
 * @param {import('prosemirror-state').EditorState} state @param {import('./places.js').Place} place @param {Direction} way
 * @returns {number | null} null when there is nowhere to go
 */
function target(state, place, way) {
    const { section, column } = whereabouts(state);
    const $pos = state.doc.resolve(place.pos);
    const [before, after] = [$pos.nodeBefore, state.doc.resolve(place.pos + place.node.nodeSize).nodeAfter];
    const size = place.node.nodeSize;
    const back = way === 'up' || way === 'left';
    if (place.node.type === nodes.column ? way === 'left' || way === 'right' : way === 'up' || way === 'down') {
        if (back && before) return place.pos - before.nodeSize;
        if (!back && after) return place.pos + after.nodeSize;
    }
    if (!section || !column || place.node.type === nodes.column || place.node.type === nodes.section) return null;
    if (way === 'left' || way === 'right') {
        const other = column.index + (back ? -1 : 1);
        if (other < 0 || other >= section.node.childCount) return null;
        return within(section.pos + 1, section.node, other, place, size);
    }
    // Past the end of a column: into the section above, at its end, or below, at its beginning.
    const next = section.index + (back ? -1 : 1);
    if (next < 0 || next >= state.doc.childCount) return null;
    let start = 0;
    for (let at = 0; at < next; at++) start += state.doc.child(at).nodeSize;
    const into = state.doc.child(next);
    if (into.childCount === 0) return null;
    const lane = Math.min(column.index, into.childCount - 1);
    let at = start + 1;
    for (let n = 0; n < lane; n++) at += into.child(n).nodeSize;
    return back ? at + into.child(lane).nodeSize - 1 : at + 1 - size;
}

/**
 * At the same height in another column.
 *
 * @param {number} start @param {Node} section @param {number} lane @param {import('./places.js').Place} place @param {number} size what is
 *     taken out
 */
function within(start, section, lane, place, size) {
    let at = start;
    for (let n = 0; n < lane; n++) at += section.child(n).nodeSize;
    const column = section.child(lane);
    let pos = at + 1;
    for (let n = 0; n < Math.min(place.index, column.childCount); n++) pos += column.child(n).nodeSize;
    return at > place.pos ? pos - size : pos;
}

/** @param {Direction} way @returns {Command} moves what is chosen by a step; each step is undone by itself */
export const move = (way) => (state, dispatch) => {
    const place = chosen(state);
    const to = place ? target(state, place, way) : null;
    if (!place || to === null) return false;
    if (dispatch) {
        const caret = state.selection instanceof NodeSelection ? null : state.selection.from - place.pos;
        const transaction = closeHistory(state.tr).delete(place.pos, place.pos + place.node.nodeSize).insert(to, place.node);
        if (caret === null) choose(transaction, to);
        else transaction.setSelection(TextSelection.create(transaction.doc, to + caret)).scrollIntoView();
        dispatch(transaction);
    }
    return true;
};

/** @param {'up' | 'down'} way @returns {Command} */
export const moveSection = (way) => (state, dispatch) => {
    const { section } = whereabouts(state);
    const to = section ? target(state, section, way) : null;
    if (!section || to === null) return false;
    dispatch?.(choose(closeHistory(state.tr).delete(section.pos, section.pos + section.node.nodeSize).insert(to, section.node), to));
    return true;
};

/**
 * @param {number[]} widths of twelve @returns {Command} gives the present section so many columns; what stood in those that go joins the
 *     last
 */
export const columns = (widths) => (state, dispatch) => {
    const { section } = whereabouts(state);
    if (!section || widths.length > MOST_COLUMNS) return false;
    if (dispatch) {
        const kept = [];
        for (let at = 0; at < widths.length; at++) {
            const old = at < section.node.childCount ? section.node.child(at) : nodes.column.create();
            let content = old.content;
            if (at === widths.length - 1)
                for (let rest = at + 1; rest < section.node.childCount; rest++) content = content.append(section.node.child(rest).content);
            kept.push(nodes.column.create({ ...old.attrs, width: widths[at] }, content));
        }
        const transaction = state.tr.replaceWith(section.pos + 1, section.pos + section.node.nodeSize - 1, kept);
        dispatch(choose(transaction, section.pos));
    }
    return true;
};

/** @param {string} value such as heading-2 @returns {Command} what sort of text the present block is */
export const style = (value) => (state, dispatch) => {
    const { block } = whereabouts(state);
    if (!block?.node.isTextblock) return false;
    const [name, how] = value.split('-');
    /** @type {Record<string, [import('prosemirror-model').NodeType, Record<string, any>]>} */
    const sorts = {
        heading: [nodes.heading, { level: Number(how) }],
        text: [nodes.rich_text, { style: how }],
        callout: [nodes.call_out, { tone: how }],
    };
    const [type, attrs] = sorts[name];
    dispatch?.(state.tr.setNodeMarkup(block.pos, type, { id: block.node.attrs.id, ...attrs }));
    return true;
};

/** @param {Node} node @returns {string} the value of {@link style} for a block */
export const styleOf = (node) =>
    node.type === nodes.heading
        ? `heading-${node.attrs.level}`
        : node.type === nodes.call_out
          ? `callout-${node.attrs.tone}`
          : `text-${node.attrs.style ?? 'plain'}`;

/** Enter at the end of a list's empty line ends the list. @type {Command} */
export const endList = (state, dispatch) => {
    const { $from, empty } = state.selection;
    if (!empty || $from.parent.type !== nodes.rich_text || $from.parent.attrs.style === 'plain' || $from.parent.content.size > 0)
        return false;
    dispatch?.(state.tr.setNodeAttribute($from.before(), 'style', 'plain'));
    return true;
};

/** Enter in a text or list goes on in the same manner; anywhere else a plain text follows. @type {Command} */
export const split = (state, dispatch) => {
    const { $from } = state.selection;
    if (!$from.parent.isTextblock) return false;
    const same = $from.parent.type === nodes.rich_text;
    const transaction = state.tr.deleteSelection();
    const atEnd = transaction.selection.$from.parentOffset === transaction.selection.$from.parent.content.size;
    transaction.split(transaction.selection.from, 1, [
        same
            ? { type: nodes.rich_text, attrs: { ...$from.parent.attrs, id: null } }
            : atEnd
              ? { type: nodes.rich_text }
              : { type: $from.parent.type, attrs: { ...$from.parent.attrs, id: null } },
    ]);
    dispatch?.(transaction.scrollIntoView());
    return true;
};

/** @type {Command} */
export const lineBreak = (state, dispatch) => {
    if (!state.selection.$from.parent.isTextblock) return false;
    dispatch?.(state.tr.replaceSelectionWith(nodes.break.create()).scrollIntoView());
    return true;
};

/** @param {import('prosemirror-model').MarkType} type @returns {Command} */
const mark = (type) => (state, dispatch) => state.selection.$from.parent.isTextblock && toggleMark(type)(state, dispatch);

/** The commands behind the tools, by the name that a tool has in the page. @type {Record<string, Command>} */
export const tools = {
    bold: mark(marks.bold),
    italic: mark(marks.italic),
    underline: mark(marks.underline),
    raised: mark(marks.raised),
    lowered: mark(marks.lowered),
    undo,
    redo,
    up: move('up'),
    down: move('down'),
    left: move('left'),
    right: move('right'),
    copy: duplicate,
    remove,
    'section-add': addSection,
    'section-up': moveSection('up'),
    'section-down': moveSection('down'),
    'section-remove': removeSection,
};
