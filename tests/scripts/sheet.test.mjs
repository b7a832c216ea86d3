import assert from 'node:assert/strict';
import { test } from 'node:test';
import { separated } from '../../resources/js/kinds/spreadsheet/clipboard.js';
import { commands, carryOn } from '../../resources/js/kinds/spreadsheet/commands.js';
import { keep, letters, shifted, spell } from '../../resources/js/kinds/spreadsheet/formula.js';
import { newId } from '../../resources/js/common/new-id.js';
import { Sheet } from '../../resources/js/kinds/spreadsheet/model.js';
import { SheetDesk } from '../../resources/js/kinds/spreadsheet/sheet-desk.js';
import { dressed, formulaOf, lookOf, resultOf } from '../../resources/js/kinds/spreadsheet/cell.js';
import { editable, shown, typed, writingOf } from '../../resources/js/kinds/spreadsheet/values.js';

const parts = (rows, tab = 1, name = 'Log') => [
    [`tab${tab}`, 'tab', 0, { name, frozen: 1 }],
    ...rows[0].map((_, at) => [`t${tab}c${at}`, 'column', 1, { width: 0, format: '' }]),
    ...rows.map((cells, row) => [
        `t${tab}r${row}`,
        'row',
        1,
        Object.fromEntries(cells.map((value, at) => [`t${tab}c${at}`, value]).filter(([, value]) => value !== '')),
    ]),
];
const sheet = () =>
    new Sheet([
        ...parts([
            ['Item', 'Kg', 'Tip'],
            ['Toaster', 1.8, 2],
            ['Lamp', 1.1, 0],
            ['Radio', 2.2, 5],
            ['Total', ['=', 'SUM([t1r1.t1c1]:[t1r3.t1c1])', 5.1], ''],
        ]),
        ...parts([['Who'], ['Ines']], 2, "We've 2"),
    ]);
const plain = (of) => JSON.parse(JSON.stringify(of.tabs));

/** A grid that is only its choice. */
const grid = (of, top, left, bottom = top, right = left, tab = of.tabs[0]) => ({
    tab, rows: tab.rows, filter: null, at: { row: bottom, column: right }, from: { row: top, column: left },
    range: { top, left, bottom, right }, row: tab.rows[bottom], column: tab.columns[right],
    get chosen() {
        return tab.rows.slice(top, bottom + 1).flatMap((row) => tab.columns.slice(left, right + 1).map((column) => [row, column]));
    },
    choose() {}, open() {},
});

test('a formula is spelled in letters and numbers and kept by ids', () => {
    const of = sheet();
    for (const formula of [
        'SUM(A1:A3)*$B$2+"A1 [r.c]"&LOG10(2)',
        "'We''ve 2'!A1+B2",
        'SUM(A:B)+SUM(2:3)+SUM($A$1:C$5)',
        'C2*TRUE',
        '#REF!+1',
    ]) {
        assert.equal(spell(keep(formula, 't1r1', of), 't1r1', of), formula);
    }
    assert.equal(keep('sum(b2:b4)', 't1r4', of), 'SUM([t1r1.t1c1]:[t1r3.t1c1])');
    assert.equal(keep('B5*2', 't1r4', of), '[.t1c1]*2', 'its own row is left out');
    assert.equal(keep('SUM(B2:B99)+Z1', 't1r0', of), 'SUM([t1r1.t1c1]:[t1r4.t1c1])+#REF!');
    of.run([{ do: 'remove', ids: ['t1r1'] }]);
    assert.equal(spell('[t1r1.t1c1]+[t1r2.t1c1]', 't1r4', of), '#REF!+B2');
    assert.deepEqual([letters(0), letters(25), letters(26), letters(701)], ['A', 'Z', 'AA', 'ZZ']);
});

