import { isMarked, listen } from '../../editor/bar.js';
import { columns, put, style, styleOf, tools } from './commands.js';
import { chosen, nameOf, whereabouts } from './places.js';
import { schema } from './schema.js';
import { inWords } from '../../common/words.js';

/** A new block by the name that it has in the menu. @type {Record<string, () => import('prosemirror-model').Node>} */
const NEW = {
    text: () => schema.nodes.rich_text.create(),
    heading: () => schema.nodes.heading.create({ level: 1 }),
    callout: () => schema.nodes.call_out.create(),
    button: () => schema.nodes.button.create(),
    links: () => schema.nodes.links.create(),
    hours: () => schema.nodes.hours.create(),
    contact: () => schema.nodes.contact.create(),
    divider: () => schema.nodes.divider.create(),
    figure: () => schema.nodes.figure.create(),
};

/**
 * The tools of a page: what is put in, words, what is chosen, the section around it, and how wide it is shown.
 *
 * @param {HTMLElement} root
 * @param {import('prosemirror-view').EditorView} view
 * @param {Record<string, import('prosemirror-state').Command>} more commands that open something
 * @returns {{refresh: () => void, dispose: () => void}}
 */
export function toolbar(root, view, more) {
    const bar = /** @type {HTMLElement} */ (root.querySelector('[data-tools]'));
    const all = { ...tools, ...more };
    const buttons = /** @type {HTMLButtonElement[]} */ ([...bar.querySelectorAll('[data-do]')]);
    const select = /** @type {HTMLSelectElement} */ (bar.querySelector('[data-style]'));
    const layout = /** @type {HTMLSelectElement} */ (bar.querySelector('[data-columns]'));
    const name = /** @type {HTMLElement} */ (bar.querySelector('[data-chosen]'));
    const page = /** @type {HTMLElement} */ (root.querySelector('[data-text]'));

    const refresh = () => {
        const { state } = view;
        const { section, block } = whereabouts(state);
        const place = chosen(state);
        name.textContent = place ? nameOf(place.node) : inWords('page.toolbar.nothing_chosen');
        select.disabled = !block?.node.isTextblock;
        if (block?.node.isTextblock) select.value = styleOf(block.node);
        layout.disabled = !section;
        if (section) {
            const widths = [];
            for (let at = 0; at < section.node.childCount; at++) widths.push(section.node.child(at).attrs.width);
            layout.value = widths.join(' ');
            if (layout.selectedIndex < 0) layout.value = '';
        }
        for (const button of buttons) {
            const tool = button.dataset.do ?? '';
            button.disabled = !all[tool]?.(state);
            if (tool in schema.marks && state.selection.$from.parent.isTextblock)
                button.setAttribute('aria-pressed', String(isMarked(state, schema.marks[tool])));
        }
    };
    const dispose = listen(bar, (target) => {
        const { do: tool, put: block, wide } = target.dataset;
        if (wide !== undefined) {
            page.classList.toggle('is-phone', wide === 'phone');
            for (const each of bar.querySelectorAll('[data-wide]')) each.setAttribute('aria-pressed', String(each === target));
        } else if (block !== undefined) {
            if (block === 'picture') more.picture(view.state, view.dispatch, view);
            else put(NEW[block]())(view.state, view.dispatch);
            if (block !== 'picture') view.focus();
            if (['button', 'links', 'hours', 'contact', 'figure'].includes(block)) more.settings(view.state, view.dispatch, view);
        } else if (tool !== undefined) {
            all[tool]?.(view.state, view.dispatch, view);
            if (!['link', 'picture', 'replace', 'settings', 'section-settings'].includes(tool)) view.focus();
        }
    }, (target) => {
        if (target === select) style(select.value)(view.state, view.dispatch);
        else if (target === layout && layout.value) columns(layout.value.split(' ').map(Number))(view.state, view.dispatch);
        else return;
        view.focus();
    });
    refresh();
    return { refresh, dispose };
}
