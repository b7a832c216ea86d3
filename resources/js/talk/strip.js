import { isCommentKey, talk } from './talk.js';

/**
 * What is said about something whose parts leave no room between them, such as cells and widgets: the slips lie together below it.
 *
 * @param {HTMLElement} root
 * @param {{part: () => string, named: () => string, saved: () => Promise<unknown>, talked?: (keys: Set<string>) => void}} desk where one is and how that is called; what marks the parts that are talked about
 */
export function talkStrip(root, desk) {
    const section = /** @type {() => HTMLElement | null} */ (() => root.querySelector('[data-slips]'));
    const said = talk(root, {
        place: (slips) => desk.talked?.(new Set(slips.map((slip) => slip.dataset.of ?? ''))),
        open: (form) => {
            section()?.prepend(form);
            form.scrollIntoView({ block: 'nearest' });
        },
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
    return {
        upTo: said.upTo,
        dispose: () => {
            document.removeEventListener('keydown', key);
            said.dispose();
        },
    };
}
