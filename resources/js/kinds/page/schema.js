import { Schema } from 'prosemirror-model';
import { schema as documentSchema } from '../../document/schema.js';

/** @param {HTMLElement} dom */
const idOf = (dom) => dom.getAttribute('data-part') || null;

/** @param {Record<string, any>} attrs defaults @returns {Record<string, {default: any}>} */
const attributes = (attrs) => Object.fromEntries(Object.entries({ id: null, ...attrs }).map(([name, value]) => [name, { default: value }]));

/**
 * A block that is set up in a dialog and is as one thing.
 *
 * @param {string} name @param {Record<string, any>} attrs defaults
 * @returns {import('prosemirror-model').NodeSpec}
 */
const whole = (name, attrs) => ({
    group: 'block',
    atom: true,
    draggable: true,
    attrs: attributes(attrs),
    parseDOM: [{ tag: `div[data-block=${name}]`, getAttrs: (dom) => ({ ...readAttrs(dom, attrs), id: idOf(dom) }) }],
    toDOM: (node) => {
        const { id, ...rest } = node.attrs;
        return [
            'div',
            { 'data-part': id ?? '', 'data-block': name, 'data-attrs': JSON.stringify(rest) },
            String(rest.label || rest.title || rest.name || rest.alt || ''),
        ];
    },
});

/**
 * Settings from the clipboard, as far as they are of the right sort; the server checks them again.
 *
 * @param {HTMLElement} dom @param {Record<string, any>} attrs
 */
function readAttrs(dom, attrs) {
    /** @type {Record<string, any>} */
    let found = {};
    try {
        found = JSON.parse(dom.dataset.attrs ?? '{}');
    } catch {
        // Not ours.
    }
    return Object.fromEntries(Object.entries(attrs).map(([name, value]) => {
        const same = typeof found[name] === typeof value && Array.isArray(found[name]) === Array.isArray(value);
        return [name, same ? found[name] : value];
    }));
}

/** A page in the editor: the same sections, columns and blocks as its parts, see core/Kinds/Page/PageRole.php. */
export const schema = new Schema({
    nodes: {
        doc: { content: 'section*' },
        section: {
            content: 'column*',
            isolating: true,
            attrs: attributes({ title: '', background: 'plain' }),
            parseDOM: [
                {
                    tag: 'section[data-part]',
                    getAttrs: (dom) => ({ id: idOf(dom), title: dom.dataset.title ?? '', background: dom.dataset.background ?? 'plain' }),
                },
            ],
            toDOM: (node) => [
                'section',
                { 'data-part': node.attrs.id ?? '', 'data-title': node.attrs.title, 'data-background': node.attrs.background },
                0,
            ],
        },
        column: {
            content: 'block*',
            isolating: true,
            attrs: attributes({ width: 12 }),
            parseDOM: [{ tag: 'div[data-width]', getAttrs: (dom) => ({ id: idOf(dom), width: Number(dom.dataset.width) || 12 }) }],
            toDOM: (node) => ['div', { 'data-part': node.attrs.id ?? '', 'data-width': String(node.attrs.width) }, 0],
        },
        rich_text: {
            content: 'inline*',
            group: 'block',
            attrs: attributes({ style: 'plain' }),
            parseDOM: [
                { tag: 'p', getAttrs: (dom) => ({ id: idOf(dom), style: dom.dataset.style ?? 'plain' }) },
                { tag: 'li', getAttrs: (dom) => ({ style: dom.closest('ol, ul')?.tagName === 'OL' ? 'number' : 'bullet' }) },
                { tag: 'pre', getAttrs: () => ({}) },
            ],
            toDOM: (node) => [
                'p',
                { 'data-part': node.attrs.id ?? '', 'data-style': node.attrs.style, class: `style-${node.attrs.style}` },
                0,
            ],
        },
        heading: {
            content: 'inline*',
            group: 'block',
            defining: true,
            attrs: attributes({ level: 1 }),
            parseDOM: [1, 2, 3, 4, 5, 6].map((level) => ({
                tag: `h${level}`,
                getAttrs: (dom) => ({ id: idOf(dom), level: Math.max(1, Math.min(4, level - 1)) }),
            })),
            toDOM: (node) => [`h${node.attrs.level + 1}`, { 'data-part': node.attrs.id ?? '' }, 0],
        },
        call_out: {
            content: 'inline*',
            group: 'block',
            defining: true,
            attrs: attributes({ tone: 'note' }),
            parseDOM: [
                { tag: 'aside', getAttrs: (dom) => ({ id: idOf(dom), tone: dom.dataset.tone ?? 'note' }) },
                { tag: 'blockquote', getAttrs: () => ({}) },
            ],
            toDOM: (node) => ['aside', { 'data-part': node.attrs.id ?? '', 'data-tone': node.attrs.tone, class: node.attrs.tone }, 0],
        },
        picture: whole('picture', { chunk: '', alt: '', caption: '', width: 0, height: 0 }),
        button: whole('button', { label: '', target: '' }),
        links: whole('links', { title: '', labels: [], targets: [] }),
        hours: whole('hours', { title: '', days: [], times: [] }),
        contact: whole('contact', { name: '', lines: [] }),
        figure: whole('figure', { label: '', source: '' }),
        divider: {
            ...whole('divider', {}),
            parseDOM: [{ tag: 'hr', getAttrs: (dom) => ({ id: idOf(dom) }) }],
            toDOM: (node) => ['hr', { 'data-part': node.attrs.id ?? '' }],
        },
        break: /** @type {import('prosemirror-model').NodeSpec} */ (documentSchema.spec.nodes.get('break')),
        text: { group: 'inline' },
    },
    marks: documentSchema.spec.marks,
});
