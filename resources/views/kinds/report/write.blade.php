<x-layout :kind="$item->kind" :title="$item->title" body="is-item is-writing is-report">
    <x-item-head :item="$item" at="write" :editable="Gate::allows('write', $item)">
        <span data-people aria-live="polite"></span>
        <x-origin :item="$item" />
    </x-item-head>
    <main id="main" class="desk report-desk" data-report="{{ json_encode(['key' => $item->key, 'root' => $item->root, 'number' => $item->head, 'editable' => Gate::allows('write', $item), 'data' => app(App\Kinds\Report\DrawnFrom::class)->stamp($item)]) }}">
        @can('write', $item)
            <div class="tools" role="toolbar" aria-label="Laying out" data-tools>
                <details class="menu" data-menu><summary class="button">Put in…</summary>
                    <div class="menu-sheet">
                        @foreach (MistyAttic\Core\Kinds\Report\Widget::TYPES as $type)<button type="button" class="menu-line" data-add="{{ $type }}">{{ __("data.widgets.{$type}") }}</button>@endforeach
                    </div>
                </details>
                <button type="button" class="button" data-page-add>New page</button>
                <button type="button" class="button" data-page-settings>This page…</button>
                <button type="button" class="button is-icon" data-undo aria-label="Undo" title="Undo" disabled><x-glyph name="undo" /></button>
                <button type="button" class="button is-icon" data-redo aria-label="Redo" title="Redo" disabled><x-glyph name="redo" /></button>
                <details class="menu" data-menu><summary class="button">Download</summary>
                    <div class="menu-sheet"><button type="button" class="menu-line" data-save-page>HTML, all in one file</button><button type="button" class="menu-line" data-page-picture="png">This page as PNG</button><button type="button" class="menu-line" data-page-picture="svg">This page as SVG</button><button type="button" class="menu-line" data-print>Print, or PDF…</button><a class="menu-line" href="{{ route('download', [$item, $item->head, 'json']) }}">JSON, how it is set up</a></div>
                </details>
                <span class="tools-note" id="report-keys">On a widget: arrows move it, with Shift they size it, Enter sets it up.</span>
            </div>
        @endcan
        <aside class="report-notes" aria-label="Notes" data-notes="{{ route('item.notes', $item) }}">@include('write.notes')</aside>
        <div class="report-sheet" data-sheet-of-report>@include('kinds.report.sheet')</div>
        @includeWhen($slips !== null, 'talk.slips', $slips ?? [])
        <p class="is-sr-only" aria-live="assertive" data-spoken></p>
        <noscript><p class="notice">Charts and laying out need JavaScript; all figures stand in the tables.</p></noscript>
    </main>
    <footer class="foot" data-foot="{{ route('item.foot', $item) }}">@include('write.foot')</footer>
    @include('write.dialogs')
    <dialog class="dialog is-settings is-wide" data-report-dialog aria-labelledby="report-dialog-name"><div data-report-settings></div></dialog>
</x-layout>
