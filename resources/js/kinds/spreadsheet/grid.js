import { letters } from './formula.js';
import { lookOf, resultOf } from './cell.js';
import { lookParts, shown } from './values.js';
import { inWords } from '../../common/words.js';

/**
 * @typedef {import('./model.js').Sheet} Sheet
 * @typedef {import('./tabs.js').Tab} Tab
 * @typedef {{row: number, column: number}} Spot
 * @typedef {{top: number, bottom: number, left: number, right: number}} Range inclusive
 * @typedef {{row: string | undefined, column: string | undefined}} Held
 */

export const ROW = 28;
const HEAD = 26;
const NUMBERS = 52;
const WIDTH = 112;
const MORE = 5;

/**
 * A grid of which only what is in sight is in the page. One place is chosen (`at`), and a range around it from where the
 * choice began (`from`). It shows and tells; what is done with a cell is decided by who made it.
 *
 * A grid of our own: the library that was tried shows a link of its maker in a corner, needs its roles and focus put right
 * from outside, and would hold a second copy of the rows, which live by their ids here.
 */
export class Grid {
    /** @param {HTMLElement} root @param {Sheet} sheet @param {{readOnly: boolean}} how */
    constructor(root, sheet, how) {
        this.root = root;
        this.sheet = sheet;
        this.how = how;
        /** @type {Tab} */
        this.tab = sheet.tabs[0];
        /** @type {Spot} */
        this.at = { row: 0, column: 0 };
        /** @type {number | null} the column in which Tab began to lead from cell to cell */
        this.began = null;
        /** @type {Spot} */
        this.from = { row: 0, column: 0 };
        /** The parts that are at both of them: others may put rows in above, sort, or take out. @type {[Held, Held] | null} */
        this.held = null;
        /** @type {Set<string> | null} rows that a filter leaves in sight */
        this.filter = null;
        /** @type {Map<string, {monogram: string, colour: number}>} row/column => who is there */
        this.people = new Map();
        /** @type {Set<string>} cells and rows that somebody talks about */
        this.talked = new Set();
        /**
         * What lies below a row and moves the others down, such as what is said about it. @type {{row: string, line: HTMLElement} | null}
         */
        this.below = null;
        /** @type {() => void} */
        this.onChoice = () => {};
        /** Behind which row it lies, and how high it is. */
        this.gapAt = -1;
        this.gap = 0;
        /** @type {Map<number, HTMLElement>} */
        this.lines = new Map();
        this.space = element('div', 'grid-space');
        this.head = element('div', 'grid-head', { role: 'rowgroup' });
        this.body = element('div', 'grid-body', { role: 'rowgroup' });
        root.replaceChildren(this.space);
        this.space.append(this.head, this.body);
        root.setAttribute('role', 'grid');
        root.setAttribute('aria-multiselectable', 'true');
        root.tabIndex = 0;
        if (how.readOnly) root.setAttribute('aria-readonly', 'true');
        /** @type {number} */
        this.frame = 0;
        root.addEventListener('scroll', () => this.soon(), { passive: true });
        this.watch = new ResizeObserver(() => this.soon());
        this.watch.observe(root);
        this.grown = new ResizeObserver(() => this.refresh());
    }

    dispose() {
        this.watch.disconnect();
        this.grown.disconnect();
        cancelAnimationFrame(this.frame);
    }

    /** Puts something below a row, until it is given up. @param {string} row @param {HTMLElement[]} things none give it up */
    lieBelow(row, things) {
        if (this.below) this.grown.unobserve(this.below.line);
        this.below = null;
        if (things.length > 0) {
            const [line, cell] = [element('div', 'grid-below', { role: 'row' }), element('div', '', { role: 'gridcell' })];
            cell.append(...things);
            line.append(cell);
            this.below = { row, line };
            this.grown.observe(line);
        }
        this.refresh();
    }

    /**
     * Rows that stay at the top leave no room between them: what is below one of them lies below all, unless others are scrolled away
     * there. @param {number} row
     */
    hasRoomBelow(row) {
        return row >= (this.frozen ?? 0) || this.root.scrollTop === 0;
    }

    /** Where a row begins, from the top of all of them. @param {number} at */
    topOf(at) {
        return at * ROW + (this.below && at > this.gapAt ? this.gap : 0);
    }

    soon() {
        if (!this.frame) this.frame = requestAnimationFrame(() => this.draw(false));
    }

    /** @param {Tab} tab */
    open(tab) {
        this.tab = tab;
        this.filter = null;
        this.at = this.from = { row: 0, column: 0 };
        this.root.scrollTo(0, 0);
        this.refresh();
        this.onChoice();
    }

