import { carryOn } from './commands.js';

/** @typedef {import('./grid.js').Spot} Spot */

/** Milliseconds between two presses that are one. */
const TWICE = 450;

/**
 * Choosing, widening and carrying on with the pointer.
 *
 * @param {import('./model.js').Sheet} sheet
 * @param {import('./grid.js').Grid} grid
 * @param {{point: (spot: Spot) => boolean, finish: (take: boolean) => void, edit: (spot: Spot) => void}} editor
 * @param {() => void} widened a width is changing, which is shown and saved but not undone step by step
 * @returns {(event: PointerEvent) => void}
 */
export function pointer(sheet, grid, editor, widened) {
    /** The last press on a cell: a second one soon opens it. The browser's own double press needs an element that stays. */
    let before = { row: -1, column: -1, at: -Infinity };

    /** @param {PointerEvent} event */
    const press = (event) => {
        const target = /** @type {HTMLElement} */ (event.target);
        if (event.button !== 0 || target.closest('.grid-edit')) return;
        const spot = grid.spotOf(event);
        const name = target.dataset.name;
        const number = target.dataset.number;
        if (target.dataset.grip !== undefined)
            return drag(event, (at, start) => width(Number(target.dataset.grip), at.clientX - start.clientX));
        if (target.dataset.handle !== undefined) return carry(event);
        if (spot && editor.point(spot)) return event.preventDefault();
        const again = spot !== null && spot.row === before.row && spot.column === before.column && event.timeStamp - before.at < TWICE;
        before = spot && !again ? { ...spot, at: event.timeStamp } : { row: -1, column: -1, at: -Infinity };
        if (spot && again) {
            event.preventDefault();
            return editor.edit(spot);
        }
        editor.finish(true);
        grid.root.focus({ preventScroll: true });
        const last = (grid.rows ?? []).length - 1;
        if (name !== undefined) {
            grid.chooseRange({ top: 0, bottom: last, left: event.shiftKey ? grid.from.column : Number(name), right: Number(name) });
        } else if (number !== undefined) {
            grid.chooseRange({
                top: event.shiftKey ? grid.from.row : Number(number),
                bottom: Number(number),
                left: 0,
                right: grid.tab.columns.length - 1,
            });
        } else if (spot) {
            grid.choose(spot, event.shiftKey);
            drag(event, (at) => {
                const over = spotAt(at);
                if (over) grid.choose(over, true);
            });
        }
    };
    /** @param {PointerEvent} event @returns {Spot | null} */
    const spotAt = (event) => {
        const under = document.elementFromPoint(event.clientX, event.clientY);
        return under ? grid.spotOf(/** @type {any} */ ({ target: under })) : null;
    };
    /** @param {PointerEvent} start @param {(at: PointerEvent, start: PointerEvent) => void} move @param {() => void} [end] */
    const drag = (start, move, end) => {
        start.preventDefault();
        grid.root.focus({ preventScroll: true });
        const on = (/** @type {PointerEvent} */ event) => move(event, start);
        const off = () => {
            window.removeEventListener('pointermove', on);
            window.removeEventListener('pointerup', off);
            end?.();
            widths = null;
        };
        window.addEventListener('pointermove', on);
        window.addEventListener('pointerup', off);
    };
    /** @type {{at: number, was: number, now: number} | null} */
    let widths = null;
    /** @param {number} at @param {number} by */
    const width = (at, by) => {
        const column = grid.tab.columns[at];
        const was = widths?.was ?? (column.width || 112);
        widths = { at, was, now: Math.max(32, Math.min(2000, Math.round(was + by))) };
        sheet.perform([{ do: 'fields', id: column.id, fields: { width: widths.now } }]);
        widened();
    };
    /** @param {PointerEvent} event */
    const carry = (event) => {
        const from = grid.range;
        let to = from;
        drag(
            event,
            (at) => {
                const over = spotAt(at);
                if (!over) return;
                const beyond = {
                    down: Math.max(over.row - from.bottom, from.top - over.row),
                    right: Math.max(over.column - from.right, from.left - over.column),
                };
                to =
                    beyond.down <= 0 && beyond.right <= 0
                        ? from
                        : beyond.down >= beyond.right
                          ? { ...from, top: Math.min(from.top, over.row), bottom: Math.max(from.bottom, over.row) }
                          : { ...from, left: Math.min(from.left, over.column), right: Math.max(from.right, over.column) };
                grid.chooseRange(to);
            },
            () => {
                if (to !== from) sheet.run([carryOn(sheet, grid, from, to)]);
            },
        );
    };

    return press;
}
