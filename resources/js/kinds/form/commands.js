import { toggleMark } from 'prosemirror-commands';
import { closeHistory, redo, undo } from 'prosemirror-history';
import { Fragment } from 'prosemirror-model';
import { NodeSelection, TextSelection } from 'prosemirror-state';
import { choose } from '../../editor/chosen.js';
import { whereIs } from '../../editor/where.js';
import { around, levels } from './places.js';
import { schema } from './schema.js';

/** @typedef {import('prosemirror-state').Command} Command */
/** @typedef {import('prosemirror-state').Transaction} Transaction */
/** @typedef {import('prosemirror-model').Node} Node */
const { nodes, marks } = schema;

/** Which questions have choices below them, and rows. */
export const HAS_CHOICES = ['one', 'several', 'grid'];

/** @param {Transaction} transaction @param {number} pos of a text block */
const into = (transaction, pos) => transaction.setSelection(TextSelection.create(transaction.doc, pos + 1)).scrollIntoView();

/** @param {string} type @returns {Node} */
export function newQuestion(type) {
    const choices = HAS_CHOICES.includes(type) ? [nodes.choice.create(), nodes.choice.create()] : [];
    return nodes.question.create({ type }, [nodes.words.create(), ...(type === 'grid' ? [nodes.grid_line.create()] : []), ...choices]);
}

/** @param {string} type @returns {Command} puts a question below the present one, or at the end of the present or last page */
export const putQuestion = (type) => (state, dispatch) => {
    const question = around(state, 'question');
    const page = around(state, 'page');
    const transaction = state.tr;
    let at;
    if (question) {
        at = question.pos + question.node.nodeSize;
    } else if (page) {
        at = page.pos + page.node.nodeSize - 1;
    } else if (state.doc.lastChild?.type === nodes.page) {
        at = state.doc.content.size - 1;
    } else {
        transaction.insert(state.doc.content.size, nodes.page.create());
        at = transaction.doc.content.size - 1;
    }
    dispatch?.(into(transaction.insert(at, newQuestion(type)), at + 1));
    return true;
};

/** @type {Command} a page below the present one */
export const putPage = (state, dispatch) => {
    const page = around(state, 'page');
    const at = page ? page.pos + page.node.nodeSize : state.doc.content.size;
    dispatch?.(into(state.tr.insert(at, nodes.page.create(null, newQuestion('short'))), at + 2));
    return true;
};

/**
 * @param {'choice' | 'grid_line'} name @returns {Command} one more choice or row of the present question, below where one is or after the
 *     last of its sort
 */
export const putLine = (name) => (state, dispatch) => {
    const question = around(state, 'question');
    if (!question || !(name === 'choice' ? HAS_CHOICES : ['grid']).includes(question.node.attrs.type)) return false;
    const here = around(state, name);
    let at = here ? here.pos + here.node.nodeSize : question.pos + 1 + (question.node.firstChild?.nodeSize ?? 0);
    if (!here) {
        question.node.forEach((child, offset) => {
            if (child.type.name === name) at = question.pos + 1 + offset + child.nodeSize;
        });
    }
    dispatch?.(into(state.tr.insert(at, nodes[name].create()), at));
    return true;
};

/** @param {string} id @param {Record<string, any>} attrs @returns {Command} a skip rule at the end of a question */
export const putRule = (id, attrs) => (state, dispatch) => {
    const pos = whereIs(state.doc, id);
    const question = pos === null ? null : state.doc.nodeAt(pos);
    if (pos === null || question?.type !== nodes.question) return false;
    const at = pos + question.nodeSize - 1;
    dispatch?.(choose(state.tr.insert(at, nodes.skip_rule.create(attrs)), at));
    return true;
};

/** @param {Node} node @returns {Node} the same without ids, so that it gets new ones */
function fresh(node) {
    if (node.isInline) return node;
    const children = [];
    for (let at = 0; at < node.childCount; at++) children.push(fresh(node.child(at)));
    return node.type.create('id' in node.attrs ? { ...node.attrs, id: null } : null, Fragment.from(children), node.marks);
}

/** What of them can be moved, copied and removed. @param {import('prosemirror-state').EditorState} state */
const movable = (state) => levels(state).find(({ node }) => node.type !== nodes.settings);

/** @type {Command} */
export const duplicate = (state, dispatch) => {
    const place = movable(state);
    if (!place) return false;
    const at = place.pos + place.node.nodeSize;
    dispatch?.(choose(state.tr.insert(at, fresh(place.node)), at));
    return true;
};

/** @type {Command} */
export const remove = (state, dispatch) => {
    const place = movable(state);
    if (!place) return false;
    const transaction = state.tr.delete(place.pos, place.pos + place.node.nodeSize);
    const $at = transaction.doc.resolve(place.pos);
    const next = $at.nodeAfter
        ? place.pos
        : $at.nodeBefore && $at.nodeBefore.type !== nodes.words
          ? place.pos - $at.nodeBefore.nodeSize
          : $at.depth > 0
            ? $at.before()
            : null;
    if (next !== null) choose(transaction, next);
    dispatch?.(transaction);
    return true;
};

/**
 * Where something would be next: a position in the document without it.
 *
 * @param {import('prosemirror-model').Node} doc @param {import('../../editor/carry.js').Place} place @param {boolean} back
 * @returns {number | null}
 */
