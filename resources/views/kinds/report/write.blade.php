<x-layout :kind="$item->kind" :title="$item->title" body="is-item is-writing is-report">
    <x-item-head :item="$item" at="write" :editable="Gate::allows('write', $item)">
        <span data-people aria-live="polite"></span>
        <x-origin :item="$item" />
    </x-item-head>
    <main id="main" class="desk report-desk" data-report="{{ json_encode(['key' => $item->key, 'root' => $item->root, 'number' => $item->head, 'editable' => Gate::allows('write', $item), 'data' => $drawn]) }}">
        @can('write', $item)
            <div class="tools" role="toolbar" aria-label="{{ __('views/kinds/report.write.laying_out') }}" data-tools>
                <details class="menu" data-menu><summary class="button is-dark">{{ __('views/kinds/report.write.put_in') }}</summary>
                    <div class="menu-sheet">
                        @foreach (MistyAttic\Core\Kinds\Report\Widget::TYPES as $type)<button type="button" class="menu-line" data-add="{{ $type }}">{{ __("data.widgets.{$type}") }}</button>@endforeach
                    </div>
                </details>
                <button type="button" class="button" data-page-add>{{ __('views/kinds/report.write.new_page') }}</button>
                <button type="button" class="button" data-page-settings>{{ __('views/kinds/report.write.this_page') }}</button>
                <button type="button" class="button is-icon" data-undo aria-label="{{ __('views/kinds/report.write.undo') }}" title="{{ __('views/kinds/report.write.undo') }}" disabled><x-glyph name="undo" /></button>
                <button type="button" class="button is-icon" data-redo aria-label="{{ __('views/kinds/report.write.redo') }}" title="{{ __('views/kinds/report.write.redo') }}" disabled><x-glyph name="redo" /></button>
                <details class="menu" data-menu><summary class="button">{{ __('views/kinds/report.write.download') }}</summary>
                    <div class="menu-sheet"><button type="button" class="menu-line" data-save-page>{{ __('views/kinds/report.write.html_all_in_one_file') }}</button><button type="button" class="menu-line" data-page-picture="png">{{ __('views/kinds/report.write.this_page_as_png') }}</button><button type="button" class="menu-line" data-page-picture="svg">{{ __('views/kinds/report.write.this_page_as_svg') }}</button><button type="button" class="menu-line" data-print>{{ __('views/kinds/report.write.print_or_pdf') }}</button><a class="menu-line" href="{{ route('download', [$item, $item->head, 'json']) }}">{{ __('views/kinds/report.write.json_how_it_is_set_up') }}</a></div>
                </details>
                <span class="tools-note" id="report-keys">{{ __('views/kinds/report.write.on_a_widget_arrows_move_it') }}</span>
            </div>
        @endcan
        <aside class="report-notes" aria-label="{{ __('views/kinds/report.write.notes') }}" data-notes="{{ route('item.notes', $item) }}">@include('write.notes')</aside>
        <div class="report-sheet" data-sheet-of-report>@include('kinds.report.sheet')</div>
        @includeWhen($slips !== null, 'talk.slips', $slips ?? [])
        <p class="is-sr-only" aria-live="assertive" data-spoken></p>
        <noscript><p class="notice">{{ __('views/kinds/report.write.charts_and_laying_out_need') }}</p></noscript>
    </main>
    <footer class="foot" data-foot="{{ route('item.foot', $item) }}">@include('write.foot')</footer>
    @include('write.dialogs')
    <dialog class="dialog is-settings is-wide" data-report-dialog aria-labelledby="report-dialog-name"><div data-report-settings></div></dialog>
</x-layout>
