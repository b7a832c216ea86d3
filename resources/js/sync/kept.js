import { seal, unseal } from '../common/own.js';

/**
 * What was written and not saved yet, kept on this computer for its writer alone.
 *
 * @typedef {{base: string, number: number, client: string, content: unknown, waiting: number}} Kept `number` is the version of the base
 */

/** @param {string} item @param {number} person */
const name = (item, person) => `attic:${person}:${item}`;

/** @param {string} item @param {number} person @returns {Kept | null} */
export function readKept(item, person) {
    try {
        return JSON.parse(unseal(localStorage.getItem(name(item, person)) ?? '') ?? 'null');
    } catch {
        return null;
    }
}

/** @param {string} item @param {number} person @param {Kept} kept @returns {boolean} whether there was room */
export function keepHere(item, person, kept) {
    try {
        const sealed = seal(JSON.stringify(kept));
        if (sealed !== null) localStorage.setItem(name(item, person), sealed);
        return sealed !== null;
    } catch {
        return false;
    }
}

/** @param {string} item @param {number} person */
export function forgetKept(item, person) {
    localStorage.removeItem(name(item, person));
}
