import { Plugin, PluginKey } from 'prosemirror-state';
import { Decoration, DecorationSet } from 'prosemirror-view';

/** @typedef {{name: string, monogram: string, colour: number, part: string | null}} Person */

export const hereKey = new PluginKey('here');

/** Shows in the margin who else is at which block. @returns {Plugin} */
export function here() {
    return new Plugin({
        key: hereKey,
        state: {
            init: () => /** @type {Person[]} */ ([]),
            apply: (transaction, people) => transaction.getMeta(hereKey) ?? people,
        },
        props: {
            decorations(state) {
                /** @type {Person[]} */
                const people = hereKey.getState(state);
                if (people.length === 0) return DecorationSet.empty;
                /** @type {Decoration[]} */
                const decorations = [];
                state.doc.descendants((node, pos) => {
                    if (node.isInline) return false;
                    const at = people.filter((person) => person.part && person.part === node.attrs.id);
                    if (at.length)
                        decorations.push(
                            Decoration.node(pos, pos + node.nodeSize, {
                                class: `is-here by-${at[0].colour}`,
                                'data-who': at.map((person) => person.monogram).join(' '),
                            }),
                        );
                    return !node.isTextblock;
                });
                return DecorationSet.create(state.doc, decorations);
            },
        },
    });
}