test('semicolons between values and commas before decimals are read as what they are', () => {
    const of = sheet();
    for (const [written, formula] of [
        ['IF(A1>2;1,5;"a;1,5")', 'IF(A1>2,1.5,"a;1,5")'],
        ['A1*1,5', 'A1*1.5'],
        ['SUM(A1,5)*2,5', 'SUM(A1,5)*2.5'],
        ['(1,5)', '(1,5)'],
        ['MAX(MAX(MAX(MAX(MAX(1))),2,3))', 'MAX(MAX(MAX(MAX(MAX(1))),2,3))'],
        ['SUM((A1),MAX(1,2))', 'SUM((A1),MAX(1,2))'],
        ["SUM('We''ve 2'!A1;B2)", "SUM('We''ve 2'!A1,B2)"],
    ]) {
        assert.equal(spell(keep(written, 't1r1', of), 't1r1', of), formula);
    }
});

test('a formula that is carried elsewhere moves what has no dollar', () => {
    const of = sheet();
    assert.equal(spell(shifted(keep('B2*$C$2', 't1r1', of), 't1r1', 't1r3', 2, 0, of), 't1r3', of), 'B4*$C$2');
    assert.equal(spell(shifted(keep('B3+1', 't1r1', of), 't1r1', 't1r2', 1, 1, of), 't1r2', of), 'C4+1');
    assert.equal(shifted(keep('B5', 't1r3', of), 't1r3', 't1r4', 1, 0, of), '#REF!');
});

test('what is typed is read as what it looks like', () => {
    assert.deepEqual(
        [typed('1.80'), typed('1,234.5'), typed('12%'), typed('12.5 %')],
        [{ value: 1.8 }, { value: 1234.5 }, { value: 0.12, format: '0%' }, { value: 0.125, format: '0.0%' }],
    );
    assert.deepEqual(
        [typed('2026-5-3'), typed('3 May 2026'), typed('31 Feb 2026'), typed('3.5.2026'), typed('31.2.2026')],
        [
            { value: ['d', '2026-05-03'] },
            { value: ['d', '2026-05-03'] },
            { value: '31 Feb 2026' },
            { value: ['d', '2026-05-03'] },
            { value: '31.2.2026' },
        ],
    );
    assert.deepEqual(
        [typed('true'), typed("'007"), typed('=A1'), typed('='), typed(''), typed('1.2.3')],
        [{ value: true }, { value: '007' }, { formula: 'A1' }, { value: '=' }, {}, { value: '1.2.3' }],
    );
    // The only way a number can be read is the way it is read; where there are two, points are before decimals, as they are shown.
    assert.deepEqual(
        ['412,50', '1.204,75', '1 204,75', '1,234', '1.234', '12,5 %', '-,5'].map((text) => typed(text).value),
        [412.5, 1204.75, 1204.75, 1234, 1.234, 0.125, -0.5],
    );
    assert.deepEqual(
        ['007', '12345678901234567', '1,20,5', '1 2', '.', ',', '+'].map((text) => typed(text).value),
        ['007', '12345678901234567', '1,20,5', '1 2', '.', ',', '+'],
    );
    assert.deepEqual(
        [writingOf(['1.204', '12,5', 'tea']).decimal, writingOf(['1,204', '12.5']).decimal, writingOf(['1,204']).decimal],
        [',', '.', '.'],
    );
    assert.deepEqual(
        ['1.204', '12,5', '7', '0.5'].map((text) => typed(text, { decimal: ',' }).value),
        [1204, 12.5, 7, '0.5'],
    );
    for (const value of [0.1 + 0.2, 1e21, 1.8, -3, 'tea', '007', '=x', true, ['d', '2026-05-03'], ['d', '2026-05-03T14:05']])
        assert.deepEqual(typed(editable(value)).value, value, 'what is edited and left alone stays what it is');
});

