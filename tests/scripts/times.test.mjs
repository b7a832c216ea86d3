import assert from 'node:assert/strict';
import { test } from 'node:test';
import { exact, near, nearIn, shortDay } from '../../resources/js/common/times.js';

test('a month in three letters, as the server writes it', () => {
    assert.deepEqual([8, 5, 4].map((month) => shortDay(new Date(2026, month, 4))), ['4 Sep', '4 Jun', '4 May']);
    assert.equal(exact(new Date(2026, 8, 4, 9, 5)), '4 Sep 2026, 09:05');
});

test('moments in words', () => {
    const now = new Date(2026, 4, 13, 12, 0, 0);
    const before = (seconds) => near(new Date(now.getTime() - seconds * 1000), now);
    assert.equal(before(12), '12 s ago');
    assert.equal(before(-3), '0 s ago');
    assert.equal(before(14 * 60), '14 min ago');
    assert.equal(before(3 * 3600), 'today 09:00');
    assert.equal(before(20 * 3600), 'yesterday 16:00');
    assert.equal(before(3 * 86400), 'Sunday 12:00');
    assert.equal(before(30 * 86400), '13 April');
    assert.equal(before(400 * 86400), '8 April 2025');
});

test('moments by the clock of an account, whatever the device has', () => {
    const now = new Date('2026-05-13T03:00:00Z');
    const at = new Date('2026-05-12T23:30:00Z');
    assert.equal(nearIn(at, now, 'UTC'), 'yesterday 23:30');
    assert.equal(nearIn(at, now, 'Europe/Berlin'), 'today 01:30');
    assert.equal(nearIn(at, now, 'America/New_York'), 'today 19:30');
    assert.equal(nearIn(new Date('2025-12-31T23:30:00Z'), now, 'Europe/Berlin'), '1 January');
    assert.equal(nearIn(new Date('2025-12-31T23:30:00Z'), now, 'UTC'), '31 December 2025');
});
