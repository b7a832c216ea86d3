import { inWords } from '../../common/words.js';

/** @typedef {import('../../editor/settings.js').Field} Field */

/** What of each sort of part can be set, besides its words. @type {Record<string, Field[]>} */
export const FIELDS = {
    section: [
        { name: 'title', label: inWords('page.settings.title_if_it_should_have_one'), sort: 'line', most: 200 },
        {
            name: 'background',
            label: inWords('page.settings.ground'),
            sort: 'choice',
            options: [
                ['plain', inWords('page.settings.paper')],
                ['tinted', inWords('page.settings.tinted')],
                ['deep', inWords('page.settings.deep')],
            ],
        },
    ],
    column: [
        {
            name: 'width',
            label: inWords('page.settings.how_wide_in_twelfths_of_the'),
            sort: 'choice',
            options: Array.from({ length: 12 }, (_, at) => [at + 1, String(at + 1)]),
        },
    ],
    picture: [
        { name: 'alt', label: inWords('page.settings.what_it_shows_for_those_who'), sort: 'line', most: 500 },
        { name: 'caption', label: inWords('page.settings.caption_below_it'), sort: 'line', most: 500 },
    ],
    button: [
        { name: 'label', label: inWords('page.settings.words_on_it'), sort: 'line', most: 200 },
        { name: 'target', label: inWords('page.settings.where_it_leads'), sort: 'address' },
    ],
    links: [
        { name: 'title', label: inWords('page.settings.title'), sort: 'line', most: 200 },
        {
            name: 'labels',
            label: inWords('page.settings.words'),
            sort: 'pairs',
            second: 'targets',
            secondLabel: inWords('page.settings.where_it_leads'),
            addresses: true,
            most: 50,
        },
    ],
    hours: [
        { name: 'title', label: inWords('page.settings.title'), sort: 'line', most: 200 },
        {
            name: 'days',
            label: inWords('page.settings.day'),
            sort: 'pairs',
            second: 'times',
            secondLabel: inWords('page.settings.hours'),
            most: 40,
        },
    ],
    contact: [
        { name: 'name', label: inWords('page.settings.name'), sort: 'line', most: 200 },
        { name: 'lines', label: inWords('page.settings.lines_below_it_one_each'), sort: 'lines', most: 20 },
    ],
    figure: [
        { name: 'label', label: inWords('page.settings.what_it_is'), sort: 'line', most: 200 },
        { name: 'source', label: inWords('page.settings.address_of_the_report_or_the'), sort: 'address' },
    ],
};