test('values are shown as their formats say', () => {
    assert.deepEqual(
        [shown(0.6041666, 'hh:mm'), shown(1.25, '[h]:mm'), shown(0.75, 'h:mm AM/PM'), shown(-0.25, 'hh:mm:ss'), shown(12.5, '0.00 "h"')],
        ['14:30', '30:00', '6:00 PM', '-06:00:00', '12.50 h'],
    );
    assert.deepEqual(
        [shown(1234.5, '#,##0.00'), shown(0.125, '0.0%'), shown(-2, '"€" #,##0.00'), shown(0.1 + 0.2, ''), shown(12, '0')],
        ['1,234.50', '12.5%', '-€ 2.00', '0.3', '12'],
    );
    assert.deepEqual(
        [
            shown(['d', '2026-05-03'], 'd mmm yyyy'),
            shown(['d', '2026-05-03'], ''),
            shown(['!', '#DIV/0!'], '0'),
            shown(['*', 'b', '=', 'x', true], ''),
        ],
        ['3 May 2026', '2026-05-03', '#DIV/0!', 'TRUE'],
    );
    assert.deepEqual(
        [lookOf(['*', 'b|0', 5]), formulaOf(['*', 'b', '=', 'A', 5]), resultOf(['=', 'A', '!', '#REF!']), dressed(undefined, 'b')],
        ['b|0', 'A', ['!', '#REF!'], ['*', 'b']],
    );
});

test('a clipboard of another program is cells', () => {
    assert.deepEqual(separated('a\tb\r\n"x\ty"\t"say ""so"""\r\n'), [['a', 'b'], ['x\ty', 'say "so"']]);
    assert.deepEqual(separated('one'), [['one']]);
});

test('whatever is done can be undone and done again', () => {
    let seed = Number(process.env.SEED ?? Date.now() % 100000);
    console.log(`sheet: SEED=${seed}`);
    const random = (below) => (seed = (seed * 1103515245 + 12345) % 2147483648) % below;
    const of = sheet();
    const states = [plain(of)];
    const names = [
        'bold',
        'empty',
        'fill-down',
        'fill-right',
        'row-above',
        'row-below',
        'row-remove',
        'row-up',
        'row-down',
        'column-before',
        'column-after',
        'column-remove',
        'column-left',
        'column-right',
        'sort-up',
        'sort-down',
        'header',
        'tab-add',
        'tab-copy',
        'tab-right',
        'tab-remove',
        'tab-rename',
        'format',
    ];
    for (let round = 0; round < 120; round++) {
        const tab = of.tabs[random(of.tabs.length)];
        const [top, left] = [random(tab.rows.length), random(tab.columns.length)];
        const at = grid(
            of,
            top,
            left,
            Math.min(tab.rows.length - 1, top + random(3)),
            Math.min(tab.columns.length - 1, left + random(2)),
            tab,
        );
        const before = JSON.stringify(plain(of));
        commands(of, at)[names[random(names.length)]]('two');
        if (JSON.stringify(plain(of)) !== before) states.push(plain(of));
    }
    const last = states.at(-1);
    for (const state of states.slice(0, -1).reverse()) {
        of.undo();
        assert.deepEqual(plain(of), state);
    }
    for (let again = 0; again < states.length; again++) of.redo();
    assert.deepEqual(plain(of), last);
});

test('of cells and new rows it is said where they stood before', () => {
    const of = sheet();
    const whole = (id) => of.wholePosition(id);
    const [one, three] = [whole('t1r1'), whole('t1r3')];
    of.run([
        {
            do: 'place',
            places: [
                ['newa', 'row', 'tab1', 't1r1', { t1c0: 'Kettle' }],
                ['newb', 'row', 'tab1', 'newa', { t1c0: 'Lamp' }],
            ],
        },
    ]);
    of.run([
        {
            do: 'cells',
            cells: [
                ['t1r3', 't1c1', 3],
                ['t1r1', 't1c1', 4],
            ],
        },
    ]);
    assert.deepEqual(of.take().at, { t1r3: three, t1r1: one, newa: one + 1, newb: one + 1 });
});

