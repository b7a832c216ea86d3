<div class="tools" role="toolbar" aria-label="{{ __('views/kinds/spreadsheet.tools.tools_of_the_table') }}" data-tools>
    <span class="tool-group is-first">
        <button type="button" data-do="bold" aria-label="{{ __('views/kinds/spreadsheet.tools.bold') }}" title="{{ __('views/kinds/spreadsheet.tools.bold_ctrl_b') }}"><b>B</b></button>
    </span>
    <label class="is-sr-only" for="tool-align">{{ __('views/kinds/spreadsheet.tools.where_it_is_in_the_cell') }}</label>
    <select class="tool-style" id="tool-align" data-choose="align"><option value="">{{ __('views/kinds/spreadsheet.tools.aligned_by_kind') }}</option><option value="l">{{ __('views/kinds/spreadsheet.tools.left') }}</option><option value="c">{{ __('views/kinds/spreadsheet.tools.middle') }}</option><option value="r">{{ __('views/kinds/spreadsheet.tools.right') }}</option></select>
    <label class="is-sr-only" for="tool-format">{{ __('views/kinds/spreadsheet.tools.how_numbers_are_written') }}</label>
    <select class="tool-style" id="tool-format" data-choose="format">
        <option value="" selected hidden>{{ __('views/kinds/spreadsheet.tools.written_as') }}</option>
        <option value="plain">{{ __('views/kinds/spreadsheet.tools.as_typed') }}</option>
        <option value="whole">1,234</option>
        <option value="two">1,234.50</option>
        <option value="percent">12 %</option>
        <option value="euro">€ 1,234.50</option>
        <option value="pound">£ 1,234.50</option>
        <option value="dollar">$ 1,234.50</option>
        <option value="date">{{ __('views/kinds/spreadsheet.tools.3_may_2026') }}</option>
        <option value="iso">2026-05-03</option>
    </select>
    <span class="tool-group">
        <details class="menu" data-menu><summary>{{ __('views/kinds/spreadsheet.tools.rows') }}</summary><div class="menu-sheet">
            <button type="button" class="menu-line" data-do="row-above">{{ __('views/kinds/spreadsheet.tools.put_in_above') }}</button>
            <button type="button" class="menu-line" data-do="row-below">{{ __('views/kinds/spreadsheet.tools.put_in_below') }}</button>
            <button type="button" class="menu-line" data-do="rows-more">{{ __('views/kinds/spreadsheet.tools.100_more_at_the_end') }}</button>
            <button type="button" class="menu-line" data-do="row-up">{{ __('views/kinds/spreadsheet.tools.move_up') }}</button>
            <button type="button" class="menu-line" data-do="row-down">{{ __('views/kinds/spreadsheet.tools.move_down') }}</button>
            <button type="button" class="menu-line" data-do="row-remove">{{ __('views/kinds/spreadsheet.tools.remove') }}</button>
            <button type="button" class="menu-line" data-do="header">{{ __('views/kinds/spreadsheet.tools.headings_down_to_here') }}</button>
            <button type="button" class="menu-line" data-do="header-none">{{ __('views/kinds/spreadsheet.tools.no_headings') }}</button>
        </div></details>
        <details class="menu" data-menu><summary>{{ __('views/kinds/spreadsheet.tools.columns') }}</summary><div class="menu-sheet">
            <button type="button" class="menu-line" data-do="column-before">{{ __('views/kinds/spreadsheet.tools.put_in_before') }}</button>
            <button type="button" class="menu-line" data-do="column-after">{{ __('views/kinds/spreadsheet.tools.put_in_after') }}</button>
            <button type="button" class="menu-line" data-do="column-left">{{ __('views/kinds/spreadsheet.tools.move_to_the_left') }}</button>
            <button type="button" class="menu-line" data-do="column-right">{{ __('views/kinds/spreadsheet.tools.move_to_the_right') }}</button>
            <button type="button" class="menu-line" data-do="column-width" data-value="64">{{ __('views/kinds/spreadsheet.tools.narrow') }}</button>
            <button type="button" class="menu-line" data-do="column-width" data-value="0">{{ __('views/kinds/spreadsheet.tools.as_wide_as_usual') }}</button>
            <button type="button" class="menu-line" data-do="column-width" data-value="240">{{ __('views/kinds/spreadsheet.tools.wide') }}</button>
            <button type="button" class="menu-line" data-do="column-remove">{{ __('views/kinds/spreadsheet.tools.remove') }}</button>
        </div></details>
    </span>
    <span class="tool-group">
        <button type="button" data-do="fill-down" title="{{ __('views/kinds/spreadsheet.tools.the_first_row_of_the_chosen') }}">{{ __('views/kinds/spreadsheet.tools.fill_down') }}</button>
        <button type="button" data-do="fill-right" title="{{ __('views/kinds/spreadsheet.tools.the_first_column_of_the_chosen') }}">{{ __('views/kinds/spreadsheet.tools.fill_right') }}</button>
    </span>
    <span class="tool-group">
        <details class="menu" data-menu><summary>{{ __('views/kinds/spreadsheet.tools.sort') }}</summary><div class="menu-sheet">
            <p class="menu-note">{{ __('views/kinds/spreadsheet.tools.by_the_chosen_column_all_rows') }}</p>
            <button type="button" class="menu-line" data-do="sort-up">{{ __('views/kinds/spreadsheet.tools.smallest_first') }}</button>
            <button type="button" class="menu-line" data-do="sort-down">{{ __('views/kinds/spreadsheet.tools.largest_first') }}</button>
            <p class="menu-note">{{ __('views/kinds/spreadsheet.tools.only_the_chosen_rows') }}</p>
            <button type="button" class="menu-line" data-do="sort-up" data-value="chosen">{{ __('views/kinds/spreadsheet.tools.chosen_smallest_first') }}</button>
            <button type="button" class="menu-line" data-do="sort-down" data-value="chosen">{{ __('views/kinds/spreadsheet.tools.chosen_largest_first') }}</button>
        </div></details>
        <details class="menu tool-filter" data-menu><summary>{{ __('views/kinds/spreadsheet.tools.filter') }}</summary>
            <form class="menu-sheet menu-form" data-filter>
                <p class="menu-note" data-filter-of>{{ __('views/kinds/spreadsheet.tools.only_rows_whose_column') }}</p>
                <label class="is-sr-only" for="filter-how">{{ __('views/kinds/spreadsheet.tools.how') }}</label>
                <select class="input" id="filter-how" name="how"><option value="contains">{{ __('views/kinds/spreadsheet.tools.contains') }}</option><option value="is">{{ __('views/kinds/spreadsheet.tools.is') }}</option><option value="is-not">{{ __('views/kinds/spreadsheet.tools.is_not') }}</option><option value="above">{{ __('views/kinds/spreadsheet.tools.is_above') }}</option><option value="below">{{ __('views/kinds/spreadsheet.tools.is_below') }}</option><option value="empty">{{ __('views/kinds/spreadsheet.tools.is_empty') }}</option><option value="filled">{{ __('views/kinds/spreadsheet.tools.is_not_empty') }}</option></select>
                <label class="is-sr-only" for="filter-what">{{ __('views/kinds/spreadsheet.tools.what') }}</label>
                <input class="input" id="filter-what" name="what" maxlength="200" data-focus>
                <button class="button is-dark">{{ __('views/kinds/spreadsheet.tools.show_these') }}</button>
                <button class="button" type="button" data-filter-off hidden>{{ __('views/kinds/spreadsheet.tools.show_all_rows') }}</button>
            </form>
        </details>
    </span>
    <span class="tool-group">
        <button type="button" data-do="undo" aria-label="{{ __('views/kinds/spreadsheet.tools.undo') }}" title="{{ __('views/kinds/spreadsheet.tools.undo_ctrl_z') }}"><x-glyph name="undo" /></button>
        <button type="button" data-do="redo" aria-label="{{ __('views/kinds/spreadsheet.tools.redo') }}" title="{{ __('views/kinds/spreadsheet.tools.redo_ctrl_y') }}"><x-glyph name="redo" /></button>
    </span>
    <span class="tool-here" data-here></span>
</div>
