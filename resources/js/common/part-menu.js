import { inWords } from './words.js';

/** Milliseconds that a finger is held on something, and how far it may go astray meanwhile. */
const LONG = 550;
const ASTRAY = 10;

/** Where the browser's own menu is needed: to open, copy, paste, and spell. */
const THEIRS = 'a[href], input, textarea, select, button, summary, img, dialog, [contenteditable="true"], .slip, .part-menu';

/** @typedef {{text: string, key?: string, href?: string, do?: () => void}} Line */
/**
 * @typedef {{lines: Line[], x?: number, y?: number} | null} Offer nothing where the browser's own menu stays; where it opens, if not at the
 *     pointer
 */

/**
 * A menu for what one presses with the right button, holds a finger on, or is at with the menu key. With Shift, and where something is
 * chosen to be copied, the browser's own comes.
 *
 * @param {HTMLElement} root
 * @param {(event: MouseEvent) => Offer} offer what can be done there
 * @returns {() => void}
 */
export function menuOn(root, offer) {
    /** @type {ReturnType<typeof setTimeout> | undefined} */
    let held;
    /** @param {MouseEvent} event */
    const asked = (event) => {
        const target = event.target instanceof Element ? event.target : null;
        const chosen = window.getSelection();
        if (!target || event.shiftKey || target.closest(THEIRS) || (chosen && !chosen.isCollapsed && chosen.containsNode(target, true)))
            return;
        const offered = offer(event);
        if (!offered || offered.lines.length === 0) return;
        event.preventDefault();
        open(offered.lines, offered.x ?? event.clientX, offered.y ?? event.clientY);
    };
    // Not every browser takes a finger that is held for a right press.
    /** @param {PointerEvent} event */
    const down = (event) => {
        clearTimeout(held);
        if (event.pointerType === 'touch') held = setTimeout(() => document.querySelector('.part-menu') || asked(event), LONG);
        start = [event.clientX, event.clientY];
    };
    let start = [0, 0];
    /** @param {PointerEvent} event */
    const moved = (event) => Math.hypot(event.clientX - start[0], event.clientY - start[1]) > ASTRAY && clearTimeout(held);
    const up = () => clearTimeout(held);
    root.addEventListener('contextmenu', asked);
    root.addEventListener('pointerdown', down);
    root.addEventListener('pointermove', moved);
    for (const end of ['pointerup', 'pointercancel']) root.addEventListener(end, up);
    return () => {
        clearTimeout(held);
        root.removeEventListener('contextmenu', asked);
        root.removeEventListener('pointerdown', down);
        root.removeEventListener('pointermove', moved);
        for (const end of ['pointerup', 'pointercancel']) root.removeEventListener(end, up);
    };
}

/** @param {Line[]} lines @param {number} x @param {number} y in the window */
function open(lines, x, y) {
    const before = /** @type {HTMLElement | null} */ (document.activeElement);
    const menu = document.createElement('div');
    menu.className = 'menu-sheet part-menu';
    menu.setAttribute('role', 'menu');
    menu.setAttribute('aria-label', inWords('common.part-menu.what_can_be_done'));
    for (const { text, key, href, do: run } of lines) {
        const line = document.createElement(href ? 'a' : 'button');
        line.className = 'menu-line';
        line.setAttribute('role', 'menuitem');
        line.tabIndex = -1;
        if (line instanceof HTMLAnchorElement) line.href = href ?? '';
        else line.type = 'button';
        line.textContent = text;
        if (key) {
            const shown = document.createElement('kbd');
            shown.textContent = key;
            line.setAttribute('aria-keyshortcuts', key);
            line.append(' ', shown);
        }
        line.addEventListener('click', (event) => {
            if (!run) return close(false);
            event.preventDefault();
            close(true);
            run();
        });
        menu.append(line);
    }
    (document.querySelector('main') ?? document.body).append(menu);
    const { width, height } = menu.getBoundingClientRect();
    menu.style.left = `${Math.max(4, Math.min(x, document.documentElement.clientWidth - width - 4))}px`;
    menu.style.top = `${Math.max(4, y + height > window.innerHeight - 4 ? y - height : y)}px`;
    const items = /** @type {HTMLElement[]} */ ([...menu.children]);
    /** @param {boolean} back whether the focus goes back to where it was */
    const close = (back) => {
        menu.remove();
        document.removeEventListener('pointerdown', outside, true);
        window.removeEventListener('blur', away);
        document.removeEventListener('wheel', away);
        if (back) before?.focus({ preventScroll: true });
    };
    /** @param {Event} event */
    const outside = (event) => menu.contains(/** @type {Node} */ (event.target)) || close(false);
    const away = () => close(false);
    menu.addEventListener('keydown', (event) => {
        const at = items.indexOf(/** @type {HTMLElement} */ (document.activeElement));
        const to = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: items.length - 1 }[event.key];
        event.stopPropagation();
        if (to !== undefined) items[(to + items.length) % items.length].focus();
        else if (event.key === 'Escape' || event.key === 'Tab') close(true);
        else if (event.key === ' ') items[at]?.click();
        else return;
        event.preventDefault();
    });
    document.addEventListener('pointerdown', outside, true);
    document.addEventListener('wheel', away, { passive: true });
    window.addEventListener('blur', away);
    items[0].focus({ preventScroll: true });
}

/**
 * The history of a part, and saying something about it, wherever parts are shown: a state that is looked at says by `data-histories` where
 * those of its parts are.
 *
 * @param {HTMLElement} root
 */
export function attachPartMenu(root) {
    const main = root.querySelector('main');
    if (!main) return;
    menuOn(main, (event) => {
        const target = /** @type {Element} */ (event.target);
        const own = /** @type {HTMLElement | null} */ (target.closest('[data-history-of]'));
        const part = /** @type {HTMLElement | null} */ (
            own ?? (target.closest('[data-state]') ? target.closest('[data-cell], [data-part], [id^="part-"]') : null)
        );
        if (!part) return null;
        const { histories } = /** @type {HTMLElement} */ (main).dataset;
        // What is only read from something is no part itself.
        const { readOf } = /** @type {HTMLElement | null} */ (part.closest('[data-read-of]'))?.dataset ?? {};
        const of = readOf ?? part.dataset.cell ?? part.dataset.part ?? part.id.slice('part-'.length);
        const cells = /** @type {HTMLElement | null} */ (part.closest('[data-cells]'))?.dataset.cells;
        const history =
            own?.dataset.historyOf ??
            (histories === undefined
                ? undefined
                : cells && part.dataset.cell && !readOf
                  ? `${cells}/cells/${of}`
                  : `${histories}/${of.split('/')[0]}`);
        /** @type {Line[]} */
        const lines = [];
        if (history) lines.push({ text: inWords('common.part-menu.its_history'), href: history, ...(own ? { key: 'Alt+W' } : {}) });
        if (root.querySelector('[data-talk-form]'))
            lines.push({
                text: inWords('common.part-menu.comment'),
                key: 'Alt+C',
                do: () => part.dispatchEvent(new CustomEvent('comment', { bubbles: true })),
            });
        const at = event.clientX === 0 && event.clientY === 0 ? part.getBoundingClientRect() : null;
        return { lines, ...(at ? { x: at.left + 8, y: at.top + 8 } : {}) };
    });
}
