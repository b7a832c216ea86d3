import assert from 'node:assert/strict';
import { test } from 'node:test';
import { laid } from '../../resources/js/ribbon/layout.js';

const DAY = 86_400;
/** Version, lane, added, removed, seconds since the one before, whether a sitting begins, what it restored. */
const data = {
    lanes: [],
    milestones: [[2, 'Agreed']],
    published: [],
    unusual: [[4, 'Much went']],
    pins: [3],
    gaps: [],
    sittings: 3,
    versions: [
        [1, 0, 5, 0, 1_000_000, 1, 0],
        [2, 1, 3, 1, 60, 0, 0],
        [3, 0, 2, 0, 60, 0, 0],
        [4, 0, 0, 9, DAY * 10, 1, 0],
        [5, 1, 9, 0, 30, 0, 3],
        [6, 1, 1, 0, DAY, 1, 0],
    ],
};
const how = (more) => ({ only: '', fold: false, clock: false, ...more });
const numbers = (plan) => plan.shown.map(([number]) => number);

test('all versions stand at the same distance, and each place is found again by its middle', () => {
    const plan = laid(data, how({}), 900);
    assert.deepEqual(numbers(plan), [1, 2, 3, 4, 5, 6]);
    const steps = plan.middles.slice(1).map((middle, at) => Math.round(middle - plan.middles[at]));
    assert.equal(new Set(steps).size, 1);
    plan.middles.forEach((middle, place) => assert.equal(plan.near(middle), place));
    assert.equal(plan.near(-500), 0);
    assert.equal(plan.near(99_999), 5);
});

test('a filter shows what it is for, and nothing where there is none', () => {
    assert.deepEqual(numbers(laid(data, how({ only: 'milestones' }), 900)), [2]);
    assert.deepEqual(numbers(laid(data, how({ only: 'restores' }), 900)), [5]);
    assert.deepEqual(numbers(laid(data, how({ only: 'unusual' }), 900)), [4]);
    assert.deepEqual(numbers(laid(data, how({ only: 'pins' }), 900)), [3]);
    const none = laid(data, how({ only: 'published' }), 900);
    assert.deepEqual([numbers(none), none.near(100)], [[], 0]);
});

test('a folded sitting is one step, with what each editor added and removed', () => {
    const plan = laid(data, how({ fold: true }), 900);
    assert.deepEqual(numbers(plan), [3, 5, 6]);
    assert.deepEqual(plan.marks[0].map(([number, lane, added, removed]) => [number, lane, added, removed]), [[2, 1, 3, 1], [3, 0, 7, 0]]);
    assert.equal(plan.marks[1][1][6], 3, 'a restore in it is one still');
});

test('by the clock, what is far apart in time stands far apart, and nothing lies on another', () => {
    const { middles } = laid(data, how({ clock: true }), 900);
    middles.slice(1).forEach((middle, at) => assert.ok(middle - middles[at] >= 5));
    assert.ok(middles[3] - middles[2] > 5 * (middles[5] - middles[4]));
});
