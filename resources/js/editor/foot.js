import { ask, piece } from '../common/ask.js';
import { smallRibbon } from '../ribbon/small.js';
import { inWords } from '../common/words.js';

/**
 * The foot of the sheet: the save line, the last change, the small ribbon.
 *
 * @param {HTMLElement} root
 * @param {number} number the version that it shows
 */
export function foot(root, number) {
    let shown = number;
    const line = () => /** @type {HTMLElement} */ (root.querySelector('[data-save-line]'));
    // What is proposed has no number in the history.
    const isLine = () => 'line' in line().dataset;
    const draw = () => smallRibbon(/** @type {HTMLCanvasElement} */ (root.querySelector('[data-small-ribbon]')));
    let settled = line().innerHTML;
    let savedAt = 0;
    draw();

    /** @param {string} text @param {string} kind @param {number} version */
    const say = (text, kind, version) => {
        // What changed is spoken, not how long ago it was.
        const spoken = root.querySelector('[data-save-spoken]');
        const words =
            text === ''
                ? savedAt
                    ? isLine()
                        ? inWords('editor.foot.kept_as_a_proposal')
                        : inWords('editor.foot.saved_as', { version })
                    : ''
                : text;
        if (spoken && kind !== 'saving' && spoken.textContent !== words) spoken.textContent = words;
        const target = line();
        target.dataset.kind = kind;
        if (text !== '') target.textContent = text;
        else if (savedAt)
            target.replaceChildren(
                isLine() ? inWords('editor.foot.kept') : inWords('editor.foot.saved'),
                when(savedAt),
                isLine() ? inWords('editor.foot.as_a_proposal') : inWords('editor.foot.as', { version }),
            );
        else target.innerHTML = settled;
    };
    /** @param {number} at */
    const when = (at) => {
        const time = document.createElement('time');
        time.dateTime = new Date(at).toISOString();
        time.dataset.when = 'near';
        time.textContent = inWords('editor.foot.0_s_ago');
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
    const noteForm = /** @type {HTMLFormElement} */ (root.querySelector('[data-note-form]'));
    const noteInput = /** @type {HTMLInputElement} */ (noteForm.querySelector('input'));
    const closeNote = () => {
        if (noteForm.contains(document.activeElement)) /** @type {HTMLElement | null} */ (document.querySelector('.ProseMirror'))?.focus();
        noteForm.hidden = true;
    };
    // Where much was kept, a name for it is offered.
    const suggested = /** @type {HTMLButtonElement} */ (noteForm.querySelector('[data-suggest]'));
    const suggest = async () => {
        suggested.hidden = true;
        const html = await piece(root.dataset.foot ?? '').catch(() => null);
        const name =
            html === null
                ? ''
                : new DOMParser().parseFromString(html, 'text/html').querySelector('[data-suggested]')?.getAttribute('data-suggested');
        if (!name || noteForm.hidden || isLine()) return;
        /** @type {HTMLElement} */ (suggested.querySelector('b')).textContent = `“${name}”`;
        suggested.hidden = false;
        suggested.onclick = () => {
            noteInput.value = name;
            /** @type {HTMLElement} */ (noteForm.querySelector('[data-mark]')).click();
        };
    };
    /**
     * Offers to put a note or a name on the version that was just kept. It does not take the caret out of the text: Tab leads to it,
     * asking once more as well, and writing on closes it.
     *
     * @param {(note: string, of: number) => Promise<boolean>} keep gives whether it is kept
     */
    const offerNote = (keep) => {
        line().textContent = isLine()
            ? inWords('editor.foot.kept_as_a_proposal')
            : 'unkept' in line().dataset
              ? inWords('editor.foot.saved_no_history_is_kept_of')
              : inWords('editor.foot.kept_as', { shown });
        if (!noteForm.hidden) {
            noteInput.focus();
            return;
        }
        // Others may write the next one before the note is there.
        const of = shown;
        noteForm.hidden = false;
        noteInput.value = '';
        void suggest();
        noteForm.onsubmit = async (event) => {
            event.preventDefault();
            const note = noteInput.value.trim();
            const mark = /** @type {HTMLElement | null} */ (event.submitter)?.dataset.mark;
            closeNote();
            if (note !== '' && mark) {
                const said = await ask(mark.replace(/0\/milestone$/, `${of}/milestone`), {
                    method: 'PUT',
                    json: { name: note.slice(0, 200) },
                }).catch((error) => ({ said: error.message }));
                say(said.said, 'saved', shown);
            } else if (note !== '')
                say(
                    inWords((await keep(note, of)) ? 'editor.foot.note_kept_with' : 'editor.foot.note_not_kept', { shown: of }),
                    'saved',
                    shown,
                );
        };
        noteInput.onkeydown = (event) => {
            if (event.key === 'Escape') closeNote();
        };
    };
    return { say, moved, offerNote, closeNote };
}
