import { bareOf, resultOf } from './cell.js';

/** @typedef {import('./tabs.js').Value} Value */
/** @typedef {{decimal?: string, first?: string}} Writing the mark before decimals; what comes first in `3/5/2026` */

const MONTH_NAMES = [
    'January',
    'February',
    'March',
    'April',
    'May',
    'June',
    'July',
    'August',
    'September',
    'October',
    'November',
    'December',
];

/** The number formats that the tools offer; others that a file brings along are kept. */
export const FORMATS = {
    plain: '',
    whole: '#,##0',
    two: '#,##0.00',
    percent: '0%',
    euro: '"€" #,##0.00',
    pound: '"£" #,##0.00',
    dollar: '"$" #,##0.00',
    date: 'd mmm yyyy',
    iso: 'yyyy-mm-dd',
};

/**
 * What somebody typed, as a value; a formula is left as it is written. A number is read the only way it can be, and where there are two,
 * with a point before the decimals, as numbers are shown. What begins with a needless zero, or has more digits than a number holds, is a
 * code and stays a text.
 *
 * @param {string} text
 * @param {Writing} [writing] where that is known: see {@link writingOf}
 * @returns {{value?: Value, formula?: string, format?: string}} nothing for an empty cell
 */
export function typed(text, { decimal, first } = {}) {
    if (text === '') return {};
    if (text[0] === '=' && text.length > 1) return { formula: text.slice(1) };
    if (text[0] === "'") return text.length > 1 ? { value: text.slice(1) } : {};
    const plain = text.trim();
    const number = numberIn(plain, decimal);
    if (number) return number;
    const day = dayOf(plain, first);
    if (day) return { value: ['d', day] };
    if (/^true$/i.test(plain)) return { value: true };
    if (/^false$/i.test(plain)) return { value: false };
    return { value: text };
}

/** @param {string} text @param {string} [decimal] @returns {{value: number, format?: string} | null} */
function numberIn(text, decimal) {
    const found = decimal === ',' ? COMMA.exec(text) : POINT.exec(text) ?? (decimal === undefined ? COMMA.exec(text) : null);
    if (!found || found[0] === '') return null;
    const [, sign = '', whole = '', decimals = '', power = '', percent = ''] = found;
    const digits = whole.replaceAll(/\D/g, '');
    if (digits + decimals === '' || /^0\d/.test(digits) || (digits.length > MOST_DIGITS && decimals + power === '')) return null;
    const value = Number(`${sign}${digits || '0'}.${decimals || '0'}${power}`);
    if (!Number.isFinite(value)) return null;
    return percent === '' ? { value } : { value: Number((value / 100).toPrecision(15)), format: decimals === '' ? '0%' : '0.0%' };
}

/**
 * Sign, whole, decimals, power, per cent: `1,234.5` (`12,34,567` in lakhs), or as it is written where commas are before decimals, `1.234,5`
 * and `1 234,5`.
 */
