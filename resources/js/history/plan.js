import { inWords } from '../common/words.js';

/**
 * A plan, of a restore or of taking out: counts what is ticked, and names the button after it. Without it all ticks work as well.
 *
 * @param {HTMLElement} root
 * @returns {() => void}
 */
export function attachPlan(root) {
    const plan = root.querySelector('[data-plan]');
    const button = /** @type {HTMLButtonElement | null} */ (root.querySelector('[data-restore]'));
    const toggle = /** @type {HTMLButtonElement | null} */ (root.querySelector('[data-tick-all]'));
    const count = root.querySelector('[data-plan-count]');
    if (!plan || !button || !toggle || !count) return () => {};
    const ticks = /** @type {HTMLInputElement[]} */ ([...plan.querySelectorAll('[data-pick]')]);
    const beside = /** @type {HTMLInputElement[]} */ ([...plan.querySelectorAll('[data-pick-data]')]);
    const whole = button.textContent ?? '';
    const tickedIn = (/** @type {string} */ column) => plan.querySelectorAll(`[data-column="${column}"] :checked`).length;

    const show = () => {
        const ticked = ticks.filter((tick) => tick.checked).length;
        const data = beside.filter((tick) => tick.checked).length;
        count.textContent = inWords('history.plan.come_back_go_away', {
            back: tickedIn('back'),
            away: tickedIn('away'),
            data: data > 0 ? inWords('history.plan.of_its_data', { data }) : '',
        });
        button.textContent =
            ticked === ticks.length && data === 0
                ? whole
                : ticked > 0 && data > 0
                  ? inWords('history.plan.bring_both_back')
                  : (button.dataset.some ?? whole);
        button.disabled = ticked + data === 0;
        toggle.textContent = ticked === 0 ? inWords('history.plan.tick_all') : inWords('history.plan.tick_none');
    };
    const toggled = () => {
        const all = ticks.every((tick) => !tick.checked);
        for (const tick of ticks) tick.checked = all;
        show();
    };
    toggle.hidden = ticks.length < 2;
    plan.addEventListener('change', show);
    toggle.addEventListener('click', toggled);
    // A page that was gone back to keeps its ticks.
    show();

    return () => {
        plan.removeEventListener('change', show);
        toggle.removeEventListener('click', toggled);
    };
}
