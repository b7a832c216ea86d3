<div class="tools is-page" role="toolbar" aria-label="{{ __('views/kinds/form.tools.form_tools') }}" data-tools>
    <details class="menu" data-menu>
        <summary class="tool-add">{{ __('views/kinds/form.tools.put_in') }}</summary>
        <div class="menu-sheet put-in">
            @foreach (__('form.types') as $type => $name)
                <button type="button" class="menu-line" data-put="{{ $type }}">{{ $name }}</button>
            @endforeach
            <button type="button" class="menu-line" data-do="page-add">{{ __('views/kinds/form.tools.page_below') }}</button>
        </div>
    </details>
    <span class="tool-group">
        <button type="button" data-do="bold" aria-label="{{ __('views/kinds/form.tools.bold') }}" title="{{ __('views/kinds/form.tools.bold_ctrl_b') }}"><b>B</b></button>
        <button type="button" data-do="italic" aria-label="{{ __('views/kinds/form.tools.italic') }}" title="{{ __('views/kinds/form.tools.italic_ctrl_i') }}"><i>I</i></button>
        <button type="button" data-do="link" title="{{ __('views/kinds/form.tools.link_ctrl_k') }}">{{ __('views/kinds/form.tools.link') }}</button>
    </span>
    <span class="tool-group">
        <button type="button" data-do="undo" aria-label="{{ __('views/kinds/form.tools.undo') }}" title="{{ __('views/kinds/form.tools.undo_ctrl_z') }}"><x-glyph name="undo" /></button>
        <button type="button" data-do="redo" aria-label="{{ __('views/kinds/form.tools.redo') }}" title="{{ __('views/kinds/form.tools.redo_ctrl_y') }}"><x-glyph name="redo" /></button>
    </span>
    <button type="button" data-do="form-settings">{{ __('views/kinds/form.tools.settings_of_the_form') }}</button>
    <a class="tool-link" href="{{ route('try', [$item, $item->head]) }}" data-newest="{{ route('try', [$item, 0]) }}">{{ __('views/kinds/form.tools.try_it') }}</a>
    <span class="tool-arrange" role="group" aria-label="{{ __('views/kinds/form.tools.what_is_chosen') }}">
        <b data-chosen>{{ __('views/kinds/form.tools.nothing_chosen') }}</b>
        <button type="button" data-do="settings" title="{{ __('views/kinds/form.tools.its_settings_escape_then_enter') }}">{{ __('views/kinds/form.tools.settings') }}</button>
        <button type="button" data-do="up" title="{{ __('views/kinds/form.tools.up') }}">{{ __('views/kinds/form.tools.up') }}</button><button type="button" data-do="down" title="{{ __('views/kinds/form.tools.down') }}">{{ __('views/kinds/form.tools.down') }}</button>
        <button type="button" data-do="carry" title="{{ __('views/kinds/form.tools.carry_it_with_the_arrow_keys') }}">{{ __('views/kinds/form.tools.carry') }}</button>
        <button type="button" data-do="copy">{{ __('views/kinds/form.tools.copy') }}</button>
        <button type="button" data-do="remove">{{ __('views/kinds/form.tools.remove') }}</button>
        <span class="tool-group">
            <label for="tool-type">{{ __('views/kinds/form.tools.answer') }}</label>
            <select class="tool-style" id="tool-type" data-type>
                @foreach (__('form.types') as $type => $name)<option value="{{ $type }}">{{ $name }}</option>@endforeach
            </select>
            <button type="button" data-do="choice">{{ __('views/kinds/form.tools.choice') }}</button>
            <button type="button" data-do="line">{{ __('views/kinds/form.tools.row') }}</button>
            <button type="button" data-do="rule">{{ __('views/kinds/form.tools.skip_rule') }}</button>
        </span>
    </span>
    <p class="form-gone" data-gone role="status"></p>
</div>
