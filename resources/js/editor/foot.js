import { piece } from '../common/ask.js';
import { smallRibbon } from '../ribbon/small.js';

/**
 * The foot of the sheet: the save line, the last change, the small ribbon.
 *
 * @param {HTMLElement} root
 * @param {number} number the version that it shows
 */
export function foot(root, number) {
    let shown = number;
    let message = '';
    const line = () => /** @type {HTMLElement} */ (root.querySelector('[data-save-line]'));
    const draw = () => smallRibbon(/** @type {HTMLCanvasElement} */ (root.querySelector('[data-small-ribbon]')));
    let settled = line().innerHTML;
    let savedAt = 0;
    draw();

    /** @param {string} text @param {string} kind @param {number} version */
    const say = (text, kind, version) => {
        message = text;
        const target = line();
        target.dataset.kind = kind;
        if (text !== '') target.textContent = text;
        else if (savedAt) target.replaceChildren('Saved ', when(savedAt), ` as ${version}`);
        else target.innerHTML = settled;
    };
    /** @param {number} at */
    const when = (at) => {
        const time = document.createElement('time');
        time.dateTime = new Date(at).toISOString();
        time.dataset.when = 'near';
        time.textContent = '0 s ago';
        return time;
    };
    /** A version was made or has grown. @param {number} version */
    const moved = async (version) => {
        savedAt = Date.now();
        if (version === shown) return;
        shown = version;
        const html = await piece(root.dataset.foot ?? '').catch(() => null);
        if (html === null) return;
        const fresh = new DOMParser().parseFromString(html, 'text/html');
        for (const selector of ['.foot-last', '[data-small-ribbon]']) {
            const [old, now] = [root.querySelector(selector), fresh.querySelector(selector)];
            if (old && now) old.replaceWith(now);
        }
        settled = fresh.querySelector('[data-save-line]')?.innerHTML ?? settled;
        draw();
    };
    /** @param {(note: string) => Promise<boolean>} keep */
    const askNote = (keep) => {
        const form = /** @type {HTMLFormElement} */ (root.querySelector('[data-note-form]'));
        const input = /** @type {HTMLInputElement} */ (form.querySelector('input'));
        form.hidden = false;
        line().textContent = `Kept as ${shown}`;
        input.value = '';
        input.focus();
        const done = () => {
            form.hidden = true;
            form.onsubmit = input.onkeydown = null;
            /** @type {HTMLElement | null} */ (document.querySelector('.ProseMirror'))?.focus();
        };
        form.onsubmit = async (event) => {
            event.preventDefault();
            const note = input.value.trim();
            done();
            if (note !== '' && (await keep(note))) say(`Note kept with ${shown}`, 'saved', shown);
        };
        input.onkeydown = (event) => event.key === 'Escape' && done();
    };
    return { say, moved, askNote, get message() { return message; } };
}
