import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { schema as documents } from '../../resources/js/document/schema.js';
import { TYPES } from '../../resources/js/kinds/form/places.js';
import { schema as forms } from '../../resources/js/kinds/form/schema.js';
import { fieldsOf, whens } from '../../resources/js/kinds/form/settings.js';
import { schema as pages } from '../../resources/js/kinds/page/schema.js';
import { FIELDS } from '../../resources/js/kinds/page/settings.js';

// The schema is written once, in the roles of the core; this is what it says, and a test of the core keeps it so.
const { definitions } = JSON.parse(readFileSync('docs/formats/items.schema.json', 'utf8'));

/** @param {string} kind @returns {Record<string, Record<string, any>>} role => field => what it may be */
const rolesOf = (kind) =>
    Object.fromEntries(
        definitions[`part of a ${kind}`].oneOf.map((/** @type {any} */ part) => [part.items[1].const, part.items[3].properties ?? {}]),
    );

/** What the browser calls otherwise, and what it holds in another place: words and labels of choices. */
const NODES = { code: 'codeblock' };
const TEXT = ['text', 'label'];

for (const [kind, schema] of Object.entries({ document: documents, page: pages, form: forms })) {
    test(`the editor of a ${kind} knows the roles of its parts and their fields, and no others`, () => {
        const roles = rolesOf(kind);
        for (const [role, fields] of Object.entries(roles)) {
            const node = schema.nodes[NODES[role] ?? role];
            assert.ok(node, `${kind} has no ${role}`);
            const known = Object.keys(node.spec.attrs ?? {});
            // The text of a block is what it holds; a table’s heading cells are nodes of their own.
            const wanted = Object.keys(fields).filter((field) => !(TEXT.includes(field) && node.spec.content) && field !== 'head');
            for (const field of wanted) assert.ok(known.includes(field), `the ${role} of a ${kind} has no ${field}`);
        }
    });
}

/** @param {import('../../resources/js/editor/settings.js').Field} field @param {Record<string, any>} says @param {string} of */
function bounded(field, says, of) {
    assert.ok(says, `${of} has no field ${field.name}`);
    if (field.sort === 'line' && field.most !== undefined) assert.equal(field.most, says.maxLength, `letters of ${of}`);
    if ((field.sort === 'pairs' || field.sort === 'lines') && field.most !== undefined)
        assert.equal(field.most, says.maxItems, `lines of ${of}`);
    if (field.sort === 'choice' && says.enum)
        for (const [value] of field.options) assert.ok(says.enum.includes(value), `${value} of ${of}`);
}

test('what can be set of a block of a page is what the schema says, no longer and nothing else', () => {
    const roles = rolesOf('page');
    for (const [role, fields] of Object.entries(FIELDS)) {
        for (const field of fields) {
            bounded(field, roles[role][field.name], `${field.name} of a ${role}`);
            if (field.sort === 'pairs') assert.equal(field.most, roles[role][field.second].maxItems);
            if (field.sort === 'choice' && roles[role][field.name].enum)
                assert.deepEqual(
                    field.options.map(([value]) => value),
                    roles[role][field.name].enum,
                );
        }
    }
});

test('questions, rules and settings of a form are what the schema says', () => {
    const roles = rolesOf('form');
    assert.deepEqual(Object.keys(TYPES).sort(), [...roles.question.type.enum].sort());
    const compared = new Set();
    for (const type of Object.keys(TYPES)) {
        const question = forms.nodes.question.create({ id: 'q001', type }, forms.nodes.words.create());
        for (const field of fieldsOf(forms.nodes.doc.create(), question, null) ?? [])
            bounded(field, roles.question[field.name], `${field.name} of a ${type} question`);
        for (const [when] of whens(question)) compared.add(when);
        const rule = forms.nodes.skip_rule.create({ id: 'r001' });
        for (const field of fieldsOf(forms.nodes.doc.create(null, forms.nodes.page.create(null, question)), rule, question) ?? [])
            bounded(field, roles.skip_rule[field.name], `${field.name} of a rule`);
    }
    assert.deepEqual([...compared].sort(), [...roles.skip_rule.when.enum].sort(), 'every way to compare can be chosen somewhere');
    for (const node of [forms.nodes.settings.create(), forms.nodes.page.create()]) {
        for (const field of fieldsOf(forms.nodes.doc.create(), node, null) ?? [])
            bounded(field, roles[node.type.name][field.name], `${field.name} of ${node.type.name}`);
    }
});