    /** Everything again, as others made it: what was chosen still is, wherever it is now, and is seen where it was seen. */
    follow() {
        const { held, at: was } = this;
        const { scrollTop } = this.root;
        this.rows = this.gather();
        if (held) {
            const [at, from] = [this.spotOfHeld(held[0], was), this.spotOfHeld(held[1], this.from)];
            const [rows, columns] = [this.from.row - was.row, this.from.column - was.column];
            // What was chosen together and stands apart now is not chosen together any more.
            this.from = from.row - at.row === rows && from.column - at.column === columns ? from : at;
            if (this.began !== null) this.began += at.column - was.column;
            this.at = at;
        }
        this.refresh();
        if (this.at.row !== was.row && was.row >= (this.frozen ?? 0)) this.root.scrollTop = scrollTop + (this.at.row - was.row) * ROW;
    }

    /** @param {Held} held @param {Spot} was @returns {Spot} where its row and its column are, or where they stood */
    spotOfHeld({ row, column }, was) {
        const [down, right] = [
            (this.rows ?? []).findIndex((each) => each.id === row),
            this.tab.columns.findIndex((each) => each.id === column),
        ];
        return { row: down < 0 ? was.row : down, column: right < 0 ? was.column : right };
    }

    /** @returns {import('./tabs.js').Row[]} those of the tab that are shown, once it is one of those that there are */
    gather() {
        if (!this.sheet.tabs.includes(this.tab)) {
            const same = this.sheet.tabs.find((tab) => tab.id === this.tab.id);
            this.tab = same ?? /** @type {Tab} */ (this.sheet.tabs[0]);
            if (!same) this.filter = null;
        }
        return this.filter === null ? this.tab.rows : this.tab.rows.filter((row) => this.filter?.has(row.id));
    }

    /** Everything again: something came, went or moved. */
    refresh() {
        this.rows = this.gather();
        this.lefts = [0];
        for (const column of this.tab.columns) this.lefts.push(this.lefts[this.lefts.length - 1] + (column.width || WIDTH));
        this.at = this.inside(this.at);
        this.from = this.inside(this.from);
        this.frozen = this.filter === null ? Math.min(this.tab.frozen, this.rows.length, 8) : 0;
        this.space.style.width = `${NUMBERS + this.lefts[this.lefts.length - 1]}px`;
        this.gapAt = this.below === null ? -1 : this.rows.findIndex((row) => row.id === this.below?.row);
        if (this.below) this.gapAt = this.gapAt < 0 ? this.rows.length : Math.max(this.gapAt, this.frozen - 1);
        this.gap = this.below?.line.isConnected ? this.below.line.offsetHeight : 0;
        this.space.style.height = `${HEAD + this.topOf(this.rows.length)}px`;
        this.head.style.height = `${HEAD + this.frozen * ROW}px`;
        this.root.setAttribute('aria-rowcount', String(this.rows.length + 1));
        this.root.setAttribute('aria-colcount', String(this.tab.columns.length + 1));
        this.root.setAttribute('aria-label', this.tab.name);
        this.lines.clear();
        // What somebody writes below a row keeps the focus.
        const line = this.below && this.gapAt < this.rows.length ? this.below.line : null;
        for (const old of [...this.body.children]) if (old !== line) old.remove();
        if (line) {
            line.style.transform = `translateY(${HEAD + (this.gapAt + 1) * ROW}px)`;
            if (line.parentElement !== this.body) this.body.append(line);
        }
        this.draw();
    }

    /** @param {Spot} spot @returns {Held} */
    heldAt({ row, column }) {
        return { row: this.rows?.[row]?.id, column: this.tab.columns[column]?.id };
    }

    /** @param {Spot} spot @returns {Spot} */
    inside({ row, column }) {
        return {
            row: Math.max(0, Math.min(row, (this.rows ?? []).length - 1)),
            column: Math.max(0, Math.min(column, this.tab.columns.length - 1)),
        };
    }

    /** @returns {Range} */
    get range() {
        return {
            top: Math.min(this.at.row, this.from.row),
            bottom: Math.max(this.at.row, this.from.row),
            left: Math.min(this.at.column, this.from.column),
            right: Math.max(this.at.column, this.from.column),
        };
    }

    /** @returns {import('./tabs.js').Row | undefined} */
    get row() {
        return this.rows?.[this.at.row];
    }

    get column() {
        return this.tab.columns[this.at.column];
    }

    /** The cells of the range, row by row. @returns {[import('./tabs.js').Row, import('./tabs.js').Column][]} */
    get chosen() {
        const { top, bottom, left, right } = this.range;
        return (this.rows ?? [])
            .slice(top, bottom + 1)
            .flatMap((row) =>
                this.tab.columns
                    .slice(left, right + 1)
                    .map((column) => /** @type {[import('./tabs.js').Row, import('./tabs.js').Column]} */ ([row, column])),
            );
    }

