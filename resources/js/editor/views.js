import { schema } from '../document/schema.js';
import { inWords } from '../common/words.js';

/**
 * How a list item is in the editor: its mark in front, a tick to press for a task.
 *
 * @param {import('prosemirror-model').Node} node
 * @param {import('prosemirror-view').EditorView} view
 * @param {() => number | undefined} position
 * @returns {import('prosemirror-view').NodeView}
 */
export function itemView(node, view, position) {
    const dom = document.createElement('div');
    const mark = document.createElement(node.attrs.style === 'task' ? 'button' : 'span');
    const contentDOM = document.createElement('span');
    contentDOM.className = 'item-text';
    mark.contentEditable = 'false';
    mark.className = 'item-mark';
    dom.append(mark, contentDOM);
    const style = node.attrs.style;
    if (mark instanceof HTMLButtonElement) {
        mark.type = 'button';
        mark.setAttribute('role', 'checkbox');
        mark.setAttribute('aria-label', inWords('editor.views.done'));
        mark.disabled = !view.editable;
        mark.addEventListener('mousedown', (event) => event.preventDefault());
        mark.addEventListener('click', () => {
            const at = position();
            const now = at === undefined ? null : view.state.doc.nodeAt(at);
            if (now && at !== undefined) view.dispatch(view.state.tr.setNodeAttribute(at, 'done', !now.attrs.done));
        });
    } else {
        mark.setAttribute('aria-hidden', 'true');
    }
    /** @param {import('prosemirror-model').Node} item */
    const show = (item) => {
        dom.className = `is-item depth-${item.attrs.depth} style-${item.attrs.style}${item.attrs.done ? ' is-done' : ''}`;
        Object.assign(dom.dataset, {
            part: item.attrs.id ?? '',
            style: item.attrs.style,
            done: String(item.attrs.done),
            depth: String(item.attrs.depth),
            start: item.attrs.start ?? '',
        });
        // Where its numbers begin is known here alone.
        dom.style.counterSet = item.attrs.start === null || style !== 'number' ? '' : `n${item.attrs.depth} ${item.attrs.start}`;
        if (item.attrs.style === 'task') mark.setAttribute('aria-checked', String(item.attrs.done));
    };
    show(node);
    return {
        dom,
        contentDOM,
        update(next) {
            if (next.type !== schema.nodes.item || next.attrs.style !== style) return false;
            show(next);
            return true;
        },
        ignoreMutation: (mutation) => !contentDOM.contains(mutation.target),
    };
}

/**
 * @param {string} key the item
 * @returns {(node: import('prosemirror-model').Node) => import('prosemirror-view').NodeView}
 */
export const pictureView = (key) => (node) => {
    const dom = document.createElement('img');
    dom.className = 'is-picture';
    /** @param {import('prosemirror-model').Node} picture */
    const show = (picture) => {
        const source = `/items/${key}/pictures/${picture.attrs.chunk}`;
        if (dom.getAttribute('src') !== source) dom.src = source;
        dom.alt = picture.attrs.alt;
        Object.assign(dom.dataset, { part: picture.attrs.id ?? '', chunk: picture.attrs.chunk });
        if (picture.attrs.width) dom.width = picture.attrs.width;
        if (picture.attrs.height) dom.height = picture.attrs.height;
    };
    show(node);
    return {
        dom,
        update(next) {
            if (next.type !== node.type) return false;
            show(next);
            return true;
        },
    };
};
