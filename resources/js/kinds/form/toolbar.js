import { isMarked, listen } from '../../editor/bar.js';
import { putQuestion, retype, tools } from './commands.js';
import { around, levels, nameOf } from './places.js';
import { schema } from './schema.js';
import { inWords } from '../../common/words.js';

/**
 * The tools of a form: what is put in, the words, and what is chosen.
 *
 * @param {HTMLElement} root
 * @param {import('prosemirror-view').EditorView} view
 * @param {Record<string, import('prosemirror-state').Command>} more commands that open something
 * @returns {{refresh: () => void, dispose: () => void}}
 */
export function toolbar(root, view, more) {
    const bar = /** @type {HTMLElement} */ (root.querySelector('[data-tools]'));
    const all = { ...tools, ...more };
    const buttons = /** @type {HTMLButtonElement[]} */ ([...bar.querySelectorAll('[data-do]')]);
    const type = /** @type {HTMLSelectElement} */ (bar.querySelector('[data-type]'));
    const name = /** @type {HTMLElement} */ (bar.querySelector('[data-chosen]'));

    const refresh = () => {
        const { state } = view;
        const question = around(state, 'question');
        const [place] = levels(state);
        name.textContent = place ? nameOf(place.node) : inWords('form.toolbar.nothing_chosen');
        type.disabled = !question;
        if (question) type.value = question.node.attrs.type;
        for (const button of buttons) {
            const tool = button.dataset.do ?? '';
            button.disabled = !all[tool]?.(state);
            if (tool in schema.marks && state.selection.$from.parent.isTextblock)
                button.setAttribute('aria-pressed', String(isMarked(state, schema.marks[tool])));
        }
    };
    const dispose = listen(bar, (target) => {
        if (target.dataset.put !== undefined) putQuestion(target.dataset.put)(view.state, view.dispatch);
        else all[target.dataset.do ?? '']?.(view.state, view.dispatch, view);
        if (!['link', 'settings', 'form-settings', 'rule'].includes(target.dataset.do ?? '')) view.focus();
    }, (target) => {
        if (target !== type) return;
        retype(type.value)(view.state, view.dispatch);
        view.focus();
    });
    refresh();
    return { refresh, dispose };
}
