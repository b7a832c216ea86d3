import { closeHistory } from 'prosemirror-history';
import { NodeSelection, TextSelection } from 'prosemirror-state';
import { inWords } from '../common/words.js';

/** @typedef {import('prosemirror-model').Node} Node */
/** @typedef {import('prosemirror-state').EditorState} EditorState */
/** @typedef {{node: Node, pos: number, index: number}} Place a node, where it begins, and its number among its parent’s */

/** What things are called. @type {Record<string, string>} */
const NAMES = {
    paragraph: inWords('document.places.paragraph'),
    heading: inWords('document.places.heading'),
    item: inWords('document.places.list_item'),
    quote: inWords('document.places.quote'),
    codeblock: inWords('document.places.code'),
    table: inWords('document.places.table'),
    picture: inWords('document.places.picture'),
    rule: inWords('document.places.line_across'),
};

/** The block that one is in. @param {EditorState} state @returns {Place[]} */
export function levels({ selection, doc }) {
    const $from = selection.$from;
    const pos = $from.depth > 0 ? $from.before(1) : selection instanceof NodeSelection ? selection.from : -1;
    const node = pos < 0 ? null : doc.nodeAt(pos);
    return node ? [{ node, pos, index: doc.resolve(pos).index() }] : [];
}

/** @param {Node} node @returns {string} what a person would call it */
export function nameOf(node) {
    const text = (node.attrs.alt || node.textContent).trim().replace(/\s+/g, ' ');
    const kind = NAMES[node.type.name] ?? inWords('document.places.block');
    return text === '' ? kind : `${kind} “${text.length > 40 ? `${text.slice(0, 39)}…` : text}”`;
}

/** @param {EditorState} state */
export const spokenPlace = (state) => {
    const [place] = levels(state);
    return place ? inWords('document.places.of', { index: place.index + 1, child_count: state.doc.childCount }) : '';
};

/** How many blocks go together from one on: a list item with those below it. @param {Node} doc @param {number} index */
function unit(doc, index) {
    const first = doc.child(index);
    let end = index + 1;
    if (first.type.name === 'item')
        while (end < doc.childCount && doc.child(end).type.name === 'item' && doc.child(end).attrs.depth > first.attrs.depth) end++;
    return end - index;
}

/** @param {Node} doc @param {number} index @returns {number} where the unit before begins */
function before(doc, index) {
    const depth = doc.child(index).type.name === 'item' ? doc.child(index).attrs.depth : 0;
    let at = index - 1;
    while (at > 0 && doc.child(at).type.name === 'item' && doc.child(at).attrs.depth > depth) at--;
    return at;
}

/** @param {Node} doc @param {number} index */
const start = (doc, index) => {
    let pos = 0;
    for (let at = 0; at < index; at++) pos += doc.child(at).nodeSize;
    return pos;
};

/**
 * Carries the present block past its neighbour; a list item takes along what is below it. @param {'up' | 'down' | 'left' | 'right'} way
 * @returns {import('prosemirror-state').Command}
 */
export const move = (way) => (state, dispatch) => {
    const [place] = levels(state);
    if (!place || (way !== 'up' && way !== 'down')) return false;
    const { doc } = state;
    const count = unit(doc, place.index);
    const after = place.index + count;
    const to = way === 'up' ? before(doc, place.index) : after + (after < doc.childCount ? unit(doc, after) : 0);
    if (to < 0 || to > doc.childCount || to === after) return false;
    if (dispatch) {
        const [from, end] = [place.pos, start(doc, after)];
        const content = doc.slice(from, end).content;
        const target = start(doc, to);
        const caret = state.selection instanceof NodeSelection ? null : state.selection.from - place.pos;
        const transaction = closeHistory(state.tr).delete(from, end);
        const at = transaction.mapping.map(target);
        transaction.insert(at, content);
        transaction.setSelection(
            caret === null ? NodeSelection.create(transaction.doc, at) : TextSelection.near(transaction.doc.resolve(at + caret)),
        );
        dispatch(transaction.scrollIntoView());
    }
    return true;
};