    /** @param {Spot} spot @param {boolean} [stretch] keeps where the choice began */
    choose(spot, stretch = false) {
        const { row, column } = this.at;
        this.at = this.inside(spot);
        if (this.at.row !== row || this.at.column !== column) this.began = null;
        if (!stretch) this.from = this.at;
        this.reveal();
        this.draw();
        this.onChoice();
    }

    /** To the cell beside it, by Tab. @param {number} right */
    beside(right) {
        const began = this.began ?? this.at.column;
        this.choose({ row: this.at.row, column: this.at.column + right });
        this.began = began;
    }

    /** To the row below or above: where what was typed from cell to cell began, or straight on. @param {number} down */
    onward(down) {
        this.choose({ row: this.at.row + down, column: this.began ?? this.at.column });
    }

    /** @param {Range} range */
    chooseRange(range) {
        this.began = null;
        this.from = this.inside({ row: range.top, column: range.left });
        this.at = this.inside({ row: range.bottom, column: range.right });
        this.draw();
        this.onChoice();
    }

    /** Scrolls to where the chosen place is. */
    reveal() {
        const lefts = this.lefts ?? [0];
        const [left, right] = [lefts[this.at.column], lefts[this.at.column + 1] ?? 0];
        if (left < this.root.scrollLeft) this.root.scrollLeft = left;
        else if (right > this.root.scrollLeft + this.root.clientWidth - NUMBERS)
            this.root.scrollLeft = right - this.root.clientWidth + NUMBERS;
        if (this.at.row < (this.frozen ?? 0)) return;
        const top = this.topOf(this.at.row) - (this.frozen ?? 0) * ROW;
        const height = this.root.clientHeight - HEAD - (this.frozen ?? 0) * ROW;
        if (top < this.root.scrollTop) this.root.scrollTop = top;
        else if (top + ROW > this.root.scrollTop + height) this.root.scrollTop = top + ROW - height;
    }

    /** @param {number} row @param {number} column @returns {HTMLElement | null} */
    cell(row, column) {
        return this.root.querySelector(`[data-line="${row}"] > [data-column="${column}"]`);
    }

    /** What is in sight. @param {boolean} [anew] also what was in sight before; else only what comes into it */
    draw(anew = true) {
        this.frame = 0;
        this.held = [this.heldAt(this.at), this.heldAt(this.from)];
        const rows = this.rows ?? [];
        const lefts = this.lefts ?? [0];
        const frozen = this.frozen ?? 0;
        const [x, y] = [this.root.scrollLeft, this.root.scrollTop];
        let first = 0;
        while (first < this.tab.columns.length - 1 && lefts[first + 1] <= x) first++;
        let last = first;
        while (last < this.tab.columns.length - 1 && lefts[last + 1] < x + this.root.clientWidth) last++;
        // A few more on each side, and by steps, so that a little to the side draws nothing again.
        const columns = { first: Math.max(0, (first - 1) & ~3), last: Math.min(this.tab.columns.length - 1, (last + 1) | 3) };
        const span = `${columns.first} ${columns.last}`;
        const wider = anew || span !== this.span;
        this.span = span;
        if (wider) this.drawHead(columns);
        const top = Math.max(frozen, Math.floor((y - this.gap) / ROW) + frozen - MORE);
        const bottom = Math.min(rows.length, Math.ceil((y + this.root.clientHeight) / ROW) + frozen + MORE);
        for (const [at, line] of this.lines) {
            if (at < top || at >= bottom) {
                line.remove();
                this.lines.delete(at);
            }
        }
        for (let at = top; at < bottom; at++) {
            let line = this.lines.get(at);
            if (!line) {
                line = element('div', 'grid-row', { role: 'row', 'aria-rowindex': String(at + 2) });
                line.dataset.line = String(at);
                line.style.transform = `translateY(${HEAD + this.topOf(at)}px)`;
                this.lines.set(at, line);
                this.body.append(line);
                this.fill(line, at, columns);
            } else if (wider) {
                this.fill(line, at, columns);
            }
        }
        const active = this.cell(this.at.row, this.at.column);
        if (active) {
            active.id = 'grid-at';
            this.root.setAttribute('aria-activedescendant', 'grid-at');
        } else {
            this.root.removeAttribute('aria-activedescendant');
        }
    }

