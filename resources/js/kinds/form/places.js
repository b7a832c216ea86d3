import { NodeSelection } from 'prosemirror-state';
import { inWords } from '../../common/words.js';

/** @typedef {import('prosemirror-model').Node} Node */
/** @typedef {import('prosemirror-state').EditorState} EditorState */
/** @typedef {import('../../editor/carry.js').Place} Place */

/** What a question of each type is called. @type {Record<string, string>} */
export const TYPES = {
    short: inWords('form.places.short_text'),
    long: inWords('form.places.long_text'),
    one: inWords('form.places.one_of_several'),
    several: inWords('form.places.several_choices'),
    scale: inWords('form.places.scale'),
    number: inWords('form.places.number'),
    date: inWords('form.places.date'),
    time: inWords('form.places.time'),
    yes_no: inWords('form.places.yes_or_no'),
    email: inWords('form.places.e_mail_address'),
    file: inWords('form.places.picture_or_file'),
    grid: inWords('form.places.grid'),
    note: inWords('form.places.text_that_explains'),
};

/** @type {Record<string, string>} */
const NAMES = {
    settings: inWords('form.places.settings'),
    page: inWords('form.places.page'),
    question: inWords('form.places.question'),
    choice: inWords('form.places.choice'),
    grid_line: inWords('form.places.row'),
    skip_rule: inWords('form.places.skip_rule'),
};

/** Where one is: the innermost first, such as a choice, its question, its page. @param {EditorState} state @returns {Place[]} */
export function levels(state) {
    const { selection, doc } = state;
    /** @type {Place[]} */
    const found = [];
    // The words of a question are no place of their own.
    if (selection instanceof NodeSelection && !selection.node.isInline && selection.node.type.name !== 'words')
        found.push({ node: selection.node, pos: selection.from, index: doc.resolve(selection.from).index() });
    const $from = selection.$from;
    for (let depth = $from.depth; depth > 0; depth--) {
        const node = $from.node(depth);
        if (node.type.name !== 'words') found.push({ node, pos: $from.before(depth), index: $from.index(depth - 1) });
    }
    return found;
}

/** @param {EditorState} state @param {string} name @returns {Place | undefined} the innermost of a sort around where one is */
export const around = (state, name) => levels(state).find(({ node }) => node.type.name === name);

/** @param {Node} node @returns {string} its words */
export const wordsOf = (node) =>
    (node.type.name === 'question' ? (node.firstChild?.textContent ?? '') : node.type.name === 'page' ? node.attrs.title : node.textContent)
        .trim()
        .replace(/\s+/g, ' ');

/** @param {Node} node @returns {string} what a person would call it */
export function nameOf(node) {
    const text = wordsOf(node);
    const name = NAMES[node.type.name] ?? inWords('form.places.part');
    return text === '' ? name : `${name} “${text.length > 40 ? `${text.slice(0, 39)}…` : text}”`;
}

/** All questions with their numbers. @param {Node} doc @returns {{node: Node, pos: number, number: number}[]} */
export function questions(doc) {
    /** @type {{node: Node, pos: number, number: number}[]} */
    const found = [];
    doc.descendants((node, pos) => {
        if (node.type.name === 'question') found.push({ node, pos, number: found.length + 1 });
        return node.type.name === 'page';
    });
    return found;
}

/** @param {Node} doc @param {string | null} id @returns {string} what a rule’s target is called, or nothing when it is gone */
export function targetName(doc, id) {
    const question = questions(doc).find(({ node }) => node.attrs.id === id);
    if (question) return `${question.number}${wordsOf(question.node) ? ` “${wordsOf(question.node)}”` : ''}`;
    let name = '';
    let number = 0;
    doc.forEach((node) => {
        if (node.type.name !== 'page') return;
        number++;
        if (node.attrs.id === id) name = inWords('form.places.page_titled', { number, title: node.attrs.title ? ` “${node.attrs.title}”` : '' });
    });
    return name;
}

/** Where something is, to be said. @param {EditorState} state @returns {string} */
export function spokenPlace(state) {
    const [place] = levels(state);
    const page = around(state, 'page');
    if (!place) return '';
    const parent = state.doc.resolve(place.pos).parent;
    const first = parent.type.name === 'question' ? 1 : 0;
    const where = inWords('form.places.of', { index: place.index + 1 - first, child_count: parent.childCount - first });
    let number = 0;
    state.doc.forEach((node, pos) => {
        if (node.type.name === 'page' && page && pos <= page.pos) number++;
    });
    return page && place.node !== page.node ? inWords('form.places.where_page', { where, number }) : where;
}
