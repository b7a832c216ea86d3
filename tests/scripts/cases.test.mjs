import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { keep, spell } from '../../resources/js/kinds/spreadsheet/formula.js';
import { Sheet } from '../../resources/js/kinds/spreadsheet/model.js';
import { editable, shown, typed, writingOf } from '../../resources/js/kinds/spreadsheet/values.js';

/* What the core does, too, is held against the same cases as the core is: tests/Core/SharedCasesTest.php. */
const cases = (name) => JSON.parse(readFileSync(new URL(`../cases/${name}.json`, import.meta.url), 'utf8'));
const listed = (sheet) => sheet.tabs.flatMap(({ id, name, frozen, columns, rows }) => [
    [id, { name, frozen }], ...columns.map(({ id, ...fields }) => [id, fields]), ...rows.map(({ id, cells }) => [id, cells]),
]);

test('a value is shown as the core shows it', () => {
    for (const [format, of] of Object.entries(cases('looks')))
        for (const [value, text] of of) assert.equal(shown(value, format), text, `${JSON.stringify(value)} as ${format}`);
});

test('the texts of a column are read as the core reads them', () => {
    for (const { texts, values } of cases('typed')) assert.deepEqual(texts.map((text) => typed(text, writingOf(texts)).value), values);
});

test('what is typed in a cell is read as the core reads it', () => {
    for (const [text, value] of cases('typing')) {
        assert.deepEqual(typed(text).value ?? null, value, text);
        if (value !== null) assert.deepEqual(typed(editable(value)).value, value, `${text}, edited and left alone`);
    }
});

test('a formula is kept and spelled as the core does it', () => {
    const { own, sheet, 'spelled, kept, spelled again': formulas } = cases('formulas');
    const of = new Sheet(sheet);
    for (const [spelled, kept, again] of formulas) assert.deepEqual([keep(spelled, own, of), spell(kept, own, of)], [kept, again], spelled);
});

test('edits lead to where the core says that they lead', () => {
    for (const [at, { from, edits, to }] of cases('edits').entries()) {
        const of = new Sheet(from);
        of.bring(edits);
        assert.deepEqual(listed(of), listed(new Sheet(to)), `case ${at}`);
    }
});
