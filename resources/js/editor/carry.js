import { undo } from 'prosemirror-history';
import { NodeSelection, Plugin, PluginKey, TextSelection } from 'prosemirror-state';
import { Decoration, DecorationSet } from 'prosemirror-view';
import { inWords } from '../common/words.js';

/** @typedef {import('prosemirror-state').EditorState} EditorState */
/** @typedef {import('prosemirror-model').Node} Node */
/** @typedef {import('../document/places.js').Place} Place */
/** @typedef {'up' | 'down' | 'left' | 'right'} Direction */
/** @typedef {{steps: number}} Carrying how many steps something was carried; none while nothing is */
/**
 * @typedef {object} Lie how an item lies: what can be chosen in it, and moved
 * @property {(state: EditorState) => Place[]} levels where one is, the innermost first
 * @property {(node: Node) => string} nameOf what a person would call it
 * @property {(state: EditorState) => string} spokenPlace where it is, to be said
 * @property {(way: Direction) => import('prosemirror-state').Command} move
 * @property {(state: EditorState, way: number) => number | null} [beside] where what is on the left (-1) or right (1) begins
 * @property {(node: Node) => string} sortOf arrows go from one to the next of a sort
 * @property {boolean} [isQuiet] whether the block around the caret is marked only once it is chosen
 */

const key = new PluginKey('carry');

/** @type {Record<string, Direction>} */
const WAYS = { ArrowUp: 'up', ArrowDown: 'down', ArrowLeft: 'left', ArrowRight: 'right' };

/** @param {EditorState} state */
export const isCarrying = (state) => key.getState(state) !== null;

/**
 * Takes what is chosen up, or puts it down. @param {Lie} lie @param {(words: string) => void} say @returns
 * {import('prosemirror-state').Command}
 */
export const carry = (lie, say) => (state, dispatch) => {
    const place = lie.levels(state)[0];
    if (!place) return false;
    if (dispatch) {
        const up = !isCarrying(state);
        say(
            up
                ? inWords('editor.carry.taken_up_arrows_carry_it_space', { node: lie.nameOf(place.node), state: lie.spokenPlace(state) })
                : inWords('editor.carry.put_down', { node: lie.nameOf(place.node), state: lie.spokenPlace(state) }),
        );
        dispatch(state.tr.setSelection(NodeSelection.create(state.doc, place.pos)).setMeta(key, up ? { steps: 0 } : null));
    }
    return true;
};

/**
 * By keyboard: Escape chooses the block around the caret, then what is around that; arrows go from block to block, Enter
 * goes in, Space takes a block up and arrows then carry it. What happens is said aloud. Also marks what is chosen.
 *
 * @param {Lie} lie
 * @param {(words: string) => void} say
 * @param {(view: import('prosemirror-view').EditorView) => void} openSettings
 * @returns {Plugin}
 */
export function carrying(lie, say, openSettings) {
    return new Plugin({
        key,
        state: {
            init: () => /** @type {Carrying | null} */ (null),
            apply: (transaction, value) => {
                const meta = transaction.getMeta(key);
                return meta === undefined ? value : meta;
            },
        },
        props: {
            decorations(state) {
                const [place, ...around] = lie.levels(state);
                if (!place || (lie.isQuiet && !(state.selection instanceof NodeSelection))) return null;
                return DecorationSet.create(state.doc, [
                    ...around.map((each) => Decoration.node(each.pos, each.pos + each.node.nodeSize, { class: 'is-around' })),
                    Decoration.node(place.pos, place.pos + place.node.nodeSize, {
                        class: isCarrying(state) ? 'is-chosen is-carried' : 'is-chosen',
                    }),
                ]);
            },
            handleKeyDown(view, event) {
                if (event.ctrlKey || event.metaKey || event.altKey || !view.editable) return false;
                return isCarrying(view.state) ? carried(lie, view, event, say) : walking(lie, view, event, say, openSettings);
            },
            handleDOMEvents: {
                blur: (view) => {
                    if (isCarrying(view.state)) view.dispatch(view.state.tr.setMeta(key, null));
                    return false;
                },
            },
        },
    });
}

/**
 * @param {Lie} lie @param {import('prosemirror-view').EditorView} view @param {KeyboardEvent} event @param {(words: string) => void} say
 */
function carried(lie, view, event, say) {
    const { steps } = /** @type {Carrying} */ (key.getState(view.state));
    const way = WAYS[event.key];
    if (way) {
        if (lie.move(way)(view.state, view.dispatch)) {
            view.dispatch(view.state.tr.setMeta(key, { steps: steps + 1 }).setMeta('addToHistory', false));
            say(`${lie.spokenPlace(view.state)}.`);
        } else {
            say(inWords('editor.carry.it_cant_go_further', { way }));
        }
    } else if (event.key === ' ' || event.key === 'Enter') {
        carry(lie, say)(view.state, view.dispatch);
    } else if (event.key === 'Escape') {
        view.dispatch(view.state.tr.setMeta(key, null).setMeta('addToHistory', false));
        for (let at = 0; at < steps; at++) undo(view.state, view.dispatch);
        say(inWords('editor.carry.taken_back_to_where_it_was'));
    } else {
        return event.key !== 'Tab';
    }
    return true;
}

/**
 * @param {Lie} lie @param {import('prosemirror-view').EditorView} view @param {KeyboardEvent} event @param {(words: string) => void} say
 *     @param {(view: import('prosemirror-view').EditorView) => void} openSettings
 */
function walking(lie, view, event, say, openSettings) {
    const { state } = view;
    const { selection } = state;
    const levels = lie.levels(state);
    /** @param {number} pos */
    const choose = (pos) => {
        view.dispatch(state.tr.setSelection(NodeSelection.create(state.doc, pos)).scrollIntoView());
        const [place] = lie.levels(view.state);
        if (place) say(`${lie.nameOf(place.node)}: ${lie.spokenPlace(view.state)}.`);
        return true;
    };
    if (event.key === 'Escape') {
        const at = selection instanceof NodeSelection ? levels.findIndex((each) => each.pos === selection.from) : -1;
        const next = levels[at + 1];
        return next ? choose(next.pos) : false;
    }
    if (!(selection instanceof NodeSelection) || event.shiftKey) return false;
    if (event.key === ' ') return carry(lie, say)(state, view.dispatch);
    if (event.key === 'Enter') {
        if (selection.node.isTextblock)
            view.dispatch(state.tr.setSelection(TextSelection.create(state.doc, selection.from + 1 + selection.node.content.size)));
        else openSettings(view);
        return true;
    }
    if (WAYS[event.key] === 'up' || WAYS[event.key] === 'down') {
        const all = alike(lie, state.doc, selection.node);
        const next = all[all.indexOf(selection.from) + (event.key === 'ArrowDown' ? 1 : -1)];
        return next === undefined ? true : choose(next);
    }
    if (WAYS[event.key] && lie.beside) {
        const pos = lie.beside(state, event.key === 'ArrowRight' ? 1 : -1);
        return pos === null ? true : choose(pos);
    }
    return false;
}

/** @param {Lie} lie @param {Node} doc @param {Node} like @returns {number[]} where all of its sort begin */
function alike(lie, doc, like) {
    const sort = lie.sortOf(like);
    /** @type {number[]} */
    const found = [];
    doc.descendants((node, pos) => {
        if (node.isInline) return false;
        if (lie.sortOf(node) === sort) found.push(pos);
        return !node.isTextblock;
    });
    return found;
}
