const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;

/** Making a format costs a hundred times as much as using it. @type {Record<string, Intl.DateTimeFormat>} */
const FORMATS = {
    clock: new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' }),
    weekday: new Intl.DateTimeFormat('en-GB', { weekday: 'long' }),
    day: new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long' }),
    shortDay: new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short' }),
    shortYear: new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' }),
    year: new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' }),
    exact: new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' }),
};

/**
 * A moment in words, in the reader's own zone: relative when recent.
 *
 * @param {Date} date
 * @param {Date} now
 * @returns {string}
 */
export function near(date, now) {
    const ago = now.getTime() - date.getTime();
    const clock = FORMATS.clock.format(date);
    const midnight = new Date(now);
    midnight.setHours(0, 0, 0, 0);
    if (ago < MINUTE) return `${Math.max(0, Math.round(ago / 1000))} s ago`;
    if (ago < 60 * MINUTE) return `${Math.round(ago / MINUTE)} min ago`;
    if (date >= midnight) return `today ${clock}`;
    if (date.getTime() >= midnight.getTime() - DAY) return `yesterday ${clock}`;
    if (date.getTime() >= midnight.getTime() - 6 * DAY) return `${FORMATS.weekday.format(date)} ${clock}`;
    return (date.getFullYear() === now.getFullYear() ? FORMATS.day : FORMATS.year).format(date);
}

/** The day alone, where there is little room. @param {Date} date @param {Date} now */
const short = (date, now) => (date.getFullYear() === now.getFullYear() ? FORMATS.shortDay : FORMATS.shortYear).format(date);

/** A moment in few letters, for a title. @param {Date} date */
export const moment = (date) => `${short(date, new Date())}, ${FORMATS.clock.format(date)}`;

/** @param {Date} date */
export const exact = (date) => FORMATS.exact.format(date);

/**
 * Puts every `<time data-when>` into the reader's words and zone, now and then anew.
 *
 * @param {ParentNode} root
 * @returns {() => void}
 */
export function attachTimes(root) {
    // What is written as a day or an hour is meant by the reader's own clock.
    for (const field of /** @type {NodeListOf<HTMLInputElement>} */ (root.querySelectorAll('[data-zone]'))) field.value = Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';
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
