import { piece, SignedOut, Unreachable } from '../common/ask.js';
import { newsOf, whileInSight } from './news.js';
import { inWords } from '../common/words.js';

/** Milliseconds between two questions: alone, while others are here, and while somebody of them wrote within the last minute. */
const ALONE = 2000;
const TOGETHER = 650;
const LIVELY = 400;
const MINUTE = 60_000;
/** Milliseconds after which somebody who is not alone sends what was typed. */
const SENT_TOGETHER = 300;

/**
 * Asks again and again who else is here and whether there is a newer state.
 *
 * @param {HTMLElement} root
 * @param {import('../sync/sync.js').Sync} sync
 * @param {{part: () => string, show: (others: import('./here.js').Person[]) => void, talked?: (last: number) => unknown}} place where I am,
 *     what shows where the others are, and what shows what was said, up to a line
 * @returns {() => void}
 */
export function live(root, sync, place) {
    const people = /** @type {HTMLElement} */ (root.querySelector('[data-people]'));
    const strip = root.querySelector('[data-here]');
    const notes = /** @type {HTMLElement} */ (root.querySelector('[data-notes]'));
    let held = notes.querySelectorAll('.is-held').length;
    let seen = '';
    const news = newsOf(sync.item.key, sync.window);
    let wait = ALONE;
    let moved = -MINUTE;
    const alone = sync.soon;

    /** @param {import('./here.js').Person[]} others */
    const show = (others) => {
        const now = JSON.stringify(others);
        if (now === seen) return;
        seen = now;
        const names = others.map((person) => person.name);
        const text = names.length
            ? inWords('editor.live.here_too', { value: names.join(', '), names: names.length === 1 ? 'is' : 'are' })
            : '';
        if (people.textContent !== text) people.textContent = text;
        strip?.replaceChildren(...others.map((person) => {
            const tag = document.createElement('span');
            tag.className = `monogram by-${person.colour}`;
            tag.title = person.name;
            tag.textContent = person.monogram;
            return tag;
        }));
        place.show(others);
    };
    /** @param {number} count */
    const refreshNotes = async (count) => {
        if (count === held) return;
        notes.innerHTML = await piece(notes.dataset.notes ?? '');
        held = count;
    };
    const look = async () => {
        try {
            const answer = await news.ask({ root: sync.base, part: place.part() }, sync.away);
            if (sync.away) {
                sync.back();
                if (sync.dirty) await sync.save();
                else sync.settled();
            }
            if (answer) {
                show(answer.people);
                if (answer.root !== sync.base && !sync.sending) moved = performance.now();
                wait = answer.shortly && answer.people.length ? TOGETHER : ALONE;
                sync.soon = answer.people.length ? Math.min(alone, SENT_TOGETHER) : alone;
                await sync.follow(answer.root);
                await refreshNotes(answer.held);
                place.talked?.(answer.talk);
            }
        } catch (error) {
            if (error instanceof SignedOut && !sync.stopped) await sync.failed(error);
            else if (error instanceof Unreachable && !sync.away) await sync.failed(error);
        }
        return wait === TOGETHER && performance.now() - moved < MINUTE ? LIVELY : wait;
    };
    return whileInSight(look, 400);
}
