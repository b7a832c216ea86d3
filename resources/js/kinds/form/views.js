import { targetName, TYPES } from './places.js';
import { answers, choicesOf, whens } from './settings.js';

/** @typedef {import('prosemirror-model').Node} Node */
/** @typedef {import('prosemirror-view').EditorView} EditorView */
/** @typedef {import('prosemirror-view').NodeView} NodeView */

/** @param {string} name @param {string} className @param {string} [text] @returns {HTMLElement} */
function element(name, className, text) {
    const made = document.createElement(name);
    made.className = className;
    if (text !== undefined) made.textContent = text;
    return made;
}

const AUDIENCES = { anyone: 'Everybody who has its address answers', shelf: 'The people of the shelf answer', named: 'The people named answer' };
const ACTIONS = { go: 'go on with', show: 'show', hide: 'leave out', end: 'end there' };

/** @param {Record<string, any>} attrs @returns {string} the settings in words */
function settingsInWords({ audience, opens, closes, once, editable }) {
    return [
        /** @type {Record<string, string>} */ (AUDIENCES)[audience],
        once ? 'once only' : 'as often as they like',
        ...(opens ? [`from ${opens}`] : []),
        ...(closes ? [`until ${closes}`] : []),
        editable ? 'answers may be changed' : 'answers stay as they are sent',
    ].join(', ');
}

/** @param {Node} rule @param {Node | null} question @param {Node} doc @returns {{text: string, isBroken: boolean}} */
export function ruleInWords(rule, question, doc) {
    const { when, value, action, target } = rule.attrs;
    const chosen = question ? answers(question) : null;
    // Choices of a question that has another type now are below it still, out of sight.
    const hidden = chosen || !question ? [] : choicesOf(question);
    const shown = (chosen ?? hidden).find(([id]) => id === value)?.[1] ?? (chosen ? undefined : value);
    const isKnown = when === 'answered' || (chosen ? shown !== undefined : !hidden.some(([id]) => id === value));
    const word = (question ? whens(question) : []).find(([name]) => name === when)?.[1] ?? when.replace('_', ' ');
    const to = action === 'end' ? '' : targetName(doc, target);
    const isBroken = !isKnown || (action !== 'end' && to === '');
    return {
        text: `If the answer ${word}${when === 'answered' ? '' : ` “${shown ?? 'a choice that is gone'}”${isKnown || chosen ? '' : ', which it does not offer any more'}`}, ${/** @type {Record<string, string>} */ (ACTIONS)[action]}${action === 'end' ? '' : ` ${to || 'what is gone'}`}`,
        isBroken,
    };
}

/** @param {HTMLElement} dom @param {Node} rule @param {Node | null} question around it @param {Node} doc */
export function drawRule(dom, rule, question, doc) {
    const { text, isBroken } = ruleInWords(rule, question?.type.name === 'question' ? question : null, doc);
    if (dom.textContent !== text) dom.textContent = text;
    dom.classList.toggle('is-broken', isBroken);
}

/** A part that stands as one thing. @param {(node: Node, view: EditorView, pos: number | undefined) => {text: string, className: string}} show */
const whole = (show) => (/** @type {Node} */ node, /** @type {EditorView} */ view, /** @type {() => number | undefined} */ getPos) => {
    const dom = element('div', '');
    dom.contentEditable = 'false';
    /** @param {Node} now */
    const draw = (now) => {
        const { text, className } = show(now, view, getPos());
        dom.className = className;
        dom.dataset.part = now.attrs.id ?? '';
        dom.textContent = text;
    };
    draw(node);
    return /** @type {NodeView} */ ({
        dom,
        update: (next) => {
            if (next.type !== node.type) return false;
            draw(next);
            return true;
        },
        ignoreMutation: () => true,
    });
};

/** @param {Node} node @returns {NodeView} */
function questionView(node) {
    const dom = element('section', 'question');
    const head = element('p', 'question-head');
    head.contentEditable = 'false';
    const help = element('p', 'question-help');
    help.contentEditable = 'false';
    const contentDOM = element('div', 'question-body');
    dom.append(head, contentDOM, help);
    /** @param {Node} now */
    const draw = (now) => {
        dom.dataset.part = now.attrs.id ?? '';
        dom.dataset.type = now.attrs.type;
        head.textContent = TYPES[now.attrs.type] + (now.attrs.required ? ', has to be answered' : '') + bounds(now.attrs);
        help.textContent = now.attrs.help ?? '';
        help.hidden = !now.attrs.help;
    };
    return drawn(node, dom, contentDOM, draw);
}

/** @param {Record<string, any>} attrs */
function bounds({ type, least, most, low, high }) {
    if (type === 'scale') return `, ${least ?? 1}${low ? ` (${low})` : ''} to ${most ?? 5}${high ? ` (${high})` : ''}`;
    return (least === null ? '' : `, at least ${least}`) + (most === null ? '' : `, at most ${most}`);
}

/**
 * What is drawn again whenever its settings change; only what is written in it comes from the keys.
 * @param {Node} node @param {HTMLElement} dom @param {HTMLElement} contentDOM @param {(now: Node) => void} draw @returns {NodeView}
 */
function drawn(node, dom, contentDOM, draw) {
    draw(node);
    return {
        dom,
        contentDOM,
        update: (next) => {
            if (next.type !== node.type) return false;
            draw(next);
            return true;
        },
        ignoreMutation: (mutation) => !contentDOM.contains(mutation.target),
    };
}

/** @param {Node} node @returns {NodeView} */
function pageView(node) {
    const dom = element('div', 'form-page');
    const title = element('p', 'form-page-title');
    title.contentEditable = 'false';
    const contentDOM = element('div', 'form-page-body');
    dom.append(title, contentDOM);
    /** @param {Node} now */
    const draw = (now) => {
        dom.dataset.part = now.attrs.id ?? '';
        title.textContent = now.attrs.title;
        title.classList.toggle('is-untitled', now.attrs.title === '');
    };
    return drawn(node, dom, contentDOM, draw);
}

/** @param {string} className @returns {import('prosemirror-view').NodeViewConstructor} */
const line = (className) => (node) => {
    const dom = element('p', className);
    /** @param {Node} now */
    const draw = (now) => {
        dom.dataset.part = now.attrs.id ?? '';
        dom.classList.toggle('is-other', now.attrs.other === true);
    };
    draw(node);
    return { dom, contentDOM: dom, update: (next) => next.type === node.type && (draw(next), true) };
};

/** @returns {Record<string, import('prosemirror-view').NodeViewConstructor>} */
export const views = () => ({
    settings: whole((node) => ({ text: settingsInWords(node.attrs), className: 'form-settings' })),
    page: pageView,
    question: questionView,
    choice: line('question-choice'),
    grid_line: line('question-line'),
    skip_rule: whole((node, view, pos) => {
        const question = pos === undefined ? null : view.state.doc.resolve(pos).parent;
        const { text, isBroken } = ruleInWords(node, question?.type.name === 'question' ? question : null, view.state.doc);
        return { text, className: `question-rule${isBroken ? ' is-broken' : ''}` };
    }),
});

