import { ask } from '../common/ask.js';

/**
 * Asks what moved of an item that others may change: shortly, where a place can be asked so, and in full when something did.
 *
 * @param {string} key
 * @param {string} client this window
 * @returns {{ask: (now: {root: string, part?: string}, inFull?: boolean) => Promise<any>}} null when nothing moved
 */
export function newsOf(key, client) {
    let shortly = '';
    /** A place that does not know, outside of the application, where its data lies says so once. */
    let canBeAsked = true;
    /** The newest state that was told: a window that is not on it has not taken it in yet. */
    let told = '';
    return {
        async ask({ root, part = '' }, inFull = false) {
            const where = `&root=${root}&part=${encodeURIComponent(part)}`;
            if (shortly && canBeAsked && root === told && !inFull) {
                const { moved, never } = await ask(shortly + where, { timeout: 8000 });
                if (!moved) return null;
                canBeAsked = !never;
            }
            const answer = await ask(`/items/${key}/live?client=${client}${where}`, { timeout: 8000 });
            [shortly, told] = [answer.shortly ?? '', answer.root];
            // What it is called is shown by whoever has its name on the page: see common/title.js.
            dispatchEvent(new CustomEvent('titled', { detail: answer.title }));
            return answer;
        },
    };
}

/**
 * Does something again and again while a page is in sight, and at once when it comes into sight.
 *
 * @param {() => Promise<number>} work resolves with the milliseconds until the next time
 * @param {number} first milliseconds until the first time
 * @returns {() => void} ends it
 */
export function whileInSight(work, first) {
    let stopped = false;
    let busy = false;
    /** @type {ReturnType<typeof setTimeout> | undefined} */
    let timer;
    const turn = async () => {
        if (busy || stopped || document.hidden) return;
        busy = true;
        const wait = await work().finally(() => (busy = false));
        if (!stopped) timer = setTimeout(turn, wait);
    };
    const seen = () => {
        clearTimeout(timer);
        turn();
    };
    timer = setTimeout(turn, first);
    document.addEventListener('visibilitychange', seen);
    return () => {
        stopped = true;
        clearTimeout(timer);
        document.removeEventListener('visibilitychange', seen);
    };
}
