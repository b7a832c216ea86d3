import { Schema } from 'prosemirror-model';

/** @param {Record<string, any>} [more] */
const identified = (more = {}) => ({ id: { default: null }, ...more });

/** @param {HTMLElement | string} dom */
const idOf = (dom) => /** @type {HTMLElement} */ (dom).getAttribute?.('data-part') || null;

/** A style that was pasted: the paste names what it was in data-pasted. @param {RegExp} wanted */
const pasted = (wanted) => (/** @type {HTMLElement | string} */ dom) =>
    wanted.test(/** @type {HTMLElement} */ (dom).dataset?.pasted ?? '') && null;

const cell = {
    content: 'inline*',
    attrs: identified({ colspan: { default: 1 }, rowspan: { default: 1 }, colwidth: { default: null } }),
    isolating: true,
};

/** A document in the editor: the same blocks as the document's parts, see core/Kinds/Document/DocumentRole.php. */
export const schema = new Schema({
    nodes: {
        doc: { content: '(paragraph | heading | item | quote | codeblock | table | picture | rule)+' },
        paragraph: {
            content: 'inline*',
            group: 'block',
            attrs: identified(),
            parseDOM: [{ tag: 'p', getAttrs: (dom) => ({ id: idOf(dom) }) }],
            toDOM: (node) => ['p', { 'data-part': node.attrs.id ?? '' }, 0],
        },
        heading: {
            content: 'inline*',
            attrs: identified({ level: { default: 1 } }),
            defining: true,
            parseDOM: [1, 2, 3, 4, 5, 6].map((level) => ({
                tag: `h${level}`,
                getAttrs: (dom) => ({ id: idOf(dom), level: Math.min(4, level) }),
            })),
            toDOM: (node) => [`h${node.attrs.level}`, { 'data-part': node.attrs.id ?? '' }, 0],
        },
        item: {
            content: 'inline*',
            attrs: identified({ style: { default: 'bullet' }, done: { default: false }, start: { default: null }, depth: { default: 0 } }),
            defining: true,
            parseDOM: [
                {
                    tag: 'div[data-style]',
                    getAttrs: (dom) => ({
                        id: idOf(dom),
                        style: dom.dataset.style,
                        done: dom.dataset.done === 'true',
                        start: dom.dataset.start ? Number(dom.dataset.start) : null,
                        depth: Number(dom.dataset.depth) || 0,
                    }),
                },
                { tag: 'li', getAttrs: (dom) => pastedItem(/** @type {HTMLElement} */ (dom)) },
            ],
            toDOM: (node) => [
                'div',
                {
                    'data-part': node.attrs.id ?? '',
                    'data-style': node.attrs.style,
                    'data-done': String(node.attrs.done),
                    'data-start': node.attrs.start ?? '',
                    'data-depth': String(node.attrs.depth),
                },
                0,
            ],
        },
        quote: {
            content: 'inline*',
            attrs: identified(),
            defining: true,
            parseDOM: [{ tag: 'blockquote', getAttrs: (dom) => ({ id: idOf(dom) }) }],
            toDOM: (node) => ['blockquote', { 'data-part': node.attrs.id ?? '' }, 0],
        },
        codeblock: {
            content: 'text*',
            marks: '',
            code: true,
            defining: true,
            attrs: identified(),
            parseDOM: [{ tag: 'pre', preserveWhitespace: 'full', getAttrs: (dom) => ({ id: idOf(dom) }) }],
            toDOM: (node) => ['pre', { 'data-part': node.attrs.id ?? '' }, ['code', 0]],
        },
        table: {
            content: 'row+',
            tableRole: 'table',
            isolating: true,
            attrs: identified(),
            parseDOM: [{ tag: 'table', getAttrs: (dom) => ({ id: idOf(dom) }) }],
            toDOM: (node) => ['table', { 'data-part': node.attrs.id ?? '' }, ['tbody', 0]],
        },
        row: {
            content: '(cell | head)+',
            tableRole: 'row',
            attrs: identified(),
            parseDOM: [{ tag: 'tr', getAttrs: (dom) => ({ id: idOf(dom) }) }],
            toDOM: (node) => ['tr', { 'data-part': node.attrs.id ?? '' }, 0],
        },
        cell: {
            ...cell,
            tableRole: 'cell',
            parseDOM: [{ tag: 'td', getAttrs: (dom) => ({ id: idOf(dom) }) }],
            toDOM: (node) => ['td', { 'data-part': node.attrs.id ?? '' }, 0],
        },
        head: {
            ...cell,
            tableRole: 'header_cell',
            parseDOM: [{ tag: 'th', getAttrs: (dom) => ({ id: idOf(dom) }) }],
            toDOM: (node) => ['th', { 'data-part': node.attrs.id ?? '' }, 0],
        },
        picture: {
            attrs: identified({ chunk: {}, alt: { default: '' }, width: { default: 0 }, height: { default: 0 } }),
            draggable: true,
            parseDOM: [
                {
                    tag: 'img[data-chunk]',
                    getAttrs: (dom) => ({
                        id: idOf(dom),
                        chunk: dom.dataset.chunk,
                        alt: dom.getAttribute('alt') ?? '',
                        width: Number(dom.getAttribute('width')) || 0,
                        height: Number(dom.getAttribute('height')) || 0,
                    }),
                },
            ],
            toDOM: (node) => [
                'img',
                {
                    'data-part': node.attrs.id ?? '',
                    'data-chunk': node.attrs.chunk,
                    alt: node.attrs.alt,
                    width: node.attrs.width,
                    height: node.attrs.height,
                },
            ],
        },
        rule: {
            attrs: identified(),
            parseDOM: [{ tag: 'hr', getAttrs: (dom) => ({ id: idOf(dom) }) }],
            toDOM: (node) => ['hr', { 'data-part': node.attrs.id ?? '' }],
        },
        break: {
            inline: true,
            group: 'inline',
            selectable: false,
            linebreakReplacement: true,
            parseDOM: [{ tag: 'br' }],
            toDOM: () => ['br'],
        },
        text: { group: 'inline' },
    },
    marks: {
        link: {
            attrs: { href: {} },
            inclusive: false,
            parseDOM: [
                {
                    tag: 'a[href]',
                    getAttrs: (dom) => (isAddress(dom.getAttribute('href') ?? '') ? { href: dom.getAttribute('href') } : false),
                },
            ],
            toDOM: (mark) => ['a', { href: mark.attrs.href, rel: 'noopener nofollow' }, 0],
        },
        bold: {
            parseDOM: [
                { tag: 'strong' },
                { tag: 'b', getAttrs: (dom) => !/font-weight:\s*(normal|400)/i.test(dom.dataset.pasted ?? '') && null },
                { tag: 'span[data-pasted]', getAttrs: pasted(/font-weight:\s*(bold|[6-9]00)/i), consuming: false },
            ],
            toDOM: () => ['strong', 0],
        },
        italic: {
            parseDOM: [
                { tag: 'em' },
                { tag: 'i' },
                { tag: 'span[data-pasted]', getAttrs: pasted(/font-style:\s*italic/i), consuming: false },
            ],
            toDOM: () => ['em', 0],
        },
        underline: {
            parseDOM: [{ tag: 'u' }, { tag: 'span[data-pasted]', getAttrs: pasted(/text-decoration[^;]*underline/i), consuming: false }],
            toDOM: () => ['u', 0],
        },
        strike: {
            parseDOM: [
                { tag: 's' },
                { tag: 'del' },
                { tag: 'strike' },
                { tag: 'span[data-pasted]', getAttrs: pasted(/text-decoration[^;]*line-through/i), consuming: false },
            ],
            toDOM: () => ['s', 0],
        },
        raised: {
            excludes: 'raised lowered',
            parseDOM: [{ tag: 'sup' }, { tag: 'span[data-pasted]', getAttrs: pasted(/vertical-align:\s*super/i), consuming: false }],
            toDOM: () => ['sup', 0],
        },
        lowered: {
            excludes: 'raised lowered',
            parseDOM: [{ tag: 'sub' }, { tag: 'span[data-pasted]', getAttrs: pasted(/vertical-align:\s*sub/i), consuming: false }],
            toDOM: () => ['sub', 0],
        },
        code: { code: true, parseDOM: [{ tag: 'code' }], toDOM: () => ['code', 0] },
    },
});

/** @param {string} href */
export const isAddress = (href) => /^(https?:\/\/|mailto:|tel:|\/(?!\/)|#)[^\s<>"]*$/i.test(href) && href.length <= 2000;

/** @param {HTMLElement} dom */
function pastedItem(dom) {
    const tick = dom.querySelector(
        ':scope > input[type=checkbox], :scope > label > input[type=checkbox], :scope > p > input[type=checkbox]',
    );
    let depth = 0;
    for (let up = dom.parentElement?.closest('li'); up; up = up.parentElement?.closest('li')) depth++;
    const start = dom.hasAttribute('value')
        ? Number(dom.getAttribute('value'))
        : dom === dom.parentElement?.querySelector(':scope > li')
          ? Number(dom.parentElement.getAttribute('start'))
          : 1;
    return {
        style: tick ? 'task' : dom.closest('ol, ul')?.tagName === 'OL' ? 'number' : 'bullet',
        done: tick instanceof HTMLInputElement && tick.checked,
        start: Number.isInteger(start) && start !== 1 && start >= 0 && start < 1e6 ? start : null,
        depth: Math.min(8, depth),
    };
}
