/**
 * Alt+W, from anywhere: the history of what one is at. A desk says by `data-what-was` what that is; in the history it is the change that
 * was chosen last, or the first. With Shift: what others changed in the item since one wrote in it last.
 *
 * @param {HTMLElement} root
 */
export function attachWhatWas(root) {
    root.ownerDocument.addEventListener('keydown', (event) => {
        if (event.code !== 'KeyW' || !event.altKey || event.ctrlKey || event.metaKey) return;
        const item = /^\/items\/[^/]+/.exec(location.pathname)?.[0];
        if (event.shiftKey) {
            if (!item) return;
            event.preventDefault();
            location.assign(`${item}/history/at?when=mine`);
            return;
        }
        const of = /** @type {HTMLElement | null} */ (root.ownerDocument.activeElement?.closest('[data-history-of]') ?? null);
        if (of) {
            event.preventDefault();
            location.assign(of.dataset.historyOf ?? '');
            return;
        }
        const link = /** @type {HTMLElement | null} */ (
            root.querySelector('[data-what-was]:not([hidden])') ??
                root.querySelector('.entry[aria-current] .entry-history') ??
                root.querySelector('.entry-history')
        );
        if (!link) return;
        event.preventDefault();
        link.click();
    });
}
