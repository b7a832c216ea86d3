<x-layout :kind="$item->kind" :title="$item->title" body="is-item is-writing is-sheet">
    <x-item-head :item="$item" at="write" :editable="Gate::allows('write', $item)">
        <span data-people aria-live="polite"></span>
        <x-origin :item="$item" />
    </x-item-head>
    <main id="main" class="desk" data-sheet="{{ json_encode(['key' => $item->key, 'root' => $item->root, 'number' => $item->head, 'me' => auth()->id(), 'editable' => Gate::allows('write', $item)]) }}" @if ($parts !== null) data-parts="{{ $parts }}" @endif @if ($at !== '') data-at="{{ $at }}" @endif aria-busy="true">
        @can('write', $item)
            @include('kinds.spreadsheet.tools')
        @endcan
        <div class="grid-tabs">
            <nav class="tabs" aria-label="{{ __('views/kinds/spreadsheet.write.tabs') }}" data-tabs></nav>
            @can('write', $item)
                <details class="menu tab-menu" data-menu data-tab-menu>
                    <summary class="button is-quiet" aria-label="{{ __('views/kinds/spreadsheet.write.this_tab_and_new_ones') }}"><x-glyph name="dots" /></summary>
                    <div class="menu-sheet">
                        <button type="button" class="menu-line" data-do="tab-add">{{ __('views/kinds/spreadsheet.write.new_tab') }}</button>
                        <button type="button" class="menu-line" data-do="tab-rename">{{ __('views/kinds/spreadsheet.write.rename_this_one') }}</button>
                        <form class="menu-form tab-name" data-tab-name hidden><input class="input" maxlength="100" aria-label="{{ __('views/kinds/spreadsheet.write.name_of_the_tab') }}"><button class="button is-dark">{{ __('views/kinds/spreadsheet.write.rename') }}</button></form>
                        <button type="button" class="menu-line" data-do="tab-left">{{ __('views/kinds/spreadsheet.write.move_it_to_the_left') }}</button>
                        <button type="button" class="menu-line" data-do="tab-right">{{ __('views/kinds/spreadsheet.write.move_it_to_the_right') }}</button>
                        <button type="button" class="menu-line" data-do="tab-copy">{{ __('views/kinds/spreadsheet.write.copy_it') }}</button>
                        <button type="button" class="menu-line" data-do="tab-remove">{{ __('views/kinds/spreadsheet.write.remove_it') }}</button>
                        <a class="menu-line" href="{{ route('item.file', $item) }}">{{ __('views/kinds/spreadsheet.write.a_file_as_the_next_version') }}</a>
                    </div>
                </details>
            @endcan
            <aside class="grid-notes" aria-label="{{ __('views/kinds/spreadsheet.write.notes') }}" data-notes="{{ route('item.notes', $item) }}">@include('write.notes')</aside>
        </div>
        <noscript><p class="notice">{{ __('views/kinds/spreadsheet.write.writing_needs_javascript') }} <a href="{{ route('history', ['item' => $item, 'from' => $item->head, 'to' => $item->head, 'view' => 'was']) }}">{{ __('views/kinds/spreadsheet.write.read_it') }}</a> {{ __('views/kinds/spreadsheet.write.or_look_at_its_history_without') }}</p></noscript>
        <div class="grid" data-grid aria-describedby="grid-keys"></div>
        <p class="is-sr-only" id="grid-keys">{{ __('views/kinds/spreadsheet.write.arrows_go_from_cell_to_cell') }}</p>
        <div class="cell-line">
            <output class="cell-place" for="cell-text" data-cell-place></output>
            <textarea class="cell-text" id="cell-text" rows="1" maxlength="32767" spellcheck="false" aria-label="{{ __('views/kinds/spreadsheet.write.what_is_in_the_cell') }}" data-cell-line @cannot('write', $item) readonly @endcannot></textarea>
            <p class="sheet-said" role="status" data-sheet-said></p>
            <a class="cell-story" href="#" data-what-was title="{{ __('views/kinds/spreadsheet.write.alt_w') }}" data-cell-story="{{ route('item', $item) }}/cells">{{ __('views/kinds/spreadsheet.write.history_of_the_cell') }}</a>
        </div>
        @includeWhen($slips !== null, 'talk.slips', $slips ?? [])
    </main>
    <footer class="foot" data-foot="{{ route('item.foot', $item) }}">@include('write.foot')</footer>
    @include('write.dialogs')
</x-layout>
