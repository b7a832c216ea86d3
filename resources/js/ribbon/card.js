import { ask } from '../common/ask.js';
import { exact } from '../common/times.js';
import { inWords } from '../common/words.js';

/** Versions to each side that are fetched with one. */
const REACH = 4;
/** Miniatures to each side that are fetched ahead. */
const AHEAD = 2;
/** Milliseconds after an answer that failed. */
const QUIET = 5_000;

/**
 * @typedef {{sentence: string, note: string | null, miniature: string}} Line
 */

/**
 * The card over the ribbon: a version from afar, in words, by whom and when; while an end is moved, those beside it, too.
 *
 * @param {HTMLElement} box
 * @param {(number: number, reach: number) => string} address of the words of a version and of those around it
 * @param {(words: string) => void} say what it says, for who can not see it
 * @returns {{show: (version: {number: number, before: number, after: number, name: string, monogram: string, colour: number, at: Date, x: number, line: string}, isMoving: boolean) => void, hide: () => void, dispose: () => void}}
 */
export function card(box, address, say) {
    /** @type {Map<string, Line>} */
    const known = new Map();
    /** @type {Parameters<ReturnType<typeof card>['show']>[0] | null} */
    let wanted = null;
    let moving = false;
    let isAsking = false;
    let isOver = false;
    let quietUntil = 0;
    /** @type {ReturnType<typeof setTimeout> | undefined} */
    let waiting;
    const find = (/** @type {string} */ name) => /** @type {HTMLElement} */ (box.querySelector(`[data-card="${name}"]`));

    const draw = () => {
        if (!wanted) return;
        const { number, name, monogram, colour, at, x } = wanted;
        const line = known.get(wanted.line || String(number));
        find('who').className = `monogram by-${colour}`;
        find('who').textContent = monogram;
        find('sentence').textContent = line?.sentence ?? inWords('ribbon.card.saved_this', { name });
        find('when').textContent = `${number} · ${exact(at)}`;
        find('note').textContent = line?.note ? `“${line.note}”` : '';
        for (const [place, version] of /** @type {[string, number][]} */ ([
            ['before', wanted.before],
            ['now', number],
            ['after', wanted.after],
        ])) {
            const picture = /** @type {HTMLImageElement} */ (find(place));
            const source = known.get(String(version))?.miniature;
            // What stood there before goes on being until the next one is here.
            if (source && picture.getAttribute('src') !== source) picture.src = source;
            picture.hidden = !picture.getAttribute('src') || (place !== 'now' && version === number);
            const tag = box.querySelector(`[data-tag="${place}"]`);
            if (tag) tag.textContent = version === number ? '' : String(version);
        }
        box.classList.toggle('is-moving', moving);
        box.hidden = false;
        const room = /** @type {HTMLElement} */ (box.offsetParent).clientWidth;
        box.style.left = `${Math.max(8, Math.min(room - box.offsetWidth - 8, x - box.offsetWidth / 2))}px`;
        say(`${number}: ${name}, ${exact(at)}${line ? `. ${line.sentence}${line.note ? ` “${line.note}”` : ''}` : ''}`);
    };

    const fetchAround = async () => {
        if (!wanted || isAsking || isOver || Date.now() < quietUntil) return;
        const asked = wanted;
        const key = asked.line || String(asked.number);
        const near = [asked.number, asked.before, asked.after].every((number) => known.has(String(number)));
        if (near && known.has(key)) {
            ahead(asked.number);
            return;
        }
        isAsking = true;
        try {
            const { lines } = /** @type {{lines: Record<string, Line>}} */ (await ask(address(asked.number, REACH)));
            for (const [number, line] of Object.entries(lines)) known.set(number, line);
            if (asked.line) known.set(asked.line, { ...lines[asked.number], ...(await ask(asked.line)).lines[asked.number] });
            ahead(asked.number);
            draw();
        } catch {
            // The card goes on with what the ribbon knows itself, and leaves a server that is away alone for a while.
            quietUntil = Date.now() + QUIET;
        }
        isAsking = false;
        if (wanted !== asked) fetchAround();
    };

    /** @param {number} number */
    const ahead = (number) => {
        const numbers = [...known.keys()].map(Number).filter(Number.isFinite).sort((a, b) => a - b);
        const at = numbers.indexOf(number);
        for (const each of numbers.slice(Math.max(0, at - AHEAD), at + AHEAD + 1))
            new Image().src = known.get(String(each))?.miniature ?? '';
    };

    return {
        show(version, isMoving) {
            clearTimeout(waiting);
            if (wanted?.number === version.number && wanted.line === version.line && moving === isMoving && !box.hidden) return;
            wanted = version;
            moving = isMoving;
            const start = () => {
                draw();
                fetchAround();
            };
            // Who only passes over the ribbon is not met by cards; who moves an end sees each.
            if (isMoving || !box.hidden) start();
            else waiting = setTimeout(start, 160);
        },
        hide() {
            clearTimeout(waiting);
            wanted = null;
            box.hidden = true;
        },
        dispose() {
            isOver = true;
            clearTimeout(waiting);
            box.hidden = true;
        },
    };
}
