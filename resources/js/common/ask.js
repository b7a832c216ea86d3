import { ownId } from './own.js';
import { inWords } from './words.js';

/** @returns {string} the newest token: a page that stood open for long has an old one in it */
const token = () => decodeURIComponent(/(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1] ?? '');

/** @returns {Record<string, string>} whom this page was made for: the session may be somebody else's by now */
const forWhom = () => {
    const id = ownId();
    return id === null ? {} : { 'X-Person': id };
};

/** The server could not be reached, or did not answer in time. */
export class Unreachable extends Error {}

/** The server was reached and is in no state to answer now: it may be asked again, with patience. */
export class Troubled extends Unreachable {
    /** @param {number} status @param {number} after seconds that it asks to wait; 0 when it does not say */
    constructor(status, after) {
        super(String(status));
        this.status = status;
        this.after = after;
    }
}

/** The session has ended. */
export class SignedOut extends Error {}

/** The server said no; `said` is a sentence for people. */
export class Refused extends Error {
    /** @param {number} status @param {{message?: string, problems?: {code: string, path: string, text: string}[]}} answer */
    constructor(status, answer) {
        super(answer.message ?? inWords('common.ask.not_saved_reload_and_try_again'));
        this.status = status;
        this.problems = answer.problems ?? [];
    }
}

/**
 * Asks the server for JSON.
 *
 * @param {string} url
 * @param {{method?: string, json?: unknown, form?: FormData, bytes?: Blob, timeout?: number}} [how]
 * @returns {Promise<any>}
 * @throws {Unreachable | SignedOut | Refused}
 */
export async function ask(url, { method = 'GET', json, form, bytes, timeout = 15000 } = {}) {
    /** @type {Response} */
    let response;
    try {
        response = await fetch(url, {
            method,
            body: json === undefined ? (form ?? bytes) : JSON.stringify(json),
            headers: {
                Accept: 'application/json',
                'X-XSRF-TOKEN': token(),
                ...forWhom(),
                ...(json === undefined
                    ? bytes === undefined
                        ? {}
                        : { 'Content-Type': 'application/octet-stream' }
                    : { 'Content-Type': 'application/json' }),
            },
            signal: AbortSignal.timeout(timeout),
            redirect: 'error',
        });
    } catch (error) {
        throw new Unreachable(String(error));
    }
    if (response.status === 401 || response.status === 419) throw new SignedOut();
    if (response.status >= 500 || response.status === 429)
        throw new Troubled(response.status, Number(response.headers?.get('Retry-After')) || 0);
    const answer = await response.json().catch(() => ({}));
    if (!response.ok) throw new Refused(response.status, answer);
    return answer;
}

/** @param {string} url @returns {Promise<string>} a piece of a page */
export async function piece(url) {
    const response = await fetch(url, { headers: { Accept: 'text/html', ...forWhom() }, signal: AbortSignal.timeout(15000) }).catch(
        (error) => {
            throw new Unreachable(String(error));
        },
    );
    if (!response.ok) throw new Unreachable(String(response.status));
    return response.text();
}