test('what became of it is sent, and comes again when it did not arrive', () => {
    const of = sheet();
    of.run([{ do: 'cells', cells: [['t1r1', 't1c1', 18]] }]);
    of.run([{ do: 'place', places: [['newrow', 'row', 'tab1', 't1r1', { t1c0: 'Kettle' }]] }]);
    of.run([{ do: 'remove', ids: ['t1r2'] }]);
    const sent = of.take();
    assert.deepEqual(sent, {
        removed: ['t1r2'],
        placed: [['newrow', 'row', 'tab1', 't1r1', { t1c0: 'Kettle' }]],
        cells: { t1r1: { t1c1: 18 } },
    });
    of.run([{ do: 'cells', cells: [['t1r3', 't1c1', 3]] }]);
    of.untake();
    assert.deepEqual(of.take().cells, { t1r1: { t1c1: 18 }, t1r3: { t1c1: 3 } });
    of.run([{ do: 'cells', cells: [['t1r1', 't1c1', 19]] }]);
    const others = of.arrived({
        cells: { t1r1: { t1c1: 7 }, t1r3: { t1c2: 9 }, t1r4: { t1c1: ['=', 'SUM([t1r1.t1c1]:[t1r3.t1c1])', 22] } },
    });
    assert.deepEqual(
        [others, of.value('t1r1', 't1c1'), of.value('t1r3', 't1c2'), of.isDirty],
        [true, 19, 9, true],
        'what was typed since stays',
    );
    assert.deepEqual(of.take(), { removed: [], cells: { t1r1: { t1c1: 19 } }, at: { t1r1: 5 } }, 'with its place among all parts');
    assert.equal(of.arrived({ cells: { t1r4: { t1c1: ['=', 'SUM([t1r1.t1c1]:[t1r3.t1c1])', 23] } } }), false, 'a result is nobody’s edit');
    assert.equal(of.isDirty, false);
    // Another window, from the state before: takes up what was kept.
    const later = sheet();
    later.takeUp(sent);
    assert.deepEqual(later.take(), sent);
});

test('of what was written in a column that went nothing is said', () => {
    const of = sheet();
    of.run([{ do: 'cells', cells: [['t1r1', 't1c1', 18], ['t1r2', 't1c1', 19], ['t1r2', 't1c2', 20]] }]);
    of.run([{ do: 'remove', ids: ['t1c1'] }]);
    assert.deepEqual(of.take(), { removed: ['t1c1'], cells: { t1r2: { t1c2: 20 } } });
});

test('what others did comes in around it', () => {
    const of = sheet();
    of.bring({
        removed: ['t1c2'],
        placed: [
            ['nr', 'row', 'tab1', 't1c1', { t1c0: 'First' }],
            ['t1r3', null, 'tab1', 'nr'],
            ['nc', 'column', 'tab1', 't1c0', { width: 60, format: '' }],
        ],
        fields: { tab1: { name: 'Book' } },
    });
    assert.deepEqual(
        of.tabs[0].rows.map((row) => row.id),
        ['nr', 't1r3', 't1r0', 't1r1', 't1r2', 't1r4'],
    );
    assert.deepEqual(
        of.tabs[0].columns.map((column) => column.id),
        ['t1c0', 'nc', 't1c1'],
    );
    assert.deepEqual([of.tabs[0].name, of.value('t1r1', 't1c2'), of.isDirty, of.position('t1r3')], ['Book', undefined, false, 1]);
});

/**
 * What the server makes of edits, by the ids of a tab's columns and rows: what moves leaves first, and comes behind its sibling. See
 * core/Kinds/Edits.php.
 */
function made(children, { removed = [], placed = [], order = {} }) {
    const gone = new Set([...removed, ...placed.map(([id]) => id)]);
    const behind = new Map();
    for (const [id, role, , after] of placed)
        if (role !== null || (children.includes(id) && !removed.includes(id)))
            behind.set(after ?? '', [...(behind.get(after ?? '') ?? []), id]);
    const woven = [];
    const put = (id) => {
        if (id !== '') woven.push(id);
        const next = behind.get(id) ?? [];
        behind.delete(id);
        next.forEach(put);
    };
    for (const id of ['', ...children.filter((each) => !gone.has(each))]) put(id);
    woven.push(...[...behind.values()].flat());
    const named = (order.tab1 ?? []).filter((id) => woven.includes(id));
    return [...woven.filter((id) => !named.includes(id)), ...named];
}

