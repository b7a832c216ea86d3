import assert from 'node:assert/strict';
import { test } from 'node:test';
import { Slice } from 'prosemirror-model';
import { ReplaceStep, Transform } from 'prosemirror-transform';
import { toDocument, toParts } from '../../resources/js/document/convert.js';
import { carried, differences } from '../../resources/js/sync/differences.js';
import { rounds } from './random.mjs';

const applied = (document, changes) => {
    const transform = new Transform(document);
    for (const { from, to, content } of [...changes].reverse()) transform.step(new ReplaceStep(from, to, new Slice(content, 0, 0)));
    transform.doc.check();
    return transform.doc;
};

test('parts and the editor’s document are two forms of one thing', () => {
    rounds((random) => {
        const parts = random.parts(1 + random.under(12));
        assert.deepEqual(toParts(toDocument(parts)), parts);
    });
});

test('nested items after a table stay where they are', () => {
    const text = { runs: [['x']] };
    const item = (id, depth) => [id, 'item', depth, { style: 'bullet', done: false, text }];
    const parts = [
        ['taaa', 'table', 0, {}],
        ['raaa', 'row', 1, {}],
        ['caaa', 'cell', 2, { head: true, text }],
        item('iaaa', 0),
        item('ibbb', 1),
        ['kaaa', 'code', 0, { text: { runs: [['a\nb']] } }],
    ];
    assert.deepEqual(toParts(toDocument(parts)), parts);
});

test('applying the differences gives the other document', () => {
    rounds((random) => {
        const one = random.parts(1 + random.under(12));
        const two = random.edited(one, random.under(6));
        const [from, to] = [toDocument(one), toDocument(two)];
        assert.deepEqual(toParts(applied(from, differences(from, to))), toParts(to));
        assert.deepEqual(differences(to, to), []);
    });
});

test('what is carried over holds both sides’ changes, whichever way it is done', () => {
    let over = 0;
    rounds((random) => {
        const base = random.parts(3 + random.under(12));
        const known = toDocument(base);
        const mine = toDocument(random.edited(base, 1 + random.under(2), 'm'));
        const theirs = toDocument(random.edited(base, 1 + random.under(2), 't'));
        const toMine = carried(differences(known, theirs), differences(known, mine));
        const toTheirs = carried(differences(known, mine), differences(known, theirs));
        assert.equal(toMine === null, toTheirs === null);
        if (toMine === null) return;
        over++;
        assert.deepEqual(toParts(applied(mine, toMine)), toParts(applied(theirs, toTheirs)));
    });
    assert.ok(over > 60, `only ${over} rounds in which nothing met`);
});

test('changes that meet, or only touch, are not carried over', () => {
    const paragraph = (words) => toDocument([['paaa', 'paragraph', 0, { text: { runs: [[words]] } }]]);
    const known = paragraph('the red bin');
    const blue = differences(known, paragraph('the blue bin'));
    assert.equal(carried(blue, differences(known, paragraph('the green bin'))), null);
    assert.equal(carried(blue, differences(known, paragraph('the red, bin'))), null);
    assert.equal(carried(blue, differences(known, paragraph('the red bin, twice')))?.length, 1);
});
