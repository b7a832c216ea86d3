import assert from 'node:assert/strict';
import { test } from 'node:test';
import { history } from 'prosemirror-history';
import { EditorState, NodeSelection, TextSelection } from 'prosemirror-state';
import {
    backspace,
    duplicate,
    enter,
    move,
    putLine,
    putPage,
    putQuestion,
    putRule,
    remove,
    retype,
    tools,
} from '../../resources/js/kinds/form/commands.js';
import { toDocument, toParts } from '../../resources/js/kinds/form/convert.js';
import { nameOf, spokenPlace, targetName } from '../../resources/js/kinds/form/places.js';

const words = (text) => ({ runs: text === '' ? [] : [[text]] });
const form = () => [
    ['set1', 'settings', 0, { closes: '2026-06-30', once: false, audience: 'anyone', editable: true, thanks: words('Thank you') }],
    ['p1', 'page', 0, { title: 'The thing' }],
    ['q1', 'question', 1, { type: 'one', required: true, text: words('What is it?') }],
    ['a', 'choice', 2, { other: false, label: 'A lamp' }],
    ['b', 'choice', 2, { other: true, label: 'Else' }],
    ['r1', 'skip_rule', 2, { when: 'is', value: 'b', action: 'go', target: 'p2' }],
    ['q2', 'question', 1, { type: 'short', required: false, most: 80, help: 'In a word', text: words('Its colour') }],
    ['p2', 'page', 0, { title: '' }],
    ['q3', 'question', 1, { type: 'email', required: true, text: words('Your address') }],
];

function posOf(doc, id) {
    let found = -1;
    doc.descendants((node, pos) => {
        if (node.attrs.id === id) found = pos;
    });
    return found;
}
const open = (parts = form()) => EditorState.create({ doc: toDocument(parts), plugins: [history()] });
const at = (state, id) => state.apply(state.tr.setSelection(NodeSelection.create(state.doc, posOf(state.doc, id))));
/** The caret at the beginning of its words. */
const caret = (state, id) =>
    state.apply(state.tr.setSelection(TextSelection.create(state.doc, posOf(state.doc, id) + (id[0] === 'q' ? 2 : 1))));
function run(state, command) {
    let next = null;
    assert.ok(command(state, (transaction) => {
        next = state.apply(transaction);
    }) && next, 'it did something');
    return next;
}
const brief = (state) => toParts(state.doc).map(([id, , depth]) => '>'.repeat(depth) + (id ?? '*')).join(' ');
const START = 'set1 p1 >q1 >>a >>b >>r1 >q2 p2 >q3';

test('a form goes into the editor and comes out as it was', () => {
    assert.equal(brief(open()), START);
    assert.deepEqual(
        toParts(open().doc).map((part) => [...part.slice(0, 3), Object.fromEntries(Object.entries(part[3]).sort())]),
        form().map((part) => [...part.slice(0, 3), Object.fromEntries(Object.entries(part[3]).sort())]),
    );
});

test('questions are put in, carried over pages, copied and removed', () => {
    assert.equal(brief(run(caret(open(), 'q1'), putQuestion('long'))), 'set1 p1 >q1 >>a >>b >>r1 >* >q2 p2 >q3');
    assert.equal(brief(run(at(open(), 'set1'), putQuestion('grid'))), `${START} >* >>* >>* >>*`);
    assert.equal(brief(run(open([]), putQuestion('date'))), '* >*');
    let state = run(at(open(), 'q2'), move('down'));
    assert.equal(brief(state), 'set1 p1 >q1 >>a >>b >>r1 p2 >q2 >q3');
    assert.equal(spokenPlace(state), '1 of 2, page 2');
    state = run(state, move('up'));
    assert.equal(brief(state), START);
    assert.equal(brief(run(run(at(open(), 'q3'), move('up')), tools.undo)), START);
    assert.equal(move('up')(at(open(), 'q1')), false);
    assert.equal(brief(run(at(open(), 'a'), move('down'))), 'set1 p1 >q1 >>b >>a >>r1 >q2 p2 >q3');
    assert.equal(move('up')(at(open(), 'a')), false, 'not above the words');
    assert.equal(brief(run(at(open(), 'q1'), duplicate)), 'set1 p1 >q1 >>a >>b >>r1 >* >>* >>* >>* >q2 p2 >q3');
    assert.equal(brief(run(at(open(), 'q1'), remove)), 'set1 p1 >q2 p2 >q3');
    assert.equal(remove(at(open(), 'set1')), false);
    assert.equal(brief(run(caret(open(), 'q1'), putPage)), 'set1 p1 >q1 >>a >>b >>r1 >q2 * >* p2 >q3');
});

test('choices and rules stand below their question', () => {
    assert.equal(brief(run(caret(open(), 'q1'), putLine('choice'))), 'set1 p1 >q1 >>a >>b >>* >>r1 >q2 p2 >q3');
    assert.equal(brief(run(caret(open(), 'a'), putLine('choice'))), 'set1 p1 >q1 >>a >>* >>b >>r1 >q2 p2 >q3');
    assert.equal(putLine('choice')(caret(open(), 'q2')), false);
    const ruled = run(caret(open(), 'q2'), putRule('q2', { when: 'contains', value: 'red', action: 'end' }));
    assert.deepEqual(toParts(ruled.doc)[7].slice(1), ['skip_rule', 2, { when: 'contains', value: 'red', action: 'end' }]);
    assert.equal(brief(run(caret(open(), 'q2'), retype('several'))), 'set1 p1 >q1 >>a >>b >>r1 >q2 >>* >>* p2 >q3');
    assert.equal(targetName(open().doc, 'p2'), 'page 2');
    assert.equal(targetName(open().doc, 'q3'), '3 “Your address”');
    assert.equal(targetName(open().doc, 'gone'), '');
    assert.equal(nameOf(open().doc.nodeAt(posOf(open().doc, 'q1'))), 'Question “What is it?”');
});

test('Enter goes on in the manner of where one is, Backspace takes empty ones away', () => {
    assert.equal(run(caret(open(), 'q1'), enter).selection.$from.parent.textContent, 'A lamp');
    assert.equal(brief(run(caret(open(), 'q2'), enter)), 'set1 p1 >q1 >>a >>b >>r1 >q2 >* p2 >q3');
    const more = run(caret(open(), 'b'), enter);
    assert.equal(brief(more), 'set1 p1 >q1 >>a >>b >>* >>r1 >q2 p2 >q3');
    assert.equal(brief(run(more, enter)), 'set1 p1 >q1 >>a >>b >>r1 >* >q2 p2 >q3', 'out of an empty choice');
    const less = run(more, backspace);
    assert.equal(brief(less), START);
    assert.equal(less.selection.$from.parent.textContent, 'Else');
});
