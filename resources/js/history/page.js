/**
 * On a page looked back at: lines from where blocks stood to where they are, and pictures laid over each other.
 *
 * @param {HTMLElement} root
 * @returns {{dispose: () => void}}
 */
export function page(root) {
    const place = /** @type {HTMLElement | null} */ (root.querySelector('[data-traced]'));
    const resize = place ? new ResizeObserver(() => draw(place)) : null;
    if (place) resize?.observe(place);
    /** @param {Event} event */
    const slide = (event) => {
        const input = event.target;
        if (!(input instanceof HTMLInputElement) || !input.hasAttribute('data-slide')) return;
        /** @type {HTMLElement | null} */ (input.closest('[data-pictures]'))?.style.setProperty('--slide', `${input.value}%`);
    };
    root.addEventListener('input', slide);
    return {
        dispose: () => {
            resize?.disconnect();
            root.removeEventListener('input', slide);
        },
    };
}

/** @param {HTMLElement} place */
function draw(place) {
    place.querySelector(':scope > .page-lines')?.remove();
    const around = place.getBoundingClientRect();
    const svg = document.createElementNS('http://www.w3.org/2000/svg', 'svg');
    svg.setAttribute('class', 'page-lines');
    svg.setAttribute('aria-hidden', 'true');
    for (const trace of place.querySelectorAll('[data-trace]')) {
        const block = document.getElementById(`part-${/** @type {HTMLElement} */ (trace).dataset.trace}`);
        if (!block || !trace.getClientRects().length) continue;
        const [from, to] = [trace.getBoundingClientRect(), block.getBoundingClientRect()];
        const beside = from.right <= to.left + 4 || to.right <= from.left + 4;
        const left = from.left > to.left + 4;
        const [x1, y1] = [(beside && left ? from.left : from.right) - around.left, from.top + from.height / 2 - around.top];
        const [x2, y2] = [(beside ? (left ? to.right : to.left) : to.right) - around.left, Math.min(to.top + 18, to.bottom) - around.top];
        const path = document.createElementNS('http://www.w3.org/2000/svg', 'path');
        const out = beside ? (x1 + x2) / 2 : Math.max(x1, x2) + 26;
        path.setAttribute('d', `M${x1} ${y1}C${out} ${y1} ${out} ${y2} ${x2} ${y2}`);
        const by = [...block.classList].find((name) => name.startsWith('by-'));
        if (by) path.setAttribute('class', by);
        svg.append(path);
    }
    place.append(svg);
}
