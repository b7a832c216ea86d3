/**
 * @param {import('prosemirror-model').Node} doc @param {string} id @returns {number | null} where a part is now: others may have moved or
 *     removed it
 */
export function whereIs(doc, id) {
    /** @type {number | null} */
    let found = null;
    doc.descendants((node, at) => {
        if (node.attrs.id === id) found = at;
        return found === null && !node.isTextblock;
    });
    return found;
}

/** @returns {string} the part, or the cell as `row/column`, that the address of the page leads to; '' for none */
export function asked() {
    return location.hash.startsWith('#part-') ? location.hash.slice('#part-'.length) : '';
}
