import { NodeSelection, Plugin } from 'prosemirror-state';
import { inWords } from '../common/words.js';

/**
 * A grip beside the block under the pointer, by which it is dragged elsewhere.
 *
 * @param {string} blocks a selector of what can be dragged
 * @param {number} depth at which they are
 * @returns {Plugin}
 */
export function grip(blocks, depth) {
    return new Plugin({
        view(view) {
            const handle = document.createElement('div');
            handle.className = 'page-grip';
            handle.draggable = true;
            handle.hidden = true;
            handle.setAttribute('aria-hidden', 'true');
            handle.title = inWords('editor.grip.drag_it_elsewhere');
            const parent = /** @type {HTMLElement} */ (view.dom.parentElement);
            parent.append(handle);
            let pos = -1;

            /** @param {MouseEvent} event */
            const over = (event) => {
                if (!view.editable || /** @type {Node} */ (event.target) === handle) return;
                const dom = /** @type {HTMLElement | null} */ (/** @type {Element} */ (event.target).closest?.(blocks));
                handle.hidden = dom === null;
                if (!dom) return;
                pos = view.posAtDOM(dom, 0, -1);
                const $pos = view.state.doc.resolve(pos);
                pos = $pos.depth >= depth ? $pos.before(depth) : pos;
                const [at, around] = [dom.getBoundingClientRect(), parent.getBoundingClientRect()];
                handle.style.top = `${at.top - around.top + 2}px`;
                handle.style.left = `${at.left - around.left - 18}px`;
            };
            /** @param {DragEvent} event */
            const start = (event) => {
                const node = view.state.doc.nodeAt(pos);
                if (!node || !event.dataTransfer) return;
                view.dispatch(view.state.tr.setSelection(NodeSelection.create(view.state.doc, pos)));
                const dragging = { slice: view.state.selection.content(), move: true };
                event.dataTransfer.effectAllowed = 'move';
                event.dataTransfer.setData('text/plain', node.textContent);
                const dom = view.nodeDOM(pos);
                if (dom instanceof HTMLElement) event.dataTransfer.setDragImage(dom, 0, 0);
                /** @type {any} */ (view).dragging = dragging;
            };
            const leave = () => {
                handle.hidden = true;
            };
            parent.addEventListener('mousemove', over);
            parent.addEventListener('mouseleave', leave);
            handle.addEventListener('dragstart', start);
            return {
                update: leave,
                destroy: () => {
                    parent.removeEventListener('mousemove', over);
                    parent.removeEventListener('mouseleave', leave);
                    handle.remove();
                },
            };
        },
    });
}
