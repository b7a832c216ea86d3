import { isCommentKey, talk } from './talk.js';

/**
 * What is said about something whose parts leave no room between them, such as widgets: the slips lie together below it, but for those that
 * it lays where one is.
 *
 * @param {HTMLElement} root
 * @param {{part: () => string, named: () => string, saved: () => Promise<unknown>, talked?: (keys: Set<string>) => void, lay?: (things: HTMLElement[]) => boolean}} desk
 *     where one is and how that is called; what marks the parts that are talked about, and lays what is said where one is, where there is
 *     room
 */
export function talkStrip(root, desk) {
    const section = /** @type {() => HTMLElement | null} */ (() => root.querySelector('[data-slips]'));
    /** @type {HTMLElement[]} all of them, wherever they lie */
    let all = [];
    const lay = () => {
        const [row] = desk.part().split('/');
        const here = row === '' ? [] : all.filter((slip) => (slip.dataset.of ?? '').split('/')[0] === row);
        const isLaid = desk.lay?.(here) ?? false;
        for (const slip of all) if (!(isLaid && here.includes(slip)) && slip.parentElement !== section()) section()?.append(slip);
    };
    const said = talk(root, {
        place: (slips) => {
            all = slips;
            desk.talked?.(new Set(slips.map((slip) => slip.dataset.of ?? '')));
            lay();
        },
        open: (form) => {
            if (!desk.lay?.([...all.filter((slip) => slip.closest('.grid-below')), form])) section()?.prepend(form);
            form.scrollIntoView({ block: 'nearest' });
        },
        closed: lay,
        before: desk.saved,
    });
    const begin = () => {
        const [part, field = ''] = desk.part().split('/');
        said.begin({ part, field }, desk.named());
    };
    /** @param {KeyboardEvent} event */
    const key = (event) => {
        if (!isCommentKey(event) || !said.mayBegin()) return;
        event.preventDefault();
        begin();
    };
    document.addEventListener('keydown', key);
    root.addEventListener('comment', begin);
    return {
        upTo: said.upTo,
        mayBegin: said.mayBegin,
        begin,
        /** Where one is now. */
        moved: lay,
        dispose: () => {
            document.removeEventListener('keydown', key);
            root.removeEventListener('comment', begin);
            said.dispose();
        },
    };
}
