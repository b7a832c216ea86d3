<div class="tools" role="toolbar" aria-label="Tools of the table" data-tools>
    <span class="tool-group is-first">
        <button type="button" data-do="bold" aria-label="Bold" title="Bold (Ctrl+B)"><b>B</b></button>
    </span>
    <label class="is-sr-only" for="tool-align">Where it stands in the cell</label>
    <select class="tool-style" id="tool-align" data-choose="align"><option value="">Aligned by kind</option><option value="l">Left</option><option value="c">Middle</option><option value="r">Right</option></select>
    <label class="is-sr-only" for="tool-format">How numbers are written</label>
    <select class="tool-style" id="tool-format" data-choose="format">
        <option value="" selected hidden>Written as…</option>
        <option value="plain">As typed</option>
        <option value="whole">1,234</option>
        <option value="two">1,234.50</option>
        <option value="percent">12 %</option>
        <option value="euro">€ 1,234.50</option>
        <option value="pound">£ 1,234.50</option>
        <option value="dollar">$ 1,234.50</option>
        <option value="date">3 May 2026</option>
        <option value="iso">2026-05-03</option>
    </select>
    <span class="tool-group">
        <details class="menu" data-menu><summary>Rows</summary><div class="menu-sheet">
            <button type="button" class="menu-line" data-do="row-above">Put in above</button>
            <button type="button" class="menu-line" data-do="row-below">Put in below</button>
            <button type="button" class="menu-line" data-do="rows-more">100 more at the end</button>
            <button type="button" class="menu-line" data-do="row-up">Move up</button>
            <button type="button" class="menu-line" data-do="row-down">Move down</button>
            <button type="button" class="menu-line" data-do="row-remove">Remove</button>
            <button type="button" class="menu-line" data-do="header">Headings down to here</button>
            <button type="button" class="menu-line" data-do="header-none">No headings</button>
        </div></details>
        <details class="menu" data-menu><summary>Columns</summary><div class="menu-sheet">
            <button type="button" class="menu-line" data-do="column-before">Put in before</button>
            <button type="button" class="menu-line" data-do="column-after">Put in after</button>
            <button type="button" class="menu-line" data-do="column-left">Move to the left</button>
            <button type="button" class="menu-line" data-do="column-right">Move to the right</button>
            <button type="button" class="menu-line" data-do="column-width" data-value="64">Narrow</button>
            <button type="button" class="menu-line" data-do="column-width" data-value="0">As wide as usual</button>
            <button type="button" class="menu-line" data-do="column-width" data-value="240">Wide</button>
            <button type="button" class="menu-line" data-do="column-remove">Remove</button>
        </div></details>
    </span>
    <span class="tool-group">
        <button type="button" data-do="fill-down" title="The first row of the chosen cells into the others">Fill down</button>
        <button type="button" data-do="fill-right" title="The first column of the chosen cells into the others">Fill right</button>
    </span>
    <span class="tool-group">
        <details class="menu" data-menu><summary>Sort</summary><div class="menu-sheet">
            <p class="menu-note">By the chosen column, all rows below the headings. Rows that add others up stay.</p>
            <button type="button" class="menu-line" data-do="sort-up">Smallest first</button>
            <button type="button" class="menu-line" data-do="sort-down">Largest first</button>
            <p class="menu-note">Only the chosen rows</p>
            <button type="button" class="menu-line" data-do="sort-up" data-value="chosen">Chosen, smallest first</button>
            <button type="button" class="menu-line" data-do="sort-down" data-value="chosen">Chosen, largest first</button>
        </div></details>
        <details class="menu tool-filter" data-menu><summary>Filter</summary>
            <form class="menu-sheet menu-form" data-filter>
                <p class="menu-note" data-filter-of>Only rows whose column</p>
                <label class="is-sr-only" for="filter-how">How</label>
                <select class="input" id="filter-how" name="how"><option value="contains">contains</option><option value="is">is</option><option value="is-not">is not</option><option value="above">is above</option><option value="below">is below</option><option value="empty">is empty</option><option value="filled">is not empty</option></select>
                <label class="is-sr-only" for="filter-what">What</label>
                <input class="input" id="filter-what" name="what" maxlength="200" data-focus>
                <button class="button is-dark">Show these</button>
                <button class="button" type="button" data-filter-off hidden>Show all rows</button>
            </form>
        </details>
    </span>
    <span class="tool-group">
        <button type="button" data-do="undo" aria-label="Undo" title="Undo (Ctrl+Z)"><x-glyph name="undo" /></button>
        <button type="button" data-do="redo" aria-label="Redo" title="Redo (Ctrl+Y)"><x-glyph name="redo" /></button>
    </span>
    <span class="tool-here" data-here></span>
</div>
