import { schema } from './schema.js';
import { inWords } from '../../common/words.js';

/** @typedef {import('prosemirror-model').Node} Node */
/** @typedef {import('prosemirror-view').NodeView} NodeView */

/**
 * @param {string} name @param {Record<string, string>} [attributes] @param {...(globalThis.Node | string)} children
 * @returns {HTMLElement}
 */
function element(name, attributes = {}, ...children) {
    const made = document.createElement(name);
    for (const [key, value] of Object.entries(attributes)) made.setAttribute(key, value);
    made.append(...children);
    return made;
}

/** @param {string[]} first @param {string[]} second @returns {[string, string][]} */
const pairs = (first, second) => first.map((one, at) => [one, second[at] ?? '']);

/** What stands for a block that has nothing in it yet. @param {string} words */
const hint = (words) => element('span', { class: 'page-hint' }, words);

/**
 * How blocks that are set up in a dialog look: as readers see them.
 *
 * @type {Record<string, (attrs: Record<string, any>, key: string) => HTMLElement[]>}
 */
const LOOKS = {
    picture: ({ chunk, alt, caption }, key) => [
        element('img', { src: `/items/${key}/pictures/${chunk}`, alt }),
        ...(caption ? [element('figcaption', {}, caption)] : []),
    ],
    button: ({ label }) => [
        element('p', { class: 'button' }, element('span', { class: 'button-face' }, label || inWords('page.views.a_button'))),
    ],
    links: ({ title, labels, targets }) => [
        ...(title ? [element('strong', {}, title)] : []),
        ...(labels.length
            ? [element('ul', {}, ...pairs(labels, targets).map(([label, target]) => element('li', { title: target }, label || target)))]
            : [hint(inWords('page.views.a_list_of_links_press_enter'))]),
    ],
    hours: ({ title, days, times }) => [
        ...(days.length || title
            ? [
                  element(
                      'table',
                      { class: 'hours' },
                      ...(title ? [element('caption', {}, title)] : []),
                      element(
                          'tbody',
                          {},
                          ...pairs(days, times).map(([day, time]) =>
                              element('tr', {}, element('th', { scope: 'row' }, day), element('td', {}, time)),
                          ),
                      ),
                  ),
              ]
            : []),
        ...(days.length ? [] : [hint(inWords('page.views.a_table_of_hours_press_enter'))]),
    ],
    contact: ({ name, lines }) => [
        element(
            'address',
            {},
            element('strong', {}, name || inWords('page.views.a_contact_card')),
            ...lines.flatMap((/** @type {string} */ line) => [element('br'), line]),
        ),
    ],
    figure: ({ label, source }) => [element('p', { class: 'figure' }, label || source || inWords('page.views.a_figure_or_a_forms_link'))],
    divider: () => [element('hr')],
};

/** @param {string} name @param {string} key the item @returns {(node: Node) => NodeView} */
const blockView = (name, key) => (node) => {
    const dom = element(name === 'picture' ? 'figure' : 'div', {
        class: `page-whole is-${name}${name === 'links' ? ' nav' : ''}`,
        contenteditable: 'false',
    });
    /** @param {Node} now */
    const show = (now) => {
        dom.dataset.part = now.attrs.id ?? '';
        dom.replaceChildren(...LOOKS[name](now.attrs, key));
    };
    show(node);
    return {
        dom,
        update(next) {
            if (next.type !== node.type) return false;
            if (next !== node) show(next);
            node = next;
            return true;
        },
        ignoreMutation: () => true,
    };
};

/** @param {Node} node @returns {NodeView} */
function sectionView(node) {
    const title = element('h1', { class: 'title', contenteditable: 'false' });
    const contentDOM = element('div', { class: 'columns' });
    const dom = element('section', {}, title, contentDOM);
    /** @param {Node} now */
    const show = (now) => {
        dom.dataset.part = now.attrs.id ?? '';
        dom.className = now.attrs.background;
        title.textContent = now.attrs.title;
        title.hidden = now.attrs.title === '';
    };
    show(node);
    return {
        dom,
        contentDOM,
        update(next) {
            if (next.type !== node.type) return false;
            show(next);
            return true;
        },
        ignoreMutation: (mutation) => !contentDOM.contains(mutation.target),
    };
}

/** @param {{key: string}} item @returns {Record<string, import('prosemirror-view').NodeViewConstructor>} */
export const views = (item) => ({
    section: sectionView,
    ...Object.fromEntries(Object.keys(LOOKS).filter((name) => name in schema.nodes).map((name) => [name, blockView(name, item.key)])),
});
