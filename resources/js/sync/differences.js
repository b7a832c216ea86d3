import { Fragment } from 'prosemirror-model';

/** @typedef {import('prosemirror-model').Node} Node */
/** @typedef {{from: number, to: number, content: Fragment}} Difference a range of the first document, and what the second has there */

/** Past this many comparisons two texts are replaced whole, which is right but coarse. */
const LIMIT = 250_000;

/**
 * What leads from one document to another, by the ids of their blocks and by the words of their texts; ascending, and
 * never overlapping.
 *
 * @param {Node} one
 * @param {Node} two
 * @returns {Difference[]}
 */
export function differences(one, two) {
    /** @type {Difference[]} */
    const found = [];
    children(one, two, 0, found);
    return found;
}

/** @param {Node} one @param {Node} two @param {number} start where the first one's content begins @param {Difference[]} found */
function children(one, two, start, found) {
    /** @param {Node} node */
    const list = (node) => {
        /** @type {Node[]} */
        const nodes = [];
        node.forEach((child) => nodes.push(child));
        return nodes;
    };
    const [ones, twos] = [list(one), list(two)];
    let i = 0;
    let j = 0;
    let pos = start;
    for (const [a, b] of [...matches(ones.map((node) => node.attrs.id), twos.map((node) => node.attrs.id)), [ones.length, twos.length]]) {
        const from = pos;
        for (; i < a; i++) pos += ones[i].nodeSize;
        if (pos > from || b > j) found.push({ from, to: pos, content: two.content.cut(sizeBefore(twos, j), sizeBefore(twos, b)) });
        if (a < ones.length && b < twos.length) {
            pair(ones[a], twos[b], pos, found);
            pos += ones[a].nodeSize;
        }
        [i, j] = [a + 1, b + 1];
    }
}

/** @param {Node[]} nodes @param {number} count */
const sizeBefore = (nodes, count) => nodes.slice(0, count).reduce((size, node) => size + node.nodeSize, 0);

/** @param {Node} one @param {Node} two @param {number} pos @param {Difference[]} found */
function pair(one, two, pos, found) {
    if (one === two || one.eq(two)) return;
    if (one.type !== two.type || !one.hasMarkup(two.type, two.attrs, one.marks) || one.isLeaf) {
        found.push({ from: pos, to: pos + one.nodeSize, content: Fragment.from(two) });
    } else if (one.isTextblock) {
        words(one, two, pos + 1, found);
    } else {
        children(one, two, pos + 1, found);
    }
}

/** @param {Node} one @param {Node} two @param {number} start @param {Difference[]} found */
function words(one, two, start, found) {
    const [ones, twos] = [tokens(one), tokens(two)];
    let i = 0;
    let j = 0;
    for (const [a, b] of [...matches(ones.map((token) => token.key), twos.map((token) => token.key)), [ones.length, twos.length]]) {
        if (a > i || b > j) {
            found.push({ from: start + at(ones, i), to: start + at(ones, a), content: two.content.cut(at(twos, j), at(twos, b)) });
        }
        [i, j] = [a + 1, b + 1];
    }
}

/** @param {{at: number, size: number}[]} list @param {number} index */
function at(list, index) {
    if (index < list.length) return list[index].at;
    const last = list[list.length - 1];
    return last ? last.at + last.size : 0;
}

/** @param {Node} block */
function tokens(block) {
    /** @type {{key: string, at: number, size: number}[]} */
    const list = [];
    block.forEach((child, offset) => {
        const marks = JSON.stringify(child.marks);
        let pos = offset;
        for (const piece of child.isText ? /** @type {string} */ (child.text).match(/\s+|[\p{L}\p{N}\p{M}]+|./gsu) ?? [] : ['\n']) {
            list.push({ key: piece + marks, at: pos, size: child.isText ? piece.length : 1 });
            pos += piece.length;
        }
    });
    return list;
}

/**
 * The longest common subsequence of two lists of keys, as pairs of positions.
 *
 * @param {string[]} one
 * @param {string[]} two
 * @returns {[number, number][]}
 */
function matches(one, two) {
    let head = 0;
    while (head < one.length && head < two.length && one[head] === two[head]) head++;
    let tail = 0;
    while (tail < one.length - head && tail < two.length - head && one[one.length - 1 - tail] === two[two.length - 1 - tail]) tail++;
    /** @type {[number, number][]} */
    const pairs = Array.from({ length: head }, (_, i) => [i, i]);
    const [n, m] = [one.length - head - tail, two.length - head - tail];
    if (n > 0 && m > 0 && n * m <= LIMIT) {
        const width = m + 1;
        const table = new Uint16Array((n + 1) * width);
        for (let i = n - 1; i >= 0; i--) {
            for (let j = m - 1; j >= 0; j--) {
                table[i * width + j] =
                    one[head + i] === two[head + j]
                        ? table[(i + 1) * width + j + 1] + 1
                        : Math.max(table[(i + 1) * width + j], table[i * width + j + 1]);
            }
        }
        for (let i = 0, j = 0; i < n && j < m;) {
            if (one[head + i] === two[head + j]) pairs.push([head + i++, head + j++]);
            else if (table[(i + 1) * width + j] >= table[i * width + j + 1]) i++;
            else j++;
        }
    }
    for (let i = tail; i > 0; i--) pairs.push([one.length - i, two.length - i]);
    return pairs;
}

/**
 * Brings differences of a document over to what that document has become: their ranges, moved by what was changed there.
 *
 * @param {Difference[]} theirs differences of the document
 * @param {Difference[]} mine what it has become
 * @returns {Difference[] | null} null when one of theirs meets one of mine
 */
export function carried(theirs, mine) {
    const over = [];
    for (const their of theirs) {
        let shift = 0;
        for (const my of mine) {
            if (my.to < their.from) shift += my.content.size - (my.to - my.from);
            else if (my.from <= their.to) return null;
        }
        over.push({ from: their.from + shift, to: their.to + shift, content: their.content });
    }
    return over;
}
