import { baseKeymap, chainCommands } from 'prosemirror-commands';
import { inputRules } from 'prosemirror-inputrules';
import { blockRule } from '../../editor/block-rule.js';
import { keymap } from 'prosemirror-keymap';
import { NodeSelection, Plugin } from 'prosemirror-state';
import { askSettings } from '../../editor/settings.js';
import { carry, carrying } from '../../editor/carry.js';
import { grip } from '../../editor/grip.js';
import { whereIs } from '../../editor/where.js';
import { writing } from '../../editor/writing.js';
import { set } from '../../editor/chosen.js';
import { endList, lineBreak, move, put, split, tools } from './commands.js';
import { toDocument, toParts } from './convert.js';
import { beside, chosen, levels, nameOf, NAMES, spokenPlace, whereabouts } from './places.js';
import { schema } from './schema.js';
import { FIELDS } from './settings.js';
import { toolbar } from './toolbar.js';
import { views } from './views.js';
import { inWords } from '../../common/words.js';

const { nodes } = schema;

/** How a page is walked and rearranged. */
const PLACES = {
    levels,
    nameOf,
    spokenPlace,
    move,
    beside,
    sortOf: (/** @type {import('prosemirror-model').Node} */ node) =>
        ['section', 'column'].includes(node.type.name) ? node.type.name : 'block',
};

/**
 * The editor of a page.
 *
 * @param {HTMLElement} root
 * @returns {() => void}
 */
export function attachPage(root) {
    const sheet = /** @type {HTMLElement} */ (root.querySelector('[data-editor]'));
    const spoken = /** @type {HTMLElement} */ (root.querySelector('[data-spoken]'));
    const dialog = /** @type {HTMLDialogElement} */ (root.querySelector('[data-settings-dialog]'));
    const say = (/** @type {string} */ words) => {
        spoken.textContent = words;
    };
    /** @param {import('prosemirror-view').EditorView} view @param {import('./places.js').Place | null} place */
    const open = async (view, place) => {
        const fields = place ? FIELDS[place.node.type.name] : undefined;
        if (!place || !fields) return;
        const id = place.node.attrs.id;
        const values = await askSettings(dialog, NAMES[place.node.type.name], fields, place.node.attrs);
        view.focus();
        if (!values) return;
        // Others may have moved it in the meantime.
        const pos = whereIs(view.state.doc, id);
        if (pos !== null) set(pos, values)(view.state, view.dispatch);
        else say(inWords('page.page.it_was_removed_in_the_meantime'));
    };
    /** @type {Record<string, import('prosemirror-state').Command>} */
    const more = {
        settings: (state, dispatch, view) => {
            const place = chosen(state);
            if (!place || !FIELDS[place.node.type.name]) return false;
            if (dispatch && view) open(view, chosen(view.state));
            return true;
        },
        'section-settings': (state, dispatch, view) => {
            if (!whereabouts(state).section) return false;
            if (dispatch && view) open(view, whereabouts(view.state).section);
            return true;
        },
        carry: carry(PLACES, say),
    };

    return writing(root, sheet, {
        convert: { toParts, toDocument },
        plugins: ({ link, keep }) => [
            inputRules({
                rules: [
                    blockRule(/^(#{1,4})\s$/, nodes.heading, (match) => ({ level: match[1].length })),
                    blockRule(/^[-*]\s$/, nodes.rich_text, () => ({ style: 'bullet' })),
                    blockRule(/^1[.)]\s$/, nodes.rich_text, () => ({ style: 'number' })),
                    blockRule(/^>\s$/, nodes.call_out),
                ],
            }),
            carrying(PLACES, say, (view) => open(view, chosen(view.state))),
            keymap({
                'Mod-b': tools.bold,
                'Mod-i': tools.italic,
                'Mod-u': tools.underline,
                'Mod-k': link,
                'Mod-z': tools.undo,
                'Mod-y': tools.redo,
                'Mod-Shift-z': tools.redo,
                'Mod-s': () => (keep(), true),
                Enter: chainCommands(endList, split),
                'Shift-Enter': lineBreak,
                Delete: (state, dispatch) => state.selection instanceof NodeSelection && tools.remove(state, dispatch),
                Backspace: (state, dispatch) => state.selection instanceof NodeSelection && tools.remove(state, dispatch),
            }),
            keymap(baseKeymap),
            grip('.ProseMirror [data-width] > [data-part]', 3),
            new Plugin({
                props: {
                    handleDoubleClickOn(view, pos, node, nodePos, event, direct) {
                        if (!direct || !FIELDS[node.type.name] || !view.editable) return false;
                        open(view, { node, pos: nodePos, index: 0 });
                        return true;
                    },
                    handleDrop: (view, event, slice, moved) => {
                        if (moved)
                            setTimeout(() =>
                                say(
                                    inWords('page.page.was_moved', {
                                        state: chosen(view.state)
                                            ? nameOf(/** @type {import('./places.js').Place} */ (chosen(view.state)).node)
                                            : inWords('page.page.it'),
                                    }),
                                ),
                            );
                        return false;
                    },
                },
            }),
        ],
        nodeViews: views,
        attributes: { class: 'page', 'aria-label': inWords('page.page.the_page') },
        insertPicture: (node) => put(node),
        part: (state) => chosen(state)?.node.attrs.id ?? '',
        tools: (element, view, others) => toolbar(element, view, { ...others, ...more }),
    });
}
