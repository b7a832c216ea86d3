/** Puts widgets in their places on the grid, which the address of a style can not say. @param {HTMLElement} root */
export function place(root) {
    for (const widget of /** @type {NodeListOf<HTMLElement>} */ (root.querySelectorAll('.report-grid > [data-x]'))) {
        const { x, y, across, down } = placeOf(widget);
        widget.style.gridColumn = `${x + 1} / span ${across}`;
        widget.style.gridRow = `${y + 1} / span ${down}`;
    }
}

/** @param {HTMLElement} widget */
export const placeOf = (widget) => ({
    x: Number(widget.dataset.x),
    y: Number(widget.dataset.y),
    across: Number(widget.dataset.across),
    down: Number(widget.dataset.down),
});
