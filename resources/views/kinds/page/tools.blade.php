<div class="tools is-page" role="toolbar" aria-label="Page tools" data-tools>
    <details class="menu" data-menu>
        <summary class="tool-add">Put in…</summary>
        <div class="menu-sheet put-in">
            <button type="button" class="menu-line" data-put="text">Text</button>
            <button type="button" class="menu-line" data-put="heading">Heading</button>
            <button type="button" class="menu-line" data-put="callout">Call-out</button>
            <button type="button" class="menu-line" data-put="picture">Picture…</button>
            <button type="button" class="menu-line" data-put="button">Button…</button>
            <button type="button" class="menu-line" data-put="links">List of links…</button>
            <button type="button" class="menu-line" data-put="hours">Table of hours…</button>
            <button type="button" class="menu-line" data-put="contact">Contact card…</button>
            <button type="button" class="menu-line" data-put="figure">Figure or form…</button>
            <button type="button" class="menu-line" data-put="divider">Divider</button>
            <button type="button" class="menu-line" data-do="section-add">Section below</button>
        </div>
    </details>
    <span class="tool-group">
        <label class="is-sr-only" for="tool-style">Sort of text</label>
        <select class="tool-style" id="tool-style" data-style>
            <option value="text-plain">Text</option>
            <option value="heading-1">Heading 1</option>
            <option value="heading-2">Heading 2</option>
            <option value="heading-3">Heading 3</option>
            <option value="heading-4">Heading 4</option>
            <option value="text-bullet">List</option>
            <option value="text-number">Numbered list</option>
            <option value="callout-note">Call-out: note</option>
            <option value="callout-good">Call-out: good news</option>
            <option value="callout-warning">Call-out: warning</option>
        </select>
        <button type="button" data-do="bold" aria-label="Bold" title="Bold (Ctrl+B)"><b>B</b></button>
        <button type="button" data-do="italic" aria-label="Italic" title="Italic (Ctrl+I)"><i>I</i></button>
        <button type="button" data-do="underline" aria-label="Underline" title="Underline (Ctrl+U)"><u>U</u></button>
        <button type="button" data-do="raised" aria-label="Raised" title="Raised, as in m²">x<sup>2</sup></button>
        <button type="button" data-do="lowered" aria-label="Lowered" title="Lowered, as in CO₂">x<sub>2</sub></button>
        <button type="button" data-do="link" title="Link (Ctrl+K)">Link</button>
    </span>
    <span class="tool-group">
        <button type="button" data-do="undo" aria-label="Undo" title="Undo (Ctrl+Z)"><x-glyph name="undo" /></button>
        <button type="button" data-do="redo" aria-label="Redo" title="Redo (Ctrl+Y)"><x-glyph name="redo" /></button>
    </span>
    <span class="switch tool-wide" role="group" aria-label="Shown as on">
        <button type="button" data-wide="desk" aria-pressed="true">Desk</button>
        <button type="button" data-wide="phone" aria-pressed="false">Phone</button>
    </span>
    <span class="tool-here" data-here aria-hidden="true"></span>
    <span class="tool-arrange" role="group" aria-label="What is chosen">
        <b data-chosen>Nothing chosen</b>
        <button type="button" data-do="settings" title="Its settings (Enter)">Settings…</button>
        <button type="button" data-do="replace" title="Puts another picture in its place">Other picture…</button>
        <button type="button" data-do="up" title="Up">Up</button><button type="button" data-do="down" title="Down">Down</button><button type="button" data-do="left" title="To the column on the left">Left</button><button type="button" data-do="right" title="To the column on the right">Right</button>
        <button type="button" data-do="carry" title="Carry it with the arrow keys (Escape, then Space)">Carry</button>
        <button type="button" data-do="copy">Copy</button>
        <button type="button" data-do="remove">Remove</button>
        <span class="tool-group">
            <label for="tool-columns">Columns</label>
            <select class="tool-style" id="tool-columns" data-columns>
                <option value="" hidden>Own widths</option>
                <option value="12">One</option>
                <option value="6 6">Two, alike</option>
                <option value="8 4">Two, wide left</option>
                <option value="4 8">Two, wide right</option>
                <option value="4 4 4">Three</option>
                <option value="3 6 3">Three, wide middle</option>
                <option value="3 3 3 3">Four</option>
            </select>
            <button type="button" data-do="section-settings">Section…</button>
            <button type="button" data-do="section-up" aria-label="Section up" title="Section up">↑</button><button type="button" data-do="section-down" aria-label="Section down" title="Section down">↓</button>
            <button type="button" data-do="section-remove">Remove section</button>
        </span>
    </span>
    <input type="file" accept="image/png,image/jpeg,image/gif,image/webp" data-picture-file hidden>
</div>
