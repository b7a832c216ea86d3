/** @typedef {import('../../editor/settings.js').Field} Field */

/** What of each sort of part can be set, besides its words. @type {Record<string, Field[]>} */
export const FIELDS = {
    section: [
        { name: 'title', label: 'Title, if it shall have one', sort: 'line', most: 200 },
        { name: 'background', label: 'Ground', sort: 'choice', options: [['plain', 'Paper'], ['tinted', 'Tinted'], ['deep', 'Deep']] },
    ],
    column: [{ name: 'width', label: 'How wide, in twelfths of the page', sort: 'choice', options: Array.from({ length: 12 }, (_, at) => [at + 1, String(at + 1)]) }],
    picture: [{ name: 'alt', label: 'What it shows, for those who can’t see it', sort: 'line', most: 500 }, { name: 'caption', label: 'Caption below it', sort: 'line', most: 500 }],
    button: [{ name: 'label', label: 'Words on it', sort: 'line', most: 200 }, { name: 'target', label: 'Where it leads', sort: 'address' }],
    links: [{ name: 'title', label: 'Title', sort: 'line', most: 200 }, { name: 'labels', label: 'Words', sort: 'pairs', second: 'targets', secondLabel: 'Where it leads', addresses: true, most: 50 }],
    hours: [{ name: 'title', label: 'Title', sort: 'line', most: 200 }, { name: 'days', label: 'Day', sort: 'pairs', second: 'times', secondLabel: 'Hours', most: 40 }],
    contact: [{ name: 'name', label: 'Name', sort: 'line', most: 200 }, { name: 'lines', label: 'Lines below it, one each', sort: 'lines', most: 20 }],
    figure: [{ name: 'label', label: 'What it is', sort: 'line', most: 200 }, { name: 'source', label: 'Address of the report or the form', sort: 'address' }],
};
