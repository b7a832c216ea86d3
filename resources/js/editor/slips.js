import { Plugin, PluginKey } from 'prosemirror-state';
import { Decoration, DecorationSet } from 'prosemirror-view';
import { isCommentKey, talk } from '../talk/talk.js';
import { points } from '../talk/words.js';
import { partAt } from './its-history.js';

/** @typedef {import('prosemirror-model').Node} Node */

const key = new PluginKey('slips');

/**
 * What is said about a text, below its paragraphs while one writes: slips that the text makes room for, words lit, and Alt+C to say more.
 *
 * @param {HTMLElement} root
 * @param {() => Promise<unknown>} saved resolves when what was written is there
 */
export function slips(root, saved) {
    /** @type {ReturnType<typeof talk> | null} */
    let said = null;
    const plugin = new Plugin({
        key,
        state: {
            init: () => DecorationSet.empty,
            apply: (transaction, set) => transaction.getMeta(key) ?? set.map(transaction.mapping, transaction.doc),
        },
        props: { decorations: (state) => key.getState(state) },
        view(view) {
            /** @param {Decoration[]} decorations */
            const show = (decorations) =>
                view.dispatch(view.state.tr.setMeta(key, DecorationSet.create(view.state.doc, decorations)).setMeta('addToHistory', false));
            /** @type {HTMLElement[]} */
            let laid = [];
            const drawn = () => laid.flatMap((slip) => decorated(view.state.doc, slip));
            /** @type {import('../talk/talk.js').Shown} */
            const shown = {
                place: (all) => {
                    const known = partsOf(view.state.doc);
                    laid = all.filter((slip) => known.has((slip.dataset.of ?? '').split('/')[0]));
                    show(drawn());
                },
                open: (form, about) => {
                    const at = below(view.state.doc, about.part);
                    if (at === null) /** @type {HTMLElement} */ (root.querySelector('[data-slips]')).prepend(form);
                    else show([...drawn(), widget(at, form)]);
                    form.scrollIntoView({ block: 'nearest' });
                },
                before: saved,
            };
            // Not before whoever made the view has it.
            let isOver = false;
            queueMicrotask(() => isOver || (said = talk(root, shown)));
            /** @param {KeyboardEvent} event */
            const press = (event) => {
                if (
                    !isCommentKey(event) ||
                    !said?.mayBegin() ||
                    /** @type {Element} */ (event.target).closest('input, textarea, select, dialog')
                )
                    return;
                event.preventDefault();
                said.begin(about(view.state), 'this');
            };
            /** @type {HTMLElement | null} where somebody types in a slip: the text may be laid out again around them */
            let typing = null;
            /** @param {FocusEvent} event */
            const focus = (event) =>
                (typing = /** @type {HTMLElement | null} */ (
                    /** @type {HTMLElement} */ (event.target).closest('.slip') ? event.target : null
                ));
            /** @param {FocusEvent} event */
            const blur = (event) => event.relatedTarget && (typing = null);
            view.dom.addEventListener('focusin', focus);
            view.dom.addEventListener('focusout', blur);
            document.addEventListener('keydown', press);
            return {
                update: () => {
                    if (typing?.isConnected && document.activeElement === document.body) typing.focus({ preventScroll: true });
                },
                destroy: () => {
                    view.dom.removeEventListener('focusin', focus);
                    view.dom.removeEventListener('focusout', blur);
                    document.removeEventListener('keydown', press);
                    isOver = true;
                    said?.dispose();
                },
            };
        },
    });
    return {
        plugin,
        /** @param {number} last */
        upTo: (last) => said?.upTo(last),
        /** @param {import('prosemirror-state').EditorState} state @param {string} part */
        begin: (state, part) => {
            const at = about(state);
            said?.begin(at.part === part ? at : { part }, 'this');
        },
        mayBegin: () => said?.mayBegin() ?? false,
    };
}

/** What somebody is at: the words that are chosen, or the block. @param {import('prosemirror-state').EditorState} state */
function about(state) {
    const { from, to, empty, $from, $to } = state.selection;
    const block = partAt(state.doc, from);
    const node = block ? state.doc.nodeAt(block.pos) : null;
    const part = block?.id ?? '';
    if (!block || !node || empty || !$from.parent.isTextblock || !$from.sameParent($to)) return { part };
    const start = $from.start();
    const text = textOf($from.parent);
    const [begin, end] = [text.slice(0, from - start), text.slice(from - start, to - start)];
    return { part, words: { from: [...begin].length, to: [...begin].length + [...end].length, quote: end } };
}

/** @param {Node} block @returns {string} its text, a unit for each place in it */
const textOf = (block) => block.textBetween(0, block.content.size, '', '\n');

/** @param {Node} doc @returns {Set<string>} */
function partsOf(doc) {
    const parts = new Set();
    doc.descendants((node) => {
        if (node.attrs.id) parts.add(node.attrs.id);
        return !node.isTextblock;
    });
    return parts;
}

/**
 * @param {Node} doc @param {string} id @returns {{node: Node, pos: number, top: number} | null} a part, and where the outermost block ends
 *     that it is in
 */
function found(doc, id) {
    /** @type {{node: Node, pos: number, top: number} | null} */
    let at = null;
    doc.descendants((node, pos) => {
        if (at || !node.attrs.id) return !at;
        if (node.attrs.id === id) at = { node, pos, top: after(doc, pos, node) };
        return !at;
    });
    return at;
}

/** A slip lies below a table or a list as a whole where nothing can be within. @param {Node} doc @param {number} pos @param {Node} node */
function after(doc, pos, node) {
    const $pos = doc.resolve(pos);
    for (let depth = 1; depth <= $pos.depth; depth++) {
        if ($pos.node(depth).type.spec.tableRole === 'table') return $pos.after(depth);
    }
    return pos + node.nodeSize;
}

/** @param {Node} doc @param {string} part */
const below = (doc, part) => found(doc, part)?.top ?? null;

/** @type {WeakMap<HTMLElement, number>} each element is itself, wherever the text around it goes */
const numbers = new WeakMap();
let count = 0;

/** @param {number} at @param {HTMLElement} element */
function widget(at, element) {
    if (!numbers.has(element)) numbers.set(element, ++count);
    return Decoration.widget(at, () => element, {
        side: -1,
        key: `slip ${numbers.get(element)}`,
        stopEvent: () => true,
        ignoreSelection: true,
    });
}

/** @param {Node} doc @param {HTMLElement} slip @returns {Decoration[]} */
function decorated(doc, slip) {
    const [part] = (slip.dataset.of ?? '').split('/');
    const block = found(doc, part);
    if (!block) return [];
    const decorations = [widget(block.top, slip)];
    const text = block.node.isTextblock ? { node: block.node, pos: block.pos } : firstText(block.node, block.pos);
    if (slip.dataset.words && text) {
        const [from, to] = slip.dataset.words.split(',').map(Number);
        const units = points(textOf(text.node));
        if (to < units.length)
            decorations.push(Decoration.inline(text.pos + 1 + units[from], text.pos + 1 + units[to], { class: 'is-talked' }));
    }
    return decorations;
}

/** @param {Node} node @param {number} pos @returns {{node: Node, pos: number} | null} */
function firstText(node, pos) {
    /** @type {{node: Node, pos: number} | null} */
    let text = null;
    node.descendants((child, at) => {
        if (!text && child.isTextblock) text = { node: child, pos: pos + 1 + at };
        return !text;
    });
    return text;
}