    /** @param {{first: number, last: number}} columns */
    drawHead(columns) {
        const { left, right, top, bottom } = this.range;
        const names = element('div', 'grid-names', { role: 'row', 'aria-rowindex': '1' });
        const corner = element('div', 'grid-corner', { role: 'columnheader', 'aria-colindex': '1' });
        corner.append(sr(inWords('spreadsheet.grid.row')));
        names.append(corner);
        for (let at = columns.first; at <= columns.last && this.tab.columns.length > 0; at++) {
            const name = element('div', `grid-name${at >= left && at <= right ? ' is-in' : ''}`, {
                role: 'columnheader',
                'aria-colindex': String(at + 2),
            });
            name.dataset.name = String(at);
            name.textContent = letters(at);
            this.lay(name, at);
            const grip = element('span', 'grid-grip', { 'aria-hidden': 'true' });
            grip.dataset.grip = String(at);
            if (!this.how.readOnly) name.append(grip);
            names.append(name);
        }
        const frozen = [];
        for (let at = 0; at < (this.frozen ?? 0); at++) {
            const line = element('div', 'grid-row is-frozen', { role: 'row', 'aria-rowindex': String(at + 2) });
            line.dataset.line = String(at);
            line.style.transform = `translateY(${HEAD + at * ROW}px)`;
            this.fill(line, at, columns);
            frozen.push(line);
        }
        this.inRows = { top, bottom };
        this.head.replaceChildren(names, ...frozen);
    }

    /** @param {HTMLElement} cell @param {number} column */
    lay(cell, column) {
        const lefts = this.lefts ?? [0];
        cell.style.left = `${NUMBERS + lefts[column]}px`;
        cell.style.width = `${lefts[column + 1] - lefts[column]}px`;
    }

    /** @param {HTMLElement} line @param {number} at @param {{first: number, last: number}} columns */
    fill(line, at, columns) {
        const row = (this.rows ?? [])[at];
        const { left, right, top, bottom } = this.range;
        const number = element('div', `grid-number${at >= top && at <= bottom ? ' is-in' : ''}`, {
            role: 'rowheader',
            'aria-colindex': '1',
        });
        number.textContent = String(this.filter === null ? at + 1 : this.sheet.position(row.id) + 1);
        number.dataset.number = String(at);
        const cells = [number];
        for (let column = columns.first; column <= columns.last && this.tab.columns.length > 0; column++) {
            const { id, format } = this.tab.columns[column];
            const value = row.cells[id];
            const own = lookParts(lookOf(value));
            const of = lookParts(format);
            const marks = own.letters || of.letters;
            const result = resultOf(value);
            const isHere = at === this.at.row && column === this.at.column;
            const isIn = at >= top && at <= bottom && column >= left && column <= right;
            const cell = element(
                'div',
                [
                    'grid-cell',
                    marks.includes('b') ? 'is-bold' : '',
                    marks.includes('i') ? 'is-italic' : '',
                    /[lcr]/.exec(marks)?.[0].replace(/./, (side) => `at-${side}`) ??
                        (typeof result === 'number' || (Array.isArray(result) && result[0] === 'd')
                            ? 'at-r'
                            : typeof result === 'boolean'
                              ? 'at-c'
                              : ''),
                    Array.isArray(result) && result[0] === '!' ? 'is-error' : '',
                    isIn && (top !== bottom || left !== right) ? 'is-in' : '',
                    isHere ? 'is-at' : '',
                    this.talked.has(`${row.id}/${id}`) ? 'is-talked' : '',
                ]
                    .filter(Boolean)
                    .join(' '),
                { role: 'gridcell', 'aria-colindex': String(column + 2) },
            );
            if (isIn) cell.setAttribute('aria-selected', 'true');
            cell.dataset.column = String(column);
            cell.textContent =
                result === undefined && value !== undefined && Array.isArray(value) && value.includes('=')
                    ? '…'
                    : shown(value, own.format || of.format);
            const who = this.people.get(`${row.id}/${id}`);
            if (who) {
                cell.classList.add('is-someones', `by-${who.colour}`);
                cell.dataset.who = who.monogram;
            }
            if (at === bottom && column === right && !this.how.readOnly)
                cell.append(element('span', 'grid-handle', { 'aria-hidden': 'true', 'data-handle': '' }));
            this.lay(cell, column);
            cells.push(cell);
        }
        line.replaceChildren(...cells);
    }

    /** The place under the pointer. @param {Event} event @returns {Spot | null} */
    spotOf(event) {
        const target = /** @type {Element} */ (event.target);
        const cell = /** @type {HTMLElement | null} */ (target.closest('[data-column]'));
        const line = /** @type {HTMLElement | null} */ (target.closest('[data-line]'));
        return cell && line ? { row: Number(line.dataset.line), column: Number(cell.dataset.column) } : null;
    }
}

/** @param {string} tag @param {string} className @param {Record<string, string>} [attributes] @returns {HTMLElement} */
export function element(tag, className, attributes = {}) {
    const made = document.createElement(tag);
    made.className = className;
    for (const [name, value] of Object.entries(attributes)) made.setAttribute(name, value);
    return made;
}

/** @param {string} text */
function sr(text) {
    const span = element('span', 'is-sr-only');
    span.textContent = text;
    return span;
}
