import { schema } from './schema.js';

/** @typedef {import('prosemirror-model').Node} Node */
/** @typedef {[id: string, role: string, depth: number, fields: Record<string, any>]} Part a part as the server has it */

/** What a block is called in the parts, where it is not the same. @type {Record<string, string>} */
const ROLES = { head: 'cell', codeblock: 'code' };

/** A text as the server keeps it. @param {Node} node @returns {{runs: any[]}} */
export function runs(node) {
    /** @type {any[]} */
    const list = [];
    node.forEach((child) => {
        const text = child.isText ? child.text : '\n';
        const marks = Object.fromEntries(child.marks.map((mark) => [mark.type.name, mark.type.name === 'link' ? mark.attrs.href : true]));
        const last = list[list.length - 1];
        // Neighbours with the same marks are one run, line breaks included: the form that the server keeps.
        if (last && JSON.stringify(last[1] ?? {}) === JSON.stringify(marks)) last[0] += text;
        else list.push(Object.keys(marks).length ? [text, marks] : [text]);
    });
    return { runs: list };
}

/** @type {Record<string, (node: Node) => Record<string, any>>} */
const FIELDS = {
    paragraph: (node) => ({ text: runs(node) }),
    heading: (node) => ({ level: node.attrs.level, text: runs(node) }),
    item: (node) => ({
        style: node.attrs.style,
        done: node.attrs.done,
        ...(node.attrs.style === 'number' && node.attrs.start !== null ? { start: node.attrs.start } : {}),
        text: runs(node),
    }),
    quote: (node) => ({ text: runs(node) }),
    codeblock: (node) => ({ text: runs(node) }),
    cell: (node) => ({ head: false, text: runs(node) }),
    head: (node) => ({ head: true, text: runs(node) }),
    picture: (node) => ({ chunk: node.attrs.chunk, alt: node.attrs.alt, width: node.attrs.width, height: node.attrs.height }),
};

/**
 * The parts of a document in the editor.
 *
 * @param {Node} doc
 * @returns {Part[]}
 */
export function toParts(doc) {
    /** @type {Part[]} */
    const parts = [];
    /** @param {Node} node @param {number} depth */
    const add = (node, depth) => {
        const name = node.type.name;
        parts.push([node.attrs.id, ROLES[name] ?? name, name === 'item' ? node.attrs.depth : depth, FIELDS[name]?.(node) ?? {}]);
        if (name === 'table' || name === 'row') node.forEach((child) => add(child, depth + 1));
    };
    doc.forEach((node) => add(node, 0));
    return parts;
}

/** A text as the editor has it. @param {{runs: any[]}} text @param {boolean} plain @param {import('prosemirror-model').Schema} [of] */
export function inline(text, plain, of = schema) {
    return text.runs.flatMap(([words, marks = {}]) => {
        const set = Object.entries(marks).map(([name, value]) => of.mark(name, name === 'link' ? { href: value } : null));
        if (plain) return [of.text(words)];
        return words
            .split(/(\n)/)
            .filter(Boolean)
            .map((/** @type {string} */ piece) => (piece === '\n' ? of.node('break', null, undefined, set) : of.text(piece, set)));
    });
}

/**
 * The document in the editor that parts make.
 *
 * @param {Part[]} parts
 * @returns {Node}
 */
export function toDocument(parts) {
    let at = 0;
    /** @param {number} depth @returns {Node[]} */
    const below = (depth) => {
        const nodes = [];
        while (at < parts.length && (depth === 0 || (parts[at][2] >= depth && parts[at][1] !== 'item'))) {
            const [id, role, own, fields] = parts[at++];
            const { text, head, ...rest } = fields;
            if (role === 'table' || role === 'row') {
                nodes.push(schema.node(role, { id }, below(own + 1)));
            } else {
                nodes.push(
                    schema.node(
                        role === 'code' ? 'codeblock' : role === 'cell' && head ? 'head' : role,
                        { id, ...rest, ...(role === 'item' ? { depth: own } : {}) },
                        text ? inline(text, role === 'code') : undefined,
                    ),
                );
            }
        }
        return nodes;
    };
    const nodes = below(0);
    return schema.node('doc', null, nodes.length ? nodes : [schema.node('paragraph')]);
}
