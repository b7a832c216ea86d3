import { ask } from '../common/ask.js';
import { longDay, shortDay } from '../common/times.js';
import { card } from './card.js';
import { flagged } from './flags.js';
import { laid } from './layout.js';
import { laneNames, mark, sized, token } from './marks.js';
import { inWords } from '../common/words.js';

// Flags are in the first 20 pixels, arcs below them.
const TOP = 42;
const BOTTOM = 24;
/** Pixels that the name of an end takes beside it. */
const TAG = 84;
/** Lanes of that height have room for words under a mark. */
const WORDY = 30;
/** Milliseconds after a key until an end counts as let go of. */
const STILL = 1_200;

/**
 * The ribbon: a lane for each editor, a mark for each version, the two ends.
 *
 * @param {HTMLElement} root
 * @param {{from: number, to: number, ribbon: string, line: string, spots?: [number, string][], only?: string, by?: number[]}} state
 * @param {(from: number, to: number) => void} choose another pair of ends was chosen
 * @param {(only: string) => void} kept another filter was chosen
 * @returns {{dispose: () => void, before: () => void, move: (end: 'from' | 'to', by: number) => void, show: (from: number, to: number, by?: number[]) => void}}
 */
export function ribbon(root, state, choose, kept) {
    const find = (/** @type {string} */ selector) => /** @type {HTMLElement} */ (root.querySelector(selector));
    const [scroll, track, lanesBox, flags, hint] = [
        find('[data-scroll]'),
        find('[data-track]'),
        find('[data-lanes]'),
        find('[data-flags]'),
        find('[data-hint]'),
    ];
    const canvas = /** @type {HTMLCanvasElement} */ (track.querySelector('canvas'));
    const ends = { from: find('[data-end=from]'), to: find('[data-end=to]') };
    const mist = { before: find('[data-mist=before]'), after: find('[data-mist=after]') };
    let { from, to } = state;
    /** @type {import('./marks.js').Ribbon | null} */
    let data = null;
    /** @type {import('./marks.js').Version[]} */
    let shown = [];
    /** @type {Map<number, number>} */
    let times = new Map();
    /** @type {Map<number, number>} number => place among the shown */
    let places = new Map();
    /** @type {ReturnType<typeof laid> | null} */
    let plan = null;
    let step = 0;
    const how = { only: state.only ?? '', fold: false, clock: false };
    let frame = 0;
    /** How high it was when it was laid. */
    let tallThen = 0;

    const x = (/** @type {number} */ place) => plan?.middles[place] ?? 0;
    /** @param {number} number @returns {number} the place of a version, or of the next one shown */
    const placeOf = (number) => {
        const exactly = places.get(number);
        if (exactly !== undefined) return exactly;
        const next = shown.findIndex((version) => version[0] > number);
        return next < 0 ? shown.length - 1 : next;
    };
    const laneTall = () => Math.max(14, Math.min(32, (scroll.clientHeight - TOP - BOTTOM) / Math.max(1, data?.lanes.length ?? 1)));
    const laneY = (/** @type {number} */ lane) => TOP + laneTall() * (lane + 0.5);

    const lay = () => {
        if (!data) return;
        plan = laid(data, how, scroll.clientWidth);
        tallThen = scroll.clientHeight;
        ({ shown, step } = plan);
        places = new Map(shown.map(([number], place) => [number, place]));
        track.style.width = `${plan.width}px`;
        // Where it was drawn last would hold the track open.
        canvas.style.transform = '';
        lanesBox.style.top = `${scroll.offsetTop}px`;
        lanesBox.replaceChildren(...laneNames(data.lanes, laneY));
        flags.replaceChildren(
            ...flagged(data, state.spots ?? [], {
                x: (number) => x(placeOf(number)),
                isShown: (number) => places.has(number),
                laneY: (number) => laneY(shown[placeOf(number)][1]),
                lane: laneY,
                isLow: laneTall() < WORDY,
                step,
                width: track.clientWidth,
                to: (number) => set('from', number),
                look: (number) => {
                    set('from', before(number));
                    set('to', number);
                },
                proposal: (id) => location.assign(state.ribbon.replace(/ribbon$/, `proposals?of=${id}`)),
            }),
        );
        place();
        draw();
    };

    const place = () => {
        if (shown.length === 0) return;
        const [a, b] = [x(placeOf(from)), x(placeOf(to))];
        ends.from.style.left = `${a}px`;
        // Without room for its name at its side, it is above the other's.
        ends.from.classList.toggle('is-edge', a < 66);
        ends.to.style.left = `${b}px`;
        mist.before.style.width = `${Math.max(0, a)}px`;
        mist.after.style.left = `${b}px`;
        redraw();
        for (const [name, number] of /** @type {['from' | 'to', number][]} */ ([['from', from], ['to', to]])) {
            ends[name].setAttribute('aria-valuenow', String(number));
            ends[name].setAttribute('aria-valuetext', inWords('ribbon.ribbon.version', { number }));
            const label = ends[name].querySelector('b');
            if (label) label.textContent = String(number);
        }
    };

    /** Whether a mark is of somebody whose changes are not looked at now. @param {import('./marks.js').Version} version */
    const isAside = (version) => (state.by ?? []).length > 0 && data !== null && !(state.by ?? []).includes(data.lanes[version[1]].id);

    /** Draws what is in sight and no more, whatever the number of versions. */
    const draw = () => {
        frame = 0;
        if (!data) return;
        const [width, tall] = [scroll.clientWidth, scroll.clientHeight];
        // Names and flags are where the lanes are drawn, whatever made room or took it.
        if (tall !== tallThen) {
            lay();
            return;
        }
        const offset = scroll.scrollLeft;
        const context = sized(canvas, width, tall);
        canvas.style.transform = `translateX(${offset}px)`;
        const value = token(root);
        const [line, ink, paper] = [value('--mist-3'), value('--ink-2'), value('--paper')];
        context.strokeStyle = line;
        data.lanes.forEach((_, lane) => {
            context.beginPath();
            context.moveTo(0, laneY(lane));
            context.lineTo(width, laneY(lane));
            context.stroke();
        });
        const first = Math.max(0, (plan?.near(offset) ?? 0) - 1);
        const last = Math.min(shown.length, (plan?.near(offset + width) ?? 0) + 2);
        context.font = `11px ${value('--face-interface')}`;
        context.textAlign = 'left';
        let [labelled, day] = [-Infinity, ''];
        const [a, b] = [x(placeOf(from)) - offset, x(placeOf(to)) - offset];
        /** @type {[number, number][]} where the names of the ends are */
        const tags = [a < 66 ? [a, a + TAG] : [a - TAG, a], [b, b + TAG]];
        for (let at = first; at < last; at++) {
            const version = shown[at];
            const left = x(at) - offset;
            if (version[5] && how.only === '' && !how.fold && at > 0) {
                context.setLineDash([2, 3]);
                context.strokeStyle = line;
                context.beginPath();
                context.moveTo(left - step / 2, TOP);
                context.lineTo(left - step / 2, tall - BOTTOM);
                context.stroke();
                context.setLineDash([]);
            }
            // No date is cut at the edge or lies under the name of an end.
            const hidden = left < 4 || tags.some(([start, end]) => left + 44 > start && left - 3 < end);
            if ((version[5] || how.only || how.fold) && left - labelled > 90 && !hidden) {
                const said = shortDay(new Date((times.get(version[0]) ?? 0) * 1000));
                context.fillStyle = ink;
                // A day is said once.
                if (said !== day) context.fillText(said, left - 3, tall - 7);
                [labelled, day] = [said === day ? labelled : left, said];
            }
            for (const each of plan?.marks[at] ?? []) {
                context.globalAlpha = isAside(each) ? 0.25 : 1;
                mark(context, each, {
                    x: left,
                    y: laneY(each[1]),
                    width: Math.min(8, step - 2),
                    most: laneTall() / 2 - 1,
                    colour: value(`--editor-${data.lanes[each[1]].colour}`),
                    paper,
                });
            }
            context.globalAlpha = 1;
        }
        context.strokeStyle = ink;
        context.fillStyle = ink;
        context.lineWidth = 1.25;
        for (let at = first; at < shown.length; at++) {
            const source = shown[at][6];
            if (source && places.has(source)) arc(x(placeOf(source)), x(at));
        }
        for (const [number, , , , taken] of data.proposed) {
            for (const version of places.has(number) ? taken : [])
                if (places.has(version)) arc(x(placeOf(number)) + step / 2, x(placeOf(version)));
        }

        /** @param {number} from @param {number} to */
        function arc(from, to) {
            const [a, b] = [from - offset, to - offset];
            if (b < 0 || a > width) return;
            context.beginPath();
            context.moveTo(a, TOP - 2);
            context.bezierCurveTo(a + Math.min(40, (b - a) / 3), 17, b - Math.min(40, (b - a) / 3), 17, b, TOP - 4);
            context.stroke();
            context.beginPath();
            context.moveTo(b - 4, TOP - 7);
            context.lineTo(b + 4, TOP - 7);
            context.lineTo(b, TOP);
            context.fill();
        }
    };
    const redraw = () => {
        if (!frame) frame = requestAnimationFrame(draw);
    };

    /** @param {'from' | 'to'} end @param {number} number */
    const set = (end, number) => {
        const [a, b] = end === 'from' ? [number, Math.max(number, to)] : [Math.min(from, number), number];
        if (a === from && b === to) return;
        [from, to] = [a, b];
        place();
        reveal(end === 'from' ? a : b);
        choose(from, to);
    };
    /** @param {'from' | 'to'} end @param {number} by */
    const move = (end, by) => {
        if (shown.length === 0) return;
        const at = Math.max(0, Math.min(shown.length - 1, placeOf(end === 'from' ? from : to) + by));
        set(end, shown[at][0]);
    };
    /** The version before one, of those that are shown: published states are held against published ones. @param {number} number */
    const before = (number) => {
        const all = how.only === '' && !how.fold ? data?.versions ?? [] : shown;
        return all[Math.max(0, all.findIndex((version) => version[0] === number) - 1)]?.[0] ?? number;
    };
    /** @param {number} number */
    const reveal = (number) => {
        const at = x(placeOf(number));
        if (at < scroll.scrollLeft + 20) scroll.scrollLeft = at - 100;
        else if (at > scroll.scrollLeft + scroll.clientWidth - 60) scroll.scrollLeft = at - scroll.clientWidth + 120;
    };
    /** @param {number} clientX @returns {import('./marks.js').Version | undefined} */
    const under = (clientX) => shown[plan?.near(clientX - track.getBoundingClientRect().left) ?? 0];

    /** @type {'from' | 'to' | null} */
    let dragging = null;
    let dragged = false;
    /** @param {PointerEvent} event */
    const down = (event) => {
        const handle = /** @type {HTMLElement | null} */ (/** @type {Element} */ (event.target).closest('[data-end]'));
        if (!handle || event.button !== 0) return;
        dragging = /** @type {'from' | 'to'} */ (handle.dataset.end);
        dragged = false;
        handle.setPointerCapture(event.pointerId);
    };
    /** @param {PointerEvent} event */
    const over = (event) => {
        const version = under(event.clientX);
        if (!version) return;
        if (dragging) {
            const number = version[0];
            dragged = true;
            [from, to] = dragging === 'from' ? [Math.min(number, to), to] : [from, Math.max(number, from)];
            place();
        }
        say(version, dragging !== null);
    };
    const seen = card(
        find('[data-card-box]'),
        (number, reach) => `${state.line.replace(/0\/line$/, `${number}/line`)}?reach=${reach}`,
        (words) => {
            if (hint.textContent !== words) hint.textContent = words;
        },
    );
    /** @type {ReturnType<typeof setTimeout> | undefined} */
    let still;
    /** @param {import('./marks.js').Version} version @param {boolean} isMoving whether an end is being moved to it */
    const say = (version, isMoving) => {
        if (!data) return;
        const [number, lane] = version;
        const at = placeOf(number);
        const { name, monogram, colour } = data.lanes[lane];
        seen.show({
            number, name, monogram, colour, at: new Date((times.get(number) ?? 0) * 1000),
            before: shown[at - 1]?.[0] ?? number, after: shown[at + 1]?.[0] ?? number,
            x: track.getBoundingClientRect().left - root.getBoundingClientRect().left + x(at),
            line: how.only === '' && !how.fold ? '' : `${state.line.replace(/0\/line$/, `${number}/line`)}?since=${before(number)}`,
        }, isMoving);
        clearTimeout(still);
        root.parentElement?.classList.toggle('is-scrubbing', isMoving);
    };
    const leave = () => {
        if (dragging) return;
        clearTimeout(still);
        seen.hide();
        root.parentElement?.classList.remove('is-scrubbing');
    };
    const up = () => {
        if (dragging && dragged) choose(from, to);
        dragging = null;
        leave();
    };
    /** @param {MouseEvent} event a press on a mark shows what that version changed; with Shift it moves the later end alone */
    const press = (event) => {
        if (/** @type {Element} */ (event.target).closest('[data-end], .flag, .lantern')) return;
        const version = under(event.clientX);
        if (!version) return;
        if (event.shiftKey) {
            set('to', version[0]);
            return;
        }
        [from, to] = [before(version[0]), version[0]];
        place();
        choose(from, to);
    };
    /** @param {KeyboardEvent} event */
    const key = (event) => {
        const end = /** @type {'from' | 'to' | undefined} */ (/** @type {HTMLElement} */ (event.target).dataset?.end);
        /** @type {Record<string, number>} */
        const by = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1, PageDown: -10, PageUp: 10, Home: -1e9, End: 1e9 };
        if (!end || !(event.key in by) || event.ctrlKey || event.altKey) return;
        event.preventDefault();
        event.stopPropagation();
        move(end, by[event.key]);
        const version = shown[placeOf(end === 'from' ? from : to)];
        if (!version) return;
        say(version, true);
        // A key that was let go of ends it as letting go of the pointer does.
        still = setTimeout(leave, STILL);
    };
    /** An end that is reached by keys says where it is. @param {FocusEvent} event */
    const focus = (event) => {
        const end = /** @type {HTMLElement} */ (event.target).dataset?.end;
        const version =
            end && /** @type {HTMLElement} */ (event.target).matches(':focus-visible') ? shown[placeOf(end === 'from' ? from : to)] : null;
        if (version) say(version, false);
    };
    /** @param {KeyboardEvent} event */
    const escape = (event) => {
        if (event.key === 'Escape') leave();
    };
    const pressed = () => {
        for (const each of /** @type {NodeListOf<HTMLElement>} */ (root.querySelectorAll('[data-only]')))
            each.setAttribute('aria-pressed', String(each.dataset.only === how.only));
        for (const each of /** @type {NodeListOf<HTMLElement>} */ (root.querySelectorAll('[data-laid]')))
            each.setAttribute('aria-pressed', String(how[/** @type {'fold' | 'clock'} */ (each.dataset.laid)]));
    };
    /** @param {MouseEvent} event */
    const filter = (event) => {
        const button = /** @type {HTMLElement | null} */ (/** @type {Element} */ (event.target).closest('[data-only], [data-laid]'));
        if (!button) return;
        const way = /** @type {'fold' | 'clock' | undefined} */ (button.dataset.laid);
        if (way) how[way] = !how[way];
        else how.only = button.dataset.only ?? '';
        pressed();
        if (!way) kept(how.only);
        lay();
        reveal(to);
    };
    const dark = matchMedia('(prefers-color-scheme: dark)');
    const resize = new ResizeObserver(lay);
    const listening = new AbortController();
    const { signal } = listening;
    resize.observe(scroll);
    scroll.addEventListener('scroll', redraw, { passive: true, signal });
    track.addEventListener('pointerdown', down, { signal });
    track.addEventListener('pointermove', over, { signal });
    track.addEventListener('pointerup', up, { signal });
    track.addEventListener('pointerleave', leave, { signal });
    root.addEventListener('focusin', focus, { signal });
    root.addEventListener('focusout', leave, { signal });
    document.addEventListener('keydown', escape, { signal });
    track.addEventListener('click', press, { signal });
    root.addEventListener('keydown', key, { signal });
    root.addEventListener('click', filter, { signal });
    dark.addEventListener('change', redraw, { signal });
    ask(state.ribbon)
        .then((answer) => {
            data = /** @type {import('./marks.js').Ribbon} */ (answer);
            let time = 0;
            times = new Map(data.versions.map(([number, , , , seconds]) => [number, (time += seconds)]));
            const sittings = root.querySelector('[data-sittings]');
            if (sittings && data.versions.length)
                sittings.textContent = inWords('ribbon.ribbon.since', {
                    sittings: inWords(data.sittings === 1 ? 'ribbon.ribbon.one_sitting' : 'ribbon.ribbon.sittings', {
                        count: data.sittings,
                    }),
                    value: longDay(new Date((times.get(data.versions[0][0]) ?? 0) * 1000)),
                });
            // What there is nothing of is not offered.
            for (const each of /** @type {NodeListOf<HTMLElement>} */ (
                root.querySelectorAll('[data-only="restores"], [data-only="unusual"], [data-only="pins"]')
            )) {
                each.hidden = laid(data, { ...how, only: each.dataset.only ?? '' }, 900).shown.length === 0;
            }
            pressed();
            lay();
            reveal(to);
            root.dataset.ready = '1';
        })
        .catch(() => {
            hint.classList.remove('is-sr-only');
            hint.textContent = inWords('ribbon.ribbon.the_ribbon_could_not_be_read');
        });

    return {
        move,
        before: () => set('from', before(to)),
        show: (a, b, by = []) => {
            [from, to] = [a, b];
            state.by = by;
            place();
        },
        dispose: () => {
            cancelAnimationFrame(frame);
            clearTimeout(still);
            seen.dispose();
            resize.disconnect();
            listening.abort();
        },
    };
}