function target(doc, place, back) {
    const [before, after] = [doc.resolve(place.pos).nodeBefore, doc.resolve(place.pos + place.node.nodeSize).nodeAfter];
    if (back && before && ![nodes.words, nodes.settings].includes(before.type)) return place.pos - before.nodeSize;
    if (!back && after) return place.pos + after.nodeSize;
    if (place.node.type !== nodes.question) return null;
    // Past the end of a page: to the end of the one above, or the beginning of the one below.
    const $pos = doc.resolve(place.pos);
    const page = $pos.index(0) + (back ? -1 : 1);
    const other = doc.maybeChild(page);
    if (other?.type !== nodes.page) return null;
    return back ? $pos.before(1) - 1 : $pos.after(1) + 1 - place.node.nodeSize;
}

/**
 * @param {import('../../editor/carry.js').Direction} way @returns {Command} moves what is chosen by a step; each step is undone by itself
 */
export const move = (way) => (state, dispatch) => {
    const place = movable(state);
    if (!place || way === 'left' || way === 'right') return false;
    const to = target(state.doc, place, way === 'up');
    if (to === null) return false;
    if (dispatch) {
        const caret = state.selection instanceof NodeSelection ? null : state.selection.from - place.pos;
        const transaction = closeHistory(state.tr)
            .delete(place.pos, place.pos + place.node.nodeSize)
            .insert(to, place.node);
        dispatch(
            caret === null
                ? choose(transaction, to)
                : transaction.setSelection(TextSelection.create(transaction.doc, to + caret)).scrollIntoView(),
        );
    }
    return true;
};

/** @param {string} type @returns {Command} another type for the present question; choices that it had stay, and go out of sight */
export const retype = (type) => (state, dispatch) => {
    const question = around(state, 'question');
    if (!question) return false;
    const transaction = state.tr.setNodeAttribute(question.pos, 'type', type);
    const missing = [];
    const has = new Set();
    question.node.forEach((child) => has.add(child.type.name));
    if (type === 'grid' && !has.has('grid_line')) missing.push(nodes.grid_line.create());
    if (HAS_CHOICES.includes(type) && !has.has('choice')) missing.push(nodes.choice.create(), nodes.choice.create());
    if (missing.length) transaction.insert(question.pos + 1 + (question.node.firstChild?.nodeSize ?? 0), missing);
    dispatch?.(transaction);
    return true;
};

/**
 * Enter: from the words to the first choice or a new question, from a choice to a new one, out of an empty one to a new question. @type
 * {Command}
 */
export const enter = (state, dispatch) => {
    const { $from } = state.selection;
    const question = around(state, 'question');
    if (!question || !$from.parent.isTextblock) return false;
    const parent = $from.parent;
    if (parent.type === nodes.words) {
        let first = -1;
        question.node.forEach((child, offset) => {
            if (first < 0 && child.isTextblock && child.type !== nodes.words) first = question.pos + 1 + offset;
        });
        if (first >= 0 && HAS_CHOICES.includes(question.node.attrs.type)) dispatch?.(into(state.tr, first));
        else putQuestion('short')(state, dispatch);
        return true;
    }
    if (parent.content.size > 0) return putLine(/** @type {'choice' | 'grid_line'} */ (parent.type.name))(state, dispatch);
    const transaction = state.tr.delete($from.before(), $from.after());
    const at = transaction.mapping.map(question.pos + question.node.nodeSize);
    dispatch?.(into(transaction.insert(at, newQuestion('short')), at + 1));
    return true;
};

/** Backspace in an empty choice takes it away, in an empty question without choices the question. @type {Command} */
export const backspace = (state, dispatch) => {
    const { $from, empty } = state.selection;
    const question = around(state, 'question');
    if (!empty || !question || $from.parentOffset > 0) return false;
    const parent = $from.parent;
    if (parent.type === nodes.words) {
        if (parent.content.size > 0 || question.node.childCount > 1) return true;
        return remove(state.apply(choose(state.tr, question.pos)), dispatch && ((transaction) => dispatch(transaction)));
    }
    if (parent.content.size === 0) {
        const transaction = state.tr.delete($from.before(), $from.after());
        dispatch?.(transaction.setSelection(TextSelection.near(transaction.doc.resolve($from.before()), -1)).scrollIntoView());
    }
    return true;
};

/** @type {Command} */
export const lineBreak = (state, dispatch) => {
    if (state.selection.$from.parent.type !== nodes.words) return false;
    dispatch?.(state.tr.replaceSelectionWith(nodes.break.create()).scrollIntoView());
    return true;
};

/** @param {import('prosemirror-model').MarkType} type @returns {Command} */
const mark = (type) => (state, dispatch) => state.selection.$from.parent.type === nodes.words && toggleMark(type)(state, dispatch);

/** The commands behind the tools, by the name that a tool has in the page. @type {Record<string, Command>} */
export const tools = {
    bold: mark(marks.bold),
    italic: mark(marks.italic),
    undo,
    redo,
    up: move('up'),
    down: move('down'),
    copy: duplicate,
    remove,
    choice: putLine('choice'),
    line: putLine('grid_line'),
    'page-add': putPage,
};
