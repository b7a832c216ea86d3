import { newId } from '../../common/new-id.js';
import { carriedTo } from './clipboard.js';
import { shifted } from './formula.js';
import { sorting } from './sorting.js';
import { bareOf, dressed, formulaOf, lookOf } from './cell.js';
import { FORMATS, lookParts, lookWith } from './values.js';
import { inWords } from '../../common/words.js';

/**
 * @typedef {import('./grid.js').Grid} Grid
 * @typedef {import('./model.js').Sheet} Sheet
 * @typedef {import('./model.js').Op} Op
 * @typedef {import('./tabs.js').Value} Value
 * @typedef {[string, string, Value | undefined]} Write row, column, value
 */

/**
 * What the tools do, by name.
 *
 * @param {Sheet} sheet
 * @param {Grid} grid
 * @param {(text: string) => void} [say] tells what came of it
 * @returns {Record<string, (value?: string) => void>}
 */
export function commands(sheet, grid, say = () => {}) {
    /** @param {Op[]} ops */
    const run = (...ops) => sheet.run(ops);
    /** @param {(value: Value | undefined) => Value | undefined} other */
    const each = (other) =>
        run({
            do: 'cells',
            cells: grid.chosen.map(([row, column]) => /** @type {Write} */ ([row.id, column.id, other(row.cells[column.id])])),
        });

    /** All of a column is chosen: it is the column that looks so. @param {(letters: string, format: string) => string} other */
    const look = (other) => {
        const { top, bottom, left, right } = grid.range;
        const whole = top === 0 && bottom === (grid.rows ?? []).length - 1 && grid.filter === null && bottom > 0;
        /** @param {string} of */
        const changed = (of) => {
            const { letters, format } = lookParts(of);
            return other(letters, format);
        };
        if (!whole) return each((value) => dressed(bareOf(value), changed(lookOf(value))));
        run(
            ...grid.tab.columns
                .slice(left, right + 1)
                .map((column) => /** @type {Op} */ ({ do: 'fields', id: column.id, fields: { format: changed(column.format) } })),
            {
                do: 'cells',
                cells: grid.chosen
                    .filter(([row, column]) => lookOf(row.cells[column.id]) !== '')
                    .map(
                        ([row, column]) =>
                            /** @type {Write} */ ([
                                row.id,
                                column.id,
                                dressed(bareOf(row.cells[column.id]), changed(lookOf(row.cells[column.id]))),
                            ]),
                    ),
            },
        );
    };
    const isBold = () => {
        const row = grid.row;
        return (
            row !== undefined &&
            (lookParts(lookOf(row.cells[grid.column.id])).letters || lookParts(grid.column.format).letters).includes('b')
        );
    };

    /** @param {number} at @param {number} count the rows are there then */
    const addRows = (at, count) => {
        const rows = grid.tab.rows;
        const last = grid.tab.columns[grid.tab.columns.length - 1]?.id ?? null;
        let after = rows[at - 1]?.id ?? last;
        /** @type {import('./tabs.js').Place[]} */
        const places = [];
        for (let made = 0; made < count; made++) {
            const id = newId();
            places.push([id, 'row', grid.tab.id, after, {}]);
            after = id;
        }
        return /** @type {Op} */ ({ do: 'place', places });
    };
    /** @param {number} at @param {number} count */
    const addColumns = (at, count) => {
        let after = grid.tab.columns[at - 1]?.id ?? null;
        /** @type {import('./tabs.js').Place[]} */
        const places = [];
        for (let made = 0; made < count; made++) {
            const id = newId();
            places.push([id, 'column', grid.tab.id, after, { width: 0, format: '' }]);
            after = id;
        }
        return /** @type {Op} */ ({ do: 'place', places });
    };
    /** @param {'rows' | 'columns'} what @param {number} by -1 or 1 */
    const shift = (what, by) => {
        const { top, bottom, left, right } = grid.range;
        const [first, last] = what === 'rows' ? [top, bottom] : [left, right];
        const list = grid.tab[what];
        if (grid.filter !== null || first + by < 0 || last + by >= list.length) return;
        // The neighbour jumps over the chosen ones, which is the smallest move.
        const neighbour = list[by < 0 ? first - 1 : last + 1];
        const after =
            by < 0
                ? list[last].id
                : first > 0
                  ? list[first - 1].id
                  : what === 'rows'
                    ? grid.tab.columns[grid.tab.columns.length - 1].id
                    : null;
        run({ do: 'place', places: [[neighbour.id, null, grid.tab.id, after]] });
        const move = what === 'rows' ? { row: by, column: 0 } : { row: 0, column: by };
        grid.from = { row: grid.from.row + move.row, column: grid.from.column + move.column };
        grid.choose({ row: grid.at.row + move.row, column: grid.at.column + move.column }, true);
    };
    /** @param {1 | -1} direction @param {string} which `chosen` for the chosen rows, else all below the headings */
    const sort = (direction, which) => {
        const chosen =
            which === 'chosen' ? (grid.rows ?? []).slice(grid.range.top, grid.range.bottom + 1) : grid.tab.rows.slice(grid.tab.frozen);
        const { order, sorted, stayed } = sorting(grid.tab, chosen, grid.column.id, direction);
        const left =
            stayed.length === 0
                ? ''
                : stayed.length === 1
                  ? inWords('spreadsheet.commands.row_stayed_since_it_adds_others', { id: sheet.position(stayed[0].id) + 1 })
                  : inWords('spreadsheet.commands.rows_stayed_since_they_add_others', { stayed: stayed.length });
        const changes = order.some((id, at) => grid.tab.rows[at].id !== id);
        if (changes) run({ do: 'order', tab: grid.tab.id, rows: order });
        say(
            changes
                ? inWords('spreadsheet.commands.sorted', {
                      sorted: inWords(sorted === 1 ? 'spreadsheet.commands.one_row' : 'spreadsheet.commands.rows', { count: sorted }),
                      left,
                  })
                : inWords('spreadsheet.commands.they_are_in_that_order_already', { left }),
        );
    };
    /** Chooses what was put in, so that it is written in next. @param {import('./grid.js').Range} range */
    const chooseNew = ({ top, bottom, left, right }) => {
        grid.from = { row: top, column: left };
        grid.choose({ row: bottom, column: right }, true);
    };
    /** @param {boolean} down */
    const fill = (down) => {
        const { top, bottom, left, right } = grid.range;
        const rows = grid.rows ?? [];
        /** @type {Write[]} */
        const cells = [];
        for (let row = top; row <= bottom; row++) {
            for (let column = left; column <= right; column++) {
                const [fromRow, fromColumn] = down ? [rows[top], grid.tab.columns[column]] : [rows[row], grid.tab.columns[left]];
                const [toRow, toColumn] = [rows[row], grid.tab.columns[column]];
                if (fromRow !== toRow || fromColumn !== toColumn)
                    cells.push([
                        toRow.id,
                        toColumn.id,
                        carriedTo(sheet, fromRow.cells[fromColumn.id], fromRow.id, fromColumn.id, toRow.id, toColumn.id),
                    ]);
            }
        }
        run({ do: 'cells', cells });
    };
    /** @param {number} by */
    const shiftTab = (by) => {
        const at = sheet.tabs.indexOf(grid.tab);
        if (at + by < 0 || at + by >= sheet.tabs.length) return;
        const after = by > 0 ? sheet.tabs[at + 1].id : sheet.tabs[at - 2]?.id ?? null;
        run({ do: 'place', places: [[grid.tab.id, null, '', after]] });
    };
    /** @param {string} name */
    const free = (name) => {
        const taken = new Set(sheet.tabs.map((tab) => tab.name.toLowerCase()));
        for (let number = 2; ; number++) {
            const tried = number === 2 && !taken.has(name.toLowerCase()) ? name : `${name} ${number}`;
            if (!taken.has(tried.toLowerCase())) return tried;
        }
    };

    return {
        bold: () => {
            const on = !isBold();
            look((letters, format) => lookWith(on ? `${letters}b` : letters.replace('b', ''), format));
        },
        align: (side = '') => look((letters, format) => lookWith(letters.replace(/[lcr]/, '') + side, format)),
        format: (name = 'plain') => look((letters) => lookWith(letters, FORMATS[/** @type {keyof typeof FORMATS} */ (name)] ?? '')),
        empty: () => each((value) => dressed(undefined, lookOf(value))),
        undo: () => sheet.undo(),
        redo: () => sheet.redo(),
        'fill-down': () => fill(true),
        'fill-right': () => fill(false),
        'row-above': () =>
            run(addRows(sheet.position((grid.rows ?? [])[grid.range.top]?.id ?? ''), grid.range.bottom - grid.range.top + 1)),
        'row-below': () => {
            const { top, bottom, left, right } = grid.range;
            run(addRows(sheet.position((grid.rows ?? [])[bottom]?.id ?? '') + 1, bottom - top + 1));
            if (grid.filter === null) chooseNew({ top: bottom + 1, bottom: 2 * bottom - top + 1, left, right });
        },
        'rows-more': () => run(addRows(grid.tab.rows.length, 100)),
        'row-remove': () => {
            const chosen = (grid.rows ?? []).slice(grid.range.top, grid.range.bottom + 1).map((row) => row.id);
            // A tab keeps one row, so that there is something to write in.
            const keeps = chosen.length === grid.tab.rows.length ? [addRows(0, 1)] : [];
            run(...keeps, { do: 'remove', ids: chosen });
        },
        'row-up': () => shift('rows', -1),
        'row-down': () => shift('rows', 1),
        'column-before': () => run(addColumns(grid.range.left, grid.range.right - grid.range.left + 1)),
        'column-after': () => {
            const { top, bottom, left, right } = grid.range;
            run(addColumns(right + 1, right - left + 1));
            chooseNew({ top, bottom, left: right + 1, right: 2 * right - left + 1 });
        },
        'column-remove': () => {
            const chosen = grid.tab.columns.slice(grid.range.left, grid.range.right + 1).map((column) => column.id);
            const keeps = chosen.length === grid.tab.columns.length ? [addColumns(0, 1)] : [];
            run(...keeps, { do: 'remove', ids: chosen });
        },
        'column-left': () => shift('columns', -1),
        'column-right': () => shift('columns', 1),
        'column-width': (width = '0') =>
            run(
                ...grid.tab.columns
                    .slice(grid.range.left, grid.range.right + 1)
                    .map(
                        (column) =>
                            /** @type {Op} */ ({
                                do: 'fields',
                                id: column.id,
                                fields: { width: Math.max(0, Math.min(2000, Number(width))) },
                            }),
                    ),
            ),
        'sort-up': (which = '') => sort(1, which),
        'sort-down': (which = '') => sort(-1, which),
        header: () => run({ do: 'fields', id: grid.tab.id, fields: { frozen: grid.range.bottom + 1 } }),
        'header-none': () => run({ do: 'fields', id: grid.tab.id, fields: { frozen: 0 } }),
        'tab-add': () => {
            const id = newId();
            /** @type {import('./tabs.js').Place[]} */
            const places = [
                [
                    id,
                    'tab',
                    '',
                    sheet.tabs[sheet.tabs.length - 1]?.id ?? null,
                    { name: free(inWords('spreadsheet.commands.sheet')), frozen: 1 },
                ],
            ];
            let after = null;
            for (const [role, count] of /** @type {[string, number][]} */ ([['column', 10], ['row', 40]])) {
                for (let made = 0; made < count; made++) {
                    const part = newId();
                    places.push([part, role, id, after, role === 'column' ? { width: 0, format: '' } : {}]);
                    after = part;
                }
            }
            run({ do: 'place', places });
            grid.open(/** @type {import('./tabs.js').Tab} */ (sheet.parts.get(id)));
        },
        'tab-rename': (name = '') => run({ do: 'fields', id: grid.tab.id, fields: { name: name.slice(0, 100) } }),
        'tab-left': () => shiftTab(-1),
        'tab-right': () => shiftTab(1),
        'tab-copy': () => {
            const tab = grid.tab;
            const ids = new Map([tab, ...tab.columns, ...tab.rows].map((part) => [part.id, newId()]));
            /** @param {string} id */
            const twin = (id) => /** @type {string} */ (ids.get(id) ?? id);
            const copied = /** @type {string} */ (ids.get(tab.id));
            /** @param {Value} value */
            const cell = (value) => {
                const formula = formulaOf(value);
                // What it reads of its own tab it reads of the copy.
                return formula === undefined
                    ? value
                    : dressed(
                          [
                              '=',
                              formula.replace(
                                  /(\[\$?)([A-Za-z0-9_-]*)(\.\$?)([A-Za-z0-9_-]+)/g,
                                  (_, open, row, dot, column) => open + twin(row) + dot + twin(column),
                              ),
                          ],
                          lookOf(value),
                      );
            };
            /** @type {import('./tabs.js').Place[]} */
            const places = [
                [
                    copied,
                    'tab',
                    '',
                    tab.id,
                    { name: free(inWords('spreadsheet.commands.copy', { name: tab.name }).slice(0, 90)), frozen: tab.frozen },
                ],
            ];
            let after = null;
            for (const column of tab.columns) {
                places.push([twin(column.id), 'column', copied, after, { width: column.width, format: column.format }]);
                after = twin(column.id);
            }
            for (const row of tab.rows) {
                places.push([
                    twin(row.id),
                    'row',
                    copied,
                    after,
                    Object.fromEntries(Object.entries(row.cells).map(([column, value]) => [twin(column), cell(value)])),
                ]);
                after = twin(row.id);
            }
            run({ do: 'place', places });
            grid.open(/** @type {import('./tabs.js').Tab} */ (sheet.parts.get(copied)));
        },
        'tab-remove': () => {
            if (sheet.tabs.length > 1) run({ do: 'remove', ids: [grid.tab.id] });
        },
        // With what to take: rows that are there then, and columns.
        'make-room': (needed = '0 0') => {
            const [rows, columns] = needed.split(' ').map(Number);
            run(
                ...(columns > 0 ? [addColumns(grid.tab.columns.length, columns)] : []),
                ...(rows > 0 ? [addRows(grid.tab.rows.length, rows)] : []),
            );
        },
    };
}

/**
 * Carries the chosen cells on into more rows or columns: formulas move along, a run of numbers or days goes on, the rest is
 * repeated.
 *
 * @param {Sheet} sheet @param {Grid} grid @param {import('./grid.js').Range} from @param {import('./grid.js').Range} to
 * @returns {Op}
 */
export function carryOn(sheet, grid, from, to) {
    const rows = grid.rows ?? [];
    const columns = grid.tab.columns;
    const down = to.bottom > from.bottom || to.top < from.top;
    /** @type {Write[]} */
    const cells = [];
    const lines = down ? range(from.left, from.right) : range(from.top, from.bottom);
    for (const line of lines) {
        const [start, end] = down ? [from.top, from.bottom] : [from.left, from.right];
        const sources = range(start, end).map((at) =>
            down ? { row: rows[at], column: columns[line] } : { row: rows[line], column: columns[at] },
        );
        const values = sources.map(({ row, column }) => bareOf(row.cells[column.id]));
        const first = /** @type {number} */ (values[0]);
        const step =
            values.length > 1 && values.every((value) => typeof value === 'number')
                ? /** @type {number} */ (values[1]) - first
                : null;
        const isRun =
            step !== null &&
            values.every(
                (value, at) => at === 0 || Math.abs(/** @type {number} */ (value) - /** @type {number} */ (values[at - 1]) - step) < 1e-9,
            );
        const targets = down
            ? [...range(to.top, from.top - 1), ...range(from.bottom + 1, to.bottom)]
            : [...range(to.left, from.left - 1), ...range(from.right + 1, to.right)];
        for (const at of targets) {
            const offset = at - start;
            const source = sources[((offset % sources.length) + sources.length) % sources.length];
            const target = down ? { row: rows[at], column: columns[line] } : { row: rows[line], column: columns[at] };
            const value = source.row.cells[source.column.id];
            const formula = formulaOf(value);
            const look = lookOf(value);
            cells.push([
                target.row.id,
                target.column.id,
                formula !== undefined
                    ? dressed(
                          [
                              '=',
                              shifted(
                                  formula,
                                  source.row.id,
                                  target.row.id,
                                  sheet.position(target.row.id) - sheet.position(source.row.id),
                                  sheet.position(target.column.id) - sheet.position(source.column.id),
                                  sheet,
                              ),
                          ],
                          look,
                      )
                    : isRun
                      ? dressed(Number((first + offset * /** @type {number} */ (step)).toPrecision(15)), look)
                      : Array.isArray(bareOf(value)) && sources.length === 1
                        ? dressed(nextDay(/** @type {any} */ (bareOf(value)), offset), look)
                        : value,
            ]);
        }
    }
    return { do: 'cells', cells };
}

/** @param {number} from @param {number} to @returns {number[]} inclusive */
const range = (from, to) => Array.from({ length: Math.max(0, to - from + 1) }, (_, at) => from + at);

/** @param {(string | number | boolean)[]} value @param {number} days @returns {Value} */
function nextDay(value, days) {
    if (value[0] !== 'd') return value;
    const date = new Date(`${String(value[1]).slice(0, 10)}T00:00:00Z`);
    date.setUTCDate(date.getUTCDate() + days);
    return ['d', date.toISOString().slice(0, 10) + String(value[1]).slice(10)];
}
