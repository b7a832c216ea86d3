/** @param {HTMLDetailsElement} menu */
async function filled(menu) {
    const from = menu.dataset.from;
    const sheet = menu.querySelector('.menu-sheet');
    if (!from || !sheet) return;
    delete menu.dataset.from;
    try {
        const answer = await fetch(`${from}?part=1`, { headers: { Accept: 'text/html' } });
        if (!answer.ok || answer.redirected) throw new Error(String(answer.status));
        sheet.innerHTML = await answer.text();
    } catch {
        // The link to it stays, and the next opening tries again.
        menu.dataset.from = from;
    }
}

/**
 * Menus are `<details data-menu>`: they work without this; with it, they close on Escape, on a click outside and when
 * another opens, and what is marked `data-focus` inside gets the focus. What a menu with `data-from` holds is fetched when it is opened for
 * the first time; until then there is a link to it.
 *
 * @param {HTMLElement} root
 * @returns {() => void}
 */
export function attachMenus(root) {
    /** @param {Element | null} but */
    const close = (but) => {
        for (const menu of root.querySelectorAll('details[data-menu][open]')) {
            if (menu !== but && !menu.contains(but)) menu.removeAttribute('open');
        }
    };
    /** @param {Event} event */
    const outside = (event) => {
        const target = /** @type {Element} */ (event.target);
        close(target.closest('details[data-menu]'));
    };
    /** @param {KeyboardEvent} event */
    const escape = (event) => {
        const menu = event.key === 'Escape' ? document.activeElement?.closest('details[data-menu][open]') : null;
        if (menu) {
            menu.removeAttribute('open');
            menu.querySelector('summary')?.focus();
            event.stopPropagation();
        }
    };
    // Opened here and at once: the browser tells of a `toggle` only later, and what is typed until then would be lost.
    /** @param {Event} event */
    const open = (event) => {
        const menu = /** @type {Element} */ (event.target).closest('summary')?.parentElement;
        if (!(menu instanceof HTMLDetailsElement) || menu.open || event.defaultPrevented) return;
        const first = menu.querySelector('[data-focus]');
        if (!(first instanceof HTMLElement)) return;
        event.preventDefault();
        menu.open = true;
        first.focus();
    };
    /** @param {Event} event */
    const toggled = (event) => {
        const menu = /** @type {HTMLElement} */ (event.target);
        if (menu instanceof HTMLDetailsElement && menu.open) void filled(menu);
    };
    // A name that is offered is put into its field.
    /** @param {Event} event */
    const fill = (event) => {
        const button = /** @type {HTMLElement | null} */ (/** @type {Element} */ (event.target).closest('[data-fill]'));
        const field = /** @type {HTMLInputElement | null} */ (button && document.getElementById(button.dataset.fill ?? ''));
        if (!button || !field) return;
        field.value = button.dataset.with ?? '';
        field.focus();
    };
    root.addEventListener('click', fill);
    root.addEventListener('click', open);
    root.addEventListener('pointerdown', outside);
    root.addEventListener('keydown', escape);
    root.addEventListener('toggle', toggled, true);
    return () => {
        root.removeEventListener('click', fill);
        root.removeEventListener('click', open);
        root.removeEventListener('pointerdown', outside);
        root.removeEventListener('keydown', escape);
        root.removeEventListener('toggle', toggled, true);
    };
}
