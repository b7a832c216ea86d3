import { HAS_CHOICES } from './commands.js';
import { questions, TYPES, wordsOf } from './places.js';
import { inWords } from '../../common/words.js';

/** @typedef {import('../../editor/settings.js').Field} Field */
/** @typedef {import('prosemirror-model').Node} Node */

/** @type {Field} */
const HELP = { name: 'help', label: inWords('form.settings.help_below_it'), sort: 'line', most: 1000 };
/** @type {Field} */
const REQUIRED = { name: 'required', label: inWords('form.settings.it_has_to_be_answered'), sort: 'check' };

/** @param {string} least @param {string} most @returns {Field[]} */
const bounds = (least, most) => [{ name: 'least', label: least, sort: 'number' }, { name: 'most', label: most, sort: 'number' }];

/** What can be set of a question besides its words, by its type. @type {Record<string, Field[]>} */
const QUESTION = {
    short: bounds(inWords('form.settings.letters_at_least'), inWords('form.settings.letters_at_most')),
    long: bounds(inWords('form.settings.letters_at_least'), inWords('form.settings.letters_at_most')),
    several: bounds(inWords('form.settings.choices_at_least'), inWords('form.settings.choices_at_most')),
    number: bounds(inWords('form.settings.not_below'), inWords('form.settings.not_above')),
    scale: [
        ...bounds(inWords('form.settings.from'), inWords('form.settings.to')),
        { name: 'low', label: inWords('form.settings.what_the_lower_end_means'), sort: 'line', most: 100 },
        { name: 'high', label: inWords('form.settings.what_the_upper_end_means'), sort: 'line', most: 100 },
    ],
};

/** @type {[string, string][]} */
const WHEN_CHOSEN = [['is', 'is'], ['is_not', inWords('form.settings.is_not')], ['answered', inWords('form.settings.is_anything')]];
/** @type {[string, string][]} */
const WHEN_WRITTEN = [
    ['is', 'is'],
    ['is_not', inWords('form.settings.is_not')],
    ['contains', 'contains'],
    ['answered', inWords('form.settings.is_anything')],
];
/** @type {[string, string][]} */
const WHEN_COUNTED = [
    ['is', 'is'],
    ['is_not', inWords('form.settings.is_not')],
    ['above', inWords('form.settings.is_above')],
    ['below', inWords('form.settings.is_below')],
    ['answered', inWords('form.settings.is_anything')],
];

/** @param {Node} question @returns {[string, string][]} what its answers can be compared by */
export const whens = (question) =>
    ['number', 'scale', 'date', 'time'].includes(question.attrs.type)
        ? WHEN_COUNTED
        : ['one', 'yes_no'].includes(question.attrs.type)
          ? WHEN_CHOSEN
          : question.attrs.type === 'several'
            ? [
                  ['contains', 'contains'],
                  ['answered', inWords('form.settings.is_anything')],
              ]
            : WHEN_WRITTEN;

/** @param {Node} question @returns {[string, string][] | null} the answers that can be chosen, or null when they are written */
export function answers(question) {
    if (question.attrs.type === 'yes_no') return [['yes', inWords('form.settings.yes')], ['no', inWords('form.settings.no')]];
    return HAS_CHOICES.includes(question.attrs.type) ? choicesOf(question) : null;
}

/** @param {Node} question @returns {[string, string][]} the choices below it, whatever it asks for */
export function choicesOf(question) {
    /** @type {[string, string][]} */
    const found = [];
    question.forEach((child) => {
        if (child.type.name === 'choice') found.push([child.attrs.id, child.textContent || '…']);
    });
    return found;
}

/** @param {Node} doc @param {number} number of the question with the rule @returns {[string, string][]} where a rule can lead */
export function targets(doc, number) {
    /** @type {[string, string][]} */
    const found = [];
    let page = 0;
    doc.forEach((node) => {
        if (node.type.name !== 'page') return;
        page++;
        const own = questions(doc).filter(({ node: question }) =>
            [...Array(node.childCount).keys()].some((at) => node.child(at) === question),
        );
        if (page > 1 && own.length > 0 && own[0].number > number)
            found.push([node.attrs.id, inWords('form.settings.page', { page, title: node.attrs.title ? `: ${node.attrs.title}` : '' })]);
        for (const each of own)
            if (each.number > number)
                found.push([each.node.attrs.id, `${each.number}. ${wordsOf(each.node) || TYPES[each.node.attrs.type]}`]);
    });
    return found;
}

/**
 * What can be set of a part.
 *
 * @param {Node} doc @param {Node} node @param {Node | null} question around it
 * @returns {Field[] | null}
 */
export function fieldsOf(doc, node, question) {
    switch (node.type.name) {
        case 'settings':
            return [
                {
                    name: 'audience',
                    label: inWords('form.settings.who_may_answer'),
                    sort: 'choice',
                    options: [
                        ['anyone', inWords('form.settings.everybody_who_has_its_public_address')],
                        ['shelf', inWords('form.settings.the_people_of_the_shelf')],
                        ['named', inWords('form.settings.the_people_named_here')],
                    ],
                },
                { name: 'people', label: inWords('form.settings.their_e_mail_addresses_one_a'), sort: 'lines', most: 200 },
                { name: 'opens', label: inWords('form.settings.it_opens_on'), sort: 'date' },
                { name: 'closes', label: inWords('form.settings.the_last_day_on_which_it'), sort: 'date' },
                { name: 'once', label: inWords('form.settings.everybody_answers_once_only'), sort: 'check' },
                { name: 'editable', label: inWords('form.settings.answers_may_be_changed_afterwards'), sort: 'check' },
                { name: 'thanks', label: inWords('form.settings.what_is_said_when_it_is'), sort: 'text', most: 2000 },
            ];
        case 'page':
            return [{ name: 'title', label: inWords('form.settings.title_of_the_page'), sort: 'line', most: 200 }];
        case 'question':
            return [
                { name: 'type', label: inWords('form.settings.what_sort_of_answer'), sort: 'choice', options: Object.entries(TYPES) },
                HELP,
                ...(node.attrs.type === 'note' ? [] : [REQUIRED]),
                ...(QUESTION[node.attrs.type] ?? []),
            ];
        case 'choice':
            return [{ name: 'other', label: inWords('form.settings.asks_for_words_of_ones_own'), sort: 'check' }];
        case 'skip_rule': {
            if (!question) return null;
            const chosen = answers(question);
            const number = questions(doc).find((each) => each.node === question)?.number ?? 0;
            return [
                { name: 'when', label: inWords('form.settings.when_the_answer'), sort: 'choice', options: whens(question) },
                chosen
                    ? { name: 'value', label: inWords('form.settings.this'), sort: 'choice', options: chosen }
                    : { name: 'value', label: inWords('form.settings.this'), sort: 'line', most: 300 },
                {
                    name: 'action',
                    label: inWords('form.settings.then'),
                    sort: 'choice',
                    options: [
                        ['go', inWords('form.settings.go_on_with')],
                        ['show', 'show'],
                        ['hide', inWords('form.settings.leave_out')],
                        ['end', inWords('form.settings.end_there')],
                    ],
                },
                { name: 'target', label: inWords('form.settings.what'), sort: 'choice', options: [['', '–'], ...targets(doc, number)] },
            ];
        }
        default:
            return null;
    }
}
