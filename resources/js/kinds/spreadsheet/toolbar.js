import { inWords } from '../../common/words.js';

/**
 * The tools above the grid and the menu of tabs: buttons by `data-do`, choices by `data-choose`, and the tabs themselves.
 *
 * @param {HTMLElement} root
 * @param {import('./model.js').Sheet} sheet
 * @param {import('./grid.js').Grid} grid
 * @param {Record<string, (value?: string) => void>} does
 * @param {() => void} finish ends what is being written in a cell
 * @returns {{draw: () => void, dispose: () => void}}
 */
export function toolbar(root, sheet, grid, does, finish) {
    const tabs = /** @type {HTMLElement} */ (root.querySelector('[data-tabs]'));
    const form = /** @type {HTMLFormElement | null} */ (root.querySelector('[data-tab-name]'));
    const input = form?.querySelector('input');
    const back = () => grid.root.focus({ preventScroll: true });

    const draw = () => {
        tabs.replaceChildren(...sheet.tabs.map((tab) => {
            const button = document.createElement('button');
            button.type = 'button';
            button.className = 'tab';
            button.textContent = tab.name === '' ? inWords('spreadsheet.toolbar.without_a_name') : tab.name;
            button.dataset.tab = tab.id;
            if (tab === grid.tab) button.setAttribute('aria-current', 'true');
            return button;
        }));
    };
    /** @param {MouseEvent} event */
    const press = (event) => {
        const button = /** @type {HTMLElement | null} */ (/** @type {Element} */ (event.target).closest('[data-do]'));
        if (!button) return;
        finish();
        const name = button.dataset.do ?? '';
        if (name === 'tab-rename' && form && input) {
            form.hidden = false;
            input.value = grid.tab.name;
            input.select();
            return;
        }
        does[name]?.(button.dataset.value);
        button.closest('details')?.removeAttribute('open');
        back();
    };
    /** @param {Event} event */
    const choose = (event) => {
        const select = /** @type {HTMLSelectElement} */ (event.target);
        if (!select.matches('[data-choose]')) return;
        does[select.dataset.choose ?? '']?.(select.value);
        if (select.dataset.choose === 'format') select.value = '';
        back();
    };
    /** @param {Event} event */
    const rename = (event) => {
        event.preventDefault();
        const name = input?.value.trim() ?? '';
        if (form) form.hidden = true;
        form?.closest('details')?.removeAttribute('open');
        if (name !== '') does['tab-rename'](name);
        back();
    };
    /** @param {MouseEvent} event */
    const open = (event) => {
        const button = /** @type {HTMLElement | null} */ (/** @type {Element} */ (event.target).closest('[data-tab]'));
        const tab = sheet.tabs.find((each) => each.id === button?.dataset.tab);
        if (!tab) return;
        finish();
        grid.open(tab);
        draw();
        // With the mouse one goes on in the grid, by keys perhaps to the next tab.
        if (event.detail > 0) back();
        else /** @type {HTMLElement | null} */ (tabs.querySelector('[aria-current]'))?.focus();
    };
    const tools = root.querySelector('[data-tools]');
    /** @type {[EventTarget | null, string, (event: any) => void][]} */
    const listeners = [
        [tools, 'click', press],
        [tools, 'change', choose],
        [root.querySelector('[data-tab-menu]'), 'click', press],
        [form, 'submit', rename],
        [tabs, 'click', open],
    ];
    for (const [target, name, listener] of listeners) target?.addEventListener(name, listener);
    return {
        draw,
        dispose: () => {
            for (const [target, name, listener] of listeners) target?.removeEventListener(name, listener);
        },
    };
}
