import { ask } from '../common/ask.js';
import { inWords } from '../common/words.js';

/** The address of a cell in the history that one looks at, whatever tab it is in. @param {string} history @param {string} cell */
export function atCell(history, cell) {
    const url = new URL(history);
    url.searchParams.delete('tab');
    url.searchParams.set('part', cell);
    url.hash = `part-${cell}`;
    return url.href;
}

/** The most cells that are named. */
const NAMED = 6;

/**
 * What a result moved by, in words with links to the cells.
 *
 * @param {string} address
 * @param {(cell: string) => string} link where a cell is seen
 * @returns {Promise<{said: HTMLElement, cells: string[]} | null>}
 */
export async function causes(address, link) {
    const answer = await ask(address).catch(() => null);
    if (!answer) return null;
    const said = document.createElement('span');
    said.className = 'cell-causes';
    const empty = inWords('history.causes.empty');
    said.append(answer.text);
    for (const cause of answer.cells.slice(0, NAMED)) {
        const to = document.createElement('a');
        to.href = link(cause.cell);
        to.textContent = `${cause.name} (${cause.was || empty} → ${cause.is || empty})`;
        said.append(' ', to);
    }
    if (answer.cells.length > NAMED) said.append(' …');
    return { said, cells: answer.cells.map((/** @type {{cell: string}} */ cause) => cause.cell) };
}
