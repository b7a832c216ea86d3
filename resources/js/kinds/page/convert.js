import { inline, runs } from '../../document/convert.js';
import { schema } from './schema.js';

/** @typedef {import('prosemirror-model').Node} Node */
/** @typedef {import('../../document/convert.js').Part} Part */

/**
 * The parts of a page in the editor.
 *
 * @param {Node} doc
 * @returns {Part[]}
 */
export function toParts(doc) {
    /** @type {Part[]} */
    const parts = [];
    /** @param {Node} node @param {number} depth */
    const add = (node, depth) => {
        const { id, ...fields } = node.attrs;
        parts.push([id, node.type.name, depth, node.isTextblock ? { ...fields, text: runs(node) } : fields]);
        if (!node.isTextblock) node.forEach((child) => add(child, depth + 1));
    };
    doc.forEach((node) => add(node, 0));
    return parts;
}

/**
 * The page in the editor that parts make.
 *
 * @param {Part[]} parts
 * @returns {Node}
 */
export function toDocument(parts) {
    let at = 0;
    /** @param {number} depth @returns {Node[]} */
    const level = (depth) => {
        const nodes = [];
        while (at < parts.length && parts[at][2] === depth) {
            const [id, role, , { text, ...fields }] = parts[at++];
            nodes.push(schema.node(role, { id, ...fields }, text ? inline(text, false, schema) : level(depth + 1)));
        }
        return nodes;
    };
    return schema.node('doc', null, level(0));
}
