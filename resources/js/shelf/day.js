import { figure } from '../common/figures.js';
import { ask } from '../common/ask.js';
import { dayItself, exact } from '../common/times.js';
import { height, laneNames, sized, token } from '../ribbon/marks.js';
import { inWords } from '../common/words.js';

const LEFT = 14;
const RIGHT = 60;
const TOP = 26;
const BOTTOM = 24;
/** Pixels of a day. */
const LEAST = 4;
const MOST = 26;
const DAY = 86_400_000;

/**
 * @typedef {{lanes: {name: string, monogram: string, colour: number}[], items: string[], marks: [day: string, lane: number, items: [number, number][], more: number][], milestones: [string, string][], versions: number}}
 *     Ribbon
 */

/** A moment as the address has it. @param {Date} at */
const stamp = (at) => `${at.toISOString().slice(0, 19)}Z`;

/**
 * A shelf on a day: its ribbon, whose ends are moved to other days, and the ticks.
 *
 * @param {HTMLElement} root
 */
export function attachDay(root) {
    const main = /** @type {HTMLElement | null} */ (root.querySelector('[data-day]'));
    const box = /** @type {HTMLElement | null} */ (root.querySelector('[data-day-ribbon]'));
    if (!main || !box) return;
    const { ribbon, here, at, until } = /** @type {{ribbon: string, here: string, at: string, until: string | null}} */ (
        JSON.parse(main.dataset.day ?? '{}')
    );
    written(root);
    ticks(root);
    band(box, ribbon, new Date(at), until === null ? null : new Date(until), (from, to) => {
        const url = new URL(here, location.href);
        url.searchParams.set('at', stamp(from));
        if (to) url.searchParams.set('until', stamp(to));
        location.assign(url.href);
    });
}

/** Moments are in the fields as the reader's own clock has them. @param {HTMLElement} root */
function written(root) {
    for (const field of /** @type {NodeListOf<HTMLInputElement>} */ (root.querySelectorAll('[data-day-when]'))) {
        if (field.dataset.dayWhen) field.value = exact(new Date(field.dataset.dayWhen)).replace(',', '');
    }
}

/** @param {HTMLElement} root */
function ticks(root) {
    const boxes = /** @type {HTMLInputElement[]} */ ([...root.querySelectorAll('[data-day-tick]')]);
    const count = root.querySelector('[data-day-count]');
    const back = /** @type {HTMLButtonElement | null} */ (root.querySelector('[data-day-back]'));
    if (!count || !back) return;
    const show = () => {
        const ticked = boxes.filter((each) => each.checked).length;
        count.textContent =
            ticked === 0
                ? inWords('shelf.day.tick_what_should_be_as_it')
                : inWords(ticked === 1 ? 'shelf.day.one_ticked' : 'shelf.day.ticked', { count: ticked });
        back.disabled = ticked === 0;
    };
    root.addEventListener('change', show);
    show();
}

/**
 * @param {HTMLElement} root
 * @param {string} address
 * @param {Date} at
 * @param {Date | null} until null for now
 * @param {(at: Date, until: Date | null) => void} choose
 */
