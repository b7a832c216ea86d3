import { targetName, TYPES } from './places.js';
import { answers, choicesOf, whens } from './settings.js';
import { inWords } from '../../common/words.js';

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

const AUDIENCES = {
    anyone: inWords('form.views.everybody_who_has_its_address'),
    shelf: inWords('form.views.the_people_of_the_shelf_answer'),
    named: inWords('form.views.the_people_named_answer'),
};
const ACTIONS = {
    go: inWords('form.views.go_on_with'),
    show: 'show',
    hide: inWords('form.views.leave_out'),
    end: inWords('form.views.end_there'),
};

/** @param {Record<string, any>} attrs @returns {string} the settings in words */
function settingsInWords({ audience, opens, closes, once, editable }) {
    return [
        /** @type {Record<string, string>} */ (AUDIENCES)[audience],
        once ? inWords('form.views.once_only') : inWords('form.views.as_often_as_they_like'),
        ...(opens ? [inWords('form.views.from', { opens })] : []),
        ...(closes ? [inWords('form.views.until', { closes })] : []),
        editable ? inWords('form.views.answers_may_be_changed') : inWords('form.views.answers_stay_as_they_are_sent'),
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
        text: inWords('form.views.if_the_answer_then', {
            word,
            when:
                when === 'answered'
                    ? ''
                    : ` “${shown ?? inWords('form.views.a_choice_that_is_gone')}”${isKnown || chosen ? '' : inWords('form.views.which_it_does_not_offer_any')}`,
            action: /** @type {Record<string, string>} */ (ACTIONS)[action],
            target: action === 'end' ? '' : ` ${to || inWords('form.views.what_is_gone')}`,
        }),
        isBroken,
    };
}

/** @param {HTMLElement} dom @param {Node} rule @param {Node | null} question around it @param {Node} doc */
export function drawRule(dom, rule, question, doc) {
    const { text, isBroken } = ruleInWords(rule, question?.type.name === 'question' ? question : null, doc);
    if (dom.textContent !== text) dom.textContent = text;
    dom.classList.toggle('is-broken', isBroken);
}

/**
 * A part that is as one thing. @param {(node: Node, view: EditorView, pos: number | undefined) => {text: string, className: string}} show
 */
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
        head.textContent = TYPES[now.attrs.type] + (now.attrs.required ? inWords('form.views.has_to_be_answered') : '') + bounds(now.attrs);
        help.textContent = now.attrs.help ?? '';
        help.hidden = !now.attrs.help;
    };
    return drawn(node, dom, contentDOM, draw);
}

/** @param {Record<string, any>} attrs */
function bounds({ type, least, most, low, high }) {
    if (type === 'scale')
        return inWords('form.views.to', {
            least: least ?? 1,
            low: low ? ` (${low})` : '',
            most: most ?? 5,
            high: high ? ` (${high})` : '',
        });
    return (
        (least === null ? '' : inWords('form.views.at_least', { least })) + (most === null ? '' : inWords('form.views.at_most', { most }))
    );
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

