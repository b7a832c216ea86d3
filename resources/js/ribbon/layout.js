/** @typedef {import('./marks.js').Version} Version */
/** @typedef {import('./marks.js').Ribbon} Ribbon */

export const LEFT = 14;
export const RIGHT = 60;
const LEAST_STEP = 7;
const MOST_STEP = 34;
/** Few versions are further apart. */
const FEW_STEP = 120;
const FEW = 12;
/** By the clock, pixels of a day at the least, and from one mark to the next. */
const A_DAY = 9;
const APART = 5;

/** Which versions a filter shows. @type {Record<string, (data: Ribbon) => Set<number>>} */
const FILTERS = {
    milestones: (data) => new Set(data.milestones.map(([number]) => number)),
    published: (data) => new Set(data.published.map(([number]) => number)),
    unusual: (data) => new Set(data.unusual.map(([number]) => number)),
    restores: (data) => new Set(data.versions.filter((version) => version[6] > 0).map(([number]) => number)),
    pins: (data) => new Set(data.pins),
};

/**
 * What is on the ribbon, and where: versions or, folded, sittings; at the same distance, or as far apart as they are in time.
 *
 * @param {Ribbon} data
 * @param {{only: string, fold: boolean, clock: boolean}} how
 * @param {number} room pixels that are in sight
 * @returns {{shown: Version[], marks: Version[][], middles: number[], width: number, step: number, near: (x: number) => number}} of each
 *     place the version that it stands for, the marks that are drawn there, and its middle
 */
export function laid(data, { only, fold, clock }, room) {
    const wanted = FILTERS[only]?.(data);
    const versions = wanted ? data.versions.filter(([number]) => wanted.has(number)) : data.versions;
    const marks = fold && !wanted ? sittings(versions) : versions.map((version) => [version]);
    const shown = marks.map((of) => of[of.length - 1]);
    const count = Math.max(1, shown.length);
    const step = Math.max(LEAST_STEP, Math.min(shown.length <= FEW ? FEW_STEP : MOST_STEP, (room - LEFT - RIGHT) / count));
    const middles = clock && shown.length > 1 ? byClock(data, shown, room) : shown.map((_, place) => LEFT + step / 2 + place * step);
    const width = Math.max(room, (middles[middles.length - 1] ?? 0) + step / 2 + RIGHT);
    return { shown, marks, middles, width, step: clock ? APART + 2 : step, near: (x) => nearest(middles, x) };
}

/**
 * @param {Version[]} versions @returns {Version[][]} each sitting with one mark a lane, which has all that was written there; the newest
 *     version is in the last one
 */
function sittings(versions) {
    /** @type {Map<number, Version>[]} */
    const folded = [];
    for (const version of versions) {
        if (version[5] || folded.length === 0) folded.push(new Map());
        const lanes = folded[folded.length - 1];
        const [number, lane, added, removed, seconds, begins, source] = version;
        const before = lanes.get(lane);
        lanes.delete(lane);
        lanes.set(
            lane,
            before
                ? [number, lane, before[2] + added, before[3] + removed, before[4] + seconds, before[5], source || before[6]]
                : [number, lane, added, removed, seconds, begins, source],
        );
    }
    return folded.map((lanes) => [...lanes.values()]);
}

/** @param {Ribbon} data @param {Version[]} shown @param {number} room @returns {number[]} */
function byClock(data, shown, room) {
    const times = new Map();
    let time = 0;
    for (const version of data.versions) times.set(version[0], (time += version[4]));
    const first = times.get(shown[0][0]);
    const days = Math.max(0.01, (times.get(shown[shown.length - 1][0]) - first) / 86_400);
    const aDay = Math.max(A_DAY, (room - LEFT - RIGHT - 20) / days);
    let last = -Infinity;
    // What was saved at once is side by side all the same.
    return shown.map(([number]) => (last = Math.max(last + APART, LEFT + 8 + ((times.get(number) - first) / 86_400) * aDay)));
}

/** @param {number[]} middles ascending @param {number} x @returns {number} the place that is nearest */
function nearest(middles, x) {
    let [low, high] = [0, middles.length - 1];
    while (low < high) {
        const middle = (low + high) >> 1;
        if (middles[middle] < x) low = middle + 1;
        else high = middle;
    }
    return low > 0 && x - middles[low - 1] < middles[low] - x ? low - 1 : Math.max(0, low);
}
