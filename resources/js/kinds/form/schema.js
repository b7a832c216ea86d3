import { Schema } from 'prosemirror-model';
import { schema as documentSchema } from '../../document/schema.js';

/** @param {HTMLElement} dom */
const idOf = (dom) => dom.getAttribute('data-part') || null;

/** @param {Record<string, any>} attrs defaults @returns {Record<string, {default: any}>} */
const attributes = (attrs) => Object.fromEntries(Object.entries({ id: null, ...attrs }).map(([name, value]) => [name, { default: value }]));

const QUESTION = { type: 'short', help: null, required: false, least: null, most: null, low: null, high: null };
const RULE = { when: 'is', value: null, action: 'go', target: null };

/**
 * @param {Record<string, any>} attrs @returns {(dom: HTMLElement) => Record<string, any>} what the clipboard says of them; the server
 *     checks it again
 */
const read = (attrs) => (dom) => {
    try {
        const found = JSON.parse(dom.dataset.attrs ?? '{}');
        return {
            id: idOf(dom),
            ...Object.fromEntries(
                Object.keys(attrs)
                    .filter((name) => found[name] === null || typeof found[name] !== 'object')
                    .map((name) => [name, found[name] ?? attrs[name]]),
            ),
        };
    } catch {
        return { id: idOf(dom) };
    }
};

/**
 * @param {string} name @param {Record<string, any>} attrs @param {boolean} [leaf] @returns {Pick<import('prosemirror-model').NodeSpec,
 *     'attrs' | 'parseDOM' | 'toDOM'>}
 */
const kept = (name, attrs, leaf = false) => ({
    attrs: attributes(attrs),
    parseDOM: [{ tag: `[data-form=${name}]`, getAttrs: read(attrs) }],
    toDOM: (node) => {
        const { id, ...rest } = node.attrs;
        const shown = { 'data-part': id ?? '', 'data-form': name, 'data-attrs': JSON.stringify(rest) };
        return leaf ? ['div', shown] : ['div', shown, 0];
    },
});

/** A form in the editor, see core/Kinds/Form/FormRole.php. What a question asks is a line of its own below it. */
export const schema = new Schema({
    nodes: {
        doc: { content: '(settings | page)*' },
        settings: {
            atom: true,
            selectable: true,
            ...kept(
                'settings',
                { opens: null, closes: null, once: false, audience: 'shelf', people: null, editable: false, thanks: { runs: [] } },
                true,
            ),
        },
        page: { content: 'question*', isolating: true, ...kept('page', { title: '' }) },
        question: { content: 'words (choice | grid_line | skip_rule)*', isolating: true, draggable: true, ...kept('question', QUESTION) },
        words: {
            content: 'inline*',
            parseDOM: [{ tag: '[data-form=words]' }, { tag: 'p' }],
            toDOM: () => ['p', { 'data-form': 'words', class: 'question-words' }, 0],
        },
        choice: { content: 'text*', marks: '', ...kept('choice', { other: false }) },
        grid_line: { content: 'text*', marks: '', ...kept('grid_line', {}) },
        skip_rule: { atom: true, selectable: true, ...kept('skip_rule', RULE, true) },
        break: /** @type {import('prosemirror-model').NodeSpec} */ (documentSchema.spec.nodes.get('break')),
        text: { group: 'inline' },
    },
    marks: documentSchema.spec.marks,
});
