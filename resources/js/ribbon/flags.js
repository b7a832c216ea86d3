import { inWords } from '../common/words.js';

/** @typedef {import('./marks.js').Ribbon} Ribbon */

/**
 * @typedef {{x: (number: number) => number, isShown: (number: number) => boolean, laneY: (number: number) => number, lane: (lane: number) => number, isLow: boolean, step: number, width: number, to: (number: number) => void, look: (number: number) => void, proposal: (id: number) => void}}
 *     Places
 *     where a version is; whether it does; the middle of its lane, and of any lane; whether lanes have no room for words; what a press
 *     leads to: the version, or what changed in it
 */

/**
 * What hangs over the marks: milestones, what is worth a look, what was published, pins, gaps, and what was found.
 *
 * @param {Ribbon} data
 * @param {[number, string][]} found
 * @param {Places} at
 * @returns {HTMLElement[]}
 */
export function flagged(data, found, at) {
    const shown = (/** @type {[number, string][]} */ list) => list.filter(([number]) => at.isShown(number));
    return [
        ...data.milestones.map(([number, name], place) => {
            const next = data.milestones[place + 1] ? at.x(data.milestones[place + 1][0]) : Infinity;
            return pressed(
                'flag',
                inWords('ribbon.flags.version', { name, number }),
                at.x(number),
                () => at.to(number),
                name,
                Math.max(26, Math.min(220, next - at.x(number) - 4)),
            );
        }),
        ...shown(data.unusual).map(([number, words], place, all) => {
            const [left, next] = [at.x(number), all[place + 1] ? at.x(all[place + 1][0]) : Infinity];
            const notch = pressed(
                'notch',
                `${number}: ${words}`,
                left,
                () => at.look(number),
                words,
                Math.max(10, Math.min(240, next - left - 4, at.width - left - 6)),
            );
            notch.style.top = `${at.laneY(number) + 9}px`;
            // Where lanes are low the words would run over the next one: they are shown when it is pointed at.
            notch.classList.toggle('is-mute', at.isLow);
            return notch;
        }),
        ...shown(data.published).map(([number, words]) => pressed('lantern', `${number}: ${words}`, at.x(number), () => at.to(number))),
        ...data.pins.filter(at.isShown).map((number) => spot('pin', inWords('ribbon.flags.is_pinned', { number }), at.x(number))),
        ...shown(data.gaps).map(([number, words]) => spot('gap', words, at.x(number) - at.step / 2)),
        ...data.talk.filter(([number]) => at.isShown(number)).map(([number, who, colour, said]) => {
            // What was said while a version was the newest is behind it, on the lane of who said it; whoever never wrote has none.
            const lane = data.lanes.findIndex(({ id }) => id === who);
            const mark = spot(`talk-mark by-${colour}`, said, at.x(number) + at.step / 2);
            mark.style.top = `${lane < 0 ? at.lane(data.lanes.length - 1) + 6 : at.lane(lane) - 9}px`;
            return mark;
        }),
        // A proposal is hollow where it was begun, on the lane of who proposes.
        ...data.proposed.filter(([number]) => at.isShown(number)).map(([number, who, colour, said, , id]) => {
            const lane = data.lanes.findIndex((each) => each.id === who);
            const mark = pressed(`proposed-mark by-${colour}`, said, at.x(number) + at.step / 2, () => at.proposal(id));
            mark.style.top = `${lane < 0 ? at.lane(data.lanes.length - 1) + 14 : at.lane(lane) + 3}px`;
            return mark;
        }),
        ...shown(found).map(([number, words]) => spot('found', words, at.x(number))),
    ];
}

/**
 * @param {string} name @param {string} title @param {number} left @param {() => void} press @param {string} [words] @param {number} [most]
 *     pixels of the words
 */
function pressed(name, title, left, press, words, most) {
    const made = document.createElement('button');
    made.type = 'button';
    made.className = name;
    made.tabIndex = -1;
    made.title = title;
    made.style.left = `${left}px`;
    if (most) made.style.maxWidth = `${most}px`;
    if (words) {
        const text = document.createElement('span');
        text.textContent = words;
        made.append(text);
    }
    made.addEventListener('click', press);
    return made;
}

/** @param {string} name @param {string} words @param {number} left */
function spot(name, words, left) {
    const made = document.createElement('span');
    made.className = name;
    made.title = words;
    made.style.left = `${left}px`;
    return made;
}
