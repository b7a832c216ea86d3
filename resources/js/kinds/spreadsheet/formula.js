/**
 * The two spellings of a formula, as core/Kinds/Spreadsheet/Formula.php has them: kept by the ids of rows and columns, read
 * and written in letters and numbers.
 */

const KEPT =
    /"(?:[^"]|"")*"|\[(\$?)([A-Za-z0-9_-]*|\*)\.(\$?)([A-Za-z0-9_-]+|\*)\](?::\[(\$?)([A-Za-z0-9_-]*|\*)\.(\$?)([A-Za-z0-9_-]+|\*)\])?/g;
const SPELLED =
    /"(?:[^"]|"")*"|(?<![\w.$']|\p{L})(?:(?:'((?:[^']|'')+)'|([\p{L}_][\p{L}\p{N}_.]*))!)?(?:(\$?)([A-Za-z]{1,3})(\$?)([1-9]\d{0,6})(?::(\$?)([A-Za-z]{1,3})(\$?)([1-9]\d{0,6}))?|(\$?)([A-Za-z]{1,3}):(\$?)([A-Za-z]{1,3})|(\$?)([1-9]\d{0,6}):(\$?)([1-9]\d{0,6}))(?![\w(.!]|\p{L})/gu;
const GONE = '#REF!';

/** @typedef {import('./model.js').Sheet} Sheet */

/** @param {number} position @returns {string} 0 is A, 26 is AA */
export function letters(position) {
    let text = '';
    for (let at = position; at >= 0; at = Math.floor(at / 26) - 1) text = String.fromCharCode(65 + (at % 26)) + text;
    return text;
}

/** @param {string} text @returns {number} */
export const columnOf = (text) => [...text.toUpperCase()].reduce((at, letter) => at * 26 + letter.charCodeAt(0) - 64, 0) - 1;

/** @param {string} name */
const quoted = (name) =>
    /^[\p{L}_][\p{L}\p{N}_]*$/u.test(name) && !/^[A-Za-z]{1,3}\d+$/.test(name) ? name : `'${name.replaceAll("'", "''")}'`;

/** As people read it. @param {string} kept @param {string} own the row that it is in @param {Sheet} sheet */
export function spell(kept, own, sheet) {
    const home = sheet.tabOf.get(own);
    return kept.replace(KEPT, (all, rowSign, row, columnSign, column, lastRowSign, lastRow, lastColumnSign, lastColumn) => {
        if (column === undefined) return all;
        const ids = [row || own, column, ...(lastColumn === undefined ? [] : [lastRow || own, lastColumn])].filter((id) => id !== '*');
        const tab = sheet.tabOf.get(ids[0]);
        if (!tab || ids.some((id) => sheet.tabOf.get(id) !== tab)) return GONE;
        /** @param {string} sign @param {string} id @param {string} sign2 @param {string} id2 */
        const end = (sign, id, sign2, id2) =>
            (id2 === '*' ? '' : sign2 + letters(sheet.position(id2))) + (id === '*' ? '' : sign + (sheet.position(id || own) + 1));
        const text =
            end(rowSign, row, columnSign, column) +
            (lastColumn === undefined ? '' : `:${end(lastRowSign, lastRow, lastColumnSign, lastColumn)}`);
        return (tab === home ? '' : `${quoted(tab.name)}!`) + text;
    });
}

