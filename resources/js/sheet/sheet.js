import { ask as askServer } from '../common/ask.js';
import { foot } from '../editor/foot.js';
import { live } from '../editor/live.js';
import { signInAgain } from '../editor/sign-in.js';
import { Sync } from '../sync/sync.js';
import { carriedTo, cellsOf, copyOut, inLine } from './clipboard.js';
import { carryOn, commands } from './commands.js';
import { filters } from './filter.js';
import { keep, letters } from './formula.js';
import { Grid, element } from './grid.js';
import { Sheet, bareOf, dressed, lookOf } from './model.js';
import { SheetDesk } from './sheet-desk.js';
import { lookParts, lookWith, shown, typed } from './values.js';

/** @typedef {import('./grid.js').Spot} Spot */

/**
 * A spreadsheet being written: its grid, the line for the chosen cell, tabs, tools, saving and the others who are here.
 *
 * @param {HTMLElement} root
 * @returns {Promise<() => void>}
 */
export async function attachSheet(root) {
    const place = /** @type {HTMLElement} */ (root.querySelector('[data-sheet]'));
    const item = JSON.parse(place.dataset.sheet ?? '{}');
    /** @template {HTMLElement} T @param {string} name @returns {T} */
    const find = (name) => /** @type {T} */ (root.querySelector(`[data-${name}]`));
    const bottom = foot(find('foot'), item.number);
    let parts = place.dataset.parts ? JSON.parse(place.dataset.parts) : null;
    place.removeAttribute('data-parts');
    if (parts === null) {
        // Too large to come with the page.
        bottom.say('opening…', 'saving', item.number);
        const state = await askServer(`/items/${item.key}/state`, { timeout: 120000 });
        parts = state.content;
        item.root = state.root;
        item.number = state.number;
        bottom.say('', 'saved', item.number);
    }
    const sheet = new Sheet(parts);
    const grid = new Grid(find('grid'), sheet, { readOnly: !item.editable });
    const line = /** @type {HTMLTextAreaElement} */ (find('cell-line'));
    const where = find('cell-place');
    const story = /** @type {HTMLAnchorElement} */ (find('cell-story'));
    const tabs = find('tabs');
    const desk = new SheetDesk(sheet, () => refresh());
    const dialog = /** @type {HTMLDialogElement} */ (root.querySelector('[data-sign-in-dialog]'));
    const sync = new Sync(item, desk, { say: bottom.say, signIn: () => signInAgain(dialog, item.me), moved: bottom.moved }, { soon: 300, bytes: 32_000_000 });
    const does = commands(sheet, grid);
    /** @type {import('./clipboard.js').Copied | null} */
    let copied = null;
    /** @type {{spot: Spot, row: string, column: string, box: HTMLTextAreaElement} | null} */
    let editing = null;

    const refresh = () => {
        grid.refresh();
        drawTabs();
        showLine();
    };
    const drawTabs = () => {
        tabs.replaceChildren(...sheet.tabs.map((tab) => {
            const button = /** @type {HTMLButtonElement} */ (element('button', 'tab', { type: 'button', ...(tab === grid.tab ? { 'aria-current': 'true' } : {}) }));
            button.textContent = tab.name === '' ? 'without a name' : tab.name;
            button.dataset.tab = tab.id;
            return button;
        }));
    };
    const showLine = () => {
        const { row, column } = grid;
        const { top, bottom: low, left, right } = grid.range;
        line.disabled = !item.editable || !row;
        if (!row || !column) return;
        const name = `${letters(grid.at.column)}${sheet.position(row.id) + 1}`;
        const many = top !== low || left !== right;
        where.textContent = many ? `${letters(left)}${top + 1} to ${letters(right)}${low + 1}` : name;
        where.title = many ? sums() : '';
        if (document.activeElement !== line) line.value = inLine(sheet, row.id, row.cells[column.id]);
        story.href = `${story.dataset.cellStory}/${row.id}/${column.id}`;
        story.textContent = many ? sums() || `History of ${name}` : `History of ${name}`;
    };
    /** Count and sum of the chosen numbers. @returns {string} */
    const sums = () => {
        const { top, bottom: low, left, right } = grid.range;
        if ((low - top + 1) * (right - left + 1) > 200_000) return '';
        let [count, sum] = [0, 0];
        for (const [row, column] of grid.chosen) {
            const value = row.cells[column.id];
            const number = typeof value === 'number' ? value : Array.isArray(value) ? value[value.length - 1] : undefined;
            if (typeof number === 'number') [count, sum] = [count + 1, sum + number];
        }
        return count > 1 ? `${count} numbers, sum ${Number(sum.toPrecision(12))}` : '';
    };
    grid.onChoice = showLine;
    sheet.changed = () => {
        bottom.closeNote();
        refresh();
        sync.changed();
    };

    /** What was typed, as a value for a cell. @param {string} text @param {string} row @param {string} column */
    const read = (text, row, column) => {
        const { value, formula, format } = typed(text);
        const old = lookOf(sheet.value(row, column));
        const { letters: marks, format: had } = lookParts(old);
        const of = /** @type {import('./model.js').Column} */ (sheet.parts.get(column)).format;
        const look = format !== undefined && had === '' && lookParts(of).format === '' ? lookWith(marks, format) : old;
        return dressed(formula !== undefined ? ['=', keep(formula, row, sheet)] : value, look);
    };
    /** @param {Spot} spot @param {string} [text] what it begins with, instead of what is there */
    const edit = (spot, text) => {
        const row = (grid.rows ?? [])[spot.row];
        const column = grid.tab.columns[spot.column];
        if (!item.editable || !row || !column) return;
        finish(true);
        grid.choose(spot);
        const box = /** @type {HTMLTextAreaElement} */ (element('textarea', 'grid-edit', { 'aria-label': `Cell ${letters(spot.column)}${sheet.position(row.id) + 1}`, rows: '1', spellcheck: 'false', maxlength: '32767' }));
        const over = /** @type {HTMLElement} */ (grid.cell(spot.row, spot.column));
        const [from, frame] = [over.getBoundingClientRect(), grid.root.getBoundingClientRect()];
        box.style.left = `${from.left - frame.left + grid.root.scrollLeft}px`;
        box.style.top = `${from.top - frame.top + grid.root.scrollTop}px`;
        box.style.minWidth = `${from.width + 1}px`;
        box.value = text ?? inLine(sheet, row.id, row.cells[column.id]);
        editing = { spot, row: row.id, column: column.id, box };
        grid.space.append(box);
        grow();
        box.focus({ preventScroll: true });
        box.setSelectionRange(box.value.length, box.value.length);
        line.value = box.value;
    };
    const grow = () => {
        if (!editing) return;
        const { box } = editing;
        box.style.width = '0';
        box.style.width = `${Math.min(520, box.scrollWidth + 8)}px`;
        box.style.height = '0';
        box.style.height = `${box.scrollHeight}px`;
    };
    /** @param {boolean} take whether what was typed counts */
    const finish = (take) => {
        if (!editing) return;
        const { row, column, box } = editing;
        editing = null;
        const text = box.value;
        box.remove();
        if (take && text !== inLine(sheet, row, sheet.value(row, column))) sheet.run([{ do: 'cells', cells: [[row, column, read(text, row, column)]] }]);
        else showLine();
    };
    /** @param {number} down @param {number} right */
    const step = (down, right) => {
        if (down > 0 && grid.at.row === (grid.rows ?? []).length - 1 && grid.filter === null && item.editable) does['make-room']('1 0');
        grid.choose({ row: grid.at.row + down, column: grid.at.column + right });
    };
    /** In a formula that waits for one, a press on a cell writes its name. @param {Spot} spot */
    const point = (spot) => {
        const box = editing?.box ?? (document.activeElement === line ? line : null);
        if (!box || !box.value.startsWith('=') || !/[=(,+\-*/^&<>:;]\s*$/.test(box.value.slice(0, box.selectionStart))) return false;
        const row = (grid.rows ?? [])[spot.row];
        box.setRangeText(`${letters(spot.column)}${sheet.position(row.id) + 1}`, box.selectionStart, box.selectionEnd, 'end');
        grow();
        if (editing) line.value = box.value;
        return true;
    };

    /** Arrows with Control go to the end of what is written. @param {number} down @param {number} right @returns {Spot} */
    const edge = (down, right) => {
        const rows = grid.rows ?? [];
        const filled = (/** @type {Spot} */ { row, column }) => bareOf(rows[row]?.cells[grid.tab.columns[column]?.id]) !== undefined;
        let at = grid.at;
        const inside = (/** @type {Spot} */ { row, column }) => row >= 0 && column >= 0 && row < rows.length && column < grid.tab.columns.length;
        const next = (/** @type {Spot} */ spot) => ({ row: spot.row + down, column: spot.column + right });
        if (!inside(next(at))) return at;
        const run = filled(at) && filled(next(at));
        do at = next(at); while (inside(next(at)) && (run ? filled(next(at)) : !filled(at)));
        return at;
    };
    let leaving = false;
    /** @param {KeyboardEvent} event */
    const gridKey = (event) => {
        if (editing && event.target === editing.box) return editKey(event);
        if (event.target !== grid.root) return;
        const { key, shiftKey } = event;
        const held = event.ctrlKey || event.metaKey;
        const page = Math.max(1, Math.floor(grid.root.clientHeight / 28) - 3);
        /** @type {Record<string, [number, number]>} */
        const arrows = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1], PageUp: [-page, 0], PageDown: [page, 0] };
        const done = () => event.preventDefault();
        if (key === 'Escape') {
            // After it, Tab leaves the grid.
            leaving = true;
            return;
        }
        if (key === 'Tab') {
            const next = grid.at.column + (shiftKey ? -1 : 1);
            if (leaving || next < 0 || next >= grid.tab.columns.length) return;
            done();
            grid.choose({ row: grid.at.row, column: next });
            return;
        }
        leaving = false;
        if (key in arrows) {
            done();
            const [down, right] = arrows[key];
            grid.choose(held ? edge(Math.sign(down), Math.sign(right)) : { row: grid.at.row + down, column: grid.at.column + right }, shiftKey);
        } else if (key === 'Home' || key === 'End') {
            done();
            const last = grid.tab.columns.length - 1;
            grid.choose({ row: held ? (key === 'Home' ? 0 : (grid.rows ?? []).length - 1) : grid.at.row, column: key === 'Home' ? 0 : last }, shiftKey);
        } else if (held && key.toLowerCase() === 'a') {
            done();
            grid.chooseRange({ top: 0, bottom: (grid.rows ?? []).length - 1, left: 0, right: grid.tab.columns.length - 1 });
        } else if (!item.editable) {
            return;
        } else if (held && key.toLowerCase() === 'z') {
            done();
            does[shiftKey ? 'redo' : 'undo']();
        } else if (held && key.toLowerCase() === 'y') {
            done();
            does.redo();
        } else if (held && key.toLowerCase() === 'b') {
            done();
            does.bold();
        } else if (key === 'Delete' || key === 'Backspace') {
            done();
            does.empty();
        } else if (key === 'Enter') {
            done();
            edit(grid.at);
        } else if (key.length === 1 && !held && !event.altKey) {
            done();
            edit(grid.at, key);
        }
    };
    /** @param {KeyboardEvent} event */
    const editKey = (event) => {
        if (event.isComposing) return;
        if (event.key === 'Enter' && !event.altKey) {
            event.preventDefault();
            finish(true);
            grid.root.focus({ preventScroll: true });
            step(event.shiftKey ? -1 : 1, 0);
        } else if (event.key === 'Tab') {
            event.preventDefault();
            finish(true);
            grid.root.focus({ preventScroll: true });
            step(0, event.shiftKey ? -1 : 1);
        } else if (event.key === 'Escape') {
            event.preventDefault();
            finish(false);
            grid.root.focus({ preventScroll: true });
        }
    };
    /** @param {KeyboardEvent} event */
    const lineKey = (event) => {
        if (event.key === 'Enter' && !event.isComposing) {
            event.preventDefault();
            takeLine();
            grid.root.focus({ preventScroll: true });
            step(1, 0);
        } else if (event.key === 'Escape') {
            event.preventDefault();
            grid.root.focus({ preventScroll: true });
            showLine();
        }
    };
    let lineFor = '';
    const takeLine = () => {
        const [row, column] = lineFor.split('/');
        lineFor = '';
        if (column && sheet.parts.has(row) && line.value !== inLine(sheet, row, sheet.value(row, column))) sheet.run([{ do: 'cells', cells: [[row, column, read(line.value, row, column)]] }]);
    };

    /** @param {PointerEvent} event */
    const press = (event) => {
        const target = /** @type {HTMLElement} */ (event.target);
        if (event.button !== 0 || target.closest('.grid-edit')) return;
        const spot = grid.spotOf(event);
        const name = target.dataset.name;
        const number = target.dataset.number;
        if (target.dataset.grip !== undefined) return drag(event, (at, start) => width(Number(target.dataset.grip), at.clientX - start.clientX));
        if (target.dataset.handle !== undefined) return carry(event);
        if (spot && point(spot)) return event.preventDefault();
        finish(true);
        grid.root.focus({ preventScroll: true });
        const last = (grid.rows ?? []).length - 1;
        if (name !== undefined) {
            grid.chooseRange({ top: 0, bottom: last, left: event.shiftKey ? grid.from.column : Number(name), right: Number(name) });
        } else if (number !== undefined) {
            grid.chooseRange({ top: event.shiftKey ? grid.from.row : Number(number), bottom: Number(number), left: 0, right: grid.tab.columns.length - 1 });
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
        refresh();
        sync.changed();
    };
    /** @param {PointerEvent} event */
    const carry = (event) => {
        const from = grid.range;
        let to = from;
        drag(event, (at) => {
            const over = spotAt(at);
            if (!over) return;
            const beyond = { down: Math.max(over.row - from.bottom, from.top - over.row), right: Math.max(over.column - from.right, from.left - over.column) };
            to = beyond.down <= 0 && beyond.right <= 0 ? from : beyond.down >= beyond.right ? { ...from, top: Math.min(from.top, over.row), bottom: Math.max(from.bottom, over.row) } : { ...from, left: Math.min(from.left, over.column), right: Math.max(from.right, over.column) };
            grid.chooseRange(to);
        }, () => {
            if (to !== from) sheet.run([carryOn(sheet, grid, from, to)]);
        });
    };

    /** @param {ClipboardEvent} event */
    const copy = (event) => {
        if (document.activeElement !== grid.root || !event.clipboardData) return;
        event.preventDefault();
        copied = copyOut(grid, event.clipboardData);
        if (event.type === 'cut' && item.editable) does.empty();
    };
    /** @param {ClipboardEvent} event */
    const paste = (event) => {
        if (document.activeElement !== grid.root || !event.clipboardData || !item.editable) return;
        event.preventDefault();
        const text = event.clipboardData.getData('text/plain');
        // The programs' clipboards may change the ends of lines.
        const own = copied !== null && copied.text === text.replaceAll('\r\n', '\n') ? copied : null;
        const rows = own ? own.rows : cellsOf(event.clipboardData);
        const widest = Math.max(0, ...rows.map((row) => row.length));
        if (rows.length * widest === 0) return;
        if (rows.length * widest > 400_000) return bottom.say('That is more than can be put in at once: 400,000 cells.', 'problem', item.number);
        const { top, left, bottom: low, right } = grid.range;
        // One copied cell goes into all that are chosen.
        const [high, wide] = rows.length === 1 && widest === 1 ? [low - top + 1, right - left + 1] : [rows.length, widest];
        const short = { rows: Math.max(0, top + high - (grid.rows ?? []).length), columns: Math.max(0, left + wide - grid.tab.columns.length) };
        if (grid.filter === null && (short.rows || short.columns)) does['make-room'](`${short.rows} ${short.columns}`);
        /** @type {[string, string, import('./model.js').Value | undefined][]} */
        const cells = [];
        for (let down = 0; down < high; down++) {
            for (let over = 0; over < wide; over++) {
                const row = (grid.rows ?? [])[top + down];
                const column = grid.tab.columns[left + over];
                const from = rows[down % rows.length][over % widest];
                if (!row || !column || from === undefined) continue;
                cells.push([row.id, column.id, typeof from === 'string' ? read(from, row.id, column.id) : carriedTo(sheet, from.value, from.row, from.column, row.id, column.id)]);
            }
        }
        sheet.run([{ do: 'cells', cells }]);
        grid.chooseRange({ top, left, bottom: top + high - 1, right: left + wide - 1 });
    };

    /** @param {MouseEvent} event */
    const tool = (event) => {
        const button = /** @type {HTMLElement | null} */ (/** @type {Element} */ (event.target).closest('[data-do]'));
        if (!button) return;
        finish(true);
        const name = button.dataset.do ?? '';
        if (name === 'tab-rename') return rename();
        does[name]?.(button.dataset.value);
        button.closest('details')?.removeAttribute('open');
        grid.root.focus({ preventScroll: true });
    };
    const rename = () => {
        const form = find('tab-name');
        const input = /** @type {HTMLInputElement} */ (form.querySelector('input'));
        form.hidden = false;
        input.value = grid.tab.name;
        input.select();
    };
    /** @param {Event} event */
    const changeOf = (event) => {
        const select = /** @type {HTMLSelectElement} */ (event.target);
        if (!select.matches('[data-choose]')) return;
        does[select.dataset.choose ?? '']?.(select.value);
        if (select.dataset.choose === 'format') select.value = '';
        grid.root.focus({ preventScroll: true });
    };
    /** @param {Event} event */
    const renamed = (event) => {
        event.preventDefault();
        const form = /** @type {HTMLFormElement} */ (event.target);
        const name = /** @type {HTMLInputElement} */ (form.querySelector('input')).value.trim();
        form.hidden = true;
        form.closest('details')?.removeAttribute('open');
        if (name !== '') does['tab-rename'](name);
        grid.root.focus({ preventScroll: true });
    };
    /** @param {MouseEvent} event */
    const tabPress = (event) => {
        const button = /** @type {HTMLElement | null} */ (/** @type {Element} */ (event.target).closest('[data-tab]'));
        const tab = sheet.tabs.find((each) => each.id === button?.dataset.tab);
        if (!tab) return;
        finish(true);
        grid.open(tab);
        drawTabs();
        // With the mouse one goes on in the grid, by keys perhaps to the next tab.
        (event.detail > 0 ? grid.root : /** @type {HTMLElement | null} */ (tabs.querySelector('[aria-current]')))?.focus({ preventScroll: true });
    };
    const keepNow = async () => {
        finish(true);
        if (await sync.save({ keep: true })) bottom.offerNote((note) => sync.save({ keep: true, note }));
    };
    /** @param {KeyboardEvent} event */
    const keepKey = (event) => {
        if ((event.ctrlKey || event.metaKey) && event.key === 's') {
            event.preventDefault();
            if (item.editable) keepNow();
        }
    };
    const tools = root.querySelector('[data-tools]');
    const stopFilters = filters(root, sheet, grid);
    /** @type {[EventTarget | null, string, (event: any) => void][]} */
    const listeners = [
        [grid.root, 'keydown', gridKey],
        [grid.root, 'pointerdown', press],
        [grid.root, 'dblclick', (event) => grid.spotOf(event) && edit(grid.at)],
        [grid.root, 'input', () => (grow(), editing && (line.value = editing.box.value))],
        [line, 'keydown', lineKey],
        [line, 'focus', () => (lineFor = grid.row ? `${grid.row.id}/${grid.column.id}` : '')],
        [line, 'blur', () => (takeLine(), showLine())],
        [document, 'copy', copy],
        [document, 'cut', copy],
        [document, 'paste', paste],
        [tools, 'click', tool],
        [tools, 'change', changeOf],
        [root.querySelector('[data-tab-menu]'), 'click', tool],
        [root.querySelector('[data-tab-name]'), 'submit', renamed],
        [tabs, 'click', tabPress],
        [document, 'keydown', keepKey],
    ];
    for (const [target, name, listener] of listeners) target?.addEventListener(name, listener);

    const taken = item.editable && sync.takeUp();
    refresh();
    const wanted = place.dataset.at?.split('/') ?? [];
    if (wanted.length === 2 && sheet.tabOf.has(wanted[0])) {
        grid.open(/** @type {import('./model.js').Tab} */ (sheet.tabOf.get(wanted[0])));
        grid.choose({ row: sheet.position(wanted[0]), column: Math.max(0, sheet.position(wanted[1])) });
        drawTabs();
    }
    place.removeAttribute('aria-busy');
    grid.root.focus({ preventScroll: true });
    const stopLive = live(root, sync, {
        part: () => (grid.row && grid.column ? `${grid.row.id}/${grid.column.id}` : ''),
        show: (others) => {
            grid.people = new Map(others.filter((person) => person.part).map((person) => [/** @type {string} */ (person.part), person]));
            grid.draw();
        },
    });
    if (taken) {
        bottom.say('what you wrote before is here again', 'saving', item.number);
        sync.save();
    }
    return () => {
        for (const [target, name, listener] of listeners) target?.removeEventListener(name, listener);
        stopFilters();
        stopLive();
        sync.stop();
        grid.dispose();
    };
}
