import { dropCursor } from 'prosemirror-dropcursor';
import { gapCursor } from 'prosemirror-gapcursor';
import { history } from 'prosemirror-history';
import { EditorState, Plugin } from 'prosemirror-state';
import { ReplaceStep } from 'prosemirror-transform';
import { Slice } from 'prosemirror-model';
import { tableEditing } from 'prosemirror-tables';
import { EditorView } from 'prosemirror-view';
import { live } from './live.js';
import { DocumentDesk } from '../sync/document-desk.js';
import { Sync } from '../sync/sync.js';
import { toDocument } from '../document/convert.js';
import { ask as askDialog } from './dialogs.js';
import { foot } from './foot.js';
import { here, hereKey } from './here.js';
import { ids } from './ids.js';
import { keys, rules } from './keys.js';
import { pictures } from './pictures.js';
import { isAddress, schema } from '../document/schema.js';
import { signInAgain } from './sign-in.js';
import { toolbar } from './toolbar.js';
import { itemView, pictureView } from './views.js';

/**
 * The editor of a document: the sheet, its tools, its foot, saving and the others who are here.
 *
 * @param {HTMLElement} root
 * @returns {() => void}
 */
export function attachEditor(root) {
    const sheet = /** @type {HTMLElement | null} */ (root.querySelector('[data-editor]'));
    const place = /** @type {HTMLElement | null} */ (sheet?.querySelector('[data-text]'));
    if (!sheet || !place) return () => {};
    const item = JSON.parse(sheet.dataset.editor ?? '{}');
    const document_ = toDocument(JSON.parse(place.dataset.parts ?? '[]'));
    place.removeAttribute('data-parts');
    const bottom = foot(/** @type {HTMLElement} */ (root.querySelector('[data-foot]')), item.number);
    const dialog = (/** @type {string} */ name) => /** @type {HTMLDialogElement} */ (root.querySelector(`[data-${name}-dialog]`));
    const takePictures = pictures(item.key, dialog('alt'), (text) => bottom.say(text, 'problem', item.number));

    const desk = new DocumentDesk(document_, {
        document: () => view.state.doc,
        busy: () => view.composing,
        apply: (changes) => view.dispatch(brought(view.state, changes)),
    });
    const sync = new Sync(item, desk, {
        say: bottom.say,
        signIn: () => signInAgain(dialog('sign-in'), item.me),
        moved: bottom.moved,
    });

    /** @type {import('prosemirror-state').Command} */
    const link = (state, dispatch) => {
        const mark = schema.marks.link;
        const old = mark.isInSet(state.selection.$from.marks()) || mark.isInSet(state.doc.nodeAt(state.selection.from)?.marks ?? []);
        if (state.selection.empty && !old) return false;
        if (dispatch) askDialog(dialog('link'), 'href', old ? old.attrs.href : '', isAddress).then((href) => setLink(view, href));
        return true;
    };
    const keep = async () => {
        if (await sync.save({ keep: true })) bottom.offerNote((note) => sync.save({ keep: true, note }));
    };

    const taken = item.editable && sync.takeUp();
    const view = new EditorView(place, {
        state: EditorState.create({
            doc: desk.kept ?? document_,
            plugins: [
                rules(), ...keys({ link, keep }), history(), tableEditing({ allowTableNodeSelection: true }), dropCursor({ width: 2, class: 'drop-here' }), gapCursor(), ids(), here(),
                new Plugin({ props: takePictures.props }),
            ],
        }),
        editable: () => item.editable,
        attributes: { class: 'prose', role: 'textbox', 'aria-multiline': 'true', 'aria-label': item.editable ? 'The document' : 'The document, read only', spellcheck: 'true', tabindex: '0' },
        nodeViews: { item: itemView, picture: pictureView(item.key) },
        dispatchTransaction(transaction) {
            view.updateState(view.state.apply(transaction));
            bar?.refresh();
            if (transaction.docChanged && !transaction.getMeta('brought')) {
                bottom.closeNote();
                sync.changed();
            }
        },
    });

    const tools = /** @type {HTMLElement | null} */ (root.querySelector('[data-tools]'));
    const chooser = /** @type {HTMLInputElement | null} */ (tools?.querySelector('[data-picture-file]'));
    const bar = tools ? toolbar(tools, view, { link, picture: () => (chooser?.click(), true) }) : null;
    chooser?.addEventListener('change', () => {
        if (chooser.files?.[0]) takePictures.put(view, chooser.files[0]);
        chooser.value = '';
    });
    if (item.editable && view.state.doc.textContent === '') view.focus();
    const stopLive = live(root, sync, {
        part: () => (view.hasFocus() && view.state.selection.$from.depth >= 1 ? view.state.selection.$from.node(1).attrs.id ?? '' : ''),
        show: (others) => view.dispatch(view.state.tr.setMeta(hereKey, others).setMeta('addToHistory', false)),
    });
    if (taken) {
        bottom.say('what you wrote before is here again', 'saving', item.number);
        sync.save();
    }
    /** @param {KeyboardEvent} event */
    const keepKey = (event) => {
        if ((event.ctrlKey || event.metaKey) && event.key === 's' && !event.defaultPrevented) {
            event.preventDefault();
            if (item.editable) keep();
        }
    };
    document.addEventListener('keydown', keepKey);
    return () => {
        document.removeEventListener('keydown', keepKey);
        stopLive();
        sync.stop();
        bar?.dispose();
        view.destroy();
    };
}

/**
 * What came from elsewhere, as a transaction that is not mine to undo.
 *
 * @param {EditorState} state
 * @param {import('../sync/differences.js').Difference[]} changes ascending
 */
function brought(state, changes) {
    const transaction = state.tr;
    for (const { from, to, content } of [...changes].reverse()) transaction.step(new ReplaceStep(from, to, new Slice(content, 0, 0)));
    return transaction.setMeta('addToHistory', false).setMeta('brought', true);
}

/** @param {EditorView} view @param {string | null} href '' takes it off, null leaves it */
function setLink(view, href) {
    const type = schema.marks.link;
    if (href !== null) {
        let { from, to } = view.state.selection;
        if (from === to) {
            // The caret stands in a link: all of it.
            const { $from } = view.state.selection;
            $from.parent.forEach((child, offset) => {
                const start = $from.start() + offset;
                if (type.isInSet(child.marks) && start <= $from.pos && $from.pos <= start + child.nodeSize) [from, to] = [start, start + child.nodeSize];
            });
        }
        const transaction = view.state.tr.removeMark(from, to, type);
        view.dispatch(href === '' ? transaction : transaction.addMark(from, to, type.create({ href })));
    }
    view.focus();
}

