import { baseKeymap, chainCommands, exitCode, newlineInCode } from 'prosemirror-commands';
import { keymap } from 'prosemirror-keymap';
import { goToNextCell } from 'prosemirror-tables';
import { NodeSelection } from 'prosemirror-state';
import { inputRules, InputRule } from 'prosemirror-inputrules';
import { blockRule } from './block-rule.js';
import { enterInCell, indent, insertBlock, lineBreak, nextCell, plainAtStart, splitItem, tools } from './commands.js';
import { schema } from '../document/schema.js';

const { nodes } = schema;

/** @param {import('prosemirror-state').Command} command @returns {import('prosemirror-state').Command} */
const unlessChosen = (command) => (state, dispatch, view) => !(state.selection instanceof NodeSelection) && command(state, dispatch, view);

/**
 * @param {{link: import('prosemirror-state').Command, keep: () => void}} open
 * @returns {import('prosemirror-state').Plugin[]}
 */
export const keys = ({ link, keep }) => [
    keymap({
        'Mod-b': tools.bold,
        'Mod-i': tools.italic,
        'Mod-u': tools.underline,
        'Mod-e': tools.code,
        'Mod-k': link,
        'Mod-z': tools.undo,
        'Mod-y': tools.redo,
        'Mod-Shift-z': tools.redo,
        'Mod-s': () => {
            keep();
            return true;
        },
        Enter: chainCommands(newlineInCode, enterInCell, splitItem),
        'Shift-Enter': chainCommands(exitCode, lineBreak),
        'Mod-Enter': chainCommands(exitCode, lineBreak),
        Backspace: plainAtStart,
        // Escape chooses the block; Tab leaves the text then.
        Tab: unlessChosen(chainCommands(nextCell, indent(1))),
        'Shift-Tab': unlessChosen(chainCommands(goToNextCell(-1), indent(-1))),
    }),
    keymap(baseKeymap),
];

/** A list item, which stays as deep as it was. @param {RegExp} pattern @param {(match: RegExpMatchArray) => any} attrs */
const itemRule = (pattern, attrs) => new InputRule(pattern, (state, match, start, end) => {
    const $start = state.doc.resolve(start);
    if ($start.depth !== 1 || !$start.node(0).canReplaceWith($start.index(0), $start.indexAfter(0), nodes.item)) return null;
    const { id, depth = 0 } = $start.parent.attrs;
    return state.tr.delete(start, end).setNodeMarkup($start.before(), nodes.item, { id, depth, ...attrs(match) });
});

/** What turns into blocks as it is typed at the start of a line. */
export const rules = () => inputRules({
    rules: [
        blockRule(/^(#{1,4})\s$/, nodes.heading, (match) => ({ level: match[1].length })),
        itemRule(/^[-*]\s$/, () => ({ style: 'bullet' })),
        itemRule(/^(\d|[1-9]\d{1,5})[.)]\s$/, (match) => ({ style: 'number', start: match[1] === '1' ? null : Number(match[1]) })),
        itemRule(/^\[ ?\]\s$/, () => ({ style: 'task' })),
        blockRule(/^>\s$/, nodes.quote),
        blockRule(/^```$/, nodes.codeblock),
        new InputRule(/^---$/, (state, match, start, end) => {
            if (state.doc.resolve(start).depth !== 1) return null;
            const cleared = state.apply(state.tr.delete(start, end));
            /** @type {import('prosemirror-state').Transaction | null} */
            let made = null;
            insertBlock(nodes.rule.create())(cleared, (transaction) => {
                made = state.tr.delete(start, end);
                for (const step of transaction.steps) made.step(step);
            });
            return made;
        }),
    ],
});
