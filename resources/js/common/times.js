const MINUTE = 60_000;
const DAY = 24 * 60 * MINUTE;

/** @param {Date} date @param {Intl.DateTimeFormatOptions} options */
const written = (date, options) => new Intl.DateTimeFormat('en-GB', options).format(date);

/**
 * A moment in words, in the reader's own zone: relative when recent.
 *
 * @param {Date} date
 * @param {Date} now
 * @returns {string}
 */
export function near(date, now) {
    const ago = now.getTime() - date.getTime();
    const clock = written(date, { hour: '2-digit', minute: '2-digit' });
    const midnight = new Date(now);
    midnight.setHours(0, 0, 0, 0);
    if (ago < MINUTE) return `${Math.max(0, Math.round(ago / 1000))} s ago`;
    if (ago < 60 * MINUTE) return `${Math.round(ago / MINUTE)} min ago`;
    if (date >= midnight) return `today ${clock}`;
    if (date.getTime() >= midnight.getTime() - DAY) return `yesterday ${clock}`;
    if (date.getTime() >= midnight.getTime() - 6 * DAY) return `${written(date, { weekday: 'long' })} ${clock}`;
    return written(date, { day: 'numeric', month: 'long', ...(date.getFullYear() === now.getFullYear() ? {} : { year: 'numeric' }) });
}

/** @param {Date} date */
export const exact = (date) => written(date, { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' });

/**
 * Puts every `<time data-when>` into the reader's words and zone, now and then anew.
 *
 * @param {ParentNode} root
 * @returns {() => void}
 */
export function attachTimes(root) {
    const say = () => {
        const now = new Date();
        for (const time of root.querySelectorAll('time[data-when]')) {
            const date = new Date(/** @type {HTMLTimeElement} */ (time).dateTime);
            const text = time.getAttribute('data-when') === 'exact' ? exact(date) : near(date, now);
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
