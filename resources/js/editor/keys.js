import { baseKeymap, chainCommands, exitCode, newlineInCode } from 'prosemirror-commands';
import { keymap } from 'prosemirror-keymap';
import { goToNextCell } from 'prosemirror-tables';
import { NodeSelection } from 'prosemirror-state';
import { inputRules, textblockTypeInputRule, InputRule } from 'prosemirror-inputrules';
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

/** @param {RegExp} pattern @param {import('prosemirror-model').NodeType} type @param {(match: RegExpMatchArray) => any} attrs */
const rule = (pattern, type, attrs) => textblockTypeInputRule(pattern, type, attrs);

/** What turns into blocks as it is typed at the start of a line. */
export const rules = () => inputRules({
    rules: [
        rule(/^(#{1,4})\s$/, nodes.heading, (match) => ({ level: match[1].length })),
        rule(/^[-*]\s$/, nodes.item, () => ({ style: 'bullet' })),
        rule(/^(\d|[1-9]\d{1,5})[.)]\s$/, nodes.item, (match) => ({ style: 'number', start: match[1] === '1' ? null : Number(match[1]) })),
        rule(/^\[ ?\]\s$/, nodes.item, () => ({ style: 'task' })),
        rule(/^>\s$/, nodes.quote, () => null),
        rule(/^```$/, nodes.codeblock, () => null),
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
