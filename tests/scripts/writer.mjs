import { baseKeymap } from 'prosemirror-commands';
import { history } from 'prosemirror-history';
import { Slice } from 'prosemirror-model';
import { EditorState, NodeSelection, TextSelection } from 'prosemirror-state';
import { tableEditing } from 'prosemirror-tables';
import { ReplaceStep } from 'prosemirror-transform';
import * as texts from '../../resources/js/document/convert.js';
import { indent, plainAtStart, splitItem, style, tools as textTools } from '../../resources/js/editor/commands.js';
import { ids } from '../../resources/js/editor/ids.js';
import * as forms from '../../resources/js/kinds/form/commands.js';
import * as formParts from '../../resources/js/kinds/form/convert.js';
import * as pages from '../../resources/js/kinds/page/commands.js';
import * as pageParts from '../../resources/js/kinds/page/convert.js';
import { schema as pageSchema } from '../../resources/js/kinds/page/schema.js';

const { Enter: enter, Backspace: backspace, Delete: del } = baseKeymap;
const page = pageSchema.nodes;

/** What can be done in an editor of each kind, and how its parts become its document. */
const KINDS = {
    document: {
        convert: texts,
        plugins: () => [tableEditing({ allowTableNodeSelection: true })],
        does: [...Object.values(textTools), indent(1), indent(-1), plainAtStart, splitItem, style('heading-2'), style('paragraph'), enter, enter, backspace, backspace, del],
    },
    page: {
        convert: pageParts,
        plugins: () => [],
        does: [
            ...Object.values(pages.tools), pages.columns([6, 6]), pages.columns([12]), pages.columns([4, 4, 4]), pages.style('heading-2'), pages.style('text-plain'), pages.style('callout-note'), pages.split, pages.endList,
            pages.put(page.rich_text.create()), pages.put(page.divider.create()), pages.put(page.heading.create({ level: 3 })), enter, backspace, del,
        ],
    },
    form: {
        convert: formParts,
        plugins: () => [],
        does: [
            ...Object.values(forms.tools), ...['short', 'one', 'several', 'grid', 'number'].map(forms.putQuestion), forms.retype('one'), forms.retype('short'),
            forms.enter, forms.enter, forms.backspace, del,
        ],
    },
};

/** Somebody at a text, a page or a form, who does this and that. */
export class Writer {
    /** @param {string} kind @param {any[]} parts @param {import('./random.mjs').Random} random */
    constructor(kind, parts, random) {
        this.random = random;
        this.kind = KINDS[kind];
        this.state = EditorState.create({ doc: this.kind.convert.toDocument(parts), plugins: [...this.kind.plugins(), history(), ids()] });
        this.dispatch = (transaction) => (this.state = this.state.apply(transaction));
        this.editor = {
            document: () => this.state.doc,
            busy: () => false,
            apply: (changes) => {
                const { tr } = this.state;
                for (const { from, to, content } of [...changes].reverse()) tr.step(new ReplaceStep(from, to, new Slice(content, 0, 0)));
                this.dispatch(tr.setMeta('addToHistory', false).setMeta('brought', true));
            },
        };
    }

    choose() {
        const { doc, tr } = this.state;
        const at = () => doc.resolve(this.random.under(doc.content.size + 1));
        const from = at();
        const blocks = [];
        if (this.random.under(6) === 0) doc.descendants((node, pos) => void (node.isBlock && NodeSelection.isSelectable(node) && blocks.push(pos)));
        const to = this.random.under(2) ? from : doc.resolve(Math.min(doc.content.size, from.pos + this.random.under(12)));
        const selection = blocks.length ? NodeSelection.create(doc, this.random.pick(blocks)) : TextSelection.between(from, to);
        this.dispatch(tr.setSelection(selection));
    }

    step() {
        this.choose();
        if (this.random.under(10) < 4) this.write();
        else this.random.pick(this.kind.does)(this.state, this.dispatch);
    }

    write() {
        if (!this.state.selection.$from.parent.isTextblock) return;
        const words = this.random.pick(['lamp ', 'The bin. ', 'é', `${this.word()} `, ` ${this.word()}`]);
        this.dispatch(this.state.tr.insertText(words));
    }

    /** One that is nowhere else. */
    word() {
        return `w${this.random.under(2 ** 30)}q`;
    }

    whole() {
        return this.kind.convert.toParts(this.state.doc);
    }

    /** What a fresh window shows. @param {any[]} parts */
    fresh(parts) {
        return this.kind.convert.toParts(this.kind.convert.toDocument(parts));
    }
}
