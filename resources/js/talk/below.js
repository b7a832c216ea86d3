/** What shows a part, or a cell as `row/column`, in a state that is looked at. @param {HTMLElement | null} state @param {string} of */
export function shownPart(state, of) {
    const at = CSS.escape(of);
    const all = state?.querySelectorAll(`[data-cell="${at}"], [data-part="${at}"], #part-${at}`) ?? [];
    return /** @type {HTMLElement | null} */ (
        all[all.length - 1] ?? (of.includes('/') ? state?.querySelector(`[data-part="${CSS.escape(of.split('/')[0])}"]`) : null) ?? null
    );
}

/** Lays a slip below a part, behind those that lie there. @param {HTMLElement} slip @param {HTMLElement} below */
export function put(slip, below) {
    const row = below.closest('tr');
    if (row) {
        const [line, cell] = [document.createElement('tr'), document.createElement('td')];
        line.className = 'slip-row';
        cell.colSpan = row.cells.length;
        cell.append(slip);
        line.append(cell);
        const body = row.parentElement?.tagName === 'THEAD' ? row.closest('table')?.tBodies[0] : null;
        if (body) {
            // Of a heading, before all that is under it: in a narrow window no headings are seen.
            body.insertBefore(line, [...body.rows].find((each) => !each.classList.contains('slip-row')) ?? null);
            return;
        }
        let last = row;
        while (last.nextElementSibling?.classList.contains('slip-row')) last = /** @type {HTMLTableRowElement} */ (last.nextElementSibling);
        last.after(line);
        return;
    }
    if (below.tagName === 'LI') {
        below.append(slip);
        return;
    }
    let last = /** @type {Element} */ (below);
    while (last.nextElementSibling?.classList.contains('slip')) last = last.nextElementSibling;
    last.after(slip);
}

/** Whatever lies on a grid by its own measures has no room below. @param {HTMLElement} block */
export const hasRoom = (block) =>
    block.closest('tr') !== null ||
    (getComputedStyle(block).position !== 'absolute' && getComputedStyle(block).gridRowStart === 'auto' && block.closest('svg') === null);
