import { ask, piece } from '../common/ask.js';
import { spots } from './spots.js';
import { inWords } from '../common/words.js';

/** @typedef {{part: string, field?: string, version?: string, words?: {from: number, to: number, quote: string} | null}} About */
/**
 * @typedef {object} Shown how a page shows what is said
 * @property {(slips: HTMLElement[]) => void} place puts each slip below what it is about; those that it leaves alone lie together
 * @property {(form: HTMLElement, about: About) => void} open puts the form of a new thread below what it is about
 * @property {() => void} [closed] what is done when a form went, sent or not
 * @property {() => Promise<unknown>} [before] done before anything is said, so that what it is about is there
 * @property {(thread: string) => void} [after] what is done when a thread began
 */

/**
 * What is said about an item: slips, and the forms in them. Without this they are forms on a page.
 *
 * @param {HTMLElement} root
 * @param {Shown} shown
 */
export function talk(root, shown) {
    const section = () => /** @type {HTMLElement | null} */ (root.querySelector('[data-slips]'));
    /** @type {HTMLFormElement | null} */
    let open = null;
    /** What stood in it when it opened. */
    let opened = '';
    const text = () => /** @type {HTMLTextAreaElement | null | undefined} */ (open?.elements.namedItem('text'));
    /** Whether somebody wrote in it what is not sent yet. */
    const isBegun = () => (text()?.value ?? '').trim() !== opened.trim();
    /** One thing is said after the other: what was begun is shown, and stays. @returns {boolean} whether something was */
    const goesOn = () => {
        if (!isBegun()) return false;
        open?.scrollIntoView({ block: 'nearest' });
        text()?.focus();
        return true;
    };
    const places = spots(root);
    let unasked = () => {};
    /** @type {Element | null} where somebody was before they began to say something */
    let origin = null;
    /** Back to there; where that is gone, to the thread. @param {string} [thread] */
    const goBack = (thread) => {
        const slip = thread ? root.querySelector(`[data-slip="${CSS.escape(thread)}"]`) : null;
        const to = origin?.isConnected ? origin : slip?.querySelector('[data-talk-do], a, button, summary') ?? null;
        if (to instanceof HTMLElement) to.focus({ preventScroll: true });
        origin = null;
    };

    const lay = () => {
        const here = section();
        if (!here) return;
        shown.place(/** @type {HTMLElement[]} */ ([...here.querySelectorAll('[data-slip]')]));
        const left = here.querySelectorAll('[data-slip]').length;
        here.classList.toggle('is-empty', left === 0);
        places.show();
        /** @type {HTMLElement} */ (here.querySelector('[data-slips-more]')).hidden = left === 0;
    };
    /** Asks for all of it once more. @param {string} [seen] the thread to go to */
    const refresh = async (seen) => {
        const here = section();
        if (!here) {
            // A page of its own shows all of it.
            if (seen) location.hash = `thread-${seen}`;
            location.reload();
            return;
        }
        // What somebody is about to say stays.
        const isSaying = () => !seen && (isBegun() || document.activeElement?.closest('[data-talk], [data-talk-begin]'));
        if (isSaying()) return;
        const html = await piece(here.dataset.slips ?? '').catch(() => null);
        const fresh = html === null ? null : new DOMParser().parseFromString(html, 'text/html').querySelector('[data-slips]');
        if (!(fresh instanceof HTMLElement) || section() !== here) return;
        if (isSaying()) return;
        for (const slip of root.querySelectorAll('[data-slip]')) if (!here.contains(slip)) slip.remove();
        here.replaceWith(fresh);
        lay();
        if (seen)
            /** @type {HTMLElement | null} */ (root.querySelector(`[data-slip="${CSS.escape(seen)}"]`))?.scrollIntoView({
                block: 'nearest',
            });
    };
    const close = () => {
        const wasOpen = open !== null;
        open?.remove();
        [open, opened] = [null, ''];
        if (wasOpen) shown.closed?.();
        unasked();
        unasked = () => {};
    };
    /** @param {About} about @param {string} said what it is about, in words */
    const begin = (about, said) => {
        if (goesOn()) return;
        const template = /** @type {HTMLTemplateElement | null} */ (section()?.querySelector('[data-talk-form]') ?? null);
        const form = /** @type {HTMLFormElement | null} */ (template?.content.firstElementChild?.cloneNode(true) ?? null);
        if (!form) return;
        close();
        origin = document.activeElement;
        const values = {
            part: about.part,
            field: about.field ?? '',
            version: about.version ?? '',
            from: about.words?.from ?? '',
            to: about.words?.to ?? '',
            quote: about.words?.quote ?? '',
        };
        for (const [name, value] of Object.entries(values))
            /** @type {HTMLInputElement} */ (form.elements.namedItem(name)).value = String(value);
        /** @type {HTMLElement} */ (form.querySelector('[data-talk-about]')).textContent = inWords('talk.talk.comment_on', {
            words: about.words ? `“${about.words.quote.slice(0, 60)}”` : said,
        });
        /** @type {HTMLElement} */ (form.querySelector('[data-talk-cancel]')).hidden = false;
        open = form;
        shown.open(form, about);
        if (!about.field && !about.words) unasked = places.ask(form, about.part);
        form.querySelector('textarea')?.focus();
    };
    /** @param {SubmitEvent} event */
    const submit = async (event) => {
        const form = /** @type {HTMLFormElement | null} */ (
            /** @type {Element} */ (event.target).closest('[data-talk], [data-talk-begin]')
        );
        if (!form) return;
        event.preventDefault();
        const button = /** @type {HTMLButtonElement | null} */ (form.querySelector('button:not([type="button"])'));
        if (button) button.disabled = true;
        form.querySelector('.slip-problem')?.remove();
        try {
            if (form.hasAttribute('data-talk-begin')) await shown.before?.();
            const answer = await ask(form.action, { method: 'POST', form: new FormData(form) });
            const isNew = form.hasAttribute('data-talk-begin');
            close();
            tell(answer.said);
            await refresh(answer.thread);
            goBack(answer.thread);
            if (isNew) shown.after?.(answer.thread);
        } catch (error) {
            const problem = document.createElement('p');
            problem.className = 'slip-problem';
            problem.setAttribute('role', 'alert');
            problem.textContent =
                error instanceof Error && error.message && Number.isNaN(Number(error.message)) && error.name !== 'Unreachable'
                    ? error.message
                    : inWords('talk.talk.it_could_not_be_sent_what');
            form.append(problem);
            form.hidden = false;
        } finally {
            if (button) button.disabled = false;
        }
    };
    /** @param {string} said */
    const tell = (said) => {
        const here = section();
        const status = here?.ownerDocument.querySelector('[data-save-spoken], [data-hint]');
        if (status) status.textContent = said;
    };
    /** Puts the form of a deed into its slip, or does at once what needs no word. @param {HTMLElement} link */
    const deed = (link) => {
        if (goesOn()) return;
        const slip = /** @type {HTMLElement} */ (link.closest('[data-slip]'));
        const name = link.dataset.talkDo ?? '';
        const template = /** @type {HTMLTemplateElement | null} */ (
            root.querySelector(`[data-talk-deed="${name}"]`) ?? root.querySelector('[data-talk-deed="said"]')
        );
        const form = /** @type {HTMLFormElement | null} */ (template?.content.firstElementChild?.cloneNode(true) ?? null);
        if (!form) return;
        close();
        origin = link;
        form.action = form.action.replace('KEY', slip.dataset.slip ?? '');
        /** @type {HTMLInputElement} */ (form.elements.namedItem('deed')).value = name;
        /** @type {HTMLInputElement} */ (form.elements.namedItem('of')).value = link.dataset.talkOf ?? '';
        const said = /** @type {HTMLTextAreaElement} */ (form.elements.namedItem('text'));
        open = form;
        slip.append(form);
        if (name === 'reopened' || name === 'withdrew') {
            said.required = false;
            form.hidden = true;
            form.requestSubmit();
            return;
        }
        if (name === 'edited') said.value = opened = /** @type {HTMLElement | null} */ (link.closest('[data-text]'))?.dataset.text ?? '';
        said.focus();
    };
    /** @param {MouseEvent} event */
    const click = (event) => {
        const target = /** @type {Element} */ (event.target);
        if (target.closest('[data-talk-cancel]')) {
            close();
            goBack();
        }
        const link = /** @type {HTMLElement | null} */ (target.closest('[data-talk-do]'));
        if (!link || event.button !== 0 || event.ctrlKey || event.metaKey) return;
        event.preventDefault();
        deed(link);
    };
    /** @param {KeyboardEvent} event */
    const key = (event) => {
        const form = /** @type {HTMLFormElement | null} */ (
            /** @type {Element} */ (event.target).closest?.('[data-talk], [data-talk-begin]') ?? null
        );
        const link = /** @type {HTMLElement | null} */ (/** @type {Element} */ (event.target).closest?.('[data-talk-do]') ?? null);
        if (link && event.key === ' ') {
            event.preventDefault();
            deed(link);
        }
        if (!form) return;
        if (event.key === 'Escape' && form === open) {
            event.stopPropagation();
            close();
            goBack();
        } else if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
            event.preventDefault();
            form.requestSubmit();
        }
    };
    root.addEventListener('submit', submit);
    root.addEventListener('click', click);
    root.addEventListener('keydown', key);
    lay();
    return {
        /** Shows what was said up to a line, unless that is shown. @param {number} last */
        // Where nothing is said, as on a side line, there is nothing to be told again.
        upTo: (last) => section() === null || Number(section()?.dataset.talked) === last || refresh(),
        begin,
        lay,
        mayBegin: () => Boolean(section()?.querySelector('[data-talk-form]')),
        dispose: () => {
            root.removeEventListener('submit', submit);
            root.removeEventListener('click', click);
            root.removeEventListener('keydown', key);
            close();
            places.dispose();
        },
    };
}

/** Alt+C comments on what one is at. @param {KeyboardEvent} event */
export const isCommentKey = (event) => event.code === 'KeyC' && event.altKey && !event.ctrlKey && !event.metaKey && !event.shiftKey;