const POINT = /^([+-]?)(\d{1,3}(?:,\d{3})+|\d{1,2}(?:,\d\d)+,\d{3}|\d*)(?:\.(\d+))?(e[+-]?\d+)?\s?(%?)$/i;
const COMMA = /^([+-]?)(\d{1,3}(?:[. \u00a0\u202f']\d{3})+|\d*)(?:,(\d+))?(e[+-]?\d+)?\s?(%?)$/i;

/** A number of 64 bits holds no more for sure (IEEE 754). */
const MOST_DIGITS = 15;

/**
 * How texts that belong together are written, such as a column: which mark is before the decimals, by which most of them are numbers; and
 * whether the day or the month comes first in `3/5/2026`, by what is over twelve.
 *
 * @param {string[]} texts
 * @returns {Writing}
 */
export function writingOf(texts) {
    let [more, days, months] = [0, 0, 0];
    for (const text of texts.map((text) => text.trim())) {
        if (/[.,]/.test(text)) more += (numberIn(text, '.') ? 1 : 0) - (numberIn(text, ',') ? 1 : 0);
        const { one, two } = EITHER_WAY.exec(text)?.groups ?? {};
        days += Number(one) > 12 && Number(two) <= 12 ? 1 : 0;
        months += Number(two) > 12 && Number(one) <= 12 ? 1 : 0;
    }
    return { decimal: more < 0 ? ',' : '.', first: days > 0 && months === 0 ? 'day' : months > 0 && days === 0 ? 'month' : '' };
}

const TIME = '(?:(?:T|,? )(?<time>(?:[01]?\\d|2[0-3]):[0-5]\\d(?::[0-5]\\d)?))?$';
const DAY_WAYS = [
    '(?<year>\\d{4})(?<mark>[-/.])(?<month>\\d{1,2})\\k<mark>(?<day>\\d{1,2})',
    '(?<day>\\d{1,2})\\. ?(?<month>\\d{1,2})\\. ?(?<year>\\d{4})',
    '(?<day>\\d{1,2})\\.?[ -](?<month>[a-z]{3,9})\\.?[ -](?<year>\\d{4})',
    '(?<month>[a-z]{3,9})\\.? (?<day>\\d{1,2}),? (?<year>\\d{4})',
].map((way) => new RegExp(`^${way}${TIME}`, 'i'));
const EITHER_WAY = new RegExp(`^(?<one>\\d{1,2})(?<mark>[/-])(?<two>\\d{1,2})\\k<mark>(?<year>\\d{4})${TIME}`);

/**
 * As core/Kinds/Dataset/DayWriting.php has it: tests/cases/typed.json. @param {string} text @param {string} [first] of `3/5/2026`: day or
 * month, where that is known @returns {string | null} ISO 8601
 */
function dayOf(text, first) {
    const way = DAY_WAYS.find((one) => one.test(text));
    const found = (way ?? (first ? EITHER_WAY : undefined))?.exec(text)?.groups;
    if (!found) return null;
    const { year, time, one, two, month = first === 'day' ? two : one, day = first === 'day' ? one : two } = found;
    const named = MONTH_NAMES.findIndex((name) => name.toLowerCase().startsWith(month.toLowerCase()));
    const [number, on] = [/^\d/.test(month) ? Number(month) : named + 1, Number(day)];
    const date = new Date(Date.UTC(Number(year), number - 1, on));
    if (number < 1 || date.getUTCMonth() !== number - 1 || date.getUTCDate() !== on) return null;
    return `${year}-${String(number).padStart(2, '0')}-${String(on).padStart(2, '0')}${time ? `T${time.padStart(time.length + (time[1] === ':' ? 1 : 0), '0')}` : ''}`;
}

/** @param {Value | undefined} value @returns {string} what to edit; a formula is spelled by the one who asks */
export function editable(value) {
    const bare = bareOf(value);
    if (bare === undefined) return '';
    if (Array.isArray(bare)) return String(bare[1]).replace('T', ' ');
    if (typeof bare === 'boolean') return bare ? 'TRUE' : 'FALSE';
    // A text that would be read as something else comes with its apostrophe.
    if (typeof bare === 'string') return 'value' in typed(bare) && typed(bare).value === bare ? bare : `'${bare}`;
    return String(bare);
}

/** Quotations, and what a format leaves room for, paints or says of places: none of it is digits. */
const QUOTED = /"[^"]*"|\\.|_.|\*.|\[\$[^\]]*\]|\[(?:red|black|blue|green|cyan|magenta|yellow|white)\]/gi;

/**
 * @param {Value | undefined} value @param {string} format @returns {string} as it is shown in its cell, as core/Kinds/NumberLook.php has
 *     it: tests/cases/looks.json
 */
export function shown(value, format) {
    const result = resultOf(value);
    if (result === undefined) return '';
    const bare = format.split(';')[0].replace(QUOTED, '');
    const isDay = /[dy]/i.test(bare);
    const isTime = !isDay && /[hs]/i.test(bare);
    if (Array.isArray(result))
        return result[0] === 'd' && (isDay || (isTime && !/\[[hms]+\]/i.test(bare)))
            ? day(String(result[1]), format)
            : String(result[1]).replace('T', ' ');
    if (typeof result === 'boolean') return result ? 'TRUE' : 'FALSE';
    if (typeof result !== 'number') return result;
    if (isTime && Math.abs(result) < DAYS) return time(result, format.split(';')[0]);
    // A day's format on a number says nothing about it; fractions, powers and conditions, which only files bring, are shown where one looks
    // back.
    return isDay || isTime || !/[0#]/.test(bare) || /[/?<>=]|E[+-]|# #/i.test(bare) || format.split(';').length > 2
        ? String(Number(result.toPrecision(15)))
        : number(result, format);
}

/** Days that a number can stand for: until the year 9999. */
const DAYS = 2_958_466;

/** @param {number} value @param {string} format */
function number(value, format) {
    const sections = format.split(';');
    const code = value < 0 && sections[1] ? sections[1] : sections[0];
    const covered = code.replace(QUOTED, (text) => '\u0001'.repeat(text.length));
    const pattern = /[#0,.]+/.exec(covered)?.[0] ?? '';
    const [whole, fraction = ''] = pattern.replaceAll(',', '').split('.');
    const text = Math.abs(covered.includes('%') ? value * 100 : value).toLocaleString('en', {
        minimumIntegerDigits: Math.max(1, whole.replaceAll('#', '').length),
        minimumFractionDigits: fraction.replaceAll('#', '').length,
        maximumFractionDigits: fraction.length,
        useGrouping: pattern.includes(','),
    });
    const at = covered.indexOf(pattern);
    const isBelow = value < 0 && !sections[1] && /[1-9]/.test(text);
    return `${isBelow ? '-' : ''}${plain(code.slice(0, at))}${text}${plain(code.slice(at + pattern.length))}`.trim();
}

/** What is beside the digits. @param {string} piece of a format */
const plain = (piece) =>
    piece.replace(
        /"([^"]*)"|\\(.)|_.|\*.|\[\$([^\]-]*)[^\]]*\]|\[[^\]]*\]/g,
        (_all, quoted, escaped, currency) => quoted ?? escaped ?? currency ?? '',
    );

/** A part of a day, as a time of day or a stretch of time. @param {number} value @param {string} format */
function time(value, format) {
    const all = Math.round(Math.abs(value) * 86_400);
    const [hours, minutes, seconds] = [Math.floor(all / 3600), Math.floor(all / 60) % 60, all % 60];
    const isHalf = /am\/pm/i.test(format);
    const hour = isHalf ? hours % 12 || 12 : hours % 24;
    const padded = (/** @type {number} */ number, /** @type {string} */ token) => String(number).padStart(token.length, '0');
    const text = format.replace(/"([^"]*)"|\\(.)|\[(h+)\]|\[(m+)\]|\[(s+)\]|am\/pm|h+|m+|s+/gi, (token, quoted, escaped, h, m, s) => {
        if (quoted !== undefined || escaped !== undefined) return quoted ?? escaped;
        if (h) return padded(hours, h);
        if (m) return padded(Math.floor(all / 60), m);
        if (s) return padded(all, s);
        if (/am/i.test(token)) return hours % 24 < 12 ? 'AM' : 'PM';
        return padded({ h: hour, m: minutes, s: seconds }[/** @type {'h' | 'm' | 's'} */ (token[0].toLowerCase())], token);
    });
    return `${value < 0 && /[1-9]/.test(text) ? '-' : ''}${text}`;
}

