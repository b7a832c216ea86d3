<div class="tools" role="toolbar" aria-label="{{ __('views/write.tools.writing_tools') }}" data-tools>
    <label class="is-sr-only" for="tool-style">{{ __('views/write.tools.style') }}</label>
    <select class="tool-style" id="tool-style" data-style>
        <option value="paragraph">{{ __('views/write.tools.paragraph') }}</option>
        <option value="heading-1">{{ __('views/write.tools.heading_1') }}</option>
        <option value="heading-2">{{ __('views/write.tools.heading_2') }}</option>
        <option value="heading-3">{{ __('views/write.tools.heading_3') }}</option>
        <option value="heading-4">{{ __('views/write.tools.heading_4') }}</option>
        <option value="quote">{{ __('views/write.tools.quote') }}</option>
        <option value="codeblock">{{ __('views/write.tools.code') }}</option>
        <option value="item" hidden>{{ __('views/write.tools.list') }}</option>
    </select>
    <span class="tool-group">
        <button type="button" data-do="bold" aria-label="{{ __('views/write.tools.bold') }}" title="{{ __('views/write.tools.bold_ctrl_b') }}"><b>B</b></button>
        <button type="button" data-do="italic" aria-label="{{ __('views/write.tools.italic') }}" title="{{ __('views/write.tools.italic_ctrl_i') }}"><i>I</i></button>
        <button type="button" data-do="underline" aria-label="{{ __('views/write.tools.underline') }}" title="{{ __('views/write.tools.underline_ctrl_u') }}"><u>U</u></button>
        <button type="button" data-do="strike" aria-label="{{ __('views/write.tools.strike_through') }}" title="{{ __('views/write.tools.strike_through') }}"><s>S</s></button>
        <button type="button" data-do="raised" title="{{ __('views/write.tools.raised_as_in_m') }}"><span aria-hidden="true">x<sup>2</sup></span><span class="is-sr-only">{{ __('views/write.tools.raised') }}</span></button>
        <button type="button" data-do="lowered" title="{{ __('views/write.tools.lowered_as_in_co') }}"><span aria-hidden="true">x<sub>2</sub></span><span class="is-sr-only">{{ __('views/write.tools.lowered') }}</span></button>
        <button type="button" data-do="code" aria-label="{{ __('views/write.tools.code_in_the_line') }}" title="{{ __('views/write.tools.code_in_the_line_ctrl_e') }}"><code>{&thinsp;}</code></button>
    </span>
    <span class="tool-group">
        <button type="button" data-do="bullet" title="{{ __('views/write.tools.bulleted_list') }}">{{ __('views/write.tools.bullet_list') }}</button>
        <button type="button" data-do="number" title="{{ __('views/write.tools.numbered_list') }}">{{ __('views/write.tools.1_list') }}</button>
        <button type="button" data-do="task" title="{{ __('views/write.tools.tick_list') }}">{{ __('views/write.tools.tasks') }}</button>
    </span>
    <span class="tool-group">
        <button type="button" data-do="table" title="{{ __('views/write.tools.put_in_a_table') }}">{{ __('views/write.tools.table') }}</button>
        <button type="button" data-do="picture" title="{{ __('views/write.tools.put_in_a_picture') }}">{{ __('views/write.tools.picture') }}</button>
        <button type="button" data-do="link" title="{{ __('views/write.tools.link_ctrl_k') }}">{{ __('views/write.tools.link') }}</button>
        <button type="button" data-do="rule" title="{{ __('views/write.tools.a_line_across') }}">{{ __('views/write.tools.line') }}</button>
    </span>
    <span class="tool-group">
        <button type="button" data-do="undo" aria-label="{{ __('views/write.tools.undo') }}" title="{{ __('views/write.tools.undo_ctrl_z') }}"><x-glyph name="undo" /></button>
        <button type="button" data-do="redo" aria-label="{{ __('views/write.tools.redo') }}" title="{{ __('views/write.tools.redo_ctrl_y') }}"><x-glyph name="redo" /></button>
    </span>
    <span class="tool-group tool-table" data-in-table hidden>
        <button type="button" data-do="row-above">{{ __('views/write.tools.row_above') }}</button>
        <button type="button" data-do="row-below">{{ __('views/write.tools.row_below') }}</button>
        <button type="button" data-do="row-remove">{{ __('views/write.tools.remove_row') }}</button>
        <button type="button" data-do="column-before">{{ __('views/write.tools.column_before') }}</button>
        <button type="button" data-do="column-after">{{ __('views/write.tools.column_after') }}</button>
        <button type="button" data-do="column-remove">{{ __('views/write.tools.remove_column') }}</button>
        <button type="button" data-do="head-row">{{ __('views/write.tools.header_row') }}</button>
        <button type="button" data-do="table-remove">{{ __('views/write.tools.remove_table') }}</button>
    </span>
    <span class="tool-here" data-here></span>
    <input type="file" accept="image/png,image/jpeg,image/gif,image/webp" hidden data-picture-file>
</div>
