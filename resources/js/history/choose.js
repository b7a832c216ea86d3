import { inWords } from '../common/words.js';

/** Parts that go into one address. */
const MOST = 200;

/**
 * Several things of a state chosen at once: pressed, dragged over, or by arrows and the space bar; and what can be done with them.
 *
 * @param {HTMLElement} root
 * @returns {{dispose: () => void}}
 */
export function choosing(root) {
    const button = /** @type {HTMLButtonElement | null} */ (root.querySelector('[data-choose]'));
    const bar = /** @type {HTMLElement | null} */ (root.querySelector('[data-chosen]'));
    const state = /** @type {HTMLElement | null} */ (root.querySelector('[data-state]'));
    if (!button || !bar || !state) return { dispose: () => {} };
    const count = /** @type {HTMLElement} */ (bar.querySelector('[data-chosen-count]'));
    /** @type {Set<HTMLElement>} */
    const chosen = new Set();
    let isOn = false;
    /** @type {HTMLElement | null} */
    let anchor = null;
    /** @type {{from: HTMLElement, before: Set<HTMLElement>, adds: boolean} | null} */
    let drag = null;

    /** The innermost thing at a place. @param {EventTarget | null} target */
    const thing = (target) => {
        const found = target instanceof Element ? target.closest('[data-cell], [data-part]') : null;
        return found instanceof HTMLElement && state.contains(found) ? found : null;
    };
    const things = () =>
        /** @type {HTMLElement[]} */ ([...state.querySelectorAll('[data-cell], [data-part]')]).filter(
            (each) => each.offsetParent !== null && !each.querySelector('[data-cell], [data-part]'),
        );
    /** @param {HTMLElement} each */
    const id = (each) => each.dataset.cell ?? each.dataset.part ?? '';
    /** All from one to another: a rectangle of cells, or what is between. @param {HTMLElement} from @param {HTMLElement} to */
    const between = (from, to) => {
        const [one, two] = [cellOf(from), cellOf(to)];
        if (one && two) {
            const [top, bottom] = [Math.min(one.row, two.row), Math.max(one.row, two.row)];
            const [left, right] = [Math.min(one.column, two.column), Math.max(one.column, two.column)];
            return things().filter((each) => {
                const at = cellOf(each);
                return at && at.row >= top && at.row <= bottom && at.column >= left && at.column <= right;
            });
        }
        const all = things();
        const [a, b] = [all.indexOf(from), all.indexOf(to)];
        return a < 0 || b < 0 ? [to] : all.slice(Math.min(a, b), Math.max(a, b) + 1);
    };
    /** @param {HTMLElement} each */
    const cellOf = (each) =>
        each instanceof HTMLTableCellElement
            ? { row: /** @type {HTMLTableRowElement} */ (each.parentElement).rowIndex, column: each.cellIndex }
            : null;

    const show = () => {
        for (const each of state.querySelectorAll('.is-chosen')) each.classList.remove('is-chosen');
        for (const each of chosen) each.classList.add('is-chosen');
        const ids = [...new Set([...chosen].map(id))];
        count.textContent =
            ids.length === 0
                ? inWords('history.choose.press_what_you_want_or_drag')
                : ids.length > MOST
                  ? inWords('history.choose.chosen_at_most', { count: ids.length, most: MOST })
                  : inWords(ids.length === 1 ? 'history.choose.one_chosen' : 'history.choose.chosen', { count: ids.length });
        for (const link of /** @type {NodeListOf<HTMLAnchorElement>} */ (bar.querySelectorAll('[data-chosen-to]'))) {
            const isReady = ids.length > 0 && ids.length <= MOST;
            link.classList.toggle('is-off', !isReady);
            link.setAttribute('aria-disabled', String(!isReady));
            if (isReady) link.href = `${link.dataset.chosenTo}?parts=${encodeURIComponent(ids.join(','))}`;
            else link.removeAttribute('href');
        }
    };
    /** @param {boolean} on */
    const turn = (on) => {
        isOn = on;
        button.setAttribute('aria-pressed', String(on));
        root.classList.toggle('is-choosing', on);
        bar.hidden = !on;
        chosen.clear();
        for (const each of things()) {
            if (on) each.tabIndex = -1;
            else each.removeAttribute('tabindex');
        }
        const first = on ? things()[0] : null;
        if (first) first.tabIndex = 0;
        show();
    };
    /** @param {HTMLElement} each */
    const toggle = (each) => {
        if (chosen.has(each)) chosen.delete(each);
        else chosen.add(each);
        anchor = each;
    };
    /** @param {PointerEvent} event */
    const down = (event) => {
        const at = isOn && event.button === 0 ? thing(event.target) : null;
        if (!at) return;
        event.preventDefault();
        if (event.shiftKey && anchor) {
            for (const each of between(anchor, at)) chosen.add(each);
        } else {
            toggle(at);
            drag = { from: at, before: new Set(chosen), adds: chosen.has(at) };
        }
        focus(at);
        show();
    };
    /** @param {PointerEvent} event */
    const over = (event) => {
        const at = drag && thing(document.elementFromPoint(event.clientX, event.clientY));
        if (!drag || !at) return;
        chosen.clear();
        for (const each of drag.before) chosen.add(each);
        for (const each of between(drag.from, at)) {
            if (drag.adds) chosen.add(each);
            else chosen.delete(each);
        }
        show();
    };
    const up = () => {
        drag = null;
    };
    /** @param {HTMLElement} each */
    const focus = (each) => {
        for (const other of state.querySelectorAll('[tabindex="0"]'))
            if (thing(other) === other) /** @type {HTMLElement} */ (other).tabIndex = -1;
        each.tabIndex = 0;
        each.focus({ preventScroll: true });
        each.scrollIntoView({ block: 'nearest', inline: 'nearest' });
    };
    /** @param {HTMLElement} from @param {string} way @returns {HTMLElement | undefined} */
    const next = (from, way) => {
        const at = cellOf(from);
        if (at && from.dataset.cell !== undefined) {
            const [down_, right] = /** @type {Record<string, [number, number]>} */ ({
                ArrowUp: [-1, 0],
                ArrowDown: [1, 0],
                ArrowLeft: [0, -1],
                ArrowRight: [0, 1],
            })[way];
            return things().find((each) => {
                const there = cellOf(each);
                return there?.row === at.row + down_ && there.column === at.column + right;
            });
        }
        const all = things();
        return all[all.indexOf(from) + (way === 'ArrowDown' || way === 'ArrowRight' ? 1 : -1)];
    };
    /** @param {KeyboardEvent} event */
    const key = (event) => {
        if (!isOn) return;
        const at = thing(event.target);
        if (event.key === 'Escape') {
            event.stopPropagation();
            turn(false);
            button.focus();
        } else if (at && event.key === ' ') {
            event.preventDefault();
            toggle(at);
            show();
        } else if (at && /^Arrow(Up|Down|Left|Right)$/.test(event.key)) {
            event.preventDefault();
            event.stopPropagation();
            const to = next(at, event.key);
            if (!to) return;
            if (event.shiftKey) for (const each of between(anchor ?? at, to)) chosen.add(each);
            focus(to);
            show();
        }
    };
    /** What is chosen as a text: lines below each other, cells of a row with tabs between. */
    const text = () => {
        const rows = new Map();
        for (const each of things().filter((other) => chosen.has(other))) {
            const row = each.dataset.cell === undefined ? each : each.parentElement;
            rows.set(row, [...(rows.get(row) ?? []), said(each)]);
        }
        return [...rows.values()].map((cells) => cells.join('\t')).join('\n');
    };
    /** @param {HTMLElement} each its words as they are, without what is only said about them */
    const said = (each) => {
        const copy = /** @type {HTMLElement} */ (each.cloneNode(true));
        for (const aside of copy.querySelectorAll('.block-who, .block-note, .block-history, .item-mark, del, .was')) aside.remove();
        return (copy.textContent ?? '').replace(/\s+/g, ' ').trim();
    };
    /** @param {MouseEvent} event */
    const press = async (event) => {
        const target = /** @type {Element} */ (event.target);
        if (target.closest('[data-choose]')) return turn(!isOn);
        if (target.closest('[data-chosen-copy]') && chosen.size > 0) {
            await navigator.clipboard?.writeText(text()).then(
                () => (count.textContent = inWords('history.choose.copied_for_pasting_elsewhere')),
                () => (count.textContent = inWords('history.choose.the_browser_did_not_let_it')),
            );
            return undefined;
        }
        if (target.closest('[data-chosen-done]')) {
            turn(false);
            button.focus();
        } else if (isOn && thing(target)) {
            // A press chooses, and follows no link meanwhile.
            event.preventDefault();
            event.stopPropagation();
        }
        return undefined;
    };
    root.addEventListener('click', press, true);
    state.addEventListener('pointerdown', down);
    state.addEventListener('pointermove', over);
    window.addEventListener('pointerup', up);
    root.addEventListener('keydown', key, true);
    return {
        dispose: () => {
            root.removeEventListener('click', press, true);
            window.removeEventListener('pointerup', up);
            root.removeEventListener('keydown', key, true);
            root.classList.remove('is-choosing');
        },
    };
}
