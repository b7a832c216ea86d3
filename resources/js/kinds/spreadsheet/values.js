import { bareOf, resultOf } from './cell.js';

/** @typedef {import('./model.js').Value} Value */

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const MONTH_NAMES = ['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December'];

/** The number formats that the tools offer; others that a file brings along are kept. */
export const FORMATS = { plain: '', whole: '#,##0', two: '#,##0.00', percent: '0%', euro: '"€" #,##0.00', pound: '"£" #,##0.00', dollar: '"$" #,##0.00', date: 'd mmm yyyy', iso: 'yyyy-mm-dd' };

/**
 * What somebody typed, as a value; a formula is left as it is written.
 *
 * @param {string} text
 * @returns {{value?: Value, formula?: string, format?: string}} nothing for an empty cell
 */
export function typed(text) {
    if (text === '') return {};
    if (text[0] === '=' && text.length > 1) return { formula: text.slice(1) };
    if (text[0] === "'") return text.length > 1 ? { value: text.slice(1) } : {};
    const plain = text.trim();
    if (/^[+-]?(\d{1,3}(,\d{3})+|\d+)?(\.\d+)?(e[+-]?\d+)?$/i.test(plain) && /\d/.test(plain)) {
        const number = Number(plain.replaceAll(',', ''));
        if (Number.isFinite(number)) return { value: number };
    }
    const percent = /^([+-]?\d+(?:\.\d+)?)\s?%$/.exec(plain);
    if (percent) return { value: Number((Number(percent[1]) / 100).toPrecision(15)), format: percent[1].includes('.') ? '0.0%' : '0%' };
    const day = dayOf(plain);
    if (day) return { value: ['d', day] };
    if (/^true$/i.test(plain)) return { value: true };
    if (/^false$/i.test(plain)) return { value: false };
    return { value: text };
}

/** @param {string} text @returns {string | null} ISO 8601 */
function dayOf(text) {
    const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(text);
    const words = /^(\d{1,2})\.? ([a-z]{3,9}) (\d{4})$/i.exec(text);
    const at = words ? MONTHS.indexOf(words[2].slice(0, 3).toLowerCase()) : -1;
    const [year, month, day] = iso ? [iso[1], iso[2], iso[3]] : words && at >= 0 ? [words[3], String(at + 1), words[1]] : ['', '', ''];
    if (year === '') return null;
    const date = new Date(Date.UTC(Number(year), Number(month) - 1, Number(day)));
    return date.getUTCMonth() === Number(month) - 1 && date.getUTCDate() === Number(day) ? `${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}` : null;
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

/** @param {Value | undefined} value @param {string} format @returns {string} as it is shown in its cell */
export function shown(value, format) {
    const result = resultOf(value);
    if (result === undefined) return '';
    if (Array.isArray(result)) return result[0] === 'd' ? day(String(result[1]), format) : String(result[1]);
    if (typeof result === 'boolean') return result ? 'TRUE' : 'FALSE';
    return typeof result === 'number' ? number(result, format) : result;
}

/** @param {number} value @param {string} format */
function number(value, format) {
    const code = format.split(';')[0];
    const bare = code.replace(/"[^"]*"|\\.|_.|\*.|\[\$[^\]]*\]/g, '');
    if (/[hs]/i.test(bare) && !/[dy0#]/i.test(bare)) return time(value, code);
    if (!/[0#]/.test(code)) return format !== '' && /[dy]/i.test(code) ? day(new Date(Math.round((value - 25569) * 86400000)).toISOString().slice(0, 10), format) : String(Number(value.toPrecision(15)));
    const pattern = /[#0,.]+/.exec(code.replace(/"[^"]*"/g, (text) => '\u0001'.repeat(text.length)))?.[0] ?? '0';
    const decimals = (pattern.split('.')[1] ?? '').length;
    const percent = code.includes('%');
    const text = Math.abs(percent ? value * 100 : value).toLocaleString('en', { minimumFractionDigits: decimals, maximumFractionDigits: decimals, useGrouping: pattern.includes(',') });
    const at = code.replace(/"[^"]*"/g, (quoted) => '\u0001'.repeat(quoted.length)).indexOf(pattern);
    /** @param {string} piece */
    const plain = (piece) => piece.replace(/"([^"]*)"/g, '$1').replace(/\\(.)/g, '$1').replace(/_.|\*./g, '').replace(/\[\$?([^\]-]*)[^\]]*\]/g, '$1');
    return (value < 0 && Number(text.replaceAll(',', '')) !== 0 ? '-' : '') + plain(code.slice(0, at)) + text + plain(code.slice(at + pattern.length));
}

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
    return `${value < 0 ? '-' : ''}${text}`;
}

/** @param {string} iso @param {string} format */
function day(iso, format) {
    const [date, time] = iso.split('T');
    const [year, month, of] = date.split('-');
    if (!/[dy]/i.test(format)) return iso.replace('T', ' ');
    return format.replace(/"([^"]*)"|yyyy|yy|mmmm|mmm|mm|m|dd|d|hh|h|ss/gi, (token, text) => {
        switch (token.toLowerCase()) {
            case 'yyyy': return year;
            case 'yy': return year.slice(2);
            case 'mmmm': return MONTH_NAMES[Number(month) - 1];
            case 'mmm': return MONTH_NAMES[Number(month) - 1].slice(0, 3);
            case 'mm': return month;
            case 'm': return String(Number(month));
            case 'dd': return of;
            case 'd': return String(Number(of));
            case 'hh': case 'h': return time?.slice(0, 2) ?? '00';
            case 'ss': return time?.slice(6, 8) || '00';
            default: return text ?? token;
        }
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
