/** Words that somebody took out, and what is only there to be spoken, are no part of a text. */
const ASIDE = 'del, .went, .is-sr-only, .block-note, .block-who, .block-history, .item-mark, .slip';

/**
 * Where the text of a part is shown, of which words can be chosen and lit; null where it shows none. @param {Element} block @returns
 * {Element | null}
 */
export const wordsOf = (block) => block.querySelector('[data-part-text]');

/** What is written in something that is shown. @param {Element} element */
export const textOf = (element) => textsIn(element).map((text) => text.data).join(' ').replace(/\s+/g, ' ').trim();

/**
 * Where words of a text are on a page.
 *
 * @param {Element} element that shows the text
 * @param {number} from code points
 * @param {number} to
 * @returns {Range | null}
 */
export function rangeOf(element, from, to) {
    const range = document.createRange();
    let [at, begun] = [0, false];
    for (const text of textsIn(element)) {
        const units = points(text.data);
        const length = units.length - 1;
        if (!begun && from < at + length) {
            range.setStart(text, units[Math.max(0, from - at)]);
            begun = true;
        }
        if (begun && to <= at + length) {
            range.setEnd(text, units[to - at]);
            return range;
        }
        at += length;
    }
    return null;
}

/**
 * Which words of a text are chosen.
 *
 * @param {Element} element
 * @param {Range} range
 * @returns {{from: number, to: number, quote: string} | null} code points; null when nothing of it is
 */
export function wordsIn(element, range) {
    let at = 0;
    /** @type {number | null} */
    let from = null;
    let to = 0;
    let quote = '';
    for (const text of textsIn(element)) {
        const length = [...text.data].length;
        if (range.intersectsNode(text)) {
            const begin = text === range.startContainer ? range.startOffset : 0;
            const end = text === range.endContainer ? range.endOffset : text.data.length;
            const piece = text.data.slice(begin, end);
            if (piece !== '') {
                from ??= at + [...text.data.slice(0, begin)].length;
                to = at + [...text.data.slice(0, end)].length;
                quote += piece;
            }
        }
        at += length;
    }
    return from === null || quote.trim() === '' ? null : { from, to, quote };
}

/** @param {Element} element @returns {Text[]} */
function textsIn(element) {
    const walker = document.createTreeWalker(element, NodeFilter.SHOW_TEXT, (node) =>
        node.parentElement?.closest(ASIDE) ? NodeFilter.FILTER_REJECT : NodeFilter.FILTER_ACCEPT,
    );
    const texts = [];
    for (let node = walker.nextNode(); node; node = walker.nextNode()) texts.push(/** @type {Text} */ (node));
    return texts;
}

/** @param {string} text @returns {number[]} where each code point begins, in UTF-16 units, and where the text ends */
export function points(text) {
    const starts = [0];
    for (const point of text) starts.push(starts[starts.length - 1] + point.length);
    return starts;
}
