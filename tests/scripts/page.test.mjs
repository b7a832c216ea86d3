import assert from 'node:assert/strict';
import { test } from 'node:test';
import { history } from 'prosemirror-history';
import { EditorState, NodeSelection, TextSelection } from 'prosemirror-state';
import { set } from '../../resources/js/editor/chosen.js';
import {
    columns,
    duplicate,
    endList,
    move,
    moveSection,
    put,
    remove,
    removeSection,
    split,
    style,
    tools,
} from '../../resources/js/kinds/page/commands.js';
import { toDocument, toParts } from '../../resources/js/kinds/page/convert.js';
import { nameOf, spokenPlace, whereabouts } from '../../resources/js/kinds/page/places.js';
import { schema } from '../../resources/js/kinds/page/schema.js';

const words = (text) => ({ runs: text === '' ? [] : [[text]] });
const text = (id) => [id, 'rich_text', 2, { style: 'plain', text: words(id) }];
const page = () => [
    ['s1', 'section', 0, { title: 'Opening hours', background: 'plain' }],
    ['c1', 'column', 1, { width: 8 }], ['b1', 'heading', 2, { level: 2, text: words('When') }], text('b2'), text('b3'),
    ['c2', 'column', 1, { width: 4 }], text('b4'),
    ['s2', 'section', 0, { title: '', background: 'tinted' }],
    ['c3', 'column', 1, { width: 12 }],
    ['b5', 'hours', 2, { title: 'Benches', days: ['Sat'], times: ['10 to 3'] }],
    ['b6', 'divider', 2, {}],
];

/** Where a part begins. */
function posOf(doc, id) {
    let found = -1;
    doc.descendants((node, pos) => {
        if (node.attrs.id === id) found = pos;
    });
    return found;
}

const open = (parts = page()) => EditorState.create({ doc: toDocument(parts), plugins: [history()] });
const at = (state, id) => state.apply(state.tr.setSelection(NodeSelection.create(state.doc, posOf(state.doc, id))));
const caret = (state, id) => state.apply(state.tr.setSelection(TextSelection.create(state.doc, posOf(state.doc, id) + 1)));
function run(state, command) {
    let next = null;
    const did = command(state, (transaction) => {
        next = state.apply(transaction);
    });
    assert.ok(did && next, 'it did something');
    return next;
}
/** The page in short: s1(c1(b1 b2) c2()); a part without an id of its own is `*`. */
function brief(state) {
    const show = (node) => {
        const id = node.attrs.id ?? '*';
        if (node.isTextblock || node.isLeaf) return id;
        const children = [];
        node.forEach((child) => children.push(show(child)));
        return `${id}(${children.join(' ')})`;
    };
    const sections = [];
    state.doc.forEach((node) => sections.push(show(node)));
    return sections.join(' ');
}
const START = 's1(c1(b1 b2 b3) c2(b4)) s2(c3(b5 b6))';

test('a page goes into the editor and comes out as it was', () => {
    assert.equal(brief(open()), START);
    assert.deepEqual(toParts(open().doc), page());
});

test('a block is carried up, down, across and into the next section, and each step is undone by itself', () => {
    let state = at(open(), 'b2');
    assert.equal(brief(run(state, move('up'))), 's1(c1(b2 b1 b3) c2(b4)) s2(c3(b5 b6))');
    state = run(state, move('right'));
    assert.equal(brief(state), 's1(c1(b1 b3) c2(b4 b2)) s2(c3(b5 b6))');
    state = run(state, move('down'));
    assert.equal(brief(state), 's1(c1(b1 b3) c2(b4)) s2(c3(b2 b5 b6))');
    assert.equal(spokenPlace(state), 'the only column, 1 of 3, section 2 of 2');
    state = run(state, move('up'));
    assert.equal(brief(state), 's1(c1(b1 b3 b2) c2(b4)) s2(c3(b5 b6))', 'into the column that stands above');
    for (let step = 0; step < 3; step++) state = run(state, tools.undo);
    assert.equal(brief(state), START);
});

test('there is an end to every way', () => {
    assert.equal(move('left')(at(open(), 'b2')), false);
    assert.equal(move('up')(at(open(), 'b1')), false);
    assert.equal(move('down')(at(open(), 'b6')), false);
    assert.equal(move('down')(at(open(), 'c1')), false);
});

