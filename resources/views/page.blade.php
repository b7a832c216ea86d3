<x-layout :title="$item->title" body="is-item is-writing">
    <x-item-head :item="$item" at="write" :editable="Gate::allows('write', $item)">
        <span data-people aria-live="polite"></span>
        @if ($item->origin) <span class="head-origin">copied out from <a href="{{ route('history', ['item' => $item->origin->item, 'from' => $item->origin->number, 'to' => $item->origin->number, 'view' => 'was']) }}">{{ $item->origin->number }} of “{{ $item->origin->item->title }}”</a></span>@endif
    </x-item-head>
    <main id="main" class="desk">
    @can('write', $item)
        @include('page.tools')
    @endcan
    <div class="sheet is-page" data-page data-editor="{{ json_encode(['key' => $item->key, 'root' => $item->root, 'number' => $item->head, 'me' => auth()->id(), 'editable' => Gate::allows('write', $item)]) }}">
        <noscript><p class="notice">Writing needs JavaScript. <a href="{{ route('history', ['item' => $item, 'from' => $item->head, 'to' => $item->head, 'view' => 'was']) }}">Read it</a> or look at its history without.</p></noscript>
        <div class="page-writing" data-text data-parts="{{ $parts }}"></div>
        <aside class="notes" aria-label="Notes" data-notes="{{ route('item.notes', $item) }}">@include('write.notes')</aside>
        <p class="is-sr-only" aria-live="assertive" data-spoken></p>
    </div>
    </main>
    <footer class="foot" data-foot="{{ route('item.foot', $item) }}">@include('write.foot')</footer>
    @include('write.dialogs')
    <dialog class="dialog is-settings" data-settings-dialog aria-labelledby="settings-name">
        <form method="dialog">
            <h2 id="settings-name">Settings</h2>
            <div data-fields></div>
            <p class="dialog-problem" role="alert" hidden>An address begins with https://, http://, mailto:, tel: or /</p>
            <div class="dialog-do"><button class="button" value="cancel">Leave it</button><button class="button is-dark" value="set">Keep this</button></div>
        </form>
    </dialog>
</x-layout>