test('whatever others did while something was on its way, what stands here is what the server makes of it', () => {
    let seed = Number(process.env.SEED ?? Date.now() % 100000);
    console.log(`sheet: SEED=${seed}`);
    const random = (below) => ((seed = (seed * 1103515245 + 12345) % 2147483648) >> 8) % below;
    const names = [
        'row-above',
        'row-below',
        'row-remove',
        'row-up',
        'row-down',
        'row-up',
        'row-down',
        'column-before',
        'column-after',
        'column-remove',
        'column-left',
        'column-right',
        'sort-up',
        'sort-down',
        'undo',
        'redo',
        'empty',
    ];
    for (let life = 0; life < 150; life++) {
        const of = new Sheet(parts([['Item', 'Kg', 'Tip'], ...Array.from({ length: 7 }, (_, at) => [`r${at}`, at, 7 - at])]));
        const tab = () => of.tabs[0];
        /** Every column that there ever was. */
        const wide = new Set();
        const here = () => {
            tab().columns.forEach((column) => wide.add(column.id));
            return [...tab().columns, ...tab().rows].map((part) => part.id);
        };
        const work = (times) => {
            for (; times > 0; times--) {
                const [top, left] = [random(tab().rows.length), random(tab().columns.length)];
                commands(of, grid(of, top, left, top, left, tab()))[names[random(names.length)]]();
            }
        };
        for (let round = 0; round < 6; round++) {
            work(1 + random(3));
            of.take();
            const mine = here();
            work(random(4));
            // Others took out, moved and put in.
            const cast = (all, isLast) => {
                const left = all.filter(() => random(7) > 0 || isLast);
                for (let moves = random(3); moves > 0 && left.length > 1; moves--)
                    left.splice(random(left.length), 0, ...left.splice(random(left.length), 1));
                if (random(2) === 0) left.splice(random(left.length + 1), 0, `other${life}x${round}x${isLast ? 'c' : 'r'}`);
                return left;
            };
            const theirs = [...cast(mine.filter((id) => wide.has(id)), true), ...cast(mine.filter((id) => !wide.has(id)), false)];
            const role = (id) => (wide.has(id) || id.endsWith('xc') ? 'column' : 'row');
            of.arrived({
                removed: mine.filter((id) => !theirs.includes(id)),
                placed: theirs.map((id, at) => [id, mine.includes(id) ? null : role(id), 'tab1', theirs[at - 1] ?? null, {}]),
            });
            const since = JSON.parse(JSON.stringify(of.pending()));
            const wanted = made(theirs, since);
            const stands = here();
            assert.deepEqual(
                stands,
                [...wanted.filter((id) => wide.has(id)), ...wanted.filter((id) => !wide.has(id))],
                `life ${life}, round ${round}: ${JSON.stringify({ mine, theirs, since })}`,
            );
        }
    }
});

test('what others did to what is not saved yet waits until the server saw that two met', () => {
    const of = sheet();
    let writing = null;
    const desk = new SheetDesk(of, { takeIn: (bring) => bring(), writing: () => writing });
    const sent = () => {
        of.run([{ do: 'cells', cells: [['t1r1', 't1c2', 1]] }]);
        desk.take();
    };
    const cases = [
        [{ removed: ['t1r2'] }, true],
        [{ removed: ['t1c1'] }, true],
        [{ removed: ['tab1', 't1c0'] }, true],
        [{ cells: { t1r2: { t1c1: 7 } } }, true],
        [{ removed: ['t1r3', 't1c2'], cells: { t1r2: { t1c0: 'Lantern' } } }, false],
    ];
    for (const [edits, meets] of cases) {
        for (const how of ['typed since', 'being typed']) {
            of.replace(sheet().whole());
            [of.dirty, of.sent, writing] = [of.dirty.none(), null, null];
            sent();
            if (how === 'typed since') of.run([{ do: 'cells', cells: [['t1r2', 't1c1', 5]] }]);
            else writing = { row: 't1r2', column: 't1c1' };
            assert.equal(desk.answered({ edits }).on, meets ? 'sent' : 'root', `${how}: ${JSON.stringify(edits)}`);
            if (how === 'typed since') assert.equal(of.pending().cells.t1r2.t1c1, 5, 'it is sent still');
        }
    }
    // What was put in goes with the tab that it was put in, if nobody hears of it.
    of.replace(sheet().whole());
    [of.dirty, of.sent, writing] = [of.dirty.none(), null, null];
    sent();
    of.run([{ do: 'place', places: [['newrow', 'row', 'tab2', 't2r1', { t2c0: 'Tobi' }]] }]);
    assert.equal(desk.answered({ edits: { removed: ['tab2'] } }).on, 'sent');
    assert.deepEqual(of.pending().placed, [['newrow', 'row', 'tab2', 't2r1', { t2c0: 'Tobi' }]]);
});

