import { hasRoom, put, shownPart } from './below.js';
import { isCommentKey, talk } from './talk.js';
import { rangeOf, textOf, wordsIn, wordsOf } from './words.js';
import { inWords } from '../common/words.js';

/**
 * What was said about a state that is looked at: each slip below its part, its words lit, and a press or a key to say more.
 *
 * @param {HTMLElement} root
 * @returns {() => void}
 */
export function attachTalk(root) {
    const main = /** @type {HTMLElement | null} */ (root.querySelector('[data-history], [data-looked]'));
    if (root.querySelector('[data-talk-page]')) return talk(root, { place: () => {}, open: () => {} }).dispose;
    if (!main || !main.querySelector('[data-slips]')) return () => {};
    const state = () => /** @type {HTMLElement | null} */ (main.querySelector('[data-state]'));
    const section = () => /** @type {HTMLElement} */ (main.querySelector('[data-slips]'));
    /** @param {string} of */
    const target = (of) => shownPart(state(), of);

    const said = talk(root, {
        place: (slips) => {
            for (const row of main.querySelectorAll('.slip-row:not(:has(.slip))')) row.remove();
            /** @type {Range[]} */
            const lit = [];
            for (const slip of slips) {
                // What is not shown by itself has its slip below what it is in.
                const block =
                    [slip.dataset.of ?? '', ...(slip.dataset.above ?? '').split(' ')]
                        .filter(Boolean)
                        .map(target)
                        .find((each) => each !== null) ?? null;
                if (!block || (slip.dataset.of ?? '') === '' || !hasRoom(block)) continue;
                put(slip, block);
                const [from, to] = (slip.dataset.words ?? '').split(',').map(Number);
                const text = slip.dataset.words && block === target(slip.dataset.of ?? '') ? wordsOf(block) : null;
                const range = text ? rangeOf(text, from, to) : null;
                if (range) lit.push(range);
                else if (block.dataset.cell) block.classList.add('is-talked');
            }
            // Where the browser can't light words without touching them, the slips quote them.
            if ('highlights' in CSS) CSS.highlights.set('talked', new Highlight(...lit));
        },
        open: (form, about) => {
            const block = target(about.field ? `${about.part}/${about.field}` : about.part);
            if (block && hasRoom(block)) put(form, block);
            else section().prepend(form);
            form.scrollIntoView({ block: 'nearest' });
        },
        after: (thread) => {
            // What is said now is at the newest version, not at the one that is looked at.
            const { at, head, slips } = section().dataset;
            if (at !== '' && at !== head) location.assign(`${(slips ?? '').split('?')[0]}?show=all#thread-${thread}`);
        },
    });

    const button = document.createElement('button');
    button.type = 'button';
    button.className = 'its-talk';
    button.title = inWords('talk.looked.comment_alt_c');
    button.setAttribute('aria-label', inWords('talk.looked.comment_on_this'));
    button.tabIndex = -1;
    button.hidden = true;
    button.innerHTML = '<svg class="glyph" viewBox="0 0 24 24" aria-hidden="true"><path d="M4 5h16v11h-9l-5 4v-4H4z"/></svg>';
    /** @type {HTMLElement | null} */
    let under = null;
    /** @param {EventTarget | null} from */
    const thing = (from) => {
        const found = from instanceof Element ? from.closest('[data-cell], [data-part], [id^="part-"]') : null;
        return found instanceof HTMLElement && state()?.contains(found) ? found : null;
    };
    /** @param {HTMLElement} block */
    const begin = (block) => {
        const [part, field = ''] = (block.dataset.cell ?? block.dataset.part ?? block.id.slice('part-'.length)).split('/');
        const { readOf } = /** @type {HTMLElement | null} */ (block.closest('[data-read-of]'))?.dataset ?? {};
        const selection = window.getSelection();
        const range =
            selection && !selection.isCollapsed && selection.rangeCount > 0 && block.contains(selection.anchorNode) && !field
                ? selection.getRangeAt(0)
                : null;
        const { at, head } = section().dataset;
        const version = at === head ? '' : at;
        if (readOf) {
            // It is read from something and is no part itself: what it is read from keeps the comment, with its words.
            const quote = range ? range.toString().trim() : textOf(block);
            said.begin({ part: readOf, version, words: quote === '' ? null : { from: 0, to: 0, quote } }, 'this');
            return;
        }
        said.begin({ part, field, version, words: range ? wordsIn(wordsOf(block) ?? block, range) : null }, 'this');
    };
    /** @param {MouseEvent} event */
    const over = (event) => {
        if (!said.mayBegin() || button.contains(/** @type {Node} */ (event.target))) return;
        const block = thing(event.target);
        if (block === under) return;
        under = block;
        button.hidden = block === null;
        if (!block) return;
        if (button.parentElement !== main) main.append(button);
        const box = block.getBoundingClientRect();
        button.style.top = `${box.top + window.scrollY}px`;
        // Beside a cell there is the next one.
        button.style.left = `${Math.min(block.matches('td, th') ? box.right - 26 : box.right + 6, document.documentElement.clientWidth - 34) + window.scrollX}px`;
    };
    const press = () => under && begin(under);
    const scrolled = () => {
        button.hidden = true;
        under = null;
    };
    /** @param {KeyboardEvent} event */
    const key = (event) => {
        // Whoever goes on by keys has left what the pointer was on.
        if (!event.altKey && !event.ctrlKey && !event.metaKey && event.key !== 'Shift') scrolled();
        if (!isCommentKey(event) || !said.mayBegin()) return;
        event.preventDefault();
        const selection = window.getSelection();
        const chosen = selection && !selection.isCollapsed ? thing(selection.anchorNode?.parentElement ?? null) : null;
        const entry = /** @type {HTMLElement | null} */ (main.querySelector('.entry[aria-current]'));
        const block = chosen ?? thing(document.activeElement) ?? under ?? (entry ? target(entry.dataset.entry ?? '') : null);
        if (block) begin(block);
        else
            said.begin(
                { part: '', version: section().dataset.at },
                section().dataset.at === ''
                    ? inWords('talk.looked.all_of_it')
                    : inWords('talk.looked.version', { at: section().dataset.at }),
            );
    };
    /** @param {Event} event */
    const asked = (event) => {
        const block = thing(event.target);
        if (block && said.mayBegin()) begin(block);
    };
    const swapped = () => said.lay();
    button.addEventListener('click', press);
    main.addEventListener('mousemove', over);
    main.addEventListener('scroll', scrolled, true);
    main.addEventListener('swapped', swapped);
    main.addEventListener('comment', asked);
    document.addEventListener('keydown', key);
    return () => {
        button.remove();
        main.removeEventListener('mousemove', over);
        main.removeEventListener('scroll', scrolled, true);
        main.removeEventListener('swapped', swapped);
        main.removeEventListener('comment', asked);
        document.removeEventListener('keydown', key);
        said.dispose();
    };
}
