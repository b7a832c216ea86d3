const LETTERS = 'abcdefghijkmnpqrstuvwxyz';
const SIGNS = LETTERS + '23456789';

/** @returns {string} a new id for a part: short, random, beginning with a letter */
export function newId() {
    const bytes = crypto.getRandomValues(new Uint8Array(10));
    return Array.from(bytes, (byte, at) => (at === 0 ? LETTERS[byte % LETTERS.length] : SIGNS[byte % SIGNS.length])).join('');
}