test('a run goes on, a formula moves along, the rest is repeated', () => {
    const of = new Sheet(
        parts([
            [1, 'a', ['d', '2026-05-30'], ['=', '[.t1c0]*2', 2]],
            [3, 'b', '', ''],
            ['', '', '', ''],
            ['', '', '', ''],
        ]),
    );
    const fill = (from, to) => of.run([carryOn(of, grid(of, 0, 0), from, to)]);
    fill({ top: 0, bottom: 1, left: 0, right: 1 }, { top: 0, bottom: 3, left: 0, right: 1 });
    fill({ top: 0, bottom: 0, left: 2, right: 3 }, { top: 0, bottom: 2, left: 2, right: 3 });
    assert.deepEqual(
        [of.value('t1r2', 't1c0'), of.value('t1r3', 't1c0'), of.value('t1r2', 't1c1'), of.value('t1r2', 't1c2'), of.value('t1r2', 't1c3')],
        [5, 7, 'a', ['d', '2026-06-01'], ['=', '[.t1c0]*2']],
    );
});

test('ids are unlike each other', () => {
    const ids = new Set(Array.from({ length: 5000 }, newId));
    assert.equal(ids.size, 5000);
    for (const id of ids) assert.match(id, /^[A-Za-z][A-Za-z0-9_-]{3,23}$/);
});

test('a sort leaves rows that add up others, and what is not chosen, where they are', () => {
    const of = sheet();
    const said = [];
    commands(of, grid(of, 1, 1), (text) => said.push(text))['sort-up']();
    assert.deepEqual(of.tabs[0].rows.map((row) => row.id), ['t1r0', 't1r2', 't1r1', 't1r3', 't1r4'], 'the total stays last');
    assert.deepEqual(said, ['Sorted 3 rows. Row 5 stayed, since it adds others up.']);
    commands(of, grid(of, 2, 1, 3, 1), (text) => said.push(text))['sort-down']('chosen');
    assert.deepEqual(of.tabs[0].rows.map((row) => row.id), ['t1r0', 't1r2', 't1r3', 't1r1', 't1r4'], 'only the chosen two');
    commands(of, grid(of, 2, 1, 3, 1), (text) => said.push(text))['sort-down']('chosen');
    assert.equal(said.at(-1), 'They are in that order already.');
});

test('undo takes back one’s own and leaves what somebody else wrote over it', () => {
    const of = sheet();
    const left = [];
    of.leftAlone = (count) => left.push(count);
    of.run([{ do: 'cells', cells: [['t1r1', 't1c1', 20], ['t1r2', 't1c1', 30]] }]);
    of.take();
    of.arrived({});
    of.bring({ cells: { t1r1: { t1c1: 21 } } });
    of.undo();
    assert.deepEqual(
        [of.value('t1r1', 't1c1'), of.value('t1r2', 't1c1'), left],
        [21, 1.1, [1]],
        'theirs stays, mine goes back, and it is said',
    );
    of.redo();
    assert.deepEqual([of.value('t1r1', 't1c1'), of.value('t1r2', 't1c1')], [21, 30]);

    // A row that I put in, and in which somebody else wrote.
    of.run([{ do: 'place', places: [['mine', 'row', 'tab1', 't1r1', {}]] }]);
    of.take();
    of.arrived({});
    of.bring({ cells: { mine: { t1c0: 'Kettle' } } });
    of.undo();
    assert.equal(of.value('mine', 't1c0'), 'Kettle');

    // An order that somebody else made since.
    of.run([{ do: 'order', tab: 'tab1', rows: ['t1r0', 't1r3', 't1r1', 'mine', 't1r2', 't1r4'] }]);
    of.take();
    of.arrived({});
    of.bring({ placed: [['t1r3', null, 'tab1', 't1r2']] });
    of.undo();
    assert.deepEqual(of.tabs[0].rows.map((row) => row.id), ['t1r0', 't1r1', 'mine', 't1r2', 't1r3', 't1r4']);
    assert.deepEqual(left, [1, 1, 1]);
});

