/** How much of the later picture lies over the earlier one, on whichever page is shown. @param {Document} page */
export function attachFade(page) {
    page.addEventListener('input', (event) => {
        const range = event.target;
        if (!(range instanceof HTMLInputElement) || !range.matches('[data-fade]')) return;
        const over = /** @type {HTMLElement | SVGElement | null} */ (range.closest('figure')?.querySelector('.is-over') ?? null);
        if (over) over.style.opacity = String(Number(range.value) / 100);
    });
}
