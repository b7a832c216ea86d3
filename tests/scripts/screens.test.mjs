import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { test } from 'node:test';
import { others, pages, screens } from '../browser/screens.mjs';

test('every route that is asked for by an address is walked over, or said to be no page', () => {
    const routes = JSON.parse(execFileSync('php', ['artisan', 'route:list', '--json'], { encoding: 'utf8' }))
        .filter((/** @type {{method: string, name: string | null}} */ route) => route.method.includes('GET') && route.name)
        .map((/** @type {{name: string}} */ route) => route.name);
    const walked = new Set([...Object.values(screens).map(([route]) => route), ...pages.map(([route]) => route)]);
    const said = Object.values(others).flat();
    assert.deepEqual(routes.filter((/** @type {string} */ name) => !walked.has(name) && !said.includes(name)), []);
    assert.deepEqual(said.filter((name) => walked.has(name) || !routes.includes(name)), [], 'these are walked over, or are no routes');
    assert.deepEqual([...walked].filter((name) => name !== '' && !routes.includes(name)), []);
});