test('what is put in is chosen, so that it is written in next', () => {
    const of = sheet();
    const at = grid(of, 1, 1, 2, 1);
    at.choose = (spot) => (at.at = spot);
    commands(of, at)['row-below']();
    assert.deepEqual([at.from, at.at], [{ row: 3, column: 1 }, { row: 4, column: 1 }]);
    assert.deepEqual(of.tabs[0].rows[3].cells, {});
});

test('what others wrote in something that was taken away here goes to the server first', () => {
    for (const [what, edits] of [
        [['t1r2'], { cells: { t1r2: { t1c0: 'Heater' } } }],
        [['t1c1'], { cells: { t1r2: { t1c1: 7 } } }],
        [['tab2'], { cells: { t2r1: { t2c0: 'Nell' } } }],
        [['tab2'], { fields: { tab2: { name: 'People' } } }],
        [['tab2'], { placed: [['rnew1', 'row', 'tab2', 't2r1', {}]] }],
    ]) {
        const of = sheet();
        const desk = new SheetDesk(of, { takeIn: (bring) => bring(), writing: () => null });
        of.run([{ do: 'cells', cells: [['t1r1', 't1c0', 'Kettle']] }]);
        desk.take();
        of.run([{ do: 'remove', ids: what }]);
        assert.deepEqual(desk.answered({ edits }), { on: 'sent', merged: true }, JSON.stringify(edits));
        assert.deepEqual(desk.take().edits.removed, what, 'the removal is sent as one of the state that was sent');
    }
    const of = sheet();
    const desk = new SheetDesk(of, { takeIn: (bring) => bring(), writing: () => null });
    of.run([{ do: 'cells', cells: [['t1r1', 't1c0', 'Kettle']] }]);
    desk.take();
    of.run([{ do: 'remove', ids: ['t1r2'] }]);
    assert.equal(desk.answered({ edits: { removed: ['t1r2'], cells: { t1r3: { t1c0: 'Clock' } } } }).on, 'root', 'both took it away');
});

test('what is written in a row that came back on both sides is sent', () => {
    const of = sheet();
    const desk = new SheetDesk(of, { takeIn: (bring) => bring(), writing: () => null });
    of.run([{ do: 'remove', ids: ['t1r2'] }]);
    desk.take();
    of.undo();
    desk.answered({ edits: { placed: [['t1r2', 'row', 'tab1', 't1r1', { t1c0: 'Heater', t1c1: 1.1 }]] } });
    assert.equal(of.value('t1r2', 't1c0'), 'Heater');
    of.run([{ do: 'cells', cells: [['t1r2', 't1c1', 9]] }]);
    assert.deepEqual(desk.take().edits.cells, { t1r2: { t1c1: 9 } });
});

test('a result that is shown ahead of the state that one builds on is taken back with the next answer', () => {
    const of = sheet();
    let writing = { row: 't1r1', column: 't1c0' };
    const desk = new SheetDesk(of, { takeIn: (bring) => bring(), writing: () => writing });
    const [before, ahead] = [5.1, 99].map((result) => ['=', 'SUM([t1r1.t1c1]:[t1r3.t1c1])', result]);
    of.run([{ do: 'cells', cells: [['t1r2', 't1c2', 1]] }]);
    desk.take();
    assert.equal(desk.answered({ edits: { cells: { t1r1: { t1c0: 'Kettle' }, t1r4: { t1c1: ahead } } } }).on, 'sent');
    assert.deepEqual(of.value('t1r4', 't1c1'), ahead);
    writing = null;
    of.run([{ do: 'cells', cells: [['t1r1', 't1c0', 'Typed']] }]);
    desk.take();
    desk.answered({ edits: {} });
    assert.deepEqual(of.value('t1r4', 't1c1'), before, 'the server says nothing of it, as it is what was sent');
});
