import { piece } from '../common/ask.js';
import { moment } from '../common/times.js';
import { ribbon } from '../ribbon/ribbon.js';
import { choosing } from './choose.js';
import { lined } from './lined.js';
import { page } from './page.js';
import { proposed } from './proposed.js';
import { stepper } from './stepper.js';
import { inWords } from '../common/words.js';

/**
 * The history of an item. Every view is a page of its own with an address; this swaps pages without leaving the ribbon.
 *
 * @param {HTMLElement} root
 * @returns {() => void}
 */
export function attachHistory(root) {
    const main = /** @type {HTMLElement | null} */ (root.querySelector('[data-history]'));
    if (!main) return plainly(root);
    const read = () => JSON.parse(main.dataset.history ?? '{}');
    // Several states in tabs are told apart by their moments.
    const entitle = () => {
        const { title, moments } = read();
        document.title = `${moments.map((/** @type {string} */ at) => moment(new Date(at))).join(inWords('history.history.to'))} · ${title}`;
    };
    entitle();
    let wanted = location.href;
    /** @type {ReturnType<typeof setTimeout> | undefined} */
    let timer;

    let head = read().head;
    let band = begin();
    let table = lined(main);
    let laid = page(main);
    let steps = stepper(main, table);
    let chooses = choosing(main);

    function begin() {
        return ribbon(/** @type {HTMLElement} */ (main?.querySelector('[data-ribbon]')), read(), (from, to) => {
            const url = new URL(wanted, location.href);
            url.searchParams.set('from', String(from));
            url.searchParams.set('to', String(to));
            wanted = url.href;
            clearTimeout(timer);
            timer = setTimeout(() => go(url.href, true), 160);
        }, (only) => {
            // The filter is in the address, and goes along with every link.
            const url = new URL(wanted, location.href);
            only === '' ? url.searchParams.delete('only') : url.searchParams.set('only', only);
            wanted = url.href;
            window.history.replaceState(null, '', url.href);
            go(url.href, false);
        });
    }

    /** @param {string} url @param {boolean} push */
    async function go(url, push) {
        clearTimeout(timer);
        wanted = url;
        main?.setAttribute('aria-busy', 'true');
        /** @type {string} */
        let html;
        try {
            html = await piece(url);
        } catch {
            location.assign(url);
            return;
        }
        if (wanted !== url || !main) return;
        const fresh = new DOMParser().parseFromString(html, 'text/html').querySelector('[data-history]');
        if (!(fresh instanceof HTMLElement)) {
            location.assign(url);
            return;
        }
        if (push && url !== location.href) window.history.pushState(null, '', url);
        const focused = /** @type {HTMLElement | null} */ (document.activeElement);
        const focusedLink = focused?.closest('[data-swap]')?.textContent?.trim();
        main.dataset.history = fresh.dataset.history;
        for (const selector of ['[data-changes]', '.past-state', '.ribbon-bar .bar-do']) {
            const [old, now] = [main.querySelector(selector), fresh.querySelector(selector)];
            if (old && now) old.replaceWith(now);
        }
        entitle();
        const ends = read();
        if (ends.head === head) {
            band.show(ends.from, ends.to, ends.by);
        } else {
            // Something was saved in the meantime: the ribbon has more versions now.
            head = ends.head;
            band.dispose();
            band = begin();
        }
        steps.dispose();
        table.dispose();
        laid.dispose();
        chooses.dispose();
        laid = page(main);
        table = lined(main);
        steps = stepper(main, table);
        chooses = choosing(main);
        main.dispatchEvent(new CustomEvent('swapped', { bubbles: true }));
        main.removeAttribute('aria-busy');
        steps.choose(asked(url));
        if (focusedLink)
            /** @type {HTMLElement | undefined} */ (
                [...main.querySelectorAll('[data-swap]')].find((link) => link.textContent?.trim() === focusedLink)
            )?.focus();
    }

    /** @param {MouseEvent} event */
    const press = (event) => {
        const link = /** @type {HTMLAnchorElement | null} */ (/** @type {Element} */ (event.target).closest('a[data-swap]'));
        if (!link || event.button !== 0 || event.ctrlKey || event.metaKey || event.shiftKey) return;
        event.preventDefault();
        go(link.href, true);
    };
    const pop = () => go(location.href, false);
    /**
     * @param {KeyboardEvent} event n and p go from change to change, Home and End to the first and the last; arrows move an end: Later,
     *     with Shift Earlier; Alt+B holds Later against the one before it
     */
    const key = (event) => {
        const target = /** @type {HTMLElement} */ (event.target);
        if (event.altKey && event.code === 'KeyB' && !event.ctrlKey && !event.metaKey && !event.shiftKey) {
            event.preventDefault();
            band.before();
            return;
        }
        if (
            event.ctrlKey ||
            event.metaKey ||
            event.altKey ||
            target.closest('input, textarea, select, [contenteditable], dialog, .menu-sheet')
        )
            return;
        if (event.key === 'n' || event.key === 'p') {
            event.preventDefault();
            steps.step(event.key === 'n' ? 1 : -1);
        } else if ((event.key === 'Home' || event.key === 'End') && !target.closest('[role="slider"]')) {
            event.preventDefault();
            steps.end(event.key === 'End');
        } else if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') {
            event.preventDefault();
            band.move(event.shiftKey ? 'from' : 'to', event.key === 'ArrowRight' ? 1 : -1);
        }
    };
    /** The other end and the view stay as they are now. */
    const goTo = () => {
        const form = /** @type {HTMLFormElement} */ (main.querySelector('[data-ribbon-when]'));
        /** @type {HTMLInputElement} */ (form.elements.namedItem('to')).value = String(read().to);
        /** @type {HTMLInputElement} */ (form.elements.namedItem('view')).value =
            new URL(location.href).searchParams.get('view') ?? 'changed';
    };
    main.querySelector('[data-ribbon-when]')?.addEventListener('submit', goTo);
    main.addEventListener('click', press);
    steps.choose(asked(location.href), false);
    document.addEventListener('keydown', key);
    window.addEventListener('popstate', pop);
    return () => {
        main.removeEventListener('click', press);
        document.removeEventListener('keydown', key);
        window.removeEventListener('popstate', pop);
        band.dispose();
        steps.dispose();
        laid.dispose();
        table.dispose();
        chooses.dispose();
    };
}

