import { inline, runs } from '../../document/convert.js';
import { schema } from './schema.js';

/** @typedef {import('prosemirror-model').Node} Node */
/** @typedef {import('../../document/convert.js').Part} Part */

/** What is not set is not sent. @param {Record<string, any>} fields */
const set = (fields) => Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== null));

/**
 * The parts of a form in the editor.
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
        const role = node.type.name;
        if (role === 'question') parts.push([id, role, depth, { ...set(fields), text: runs(/** @type {Node} */ (node.firstChild)) }]);
        else if (node.isTextblock) parts.push([id, role, depth, { ...set(fields), label: node.textContent }]);
        else parts.push([id, role, depth, set(fields)]);
        node.forEach((child) => {
            if (!child.isInline && child.type !== schema.nodes.words) add(child, depth + 1);
        });
    };
    doc.forEach((node) => add(node, 0));
    return parts;
}

/**
 * The form in the editor that parts make.
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
            const [id, role, , fields] = parts[at++];
            const { text, label, ...attrs } = fields;
            const below = level(depth + 1);
            if (role === 'question')
                nodes.push(
                    schema.node(role, { id, ...attrs }, [
                        schema.node('words', null, inline(text ?? { runs: [] }, false, schema)),
                        ...below,
                    ]),
                );
            else if (role === 'choice' || role === 'grid_line')
                nodes.push(schema.node(role, { id, ...attrs }, label ? [schema.text(label)] : []));
            else nodes.push(schema.node(role, { id, ...attrs }, below));
        }
        return nodes;
    };
    return schema.node('doc', null, level(0));
}
