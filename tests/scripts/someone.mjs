import { carryOn, commands } from '../../resources/js/kinds/spreadsheet/commands.js';
import { keep } from '../../resources/js/kinds/spreadsheet/formula.js';
import { Sheet } from '../../resources/js/kinds/spreadsheet/model.js';

const VALUES = ['Toaster', 'Lamp', '', 1.5, -3, true, ['d', '2026-03-01'], ['!', '#REF!'], '=SUM(A1:B2)', '=A1*2', '=\'Two\'!A1&"x"', '=B:B'];
const NAMES = [
    'bold', 'align', 'format', 'empty', 'fill-down', 'fill-right', 'row-above', 'row-below', 'row-remove', 'row-up', 'row-down',
    'column-before', 'column-after', 'column-remove', 'column-left', 'column-right', 'column-width', 'sort-up', 'sort-down', 'header',
    'header-none', 'tab-add', 'tab-rename', 'tab-left', 'tab-right', 'tab-copy', 'tab-remove', 'make-room',
];
const WITH = { 'column-width': '120', 'sort-up': 'chosen', 'tab-rename': 'Named', 'make-room': '2 1', format: 'percent', align: 'r' };

/** New ids come from the seed, too. @param {() => import('./random.mjs').Random} random */
export function seedIds(random) {
    Object.defineProperty(globalThis, 'crypto', { value: { getRandomValues: (bytes) => bytes.map(() => random().under(256)) } });
}

/** The parts of a small sheet of two tabs. @param {import('./random.mjs').Random} random */
export function smallSheet(random) {
    const tab = (name, rows, columns) => [
        [`tab${name}`, 'tab', 0, { name, frozen: random.under(2) }],
        ...Array.from({ length: columns }, (_, at) => [`${name}c${at}`, 'column', 1, { width: 0, format: '' }]),
        ...Array.from({ length: rows }, (_, at) => [
            `${name}r${at}`, 'row', 1, { [`${name}c0`]: at, ...(at % 2 ? { [`${name}c1`]: 'old' } : {}) },
        ]),
    ];
    return [...tab('One', 3 + random.under(6), 2 + random.under(3)), ...tab('Two', 2, 2)];
}

/** Somebody at a sheet, who does this and that. */
export class Someone {
    /** @param {any[]} parts @param {import('./random.mjs').Random} random */
    constructor(parts, random) {
        this.sheet = new Sheet(structuredClone(parts));
        this.random = random;
        this.grid = { filter: null, choose() {}, open() {} };
    }

    /** Chooses a range of a tab. @returns {boolean} whether there is one */
    choose() {
        const tab = this.random.pick(this.sheet.tabs);
        if (!tab?.rows.length || !tab.columns.length) return false;
        const [top, left] = [this.random.under(tab.rows.length), this.random.under(tab.columns.length)];
        const bottom = Math.min(tab.rows.length - 1, top + this.random.under(3));
        const right = Math.min(tab.columns.length - 1, left + this.random.under(2));
        Object.assign(this.grid, {
            tab, rows: tab.rows, range: { top, left, bottom, right }, at: { row: top, column: left }, from: { row: top, column: left },
            row: tab.rows[top], column: tab.columns[left],
            chosen: tab.rows.slice(top, bottom + 1).flatMap((row) => tab.columns.slice(left, right + 1).map((column) => [row, column])),
        });
        return true;
    }

    step() {
        if (!this.choose()) return;
        const { sheet, grid } = this;
        const what = this.random.under(10);
        if (what < 4) this.write();
        else if (what === 4) sheet.undo();
        else if (what === 5) sheet.redo();
        else if (what === 6) {
            const bottom = Math.min(grid.tab.rows.length - 1, grid.range.bottom + 2);
            sheet.run([carryOn(sheet, grid, grid.range, { ...grid.range, bottom })]);
        } else {
            const name = this.random.pick(NAMES);
            commands(sheet, grid)[name](WITH[name]);
        }
    }

    write() {
        const value = this.random.under(3) ? this.random.pick(VALUES) : this.word();
        const isFormula = typeof value === 'string' && value[0] === '=';
        const kept = isFormula ? ['=', keep(value.slice(1), this.grid.row.id, this.sheet)] : value === '' ? undefined : value;
        this.sheet.run([{ do: 'cells', cells: [[this.grid.row.id, this.grid.column.id, kept]] }]);
    }

    /** One that is nowhere else. */
    word() {
        return `w${this.random.under(2 ** 30)}q`;
    }

    whole() {
        return this.sheet.whole();
    }

    /** What a fresh window shows. @param {any[]} parts */
    fresh(parts) {
        return new Sheet(parts).whole();
    }
}
