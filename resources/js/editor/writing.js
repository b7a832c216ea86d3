import { dropCursor } from 'prosemirror-dropcursor';
import { gapCursor } from 'prosemirror-gapcursor';
import { history } from 'prosemirror-history';
import { EditorState, NodeSelection, Plugin, Selection } from 'prosemirror-state';
import { ReplaceStep } from 'prosemirror-transform';
import { Slice } from 'prosemirror-model';
import { EditorView } from 'prosemirror-view';
import { live } from './live.js';
import { DocumentDesk } from '../sync/document-desk.js';
import { Sync } from '../sync/sync.js';
import { ask as askDialog } from './dialogs.js';
import { foot } from './foot.js';
import { headMoved } from './head.js';
import { here, hereKey } from './here.js';
import { ids } from './ids.js';
import { itsHistory } from './its-history.js';
import { onlyText } from './only-text.js';
import { pictures } from './pictures.js';
import { slips } from './slips.js';
import { thrice } from './thrice.js';
import { asked, whereIs } from './where.js';
import { isAddress } from '../document/schema.js';
import { signInAgain } from './sign-in.js';
import { wayOn } from './stuck.js';
import { inWords } from '../common/words.js';

/** @typedef {import('prosemirror-model').Node} Node */
/** @typedef {{key: string, root: string, number: number, me: number, editable: boolean}} Item */
/** @typedef {(name: string) => HTMLDialogElement} Dialogs */
/**
 * @typedef {object} Editing what an editor of one kind adds to writing
 * @property {{toParts: (doc: Node) => unknown[], toDocument: (parts: any[]) => Node}} convert
 * @property {(open: {link: import('prosemirror-state').Command, keep: () => void}, dialog: Dialogs) => import('prosemirror-state').Plugin[]} plugins
 * @property {(item: Item) => Record<string, import('prosemirror-view').NodeViewConstructor>} nodeViews
 * @property {Record<string, string>} attributes of the editable element
 * @property {(node: Node) => import('prosemirror-state').Command} insertPicture
 * @property {(state: EditorState) => string} part the id of the part where the caret is
 * @property {(root: HTMLElement, view: EditorView, more: Record<string, import('prosemirror-state').Command>, dialog: Dialogs) => {refresh: () => void, dispose: () => void}} tools
 * @property {() => void} [moved] called when a newer version is there
 * @property {(state: EditorState) => boolean} [isBlank] whether nothing is there yet, so that one may begin at once
 */

/**
 * Writing in an item whose content is in one editor: the sheet, its tools, its foot, saving and the others who are here.
 *
 * @param {HTMLElement} root
 * @param {HTMLElement} sheet
 * @param {Editing} editing
 * @returns {() => void}
 */
