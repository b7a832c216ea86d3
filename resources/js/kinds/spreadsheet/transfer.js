import { figure } from '../../common/figures.js';
import { readCell } from './cell-editor.js';
import { carriedTo, cellsOf, copyOut } from './clipboard.js';
import { writingOf } from './values.js';
import { inWords } from '../../common/words.js';

/** The most cells that are pasted at once. */
const MOST = 400_000;

/**
 * Copying, cutting and pasting.
 *
 * @param {import('./model.js').Sheet} sheet
 * @param {import('./grid.js').Grid} grid
 * @param {Record<string, (value?: string) => void>} does
 * @param {{editable: boolean, refuse: (text: string) => void}} around
 * @returns {{copy: (event: ClipboardEvent) => void, paste: (event: ClipboardEvent) => void}}
 */
export function transfer(sheet, grid, does, { editable, refuse }) {
    /** @type {import('./clipboard.js').Copied | null} */
    let copied = null;

    /** @param {ClipboardEvent} event */
    const copy = (event) => {
        if (document.activeElement !== grid.root || !event.clipboardData) return;
        event.preventDefault();
        copied = copyOut(grid, event.clipboardData);
        if (event.type === 'cut' && editable) does.empty();
    };
    /** @param {ClipboardEvent} event */
    const paste = (event) => {
        if (document.activeElement !== grid.root || !event.clipboardData || !editable) return;
        event.preventDefault();
        const text = event.clipboardData.getData('text/plain');
        // The programs' clipboards may change the ends of lines.
        const own = copied !== null && copied.text === text.replaceAll('\r\n', '\n') ? copied : null;
        const rows = own ? own.rows : cellsOf(event.clipboardData);
        const widest = Math.max(0, ...rows.map((row) => row.length));
        if (rows.length * widest === 0) return;
        if (rows.length * widest > MOST) return refuse(inWords('spreadsheet.transfer.that_is_more_than_can_be', { most: figure(MOST) }));
        const { top, left, bottom: low, right } = grid.range;
        // One copied cell goes into all that are chosen.
        const [high, wide] = rows.length === 1 && widest === 1 ? [low - top + 1, right - left + 1] : [rows.length, widest];
        const short = {
            rows: Math.max(0, top + high - (grid.rows ?? []).length),
            columns: Math.max(0, left + wide - grid.tab.columns.length),
        };
        if (grid.filter === null && (short.rows || short.columns)) does['make-room'](`${short.rows} ${short.columns}`);
        // A column is written in one way, which its single numbers may not tell.
        const writings = own
            ? []
            : Array.from({ length: widest }, (_, over) =>
                  writingOf(rows.flatMap((row) => (typeof row[over] === 'string' ? [row[over]] : []))),
              );
        /** @type {[string, string, import('./tabs.js').Value | undefined][]} */
        const cells = [];
        for (let down = 0; down < high; down++) {
            for (let over = 0; over < wide; over++) {
                const row = (grid.rows ?? [])[top + down];
                const column = grid.tab.columns[left + over];
                const from = rows[down % rows.length][over % widest];
                if (!row || !column || from === undefined) continue;
                cells.push([
                    row.id,
                    column.id,
                    typeof from === 'string'
                        ? readCell(sheet, from, row.id, column.id, writings[over % widest])
                        : carriedTo(sheet, from.value, from.row, from.column, row.id, column.id),
                ]);
            }
        }
        sheet.run([{ do: 'cells', cells }]);
        grid.chooseRange({ top, left, bottom: top + high - 1, right: left + wide - 1 });
    };

    return { copy, paste };
}
