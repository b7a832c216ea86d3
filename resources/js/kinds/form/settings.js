import { HAS_CHOICES } from './commands.js';
import { questions, TYPES, wordsOf } from './places.js';

/** @typedef {import('../../editor/settings.js').Field} Field */
/** @typedef {import('prosemirror-model').Node} Node */

/** @type {Field} */
const HELP = { name: 'help', label: 'Help below it', sort: 'line', most: 1000 };
/** @type {Field} */
const REQUIRED = { name: 'required', label: 'It has to be answered', sort: 'check' };

/** @param {string} least @param {string} most @returns {Field[]} */
const bounds = (least, most) => [{ name: 'least', label: least, sort: 'number' }, { name: 'most', label: most, sort: 'number' }];

/** What can be set of a question besides its words, by its type. @type {Record<string, Field[]>} */
const QUESTION = {
    short: bounds('Letters at least', 'Letters at most'),
    long: bounds('Letters at least', 'Letters at most'),
    several: bounds('Choices at least', 'Choices at most'),
    number: bounds('Not below', 'Not above'),
    scale: [...bounds('From', 'To'), { name: 'low', label: 'What the lower end means', sort: 'line', most: 100 }, { name: 'high', label: 'What the upper end means', sort: 'line', most: 100 }],
};

/** @type {[string, string][]} */
const WHEN_CHOSEN = [['is', 'is'], ['is_not', 'is not'], ['answered', 'is anything']];
/** @type {[string, string][]} */
const WHEN_WRITTEN = [['is', 'is'], ['is_not', 'is not'], ['contains', 'contains'], ['answered', 'is anything']];
/** @type {[string, string][]} */
const WHEN_COUNTED = [['is', 'is'], ['is_not', 'is not'], ['above', 'is above'], ['below', 'is below'], ['answered', 'is anything']];

/** @param {Node} question @returns {[string, string][]} what its answers can be compared by */
export const whens = (question) => (['number', 'scale', 'date', 'time'].includes(question.attrs.type) ? WHEN_COUNTED : ['one', 'yes_no'].includes(question.attrs.type) ? WHEN_CHOSEN : question.attrs.type === 'several' ? [['contains', 'contains'], ['answered', 'is anything']] : WHEN_WRITTEN);

/** @param {Node} question @returns {[string, string][] | null} the answers that can be chosen, or null when they are written */
export function answers(question) {
    if (question.attrs.type === 'yes_no') return [['yes', 'Yes'], ['no', 'No']];
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
        const own = questions(doc).filter(({ node: question }) => [...Array(node.childCount).keys()].some((at) => node.child(at) === question));
        if (page > 1 && own.length > 0 && own[0].number > number) found.push([node.attrs.id, `Page ${page}${node.attrs.title ? `: ${node.attrs.title}` : ''}`]);
        for (const each of own) if (each.number > number) found.push([each.node.attrs.id, `${each.number}. ${wordsOf(each.node) || TYPES[each.node.attrs.type]}`]);
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
                { name: 'audience', label: 'Who may answer', sort: 'choice', options: [['anyone', 'Everybody who has its public address'], ['shelf', 'The people of the shelf'], ['named', 'The people named here']] },
                { name: 'people', label: 'Their e-mail addresses, one a line', sort: 'lines', most: 200 },
                { name: 'opens', label: 'It opens on', sort: 'date' },
                { name: 'closes', label: 'The last day on which it is open', sort: 'date' },
                { name: 'once', label: 'Everybody answers once only', sort: 'check' },
                { name: 'editable', label: 'Answers may be changed afterwards', sort: 'check' },
                { name: 'thanks', label: 'What is said when it is sent', sort: 'text', most: 2000 },
            ];
        case 'page':
            return [{ name: 'title', label: 'Title of the page', sort: 'line', most: 200 }];
        case 'question':
            return [{ name: 'type', label: 'What sort of answer', sort: 'choice', options: Object.entries(TYPES) }, HELP, ...(node.attrs.type === 'note' ? [] : [REQUIRED]), ...(QUESTION[node.attrs.type] ?? [])];
        case 'choice':
            return [{ name: 'other', label: 'Asks for words of one’s own', sort: 'check' }];
        case 'skip_rule': {
            if (!question) return null;
            const chosen = answers(question);
            const number = questions(doc).find((each) => each.node === question)?.number ?? 0;
            return [
                { name: 'when', label: 'When the answer', sort: 'choice', options: whens(question) },
                chosen ? { name: 'value', label: 'This', sort: 'choice', options: chosen } : { name: 'value', label: 'This', sort: 'line', most: 300 },
                { name: 'action', label: 'Then', sort: 'choice', options: [['go', 'go on with'], ['show', 'show'], ['hide', 'leave out'], ['end', 'end there']] },
                { name: 'target', label: 'What', sort: 'choice', options: [['', '–'], ...targets(doc, number)] },
            ];
        }
        default:
            return null;
    }
}
