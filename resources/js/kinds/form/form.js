import { baseKeymap } from 'prosemirror-commands';
import { keymap } from 'prosemirror-keymap';
import { NodeSelection, Plugin } from 'prosemirror-state';
import { Decoration, DecorationSet } from 'prosemirror-view';
import { carry, carrying } from '../../editor/carry.js';
import { grip } from '../../editor/grip.js';
import { askSettings } from '../../editor/settings.js';
import { whereIs } from '../../editor/where.js';
import { writing } from '../../editor/writing.js';
import { set } from '../../editor/chosen.js';
import { backspace, enter, lineBreak, move, putRule, retype, tools } from './commands.js';
import { toDocument, toParts } from './convert.js';
import { around, levels, nameOf, questions, spokenPlace } from './places.js';
import { schema } from './schema.js';
import { answers, fieldsOf, targets } from './settings.js';
import { toolbar } from './toolbar.js';
import { drawRule, views } from './views.js';
import { inWords } from '../../common/words.js';

/** How a form is walked and rearranged. */
const PLACES = { levels, nameOf, spokenPlace, move, sortOf: (/** @type {import('prosemirror-model').Node} */ node) => node.type.name };

/**
 * The editor of a form.
 *
 * @param {HTMLElement} root
 * @returns {() => void}
 */
