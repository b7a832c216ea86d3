import { ask as askServer } from '../../common/ask.js';
import { foot } from '../../editor/foot.js';
import { talkStrip } from '../../talk/strip.js';
import { live } from '../../editor/live.js';
import { signInAgain } from '../../editor/sign-in.js';
import { asked } from '../../editor/where.js';
import { wayOn } from '../../editor/stuck.js';
import { Sync } from '../../sync/sync.js';
import { cellEditor } from './cell-editor.js';
import { commands } from './commands.js';
import { filters } from './filter.js';
import { Grid } from './grid.js';
import { gridKeys } from './keys.js';
import { Sheet } from './model.js';
import { pointer } from './pointer.js';
import { SheetDesk } from './sheet-desk.js';
import { toolbar } from './toolbar.js';
import { transfer } from './transfer.js';
import { menuOn } from '../../common/part-menu.js';
import { cellMenu } from './cell-menu.js';
import { inWords } from '../../common/words.js';

/** Milliseconds after which a change is sent: results are waited for. */
const SOON = 300;

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
    const sheet = new Sheet(await content(place, item, bottom.say));
    const grid = new Grid(find('grid'), sheet, { readOnly: !item.editable });
    const said = find('sheet-said');
    /** @param {string} text */
    const tell = (text) => {
        said.textContent = text;
    };
    const does = commands(sheet, grid, tell);
    sheet.leftAlone = (count) => tell(inWords(count === 1 ? 'spreadsheet.sheet.one_stayed' : 'spreadsheet.sheet.some_stayed', { count }));
    const editor = cellEditor(sheet, grid, {
        line: find('cell-line'),
        where: find('cell-place'),
        story: find('cell-story'),
        editable: item.editable,
        makeRoom: () => does['make-room']('1 0'),
    });
    const bar = toolbar(root, sheet, grid, does, () => editor.finish(true));
    const refresh = () => {
        grid.refresh();
        bar.draw();
        editor.showLine();
    };
    /** @param {() => void} bring */
    const takeIn = (bring) => {
        const shown = editor.hold();
        bring();
        grid.follow();
        bar.draw();
        shown();
    };
    const sync = new Sync(item, new SheetDesk(sheet, { takeIn, writing: () => editor.writing }), {
        say: bottom.say,
        signIn: () => signInAgain(/** @type {HTMLDialogElement} */ (root.querySelector('[data-sign-in-dialog]')), item.me),
        ...wayOn(/** @type {HTMLDialogElement} */ (root.querySelector('[data-stuck-dialog]'))),
        moved: bottom.moved,
    }, { soon: SOON, bytes: 32_000_000 });
    sheet.changed = () => {
        tell('');
        bottom.closeNote();
        refresh();
        sync.changed();
    };
    const clipboard = transfer(sheet, grid, does, { editable: item.editable, refuse: (text) => bottom.say(text, 'problem', item.number) });
    /** @param {KeyboardEvent} event */
    const keepKey = async (event) => {
        if (!(event.ctrlKey || event.metaKey) || event.key !== 's') return;
        event.preventDefault();
        if (!item.editable) return;
        editor.finish(true);
        if (await sync.save({ keep: true })) bottom.offerNote((note, of) => sync.save({ keep: true, note, of }));
    };
    /** @type {[EventTarget, string, (event: any) => void][]} */
    const listeners = [
        [grid.root, 'keydown', inCells(gridKeys(grid, does, editor, item.editable))],
        [grid.root, 'pointerdown', inCells(pointer(sheet, grid, editor, () => (refresh(), sync.changed())))],
        [grid.root, 'input', inCells(editor.typedIn)],
        [document, 'copy', inCells(clipboard.copy)],
        [document, 'cut', inCells(clipboard.copy)],
        [document, 'paste', inCells(clipboard.paste)],
        [document, 'keydown', keepKey],
    ];
    for (const [target, name, listener] of listeners) target.addEventListener(name, listener);
    const stopFilters = filters(root, sheet, grid);

    const taken = item.editable && sync.takeUp();
    refresh();
    const [row, column] = (place.dataset.at ?? asked()).split('/');
    const wanted = column === undefined ? undefined : sheet.tabOf.get(row);
    if (wanted) {
        grid.open(wanted);
        grid.choose({ row: sheet.position(row), column: Math.max(0, sheet.position(column)) });
        bar.draw();
    }
    place.removeAttribute('aria-busy');
    grid.root.focus({ preventScroll: true });
    const talks = talkStrip(root, {
        part: () => (grid.row && grid.column ? `${grid.row.id}/${grid.column.id}` : ''),
        named: () => find('cell-place').textContent ?? '',
        saved: async () => (editor.finish(true), sync.save()),
        talked: (cells) => {
            grid.talked = cells;
            grid.draw();
        },
        lay: (things) => {
            const here = grid.row && grid.hasRoomBelow(grid.at.row) ? things : [];
            if (grid.row && (here.length > 0 || grid.below !== null)) grid.lieBelow(grid.row.id, here);
            return here.length > 0;
        },
    });
    const stopMenu = menuOn(grid.root, (event) => cellMenu(event, { item, sheet, grid, talks, leave: async (/** @type {string} */ to) => {
        editor.finish(true);
        await sync.save().catch(() => null);
        location.assign(to);
    } }));
    const showsChoice = grid.onChoice;
    let talkedRow = '';
    grid.onChoice = () => {
        showsChoice();
        // What is said about a row opens below it when somebody goes there; not while they choose several.
        if (grid.row && grid.row.id !== talkedRow && grid.at.row === grid.from.row) {
            talkedRow = grid.row.id;
            talks.moved();
        }
    };
    const stopLive = live(root, sync, {
        talked: talks.upTo,
        part: () => (grid.row && grid.column ? `${grid.row.id}/${grid.column.id}` : ''),
        show: (others) => {
            grid.people = new Map(others.filter((person) => person.part).map((person) => [/** @type {string} */ (person.part), person]));
            grid.draw();
        },
    });
    if (taken) {
        bottom.say(inWords('spreadsheet.sheet.what_you_wrote_before_is_here'), 'saving', item.number);
        sync.save();
    }
    return () => {
        for (const [target, name, listener] of listeners) target.removeEventListener(name, listener);
        for (const stop of [stopMenu, talks.dispose, stopFilters, stopLive, bar.dispose, editor.dispose]) stop();
        sync.stop();
        grid.dispose();
    };
}
/** What is said lies between the rows, and is no cell. @param {(event: any) => unknown} listener */
const inCells = (listener) => (/** @type {Event} */ event) =>
    event.target instanceof Element && event.target.closest('.grid-below') ? undefined : listener(event);

/**
 * The parts that came with the page; what is too large for that is asked for.
 *
 * @param {HTMLElement} place @param {{key: string, root: string, number: number}} item gets the state that came
 * @param {import('../../sync/sync.js').Around['say']} say
 * @returns {Promise<import('./tabs.js').Part[]>}
 */
async function content(place, item, say) {
    const parts = place.dataset.parts;
    place.removeAttribute('data-parts');
    if (parts) return JSON.parse(parts);
    say('opening…', 'saving', item.number);
    const state = await askServer(`/items/${item.key}/state`, { timeout: 120_000 });
    item.root = state.root;
    item.number = state.number;
    say('', 'saved', item.number);
    return state.content;
}
