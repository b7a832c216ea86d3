import { xchacha20poly1305 } from '@noble/ciphers/chacha.js';

/**
 * What stays on a computer is readable by the person alone who wrote it: it is sealed (XChaCha20-Poly1305) under a key that
 * the server gives to their session, and that is in the page and, for as long as the tab is open, in its storage.
 */

const NONCE = 24;

/** Whether somebody is leaving: what would be kept from then on would stay behind. */
let isLeaving = false;

/** @returns {string | null} of whoever is signed in here, in base64 */
export const ownKey = () => /** @type {HTMLMetaElement | null} */ (document.querySelector('meta[name="person"]'))?.dataset.key ?? null;

/** @returns {string | null} the id of the person whom this page was made for */
export const ownId = () => /** @type {HTMLMetaElement | null} */ (document.querySelector('meta[name="person"]'))?.content ?? null;

/** @param {string} base64 @returns {Uint8Array} */
const bytes = (base64) => Uint8Array.from(atob(base64), (sign) => sign.charCodeAt(0));

/** @param {Uint8Array} of @returns {string} base64 */
function letters(of) {
    let text = '';
    for (let at = 0; at < of.length; at += 0x8000) text += String.fromCharCode(...of.subarray(at, at + 0x8000));
    return btoa(text);
}

/** @param {string} text @returns {string | null} null where nobody is signed in, or not for much longer */
export function seal(text) {
    const key = ownKey();
    if (key === null || isLeaving) return null;
    const nonce = crypto.getRandomValues(new Uint8Array(NONCE));
    const sealed = xchacha20poly1305(bytes(key), nonce).encrypt(new TextEncoder().encode(text));
    return `${letters(nonce)}.${letters(sealed)}`;
}

/** @param {string} sealed @returns {string | null} null when it is somebody else's, or none */
export function unseal(sealed) {
    const key = ownKey();
    const [nonce, rest] = sealed.split('.');
    if (key === null || rest === undefined) return null;
    try {
        return new TextDecoder().decode(xchacha20poly1305(bytes(key), bytes(nonce)).decrypt(bytes(rest)));
    } catch {
        return null;
    }
}

/** @param {Record<string, unknown>} message to the worker that keeps pages for times without a server */
const tell = async (message) => (await navigator.serviceWorker?.ready.catch(() => null))?.active?.postMessage(message);

/** The worker keeps this page for its person, and what was kept for another is gone. Pages alone, no text that waits to be saved. */
export function keepOwn() {
    const [key, id] = [ownKey(), ownId()];
    if (key === null) return;
    sessionStorage.setItem('attic:key', key);
    tell({ keep: location.origin + location.pathname, key, id });
}

/** @returns {number} items with text of this person that waits to be saved */
export const waiting = () => Object.keys(localStorage).filter((name) => name.startsWith(`attic:${ownId()}:`)).length;

/** On leaving, all of it goes. */
export function forgetOwn() {
    isLeaving = true;
    // Whom the server did not let go goes on.
    setTimeout(() => (isLeaving = false), 15_000);
    for (const name of Object.keys(localStorage)) if (name.startsWith(`attic:${ownId()}:`)) localStorage.removeItem(name);
    sessionStorage.removeItem('attic:key');
    navigator.serviceWorker?.controller?.postMessage({ forget: true });
}
