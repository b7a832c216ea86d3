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
            <nav class="tabs" aria-label="Tabs" data-tabs></nav>
            @can('write', $item)
                <details class="menu tab-menu" data-menu data-tab-menu>
                    <summary class="button is-quiet" aria-label="This tab, and new ones"><x-glyph name="dots" /></summary>
                    <div class="menu-sheet">
                        <button type="button" class="menu-line" data-do="tab-add">New tab</button>
                        <button type="button" class="menu-line" data-do="tab-rename">Rename this one…</button>
                        <form class="menu-form tab-name" data-tab-name hidden><input class="input" maxlength="100" aria-label="Name of the tab"><button class="button is-dark">Rename</button></form>
                        <button type="button" class="menu-line" data-do="tab-left">Move it to the left</button>
                        <button type="button" class="menu-line" data-do="tab-right">Move it to the right</button>
                        <button type="button" class="menu-line" data-do="tab-copy">Copy it</button>
                        <button type="button" class="menu-line" data-do="tab-remove">Remove it</button>
                        <a class="menu-line" href="{{ route('item.file', $item) }}">A file as the next version…</a>
                    </div>
                </details>
            @endcan
            <aside class="grid-notes" aria-label="Notes" data-notes="{{ route('item.notes', $item) }}">@include('write.notes')</aside>
        </div>
        <noscript><p class="notice">Writing needs JavaScript. <a href="{{ route('history', ['item' => $item, 'from' => $item->head, 'to' => $item->head, 'view' => 'was']) }}">Read it</a> or look at its history without.</p></noscript>
        <div class="grid" data-grid aria-describedby="grid-keys"></div>
        <p class="is-sr-only" id="grid-keys">Arrows go from cell to cell, Enter opens one, Escape and then Tab leaves the table.</p>
        <div class="cell-line">
            <output class="cell-place" for="cell-text" data-cell-place></output>
            <textarea class="cell-text" id="cell-text" rows="1" maxlength="32767" spellcheck="false" aria-label="What is in the cell" data-cell-line @cannot('write', $item) readonly @endcannot></textarea>
            <p class="sheet-said" role="status" data-sheet-said></p>
            <a class="cell-story" href="#" data-what-was title="Alt+W" data-cell-story="{{ route('item', $item) }}/cells">History of the cell</a>
        </div>
        @includeWhen($slips !== null, 'talk.slips', $slips ?? [])
    </main>
    <footer class="foot" data-foot="{{ route('item.foot', $item) }}">@include('write.foot')</footer>
    @include('write.dialogs')
</x-layout>
