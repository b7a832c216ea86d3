import { inWords } from './words.js';

const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;

/** The zone of the account that reads; that of the device where it says none. */
const timeZone = globalThis.document?.documentElement.dataset.zoneOf || undefined;

/**
 * How the account that reads writes dates; the server has the same ({@link https://www.rfc-editor.org/rfc/rfc3339 RFC 3339} for the year
 * first).
 */
const way = globalThis.document?.documentElement.dataset.dates ?? '';

const NUMERIC = /** @type {const} */ ({ day: 'numeric', month: 'numeric', year: 'numeric' });
const PADDED = /** @type {const} */ ({ day: '2-digit', month: '2-digit', year: 'numeric' });
/**
 * A locale that writes dates so; where there are no names of months, a day has its year. @type {Record<string, [string,
 * Intl.DateTimeFormatOptions | null, Intl.DateTimeFormatOptions | null]>}
 */
const WAYS = {
    month: ['en-US', null, null],
    year: ['sv-SE', PADDED, PADDED],
    points: ['de-DE', NUMERIC, { day: 'numeric', month: 'numeric' }],
};

/**
 * Making a format costs a hundred times as much as using it. @param {string | undefined} zone @returns {Record<string,
 * Intl.DateTimeFormat>}
 */
function formats(zone) {
    const [locale, whole, ofYear] = WAYS[way] ?? ['en-GB', null, null];
    /** @type {Record<string, Intl.DateTimeFormatOptions>} */
    const days = {
        day: ofYear ?? { day: 'numeric', month: 'long' },
        shortDay: ofYear ?? { day: 'numeric', month: 'short' },
        shortYear: whole ?? { day: 'numeric', month: 'short', year: 'numeric' },
        year: whole ?? { day: 'numeric', month: 'long', year: 'numeric' },
    };
    const clock = /** @type {const} */ ({ hour: '2-digit', minute: '2-digit', hourCycle: 'h23' });
    return Object.fromEntries([
        ...Object.entries(days).map(([name, how]) => [name, new Intl.DateTimeFormat(locale, { ...how, timeZone: zone })]),
        ...Object.entries({ clock, weekday: { weekday: 'long' }, numbers: NUMERIC }).map(([name, how]) => [
            name,
            new Intl.DateTimeFormat('en-GB', /** @type {Intl.DateTimeFormatOptions} */ ({ ...how, timeZone: zone })),
        ]),
    ]);
}

const FORMATS = formats(timeZone);

/** For days that are named by their beginning in UTC, whatever the zone. */
const OF_DAYS = formats('UTC');

/**
 * Which day it is in a zone, and its year. @param {Date} date @param {Record<string, Intl.DateTimeFormat>} by @returns {[number, number]}
 * days since 1970, and the year
 */
function dayOf(date, by) {
    const { day, month, year } = Object.fromEntries(by.numbers.formatToParts(date).map(({ type, value }) => [type, Number(value)]));
    return [Date.UTC(year, month - 1, day) / DAY, year];
}

/**
 * A moment in words, in the reader's own zone: relative when recent.
 *
 * @param {Date} date
 * @param {Date} now
 * @param {Record<string, Intl.DateTimeFormat>} [by]
 * @returns {string}
 */
export function near(date, now, by = FORMATS) {
    const ago = now.getTime() - date.getTime();
    if (ago < MINUTE) return inWords('common.times.s_ago', { value: Math.max(0, Math.round(ago / 1000)) });
    if (ago < 60 * MINUTE) return inWords('common.times.min_ago', { ago: Math.round(ago / MINUTE) });
    const clock = by.clock.format(date);
    const [[then, year], [today, thisYear]] = [dayOf(date, by), dayOf(now, by)];
    if (then >= today) return inWords('common.times.today', { clock });
    if (then === today - 1) return inWords('common.times.yesterday', { clock });
    if (then >= today - 6) return `${by.weekday.format(date)} ${clock}`;
    return (year === thisYear ? by.day : by.year).format(date);
}

/** @param {Date} date @param {Date} now @param {string} zone */
export const nearIn = (date, now, zone) => near(date, now, formats(zone));

/** With a month of three letters, as the server writes each of them. @param {Intl.DateTimeFormat} format @param {Date} date */
const few = (format, date) => format.format(date).replace(/Sept\b/, 'Sep');

/** The day alone, where there is little room. @param {Date} date @param {Date} now */
const short = (date, now) => few(dayOf(date, FORMATS)[1] === dayOf(now, FORMATS)[1] ? FORMATS.shortDay : FORMATS.shortYear, date);

/** A moment in few letters, for a title. @param {Date} date */
export const moment = (date) => `${short(date, new Date())}, ${FORMATS.clock.format(date)}`;

/** @param {Date} date */
export const exact = (date) => `${few(FORMATS.shortYear, date)}, ${FORMATS.clock.format(date)}`;

/** A day without its year: “3 Nov”. @param {Date} date */
export const shortDay = (date) => few(FORMATS.shortDay, date);

/** “3 November”. @param {Date} date */
export const longDay = (date) => FORMATS.day.format(date);

/** A day that is named by its beginning in UTC: “3 Nov”, “3 November”. @param {Date} date @param {'shortDay' | 'day'} how */
export const dayItself = (date, how) => few(OF_DAYS[how], date);

/**
 * Puts every `<time data-when>` into the reader's words and zone, now and then again.
 *
 * @param {ParentNode} root
 * @returns {() => void}
 */
export function attachTimes(root) {
    // What is written as a day or an hour is meant by the reader's own clock.
    for (const field of /** @type {NodeListOf<HTMLInputElement>} */ (root.querySelectorAll('[data-zone]')))
        field.value = timeZone ?? (Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC');
    const say = () => {
        const now = new Date();
        for (const time of root.querySelectorAll('time[data-when]')) {
            const date = new Date(/** @type {HTMLTimeElement} */ (time).dateTime);
            const how = time.getAttribute('data-when');
            const text = how === 'exact' ? exact(date) : how === 'short' ? short(date, now) : near(date, now);
            if (time.textContent !== text) time.textContent = text;
            time.setAttribute('title', exact(date));
        }
    };
    say();
    const again = setInterval(say, 5000);
    const observer = new MutationObserver(say);
    observer.observe(/** @type {Node} */ (root), { childList: true, subtree: true });
    return () => {
        clearInterval(again);
        observer.disconnect();
    };
}
