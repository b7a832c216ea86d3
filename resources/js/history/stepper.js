import { inWords } from '../common/words.js';

/**
 * Goes from change to change, in the list and in the text at once.
 *
 * @param {HTMLElement} root
 * @param {{reach: (part: string) => Promise<void>, chosen: (part: string) => void}} [table] fetches what is not there yet; is told what was
 *     chosen
 * @returns {{step: (by: number) => void, end: (last: boolean) => void, choose: (part: string, focus?: boolean) => void, dispose: () => void}}
 */
export function stepper(root, table) {
    const entries = /** @type {HTMLElement[]} */ ([...root.querySelectorAll('[data-entry]')]);
    const box = /** @type {HTMLElement | null} */ (root.querySelector('[data-stepper]'));
    const count = box?.querySelector('[data-step-count]');
    let at = -1;

    const show = () => {
        if (count) count.textContent = at < 0 ? '' : inWords('history.stepper.of', { at: at + 1, entries: entries.length });
    };
    /** @param {number} to @param {boolean} [focus] */
    const go = async (to, focus = false) => {
        if (entries.length === 0) return;
        at = (to + entries.length) % entries.length;
        if (entries[at].dataset.elsewhere !== undefined) {
            // In another tab: its page comes, and this entry with it.
            entries[at].click();
            return;
        }
        for (const entry of entries) entry.removeAttribute('aria-current');
        const entry = entries[at];
        entry.setAttribute('aria-current', 'true');
        entry.scrollIntoView({ block: 'nearest' });
        if (focus) entry.focus();
        await point(entry.dataset.entry ?? '');
        show();
    };
    /** @param {string} id of a part that is shown */
    const point = async (id) => {
        await table?.reach(id);
        table?.chosen(id);
        for (const part of document.querySelectorAll('.is-current')) part.classList.remove('is-current');
        // Of two that stand side by side, one has the name; what is on the other side alone is found by its part.
        const part = document.getElementById(`part-${id}`) ?? root.querySelector(`[data-part="${CSS.escape(id)}"]`);
        const page = /** @type {HTMLElement | null | undefined} */ (part?.closest('[data-report-page][hidden]'));
        if (page) /** @type {HTMLElement | null} */ (root.querySelector(`[data-page-of="${page.dataset.reportPage}"]`))?.click();
        part?.classList.add('is-current');
        part?.scrollIntoView({ block: 'center' });
    };
    /** @param {MouseEvent} event */
    const press = (event) => {
        const target = /** @type {Element} */ (event.target);
        const entry = /** @type {HTMLElement | null} */ (target.closest('[data-entry]'));
        const button = /** @type {HTMLElement | null} */ (target.closest('[data-step]'));
        if (entry?.dataset.elsewhere !== undefined) return;
        if (entry) {
            event.preventDefault();
            go(entries.indexOf(entry));
        } else if (button) {
            go(at + Number(button.dataset.step));
        }
    };
    if (box) box.hidden = entries.length === 0;
    root.addEventListener('click', press);
    show();
    // The first change comes into sight, but is not chosen yet.
    const first = entries[0] && document.getElementById(`part-${entries[0].dataset.entry}`);
    const state = root.querySelector('[data-state]');
    const frame = requestAnimationFrame(() => {
        if (
            first &&
            state &&
            !location.hash.startsWith('#part-') &&
            !state.classList.contains('is-report-past') &&
            first.getBoundingClientRect().bottom > state.getBoundingClientRect().bottom
        )
            first.scrollIntoView({ block: 'center' });
    });
    return {
        step: (by) => go(at < 0 ? (by > 0 ? 0 : entries.length - 1) : at + by, true),
        end: (last) => go(last ? entries.length - 1 : 0, true),
        choose: (part, focus = true) => {
            const found = entries.findIndex((entry) => entry.dataset.entry === part && entry.dataset.elsewhere === undefined);
            if (found >= 0) go(found, focus);
            else if (part !== '') point(part);
        },
        dispose: () => (cancelAnimationFrame(frame), root.removeEventListener('click', press)),
    };
}
