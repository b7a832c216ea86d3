import { NodeSelection } from 'prosemirror-state';
import { inWords } from '../../common/words.js';

/** @typedef {import('prosemirror-model').Node} Node */
/** @typedef {import('prosemirror-state').EditorState} EditorState */
/** @typedef {{node: Node, pos: number, index: number}} Place a node, where it begins, and its number among its parent’s */

/** What things are called. @type {Record<string, string>} */
export const NAMES = {
    section: inWords('page.places.section'),
    column: inWords('page.places.column'),
    heading: inWords('page.places.heading'),
    rich_text: inWords('page.places.text'),
    call_out: inWords('page.places.call_out'),
    picture: inWords('page.places.picture'),
    button: inWords('page.places.button'),
    links: inWords('page.places.list_of_links'),
    hours: inWords('page.places.table_of_hours'),
    contact: inWords('page.places.contact_card'),
    divider: inWords('page.places.divider'),
    figure: inWords('page.places.figure'),
};

/** @param {EditorState['doc']} doc @param {number} pos before a node @returns {Place | null} */
export function placeAt(doc, pos) {
    const node = doc.nodeAt(pos);
    return node ? { node, pos, index: doc.resolve(pos).index() } : null;
}

/**
 * Where one is: the section, the column and the block that the caret is in or that is chosen.
 *
 * @param {EditorState} state
 * @returns {{section: Place | null, column: Place | null, block: Place | null}}
 */
export function whereabouts(state) {
    const { selection, doc } = state;
    const $from = selection instanceof NodeSelection && !selection.node.isInline ? doc.resolve(selection.from) : selection.$from;
    /** @param {number} depth */
    const up = (depth) => {
        if ($from.depth >= depth) return placeAt(doc, $from.before(depth));
        return $from.depth === depth - 1 && selection instanceof NodeSelection ? placeAt(doc, selection.from) : null;
    };
    return { section: up(1), column: up(2), block: up(3) };
}

/** The same, the innermost first. @param {EditorState} state @returns {Place[]} */
export function levels(state) {
    const { section, column, block } = whereabouts(state);
    return [block, column, section].filter((each) => each !== null);
}

/**
 * Where the column beside begins, or its first block if a block is chosen. @param {EditorState} state @param {number} way @returns {number
 * | null}
 */
export function beside(state, way) {
    const { section, column, block } = whereabouts(state);
    if (!section || !column) return null;
    const lane = column.index + way;
    if (lane < 0 || lane >= section.node.childCount) return null;
    let pos = section.pos + 1;
    for (let at = 0; at < lane; at++) pos += section.node.child(at).nodeSize;
    return block && section.node.child(lane).childCount > 0 ? pos + 1 : pos;
}

/** What is being worked on: the innermost of them. @param {EditorState} state @returns {Place | null} */
export function chosen(state) {
    return levels(state)[0] ?? null;
}

/** @param {Node} node @returns {string} what a person would call it */
export function nameOf(node) {
    const own = node.isTextblock ? node.textContent : node.attrs.label || node.attrs.title || node.attrs.name || node.attrs.alt || '';
    const text = own.trim().replace(/\s+/g, ' ');
    const kind = NAMES[node.type.name] ?? inWords('page.places.block');
    return text === '' ? kind : `${kind} “${text.length > 40 ? `${text.slice(0, 39)}…` : text}”`;
}

/** @param {number} index @param {number} count */
const side = (index, count) =>
    count === 1
        ? inWords('page.places.the_only_column')
        : count === 2
          ? [inWords('page.places.left_column'), inWords('page.places.right_column')][index]
          : inWords('page.places.column_of', { index: index + 1, count });

/** Where something is, to be said. @param {EditorState} state @returns {string} */
export function spokenPlace(state) {
    const { section, column, block } = whereabouts(state);
    if (!section) return '';
    const where = inWords('page.places.section_of', { index: section.index + 1, child_count: state.doc.childCount });
    if (!column) return where;
    if (!block) return `${side(column.index, section.node.childCount)}, ${where}`;
    return inWords('page.places.column_and_place', {
        column: side(column.index, section.node.childCount),
        place: block.index + 1,
        all: column.node.childCount,
        where,
    });
}
