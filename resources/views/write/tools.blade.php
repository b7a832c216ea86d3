<div class="tools" role="toolbar" aria-label="Writing tools" data-tools>
    <label class="is-sr-only" for="tool-style">Style</label>
    <select class="tool-style" id="tool-style" data-style>
        <option value="paragraph">Paragraph</option>
        <option value="heading-1">Heading 1</option>
        <option value="heading-2">Heading 2</option>
        <option value="heading-3">Heading 3</option>
        <option value="heading-4">Heading 4</option>
        <option value="quote">Quote</option>
        <option value="codeblock">Code</option>
        <option value="item" hidden>List</option>
    </select>
    <span class="tool-group">
        <button type="button" data-do="bold" aria-label="Bold" title="Bold (Ctrl+B)"><b>B</b></button>
        <button type="button" data-do="italic" aria-label="Italic" title="Italic (Ctrl+I)"><i>I</i></button>
        <button type="button" data-do="underline" aria-label="Underline" title="Underline (Ctrl+U)"><u>U</u></button>
        <button type="button" data-do="strike" aria-label="Strike through" title="Strike through"><s>S</s></button>
        <button type="button" data-do="raised" aria-label="Raised" title="Raised, as in m²">x<sup>2</sup></button>
        <button type="button" data-do="lowered" aria-label="Lowered" title="Lowered, as in CO₂">x<sub>2</sub></button>
        <button type="button" data-do="code" aria-label="Code in the line" title="Code in the line (Ctrl+E)"><code>{&thinsp;}</code></button>
    </span>
    <span class="tool-group">
        <button type="button" data-do="bullet" title="Bulleted list">• List</button>
        <button type="button" data-do="number" title="Numbered list">1. List</button>
        <button type="button" data-do="task" title="Tick list">☑ Tasks</button>
    </span>
    <span class="tool-group">
        <button type="button" data-do="table" title="Put in a table">Table</button>
        <button type="button" data-do="picture" title="Put in a picture">Picture</button>
        <button type="button" data-do="link" title="Link (Ctrl+K)">Link</button>
        <button type="button" data-do="rule" title="A line across">Line</button>
    </span>
    <span class="tool-group">
        <button type="button" data-do="undo" aria-label="Undo" title="Undo (Ctrl+Z)"><x-glyph name="undo" /></button>
        <button type="button" data-do="redo" aria-label="Redo" title="Redo (Ctrl+Y)"><x-glyph name="redo" /></button>
    </span>
    <span class="tool-group tool-table" data-in-table hidden>
        <button type="button" data-do="row-above">Row above</button>
        <button type="button" data-do="row-below">Row below</button>
        <button type="button" data-do="row-remove">Remove row</button>
        <button type="button" data-do="column-before">Column before</button>
        <button type="button" data-do="column-after">Column after</button>
        <button type="button" data-do="column-remove">Remove column</button>
        <button type="button" data-do="head-row">Header row</button>
        <button type="button" data-do="table-remove">Remove table</button>
    </span>
    <span class="tool-here" data-here></span>
    <input type="file" accept="image/png,image/jpeg,image/gif,image/webp" hidden data-picture-file>
</div>