/** @param {string} iso @param {string} format */
function day(iso, format) {
    const [date, time = '00:00:00'] = iso.split('T');
    const [year, month, of] = date.split('-');
    const [hours, minutes, seconds = '00'] = time.split(':');
    const isHalf = /am\/pm/i.test(format);
    const weekday = new Date(`${date}T00:00:00Z`).toLocaleDateString('en', { weekday: 'long', timeZone: 'UTC' });
    // Minutes are written like months, and are known by the hours before or the seconds behind them (ECMA-376 part 1, 18.8.31).
    const code = format
        .replace(/(h+[^a-z"]*)(m+)/gi, (_all, before, m) => before + 'i'.repeat(m.length))
        .replace(/m+(?=[^a-z"]*s)/gi, (m) => 'i'.repeat(m.length));
    return code.replace(/"([^"]*)"|\\(.)|\[[^\]]*\]|am\/pm|y+|m+|d+|h+|i+|s+/gi, (token, quoted, escaped) => {
        if (quoted !== undefined || escaped !== undefined) return quoted ?? escaped;
        const hour = isHalf ? Number(hours) % 12 || 12 : Number(hours);
        const name = MONTH_NAMES[Number(month) - 1];
        /** @type {Record<string, string>} */
        const ways = {
            y: token.length < 3 ? year.slice(2) : year,
            m: [String(Number(month)), month, name.slice(0, 3), name][token.length - 1] ?? name,
            d: [String(Number(of)), of, weekday.slice(0, 3), weekday][token.length - 1] ?? weekday,
            h: String(hour).padStart(token.length, '0'),
            i: String(Number(minutes)).padStart(token.length, '0'),
            s: String(Number(seconds)).padStart(token.length, '0'),
            a: Number(hours) < 12 ? 'AM' : 'PM',
            '[': '',
        };
        return ways[token[0].toLowerCase()];
    });
}

/** @param {string} look @returns {{letters: string, format: string}} */
export function lookParts(look) {
    const bar = look.indexOf('|');
    return bar < 0 ? { letters: look, format: '' } : { letters: look.slice(0, bar), format: look.slice(bar + 1) };
}

/** @param {string} letters @param {string} format */
export function lookWith(letters, format) {
    const sorted = (letters.includes('b') ? 'b' : '') + (letters.includes('i') ? 'i' : '') + (/[lcr]/.exec(letters)?.[0] ?? '');
    return format === '' ? sorted : `${sorted}|${format}`;
}