test('columns and sections move as a whole', () => {
    assert.equal(brief(run(at(open(), 'c1'), move('right'))), 's1(c2(b4) c1(b1 b2 b3)) s2(c3(b5 b6))');
    assert.equal(brief(run(caret(open(), 'b4'), moveSection('down'))), 's2(c3(b5 b6)) s1(c1(b1 b2 b3) c2(b4))');
    assert.equal(moveSection('up')(caret(open(), 'b4')), false);
});

test('with other columns nothing is lost: what stood in those that go joins the last', () => {
    const one = run(caret(open(), 'b1'), columns([12]));
    assert.equal(brief(one), 's1(c1(b1 b2 b3 b4)) s2(c3(b5 b6))');
    const three = run(one, columns([4, 4, 4]));
    assert.equal(brief(three), 's1(c1(b1 b2 b3 b4) *() *()) s2(c3(b5 b6))');
    assert.deepEqual(toParts(three.doc).filter((part) => part[1] === 'column').map((part) => part[3].width), [4, 4, 4, 12]);
    assert.equal(columns([2, 2, 2, 3, 3])(three), false);
});

test('a copy has no ids yet, and stands below', () => {
    assert.equal(brief(run(at(open(), 'b5'), duplicate)), 's1(c1(b1 b2 b3) c2(b4)) s2(c3(b5 * b6))');
    assert.equal(brief(run(at(open(), 's2'), duplicate)), `${START} *(*(* *))`);
});

test('the last column of a section stays, a section goes', () => {
    assert.equal(remove(at(open(), 'c3')), false);
    assert.equal(brief(run(at(open(), 'c1'), remove)), 's1(c2(b4)) s2(c3(b5 b6))');
    assert.equal(brief(run(caret(open(), 'b1'), removeSection)), 's2(c3(b5 b6))');
    assert.equal(whereabouts(run(at(open(), 'b5'), remove)).block.node.attrs.id, 'b6', 'the next one is chosen');
});

test('a block is put below the present one, in place of an empty text, or into an empty page', () => {
    const divider = schema.nodes.divider.create();
    assert.equal(brief(run(caret(open(), 'b2'), put(divider))), 's1(c1(b1 b2 * b3) c2(b4)) s2(c3(b5 b6))');
    const empty = page();
    empty[3][3].text = words('');
    assert.equal(brief(run(caret(open(empty), 'b2'), put(divider))), 's1(c1(b1 * b3) c2(b4)) s2(c3(b5 b6))');
    assert.equal(brief(run(open([]), put(divider))), '*(*(*))');
});

test('a text becomes a heading or a call-out and keeps its id', () => {
    const state = run(caret(open(), 'b2'), style('callout-warning'));
    assert.deepEqual(toParts(state.doc)[3], ['b2', 'call_out', 2, { tone: 'warning', text: words('b2') }]);
    assert.deepEqual(toParts(run(state, style('heading-3')).doc)[3], ['b2', 'heading', 2, { level: 3, text: words('b2') }]);
});

test('settings are set where the block is', () => {
    const state = run(open(), set(posOf(open().doc, 'b5'), { title: 'Opening', days: ['Sat', 'Sun'], times: ['10', '11'] }));
    assert.deepEqual(toParts(state.doc)[9][3], { title: 'Opening', days: ['Sat', 'Sun'], times: ['10', '11'] });
    assert.equal(nameOf(state.doc.nodeAt(posOf(state.doc, 'b5'))), 'Table of hours “Opening”');
});

test('Enter splits a text, goes on with a list, and ends it in an empty line', () => {
    const list = page();
    list[3][3].style = 'bullet';
    let state = open(list);
    state = state.apply(state.tr.setSelection(TextSelection.create(state.doc, posOf(state.doc, 'b2') + 3)));
    state = run(state, split);
    assert.equal(brief(state), 's1(c1(b1 b2 * b3) c2(b4)) s2(c3(b5 b6))');
    assert.equal(whereabouts(state).block.node.attrs.style, 'bullet');
    state = run(state, endList);
    assert.equal(whereabouts(state).block.node.attrs.style, 'plain');
    assert.equal(endList(state), false);
});