/** The part that an address leads to. @param {string} url */
const asked = (url) => /^#part-(.+)$/.exec(decodeURIComponent(new URL(url).hash))?.[1] ?? '';

/**
 * What readers will see change, before it is published: the same marks and steps, without a ribbon.
 *
 * @param {HTMLElement} root
 * @returns {() => void}
 */
function plainly(root) {
    const main = /** @type {HTMLElement | null} */ (root.querySelector('.is-publish'));
    if (!main) return () => {};
    const [laid, steps] = [page(main), stepper(main)];
    proposed(main);
    // What is not written yet has no address: other tabs and layouts of it are asked for with the ticks that make it.
    const again = main.dataset.seenPlan;
    /** @param {MouseEvent} event */
    const press = (event) => {
        const link = /** @type {HTMLAnchorElement | null} */ (/** @type {Element} */ (event.target).closest('a[href*="/history?"]'));
        const form = /** @type {HTMLFormElement | null} */ (main.querySelector('form'));
        if (!again || !link || !form || event.ctrlKey || event.metaKey) return;
        event.preventDefault();
        const to = new URL(link.href);
        form.action = `${again}?${to.searchParams}${to.hash}`;
        form.submit();
    };
    main.addEventListener('click', press);
    return () => {
        main.removeEventListener('click', press);
        laid.dispose();
        steps.dispose();
    };
}
