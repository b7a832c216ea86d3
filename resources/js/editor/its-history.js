import { Plugin } from 'prosemirror-state';
import { inWords } from '../common/words.js';

/** @typedef {import('prosemirror-model').Node} Node */

/**
 * A mark beside the block under the pointer, or where the caret is, that leads to its history. Alt+W follows it from anywhere in the text.
 *
 * @param {string} address of the item
 * @param {() => Promise<unknown>} saved resolves when what was written is there
 * @param {{mayBegin: () => boolean, begin: (state: import('prosemirror-state').EditorState, part: string) => void}} talk what comments on
 *     it
 * @returns {Plugin}
 */
export function itsHistory(address, saved, talk) {
    return new Plugin({
        view(view) {
            const mark = document.createElement('a');
            mark.className = 'its-history';
            mark.hidden = true;
            mark.tabIndex = -1;
            mark.dataset.whatWas = '';
            mark.title = inWords('editor.its-history.its_history_alt_w');
            mark.innerHTML =
                '<svg class="glyph" viewBox="0 0 24 24" aria-hidden="true"><path d="M3 18h18M7 18v-6M12 18V7M17 18v-4"/></svg>';
            const parent = /** @type {HTMLElement} */ (view.dom.parentElement);
            const say = document.createElement('button');
            say.type = 'button';
            say.className = 'its-talk';
            say.hidden = true;
            say.tabIndex = -1;
            say.title = inWords('editor.its-history.comment_alt_c');
            say.setAttribute('aria-label', inWords('editor.its-history.comment_on_this'));
            say.innerHTML = '<svg class="glyph" viewBox="0 0 24 24" aria-hidden="true"><path d="M4 5h16v11h-9l-5 4v-4H4z"/></svg>';
            parent.append(mark, say);
            let shown = '';

            /** @param {number} pos */
            const show = (pos) => {
                const block = partAt(view.state.doc, pos);
                const dom = block && view.nodeDOM(block.pos);
                mark.hidden = !(dom instanceof HTMLElement);
                say.hidden = mark.hidden || !talk.mayBegin();
                if (!block || !(dom instanceof HTMLElement)) return;
                mark.href = `${address}/parts/${block.id}`;
                shown = block.id;
                const [at, around] = [dom.getBoundingClientRect(), parent.getBoundingClientRect()];
                mark.style.top = `${at.top - around.top + 1}px`;
                mark.style.left = `${Math.min(at.right - around.left + 8, document.documentElement.clientWidth - around.left - 32)}px`;
                say.style.top = `${at.top - around.top + (at.height < 44 ? 1 : 25)}px`;
                say.style.left =
                    at.height < 44
                        ? `${Math.min(at.right - around.left + 34, document.documentElement.clientWidth - around.left - 32)}px`
                        : mark.style.left;
            };
            /** @param {MouseEvent} event */
            const over = (event) => {
                if ([mark, say].some((each) => each.contains(/** @type {HTMLElement} */ (event.target)))) return;
                const at = view.posAtCoords({ left: event.clientX, top: event.clientY });
                if (at) show(at.inside >= 0 ? at.inside : at.pos);
            };
            /** @param {MouseEvent} event */
            const follow = async (event) => {
                if (event.ctrlKey || event.metaKey || event.shiftKey) return;
                // What was written last has a history as well.
                event.preventDefault();
                const to = mark.href;
                await saved().catch(() => null);
                location.assign(to);
            };
            /** By the key it is that of the block where the caret is. @param {KeyboardEvent} event */
            const key = (event) => event.altKey && event.code === 'KeyW' && show(view.state.selection.from);
            view.dom.addEventListener('keydown', key);
            parent.addEventListener('mousemove', over);
            mark.addEventListener('click', follow);
            say.addEventListener('click', () => talk.begin(view.state, shown));
            return {
                update: (now, before) => {
                    if (!now.state.selection.eq(before.selection) || now.state.doc !== before.doc) show(now.state.selection.from);
                },
                destroy: () => {
                    view.dom.removeEventListener('keydown', key);
                    parent.removeEventListener('mousemove', over);
                    mark.remove();
                    say.remove();
                },
            };
        },
    });
}

/**
 * @param {Node} doc @param {number} pos @returns {{id: string, pos: number} | null} the innermost part there that is no cell, row or choice
 *     of its own
 */
export function partAt(doc, pos) {
    const at = Math.max(0, Math.min(pos, doc.content.size));
    const after = doc.nodeAt(at);
    if (after?.attrs.id && !after.isInline) return { id: after.attrs.id, pos: at };
    const $pos = doc.resolve(at);
    for (let depth = $pos.depth; depth > 0; depth--) {
        const { id } = $pos.node(depth).attrs;
        if (id) return { id, pos: $pos.before(depth) };
    }
    return null;
}
