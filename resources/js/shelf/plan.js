import { inWords } from '../common/words.js';

/**
 * The plan of several items: an item is ticked with its lines, and counted.
 *
 * @param {HTMLElement} root
 */
export function attachShelfPlan(root) {
    const plan = root.querySelector('[data-shelf-plan]');
    const go = /** @type {HTMLButtonElement | null} */ (root.querySelector('[data-of-go]'));
    const count = root.querySelector('[data-of-count]');
    if (!plan || !go || !count) return;
    const sections = [...plan.querySelectorAll('[data-of]')].map((section) => ({
        item: /** @type {HTMLInputElement} */ (section.querySelector('[data-of-item]')),
        lines: /** @type {HTMLInputElement[]} */ ([...section.querySelectorAll('[data-of-line]')]),
    }));
    const show = () => {
        const ticked = sections.filter(({ item }) => item.checked).length;
        count.textContent = inWords(ticked === 1 ? 'shelf.plan.one_item' : 'shelf.plan.items', { count: ticked });
        go.disabled = ticked === 0;
        for (const { item, lines } of sections) item.indeterminate = item.checked && lines.some((line) => !line.checked);
    };
    plan.addEventListener('change', (event) => {
        for (const { item, lines } of sections) {
            if (event.target === item) for (const line of lines) line.checked = item.checked;
            else if (lines.some((line) => line === event.target)) item.checked = lines.some((line) => line.checked);
        }
        show();
    });
    show();
}