export function writing(root, sheet, editing) {
    const place = /** @type {HTMLElement} */ (sheet.querySelector('[data-text]'));
    const item = JSON.parse(sheet.dataset.editor ?? '{}');
    const document_ = editing.convert.toDocument(JSON.parse(place.dataset.parts ?? '[]'));
    place.removeAttribute('data-parts');
    const bottom = foot(/** @type {HTMLElement} */ (root.querySelector('[data-foot]')), item.number);
    const dialog = (/** @type {string} */ name) => /** @type {HTMLDialogElement} */ (root.querySelector(`[data-${name}-dialog]`));
    const takePictures = pictures(item.key, dialog('alt'), (text) => bottom.say(text, 'problem', item.number), editing.insertPicture);

    const desk = new DocumentDesk(document_, {
        document: () => view.state.doc,
        busy: () => view.composing,
        apply: (changes) => view.dispatch(brought(view.state, changes)),
    }, editing.convert);
    const sync = new Sync(item, desk, {
        say: bottom.say,
        signIn: () => signInAgain(dialog('sign-in'), item.me),
        ...wayOn(dialog('stuck')),
        moved: (number) => {
            bottom.moved(number);
            headMoved(root, number);
            editing.moved?.();
        },
    });

    /** @type {import('prosemirror-state').Command} */
    const link = (state, dispatch) => {
        const mark = state.schema.marks.link;
        const old = mark.isInSet(state.selection.$from.marks()) || mark.isInSet(state.doc.nodeAt(state.selection.from)?.marks ?? []);
        if (state.selection instanceof NodeSelection || (state.selection.empty && !old)) return false;
        if (dispatch) askDialog(dialog('link'), 'href', old ? old.attrs.href : '', isAddress).then((href) => setLink(view, href));
        return true;
    };
    const keep = async () => {
        if (await sync.save({ keep: true })) bottom.offerNote((note, of) => sync.save({ keep: true, note, of }));
    };

    const said = slips(root, () => sync.save());
    const taken = item.editable && sync.takeUp();
    const view = new EditorView(place, {
        state: EditorState.create({
            doc: desk.kept ?? document_,
            plugins: [
                onlyText(),
                thrice(),
                ...editing.plugins({ link, keep }, dialog),
                history(),
                dropCursor({ width: 2, class: 'drop-here' }),
                gapCursor(),
                ids(),
                here(),
                itsHistory(`/items/${item.key}`, () => sync.save(), said),
                said.plugin,
                new Plugin({ props: takePictures.props }),
            ],
        }),
        editable: () => item.editable,
        attributes: {
            ...editing.attributes,
            ...(item.editable
                ? {}
                : { 'aria-label': inWords('editor.writing.read_only', { attributes: editing.attributes['aria-label'] }) }),
            role: 'textbox',
            'aria-multiline': 'true',
            spellcheck: 'true',
            tabindex: '0',
        },
        // A style on what is pasted is against the page's own policy; what of it means something is kept under another name.
        transformPastedHTML: (html) => html.replace(/(<[^>]*?\s)style=/gi, '$1data-pasted='),
        nodeViews: editing.nodeViews(item),
        dispatchTransaction(transaction) {
            view.updateState(view.state.apply(transaction));
            bar?.refresh();
            if (transaction.docChanged && !transaction.getMeta('brought')) {
                bottom.closeNote();
                sync.changed();
            }
        },
    });

    const chooser = /** @type {HTMLInputElement | null} */ (root.querySelector('[data-picture-file]'));
    /** @type {string | null} the picture that the one to be chosen takes the place of */
    let replaced = null;
    /** @param {string | null} other @returns {import('prosemirror-state').Command} */
    const choose = (other) => (_, dispatch) => {
        if (dispatch) {
            replaced = other;
            chooser?.click();
        }
        return true;
    };
    /** @type {import('prosemirror-state').Command} */
    const replace = (state, dispatch) => {
        const node = state.selection instanceof NodeSelection ? state.selection.node : null;
        return node?.type.name === 'picture' && choose(node.attrs.id)(state, dispatch);
    };
    const bar = root.querySelector('[data-tools]') ? editing.tools(root, view, { link, picture: choose(null), replace }, dialog) : null;
    chooser?.addEventListener('change', () => {
        if (chooser.files?.[0]) takePictures.put(view, chooser.files[0], replaced);
        chooser.value = '';
    });
    const at = asked() === '' ? null : whereIs(view.state.doc, asked().split('/')[0]);
    if (at !== null) {
        // A link to a part leads to its end, where one goes on.
        const end = at + (view.state.doc.nodeAt(at)?.nodeSize ?? 1) - 1;
        view.dispatch(view.state.tr.setSelection(Selection.near(view.state.doc.resolve(end), -1)).scrollIntoView());
        view.focus();
    } else if (item.editable && editing.isBlank?.(view.state)) view.focus();
    const stopLive = live(root, sync, {
        part: () => (view.hasFocus() ? editing.part(view.state) : ''),
        show: (others) => view.dispatch(view.state.tr.setMeta(hereKey, others).setMeta('addToHistory', false)),
        talked: said.upTo,
    });
    if (taken) {
        bottom.say(inWords('editor.writing.what_you_wrote_before_is_here'), 'saving', item.number);
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
    const type = view.state.schema.marks.link;
    if (href !== null) {
        let { from, to } = view.state.selection;
        if (from === to) {
            // The caret is in a link: all of it.
            const { $from } = view.state.selection;
            $from.parent.forEach((child, offset) => {
                const start = $from.start() + offset;
                if (type.isInSet(child.marks) && start <= $from.pos && $from.pos <= start + child.nodeSize)
                    [from, to] = [start, start + child.nodeSize];
            });
        }
        const transaction = view.state.tr.removeMark(from, to, type);
        view.dispatch(href === '' ? transaction : transaction.addMark(from, to, type.create({ href })));
    }
    view.focus();
}

