import { drawAll } from './chart.js';
import { printAll, savePage } from './files.js';
import { savePagePicture, savePicture } from './pictures.js';
import { place } from './places.js';

/**
 * A report that is only read: its widgets in their places, its charts drawn, its pages turned. @param {HTMLElement} root @returns {() =>
 * void}
 */
export function attachCharts(root) {
    let stop = () => {};
    const ready = () => {
        stop();
        place(root);
        stop = drawAll(root);
    };
    /** @param {MouseEvent} event */
    const click = (event) => {
        const button = event.target instanceof Element ? /** @type {HTMLElement | null} */ (event.target.closest('button')) : null;
        const page = button?.dataset.pageOf;
        if (page) {
            for (const one of /** @type {NodeListOf<HTMLElement>} */ (root.querySelectorAll('[data-report-page]')))
                one.hidden = one.dataset.reportPage !== page;
            for (const tab of root.querySelectorAll('[data-page-of]')) tab.toggleAttribute('aria-current', tab === button);
        }
        const widget = /** @type {HTMLElement | null} */ (button?.closest('[data-part]') ?? null);
        if (button?.dataset.pictureOf && widget) savePicture(widget, button.dataset.pictureOf);
        const open = /** @type {HTMLElement | null} */ (root.querySelector('[data-report-page]:not([hidden])'));
        if (button?.dataset.pagePicture && open) savePagePicture(open, button.dataset.pagePicture);
        if (button && 'savePage' in button.dataset) savePage(root);
        if (button && 'print' in button.dataset) printAll(root);
    };
    root.addEventListener('click', click);
    root.addEventListener('swapped', ready);
    ready();
    return () => {
        stop();
        root.removeEventListener('click', click);
        root.removeEventListener('swapped', ready);
    };
}
