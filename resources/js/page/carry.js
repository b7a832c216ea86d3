import { undo } from 'prosemirror-history';
import { NodeSelection, Plugin, PluginKey, TextSelection } from 'prosemirror-state';
import { Decoration, DecorationSet } from 'prosemirror-view';
import { move } from './commands.js';
import { chosen, nameOf, spokenPlace, whereabouts } from './places.js';

/** @typedef {{steps: number}} Carrying how many steps something was carried; none while nothing is */

const key = new PluginKey('carry');

/** @type {Record<string, import('./commands.js').Direction>} */
const WAYS = { ArrowUp: 'up', ArrowDown: 'down', ArrowLeft: 'left', ArrowRight: 'right' };

/** @param {import('prosemirror-state').EditorState} state */
export const isCarrying = (state) => key.getState(state) !== null;

/** Takes what is chosen up, or puts it down. @param {(words: string) => void} say @returns {import('prosemirror-state').Command} */
export const carry = (say) => (state, dispatch) => {
    const place = chosen(state);
    if (!place) return false;
    if (dispatch) {
        const up = !isCarrying(state);
        say(up ? `${nameOf(place.node)} taken up. Arrows carry it, Space puts it down, Escape takes it back. ${spokenPlace(state)}.` : `${nameOf(place.node)} put down: ${spokenPlace(state)}.`);
        dispatch(state.tr.setSelection(NodeSelection.create(state.doc, place.pos)).setMeta(key, up ? { steps: 0 } : null));
    }
    return true;
};

/**
 * By keyboard: Escape chooses the block around the caret, then its column and its section; arrows go from block to block, Enter
 * goes in, Space takes a block up and arrows then carry it. What happens is said aloud. Also marks what is chosen.
 *
 * @param {(words: string) => void} say
 * @param {(view: import('prosemirror-view').EditorView) => void} openSettings
 * @returns {Plugin}
 */
export function carrying(say, openSettings) {
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
                const place = chosen(state);
                if (!place) return null;
                const { section, column } = whereabouts(state);
                const around = [section, column].filter((each) => each !== null && each.pos !== place.pos);
                return DecorationSet.create(state.doc, [
                    ...around.map((each) => each && Decoration.node(each.pos, each.pos + each.node.nodeSize, { class: 'is-around' })).filter((each) => each !== null),
                    Decoration.node(place.pos, place.pos + place.node.nodeSize, { class: isCarrying(state) ? 'is-chosen is-carried' : 'is-chosen' }),
                ]);
            },
            handleKeyDown(view, event) {
                if (event.ctrlKey || event.metaKey || event.altKey || !view.editable) return false;
                return isCarrying(view.state) ? carried(view, event, say) : walking(view, event, say, openSettings);
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

/** @param {import('prosemirror-view').EditorView} view @param {KeyboardEvent} event @param {(words: string) => void} say */
function carried(view, event, say) {
    const { steps } = /** @type {Carrying} */ (key.getState(view.state));
    const way = WAYS[event.key];
    if (way) {
        if (move(way)(view.state, view.dispatch)) {
            view.dispatch(view.state.tr.setMeta(key, { steps: steps + 1 }).setMeta('addToHistory', false));
            say(`${spokenPlace(view.state)}.`);
        } else {
            say(`It can’t go further ${way}.`);
        }
    } else if (event.key === ' ' || event.key === 'Enter') {
        carry(say)(view.state, view.dispatch);
    } else if (event.key === 'Escape') {
        view.dispatch(view.state.tr.setMeta(key, null).setMeta('addToHistory', false));
        for (let at = 0; at < steps; at++) undo(view.state, view.dispatch);
        say('Taken back to where it was.');
    } else {
        return event.key !== 'Tab';
    }
    return true;
}

/** @param {import('prosemirror-view').EditorView} view @param {KeyboardEvent} event @param {(words: string) => void} say @param {(view: import('prosemirror-view').EditorView) => void} openSettings */
function walking(view, event, say, openSettings) {
    const { state } = view;
    const { selection } = state;
    const { section, column, block } = whereabouts(state);
    /** @param {number} pos */
    const choose = (pos) => {
        view.dispatch(state.tr.setSelection(NodeSelection.create(state.doc, pos)).scrollIntoView());
        const place = chosen(view.state);
        if (place) say(`${nameOf(place.node)}: ${spokenPlace(view.state)}.`);
        return true;
    };
    if (event.key === 'Escape') {
        const isWhole = selection instanceof NodeSelection;
        const next = !isWhole ? block ?? column ?? section : selection.from === block?.pos ? column : selection.from === column?.pos ? section : null;
        return next ? choose(next.pos) : false;
    }
    if (!(selection instanceof NodeSelection) || event.shiftKey) return false;
    if (event.key === ' ') return carry(say)(state, view.dispatch);
    if (event.key === 'Enter') {
        if (selection.node.isTextblock) view.dispatch(state.tr.setSelection(TextSelection.create(state.doc, selection.from + 1 + selection.node.content.size)));
        else openSettings(view);
        return true;
    }
    if (WAYS[event.key] === 'up' || WAYS[event.key] === 'down') {
        const all = alike(state.doc, selection.node);
        const next = all[all.indexOf(selection.from) + (event.key === 'ArrowDown' ? 1 : -1)];
        return next === undefined ? true : choose(next);
    }
    if (WAYS[event.key] && section && column) {
        const lane = column.index + (event.key === 'ArrowRight' ? 1 : -1);
        if (lane < 0 || lane >= section.node.childCount) return true;
        let pos = section.pos + 1;
        for (let at = 0; at < lane; at++) pos += section.node.child(at).nodeSize;
        return choose(block && section.node.child(lane).childCount > 0 ? pos + 1 : pos);
    }
    return false;
}

/** @param {import('prosemirror-model').Node} doc @param {import('prosemirror-model').Node} like @returns {number[]} where all sections, all columns or all blocks begin */
function alike(doc, like) {
    const sort = ['section', 'column'].includes(like.type.name) ? like.type.name : 'block';
    /** @type {number[]} */
    const found = [];
    doc.descendants((node, pos) => {
        if (node.isInline) return false;
        if (node.type.name === sort || (sort === 'block' && !['section', 'column'].includes(node.type.name))) found.push(pos);
        return !node.isTextblock;
    });
    return found;
}
