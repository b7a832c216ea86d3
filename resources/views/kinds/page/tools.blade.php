<div class="tools is-page" role="toolbar" aria-label="{{ __('views/kinds/page.tools.page_tools') }}" data-tools>
    <details class="menu" data-menu>
        <summary class="tool-add">{{ __('views/kinds/page.tools.put_in') }}</summary>
        <div class="menu-sheet put-in">
            <button type="button" class="menu-line" data-put="text">{{ __('views/kinds/page.tools.text') }}</button>
            <button type="button" class="menu-line" data-put="heading">{{ __('views/kinds/page.tools.heading') }}</button>
            <button type="button" class="menu-line" data-put="callout">{{ __('views/kinds/page.tools.call_out') }}</button>
            <button type="button" class="menu-line" data-put="picture">{{ __('views/kinds/page.tools.picture') }}</button>
            <button type="button" class="menu-line" data-put="button">{{ __('views/kinds/page.tools.button') }}</button>
            <button type="button" class="menu-line" data-put="links">{{ __('views/kinds/page.tools.list_of_links') }}</button>
            <button type="button" class="menu-line" data-put="hours">{{ __('views/kinds/page.tools.table_of_hours') }}</button>
            <button type="button" class="menu-line" data-put="contact">{{ __('views/kinds/page.tools.contact_card') }}</button>
            <button type="button" class="menu-line" data-put="figure">{{ __('views/kinds/page.tools.figure_or_form') }}</button>
            <button type="button" class="menu-line" data-put="divider">{{ __('views/kinds/page.tools.divider') }}</button>
            <button type="button" class="menu-line" data-do="section-add">{{ __('views/kinds/page.tools.section_below') }}</button>
        </div>
    </details>
    <span class="tool-group">
        <label class="is-sr-only" for="tool-style">{{ __('views/kinds/page.tools.sort_of_text') }}</label>
        <select class="tool-style" id="tool-style" data-style>
            <option value="text-plain">{{ __('views/kinds/page.tools.text') }}</option>
            <option value="heading-1">{{ __('views/kinds/page.tools.heading_1') }}</option>
            <option value="heading-2">{{ __('views/kinds/page.tools.heading_2') }}</option>
            <option value="heading-3">{{ __('views/kinds/page.tools.heading_3') }}</option>
            <option value="heading-4">{{ __('views/kinds/page.tools.heading_4') }}</option>
            <option value="text-bullet">{{ __('views/kinds/page.tools.list') }}</option>
            <option value="text-number">{{ __('views/kinds/page.tools.numbered_list') }}</option>
            <option value="callout-note">{{ __('views/kinds/page.tools.call_out_note') }}</option>
            <option value="callout-good">{{ __('views/kinds/page.tools.call_out_good_news') }}</option>
            <option value="callout-warning">{{ __('views/kinds/page.tools.call_out_warning') }}</option>
        </select>
        <button type="button" data-do="bold" aria-label="{{ __('views/kinds/page.tools.bold') }}" title="{{ __('views/kinds/page.tools.bold_ctrl_b') }}"><b>B</b></button>
        <button type="button" data-do="italic" aria-label="{{ __('views/kinds/page.tools.italic') }}" title="{{ __('views/kinds/page.tools.italic_ctrl_i') }}"><i>I</i></button>
        <button type="button" data-do="underline" aria-label="{{ __('views/kinds/page.tools.underline') }}" title="{{ __('views/kinds/page.tools.underline_ctrl_u') }}"><u>U</u></button>
        <button type="button" data-do="raised" title="{{ __('views/kinds/page.tools.raised_as_in_m') }}"><span aria-hidden="true">x<sup>2</sup></span><span class="is-sr-only">{{ __('views/kinds/page.tools.raised') }}</span></button>
        <button type="button" data-do="lowered" title="{{ __('views/kinds/page.tools.lowered_as_in_co') }}"><span aria-hidden="true">x<sub>2</sub></span><span class="is-sr-only">{{ __('views/kinds/page.tools.lowered') }}</span></button>
        <button type="button" data-do="link" title="{{ __('views/kinds/page.tools.link_ctrl_k') }}">{{ __('views/kinds/page.tools.link') }}</button>
    </span>
    <span class="tool-group">
        <button type="button" data-do="undo" aria-label="{{ __('views/kinds/page.tools.undo') }}" title="{{ __('views/kinds/page.tools.undo_ctrl_z') }}"><x-glyph name="undo" /></button>
        <button type="button" data-do="redo" aria-label="{{ __('views/kinds/page.tools.redo') }}" title="{{ __('views/kinds/page.tools.redo_ctrl_y') }}"><x-glyph name="redo" /></button>
    </span>
    <span class="switch tool-wide" role="group" aria-label="{{ __('views/kinds/page.tools.shown_as_on') }}">
        <button type="button" data-wide="desk" aria-pressed="true">{{ __('views/kinds/page.tools.desk') }}</button>
        <button type="button" data-wide="phone" aria-pressed="false">{{ __('views/kinds/page.tools.phone') }}</button>
    </span>
    <span class="tool-here" data-here aria-hidden="true"></span>
    <span class="tool-arrange" role="group" aria-label="{{ __('views/kinds/page.tools.what_is_chosen') }}">
        <b data-chosen>{{ __('views/kinds/page.tools.nothing_chosen') }}</b>
        <button type="button" data-do="settings" title="{{ __('views/kinds/page.tools.its_settings_enter') }}">{{ __('views/kinds/page.tools.settings') }}</button>
        <button type="button" data-do="replace" title="{{ __('views/kinds/page.tools.puts_another_picture_in_its_place') }}">{{ __('views/kinds/page.tools.other_picture') }}</button>
        <button type="button" data-do="up" title="{{ __('views/kinds/page.tools.up') }}">{{ __('views/kinds/page.tools.up') }}</button><button type="button" data-do="down" title="{{ __('views/kinds/page.tools.down') }}">{{ __('views/kinds/page.tools.down') }}</button><button type="button" data-do="left" title="{{ __('views/kinds/page.tools.to_the_column_on_the_left') }}">{{ __('views/kinds/page.tools.left') }}</button><button type="button" data-do="right" title="{{ __('views/kinds/page.tools.to_the_column_on_the_right') }}">{{ __('views/kinds/page.tools.right') }}</button>
        <button type="button" data-do="carry" title="{{ __('views/kinds/page.tools.carry_it_with_the_arrow_keys') }}">{{ __('views/kinds/page.tools.carry') }}</button>
        <button type="button" data-do="copy">{{ __('views/kinds/page.tools.copy') }}</button>
        <button type="button" data-do="remove">{{ __('views/kinds/page.tools.remove') }}</button>
        <span class="tool-group">
            <label for="tool-columns">{{ __('views/kinds/page.tools.columns') }}</label>
            <select class="tool-style" id="tool-columns" data-columns>
                <option value="" hidden>{{ __('views/kinds/page.tools.own_widths') }}</option>
                <option value="12">{{ __('views/kinds/page.tools.one') }}</option>
                <option value="6 6">{{ __('views/kinds/page.tools.two_alike') }}</option>
                <option value="8 4">{{ __('views/kinds/page.tools.two_wide_left') }}</option>
                <option value="4 8">{{ __('views/kinds/page.tools.two_wide_right') }}</option>
                <option value="4 4 4">{{ __('views/kinds/page.tools.three') }}</option>
                <option value="3 6 3">{{ __('views/kinds/page.tools.three_wide_middle') }}</option>
                <option value="3 3 3 3">{{ __('views/kinds/page.tools.four') }}</option>
            </select>
            <button type="button" data-do="section-settings">{{ __('views/kinds/page.tools.section') }}</button>
            <button type="button" data-do="section-up" aria-label="{{ __('views/kinds/page.tools.section_up') }}" title="{{ __('views/kinds/page.tools.section_up') }}">↑</button><button type="button" data-do="section-down" aria-label="{{ __('views/kinds/page.tools.section_down') }}" title="{{ __('views/kinds/page.tools.section_down') }}">↓</button>
            <button type="button" data-do="section-remove">{{ __('views/kinds/page.tools.remove_section') }}</button>
        </span>
    </span>
    <input type="file" accept="image/png,image/jpeg,image/gif,image/webp" data-picture-file hidden>
</div>