/** As it is kept. @param {string} spelled @param {string} own @param {Sheet} sheet */
export function keep(spelled, own, sheet) {
    return functionsInCapitals(withPoints(spelled)).replace(
        SPELLED,
        (
            all,
            quotedName,
            name,
            columnSign,
            column,
            rowSign,
            row,
            lastColumnSign,
            lastColumn,
            lastRowSign,
            lastRow,
            wholeSign,
            whole,
            wholeSign2,
            whole2,
            rowsSign,
            rows,
            rowsSign2,
            rows2,
        ) => {
            if (column === undefined && whole === undefined && rows === undefined) return all;
            const named = quotedName !== undefined ? quotedName.replaceAll("''", "'") : name;
            const tab =
                named === undefined ? sheet.tabOf.get(own) : sheet.tabs.find((each) => each.name.toLowerCase() === named.toLowerCase());
            if (!tab) return GONE;
            /**
             * @param {string} sign @param {string | undefined} number @param {string} sign2 @param {string | undefined} text @param
             *     {boolean} last
             */
            const end = (sign, number, sign2, text, last) => {
                const rowId =
                    number === undefined ? '*' : (tab.rows[Number(number) - 1] ?? (last ? tab.rows[tab.rows.length - 1] : undefined))?.id;
                const columnId =
                    text === undefined
                        ? '*'
                        : (tab.columns[columnOf(text)] ?? (last ? tab.columns[tab.columns.length - 1] : undefined))?.id;
                return rowId === undefined || columnId === undefined
                    ? null
                    : `[${sign}${rowId === own && sign === '' ? '' : rowId}.${sign2}${columnId}]`;
            };
            const ends =
                column !== undefined
                    ? [
                          end(rowSign, row, columnSign, column, false),
                          ...(lastColumn === undefined ? [] : [end(lastRowSign, lastRow, lastColumnSign, lastColumn, true)]),
                      ]
                    : whole !== undefined
                      ? [end('', undefined, wholeSign, whole, false), end('', undefined, wholeSign2, whole2, true)]
                      : [end(rowsSign, rows, '', undefined, false), end(rowsSign2, rows2, '', undefined, true)];
            return ends.includes(null) ? GONE : ends.join(':');
        },
    );
}

/** Texts, names and rows of values, in which marks are what they are. */
const CLOSED = /"(?:[^"]|"")*"|'(?:[^']|'')*'|\{[^}]*\}/g;
const DECIMAL_COMMA = /(?<![\w.$])(\d+),(?=\d)/g;

/**
 * With a point before decimals and commas between values, from `IF(A1>2;1,5;0)` and `A1*1,5`: where semicolons are between values, a comma
 * between digits is before decimals, and so it does outside of all parentheses, where nothing can be listed.
 *
 * @param {string} text
 */
function withPoints(text) {
    if (!/[;,]/.test(text)) return text;
    /** @type {string[]} */
    const closed = [];
    const close = (/** @type {string} */ found) => `\0${closed.push(found) - 1}\0`;
    let open = text.replaceAll('\0', '').replace(CLOSED, close);
    const isApart = open.includes(';');
    while (!isApart && /\([^()]*\)/.test(open)) open = open.replace(/\([^()]*\)/g, close);
    let whole = open.replace(DECIMAL_COMMA, '$1.').replaceAll(';', ',');
    while (/\0\d+\0/.test(whole)) whole = whole.replace(/\0(\d+)\0/g, (_, at) => closed[Number(at)]);
    return whole;
}

/** @param {string} text */
function functionsInCapitals(text) {
    return text.replace(/"(?:[^"]|"")*"|'(?:[^']|'')*'|[A-Za-z][A-Za-z0-9._]*(?=\()|\b(?:true|false)\b/gi, (found) =>
        found[0] === '"' || found[0] === "'" ? found : found.toUpperCase(),
    );
}

/**
 * The formula for another cell: what has no `$` moves along.
 *
 * @param {string} kept @param {string} own @param {string} other the row that it goes to
 * @param {number} down @param {number} right how far that is
 * @param {Sheet} sheet
 */
export function shifted(kept, own, other, down, right, sheet) {
    return kept.replace(KEPT, (all, rowSign, row, columnSign, column, lastRowSign, lastRow, lastColumnSign, lastColumn) => {
        if (column === undefined) return all;
        /** @param {string} sign @param {string} id @param {string} sign2 @param {string} id2 */
        const end = (sign, id, sign2, id2) => {
            const tab = sheet.tabOf.get(id2 === '*' ? id || own : id2);
            if (!tab) return null;
            const rowId =
                id === '*'
                    ? '*'
                    : id === ''
                      ? sheet.tabOf.get(other) === tab
                          ? other
                          : undefined
                      : sign === '$'
                        ? id
                        : tab.rows[sheet.position(id) + down]?.id;
            const columnId = id2 === '*' || sign2 === '$' ? id2 : tab.columns[sheet.position(id2) + right]?.id;
            return rowId === undefined || columnId === undefined
                ? null
                : `[${sign}${rowId === other && sign === '' ? '' : rowId}.${sign2}${columnId}]`;
        };
        const ends = [
            end(rowSign, row, columnSign, column),
            ...(lastColumn === undefined ? [] : [end(lastRowSign, lastRow, lastColumnSign, lastColumn)]),
        ];
        return ends.includes(null) ? GONE : ends.join(':');
    });
}