export function attachForm(root) {
    const sheet = /** @type {HTMLElement} */ (root.querySelector('[data-editor]'));
    const spoken = /** @type {HTMLElement} */ (root.querySelector('[data-spoken]'));
    const dialog = /** @type {HTMLDialogElement} */ (root.querySelector('[data-settings-dialog]'));
    const say = (/** @type {string} */ words) => {
        spoken.textContent = words;
    };
    /** @param {import('prosemirror-view').EditorView} view @param {import('../../editor/carry.js').Place | undefined} place */
    const open = async (view, place) => {
        const question = around(view.state, 'question')?.node ?? null;
        const fields = place ? fieldsOf(view.state.doc, place.node, question) : null;
        if (!place || !fields) return;
        const id = place.node.attrs.id;
        const values = await askSettings(dialog, nameOf(place.node), fields, place.node.attrs);
        view.focus();
        if (!values) return;
        // Others may have moved it in the meantime.
        const pos = whereIs(view.state.doc, id);
        if (pos === null) return say(inWords('form.form.it_was_removed_in_the_meantime'));
        const { type, ...rest } = values;
        set(pos, plain(rest))(view.state, view.dispatch);
        if (type !== undefined && type !== place.node.attrs.type) retype(type)(view.state, view.dispatch);
    };
    /** What is left empty is none. @param {Record<string, any>} values */
    const plain = (values) =>
        Object.fromEntries(
            Object.entries(values).map(([name, value]) => [
                name,
                (value === '' && name !== 'title') || (Array.isArray(value) && value.length === 0) ? null : value,
            ]),
        );
    /**
     * A rule is made when it is agreed to: cancelled, there is none. @param {import('prosemirror-view').EditorView} view @param
     * {import('prosemirror-model').Node} question
     */
    const addRule = async (view, question) => {
        const rule = schema.nodes.skip_rule.create({
            when: question.attrs.type === 'several' ? 'contains' : 'is',
            value: answers(question)?.[0]?.[0] ?? '',
            action: 'go',
            target: targets(view.state.doc, questions(view.state.doc).find(({ node }) => node === question)?.number ?? 0)[0]?.[0] ?? null,
        });
        const values = await askSettings(dialog, nameOf(rule), fieldsOf(view.state.doc, rule, question) ?? [], rule.attrs);
        view.focus();
        if (values && !putRule(question.attrs.id, { ...rule.attrs, ...plain(values) })(view.state, view.dispatch))
            say(inWords('form.form.it_was_removed_in_the_meantime'));
    };
    /** What can be set: the innermost of where one is that has something. @param {import('prosemirror-state').EditorState} state */
    const settable = (state) => levels(state).find(({ node }) => fieldsOf(state.doc, node, around(state, 'question')?.node ?? null));
    const flow = /** @type {HTMLElement} */ (root.querySelector('[data-flow]'));
    /** @type {Record<string, number>} how often each question was answered */
    const answered = JSON.parse(sheet.dataset.answered ?? '{}');
    const note = /** @type {HTMLElement} */ (root.querySelector('[data-gone]'));
    /** Says how many answers go out of sight with what is removed. @type {import('prosemirror-state').Command} */
    const removeSaying = (state, dispatch) => {
        const going = dispatch ? levels(state).find(({ node }) => node.type.name !== 'settings')?.node : null;
        if (!tools.remove(state, dispatch)) return false;
        let count = 0;
        if (going?.type.name === 'question') count = answered[going.attrs.id] ?? 0;
        else if (going?.type.name === 'page') going.forEach((question) => (count += answered[question.attrs.id] ?? 0));
        if (dispatch)
            note.textContent =
                count === 0
                    ? ''
                    : inWords('form.form.out_of_sight_with_it_they', {
                          count: count === 1 ? inWords('form.form.one_answer_goes') : inWords('form.form.answers_go', { count }),
                      });
        return true;
    };
    /** @type {Record<string, import('prosemirror-state').Command>} */
    const more = {
        remove: removeSaying,
        settings: (state, dispatch, view) => {
            const place = settable(state);
            if (!place) return false;
            if (dispatch && view) open(view, place);
            return true;
        },
        'form-settings': (state, dispatch, view) => {
            const first = state.doc.firstChild;
            if (first?.type.name !== 'settings') return false;
            if (dispatch && view) open(view, { node: first, pos: 0, index: 0 });
            return true;
        },
        rule: (state, dispatch, view) => {
            const question = around(state, 'question');
            if (!question || question.node.attrs.type === 'note') return false;
            if (dispatch && view) addRule(view, question.node);
            return true;
        },
        carry: carry(PLACES, say),
    };

    return writing(root, sheet, {
        convert: { toParts, toDocument },
        plugins: ({ link, keep }) => [
            carrying(PLACES, say, (view) => open(view, settable(view.state))),
            keymap({
                'Mod-b': tools.bold,
                'Mod-i': tools.italic,
                'Mod-k': link,
                'Mod-z': tools.undo,
                'Mod-y': tools.redo,
                'Mod-Shift-z': tools.redo,
                'Mod-s': () => (keep(), true),
                Enter: enter,
                'Shift-Enter': lineBreak,
                Backspace: (state, dispatch) => (state.selection instanceof NodeSelection ? removeSaying : backspace)(state, dispatch),
                Delete: (state, dispatch) => state.selection instanceof NodeSelection && removeSaying(state, dispatch),
            }),
            keymap(baseKeymap),
            numbers(),
            grip('.form-writing .question', 2),
            new Plugin({
                props: {
                    // What is said about a question or a page, around its words, chooses it.
                    handleClickOn(view, pos, node, nodePos, event) {
                        const around_ = /** @type {Element} */ (event.target).closest('.question-head, .question-help, .form-page-title');
                        if (!around_ || !['question', 'page'].includes(node.type.name) || view.nodeDOM(nodePos) !== around_.parentElement)
                            return false;
                        view.dispatch(view.state.tr.setSelection(NodeSelection.create(view.state.doc, nodePos)));
                        return true;
                    },
                    handleDoubleClickOn(view, pos, node, nodePos, event, direct) {
                        if (!direct || !view.editable || !['settings', 'skip_rule'].includes(node.type.name)) return false;
                        open(view, { node, pos: nodePos, index: 0 });
                        return true;
                    },
                },
            }),
        ],
        nodeViews: views,
        attributes: { class: 'form-writing', 'aria-label': inWords('form.form.the_form') },
        insertPicture: () => () => false,
        moved: () => showFlow(flow),
        part: (state) => (around(state, 'question') ?? levels(state)[0])?.node.attrs.id ?? '',
        tools: (element, view, others) => toolbar(element, view, { ...others, ...more }),
    });
}

/** The way through as it is drawn of the newest version. @param {HTMLElement} flow */
async function showFlow(flow) {
    const answer = await fetch(flow.dataset.flow ?? '').catch(() => null);
    if (answer?.ok) flow.innerHTML = await answer.text();
}

/** The numbers of questions, and what rules say of them, which change when others come and go. @returns {Plugin} */
function numbers() {
    return new Plugin({
        view: () => ({
            update(view, before) {
                if (before.doc.eq(view.state.doc)) return;
                view.state.doc.descendants((node, pos, parent) => {
                    const dom = node.type.name === 'skip_rule' ? view.nodeDOM(pos) : null;
                    if (dom instanceof HTMLElement) drawRule(dom, node, parent, view.state.doc);
                    return !node.isTextblock;
                });
            },
        }),
        props: {
            decorations(state) {
                return DecorationSet.create(
                    state.doc,
                    questions(state.doc).map(({ node, pos, number }) =>
                        Decoration.node(pos, pos + node.nodeSize, { 'data-number': String(number) }),
                    ),
                );
            },
        },
    });
}