function band(root, address, at, until, choose) {
    const find = (/** @type {string} */ selector) => /** @type {HTMLElement} */ (root.querySelector(selector));
    const [scroll, track, lanesBox, flags, hint, sum] = [
        '[data-scroll]',
        '[data-track]',
        '[data-lanes]',
        '[data-flags]',
        '[data-hint]',
        '[data-day-sum]',
    ].map(find);
    const canvas = /** @type {HTMLCanvasElement} */ (track.querySelector('canvas'));
    const handles = { at: find('[data-end=at]'), until: find('[data-end=until]') };
    /** @type {Ribbon | null} */
    let data = null;
    let first = 0;
    let days = 1;
    let step = LEAST;
    let frame = 0;
    const now = Date.now();

    /** @param {number} time */
    const x = (time) => LEFT + ((time - first) / DAY) * step;
    const laneTall = () => Math.max(14, Math.min(30, (scroll.clientHeight - TOP - BOTTOM) / Math.max(1, data?.lanes.length ?? 1)));
    const laneY = (/** @type {number} */ lane) => TOP + laneTall() * (lane + 0.5);
    const untilNow = () => until?.getTime() ?? now;

    const lay = () => {
        if (!data) return;
        step = Math.max(LEAST, Math.min(MOST, (scroll.clientWidth - LEFT - RIGHT) / days));
        track.style.width = `${Math.max(scroll.clientWidth, LEFT + RIGHT + days * step)}px`;
        lanesBox.style.top = `${scroll.offsetTop}px`;
        lanesBox.replaceChildren(...laneNames(data.lanes, laneY));
        flags.replaceChildren(...data.milestones.map(([moment, name]) => {
            const flag = document.createElement('button');
            flag.type = 'button';
            flag.className = 'flag';
            flag.title = `${name}: ${exact(new Date(moment))}`;
            flag.style.left = `${x(Date.parse(moment))}px`;
            const text = document.createElement('span');
            text.textContent = name;
            flag.append(text);
            flag.addEventListener('click', () => choose(new Date(moment), until));
            return flag;
        }));
        place();
        draw();
    };

    const place = () => {
        handles.at.style.left = `${x(at.getTime())}px`;
        handles.at.classList.toggle('is-edge', x(at.getTime()) < 120);
        handles.until.style.left = `${x(untilNow())}px`;
        find('[data-mist=before]').style.width = `${Math.max(0, x(at.getTime()))}px`;
        for (const [name, time] of /** @type {['at' | 'until', number][]} */ ([['at', at.getTime()], ['until', untilNow()]])) {
            const words = name === 'until' && !until ? 'now' : exact(new Date(time));
            handles[name].setAttribute('aria-valuemax', String(days));
            handles[name].setAttribute('aria-valuenow', String(Math.max(0, Math.min(days, Math.round((time - first) / DAY)))));
            handles[name].setAttribute('aria-valuetext', words);
            /** @type {HTMLElement} */ (handles[name].querySelector('b')).textContent = words;
        }
    };

    const draw = () => {
        frame = 0;
        if (!data) return;
        const [width, tall, offset] = [scroll.clientWidth, scroll.clientHeight, scroll.scrollLeft];
        const context = sized(canvas, width, tall);
        canvas.style.transform = `translateX(${offset}px)`;
        const value = token(root);
        context.strokeStyle = value('--mist-3');
        data.lanes.forEach((_, lane) => {
            context.beginPath();
            context.moveTo(0, laneY(lane));
            context.lineTo(width, laneY(lane));
            context.stroke();
        });
        for (const [day, lane, items] of data.marks) {
            const left = x(Date.parse(`${day}T00:00:00Z`)) - offset;
            if (left < -MOST || left > width) continue;
            context.fillStyle = value(`--editor-${data.lanes[lane].colour}`);
            // One piece for each item, as high as it has versions.
            let y = laneY(lane);
            for (const [, versions] of items.slice(0, 4)) {
                const high = Math.max(3, height(versions, laneTall() / 2));
                context.fillRect(left, y - high, Math.max(3, Math.min(9, step - 1)), high);
                y -= high + 1;
                if (y < laneY(lane) - laneTall() + 6) break;
            }
        }
        context.fillStyle = value('--ink-2');
        context.font = `11px ${value('--face-interface')}`;
        for (let time = new Date(first), last = -99; time.getTime() < now; time = new Date(time.getTime() + DAY)) {
            const left = x(time.getTime()) - offset;
            if (time.getUTCDate() !== 1 && time.getUTCDay() !== 1) continue;
            if (
                left < 2 ||
                left > width - 40 ||
                left - last < 84 ||
                Object.values(handles).some((handle) => Math.abs(handle.offsetLeft - offset - left) < 150)
            )
                continue;
            last = left;
            context.fillText(dayItself(time, 'shortDay'), left, tall - 7);
        }
    };

    /** The end of the day under the pointer, by the reader's clock. @param {number} clientX */
    const under = (clientX) => {
        const time = new Date(Math.min(now, first + ((clientX - track.getBoundingClientRect().left - LEFT) / step) * DAY));
        time.setHours(23, 59, 59, 0);
        return new Date(Math.max(first, Math.min(now, time.getTime())));
    };
    /** @param {'at' | 'until'} end @param {Date} time */
    const move = (end, time) => {
        if (end === 'at') at = new Date(Math.min(time.getTime(), untilNow()));
        else until = time.getTime() > now - DAY / 2 ? null : new Date(Math.max(time.getTime(), at.getTime()));
        place();
    };
    /** @param {number} clientX @param {number} clientY */
    const say = (clientX, clientY) => {
        if (!data) return;
        const day = new Date(first + Math.floor((clientX - track.getBoundingClientRect().left - LEFT) / step) * DAY)
            .toISOString()
            .slice(0, 10);
        const lane = Math.floor((clientY - track.getBoundingClientRect().top - TOP) / laneTall());
        const mark = data.marks.find(([of, by]) => of === day && by === lane);
        const names = mark ? mark[2].map(([item, versions]) => `${data?.items[item]} ${versions}`).join(', ') : '';
        hint.textContent = mark
            ? `${dayItself(new Date(day), 'day')}, ${data.lanes[lane].name}: ${names}${mark[3] > 0 ? inWords('shelf.day.and_more', { mark: mark[3] }) : ''}`
            : '';
    };

    /** @type {'at' | 'until' | null} */
    let dragging = null;
    let dragged = false;
    track.addEventListener('pointerdown', (event) => {
        const handle = /** @type {HTMLElement | null} */ (/** @type {Element} */ (event.target).closest('[data-end]'));
        if (!handle || event.button !== 0) return;
        dragging = /** @type {'at' | 'until'} */ (handle.dataset.end);
        dragged = false;
        handle.setPointerCapture(event.pointerId);
    });
    track.addEventListener('pointermove', (event) => {
        if (!dragging) return say(event.clientX, event.clientY);
        dragged = true;
        move(dragging, under(event.clientX));
    });
    track.addEventListener('pointerup', () => {
        if (dragging && dragged) choose(at, until);
        dragging = null;
    });
    track.addEventListener('click', (event) => {
        if (/** @type {Element} */ (event.target).closest('[data-end], .flag')) return;
        choose(under(event.clientX), until);
    });
    /** @type {ReturnType<typeof setTimeout> | undefined} */
    let still;
    root.addEventListener('keydown', (event) => {
        const end = /** @type {'at' | 'until' | undefined} */ (/** @type {HTMLElement} */ (event.target).dataset?.end);
        /** @type {Record<string, number>} */
        const by = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1, PageDown: -7, PageUp: 7 };
        if (!end || !(event.key in by) || event.ctrlKey || event.altKey) return;
        event.preventDefault();
        const time = new Date((end === 'at' ? at.getTime() : untilNow()) + by[event.key] * DAY);
        move(end, new Date(Math.max(first, Math.min(now, time.getTime()))));
        clearTimeout(still);
        still = setTimeout(() => choose(at, until), 700);
    });
    new ResizeObserver(lay).observe(scroll);
    scroll.addEventListener(
        'scroll',
        () => {
            if (!frame) frame = requestAnimationFrame(draw);
        },
        { passive: true },
    );
    ask(address)
        .then((answer) => {
            data = /** @type {Ribbon} */ (answer);
            const earliest = Math.min(
                at.getTime(),
                ...data.milestones.map(([moment]) => Date.parse(moment)),
                Date.parse(data.marks[0]?.[0] ?? new Date(now).toISOString()),
            );
            first = Math.floor(earliest / DAY) * DAY;
            days = Math.max(1, Math.ceil((now - first) / DAY));
            sum.textContent = inWords('shelf.day.of', {
                versions: inWords(data.versions === 1 ? 'shelf.day.one_version' : 'shelf.day.versions', { count: figure(data.versions) }),
                items: inWords(data.items.length === 1 ? 'shelf.day.one_item' : 'shelf.day.items', { count: data.items.length }),
            });
            lay();
            scroll.scrollLeft = Math.max(0, x(at.getTime()) - scroll.clientWidth / 2);
            root.dataset.ready = '1';
        })
        .catch(() => {
            hint.textContent = inWords('shelf.day.the_ribbon_could_not_be_read');
        });
}
