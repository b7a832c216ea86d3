<x-layout :kind="$item->kind" :title="$item->title" body="is-item is-writing">
    <x-item-head :item="$item" at="write" :editable="Gate::allows('write', $item)">
        <span data-people aria-live="polite"></span>
        <x-origin :item="$item" />
    </x-item-head>
    <main id="main" class="desk">
    @can('write', $item)
        @include($desk::TOOLS)
    @endcan
    <div class="sheet is-{{ $item->kind }}" @isset($answered)data-answered="{{ json_encode($answered) }}"@endisset data-editor="{{ json_encode(['key' => $item->key, 'root' => $item->root, 'number' => $item->head, 'me' => auth()->id(), 'editable' => Gate::allows('write', $item)]) }}">
        <noscript><p class="notice">{{ __('views/write.writing_needs_javascript') }} <a href="{{ route('history', ['item' => $item, 'from' => $item->head, 'to' => $item->head, 'view' => 'was']) }}">{{ __('views/write.read_it') }}</a> {{ __('views/write.or_look_at_its_history_without') }}</p></noscript>
        <div class="{{ $desk::TEXT }}" data-text data-parts="{{ $parts }}"></div>
        <aside class="notes" aria-label="{{ __('views/write.in_the_margin') }}" data-notes="{{ route('item.notes', $item) }}">@include('write.notes')</aside>
        @includeIf("kinds.{$item->kind}.beside")
        @includeWhen($slips !== null, 'talk.slips', $slips ?? [])
        <p class="is-sr-only" aria-live="assertive" data-spoken></p>
    </div>
    </main>
    <footer class="foot" data-foot="{{ route('item.foot', $item) }}">@include('write.foot')</footer>
    @include('write.dialogs')
    @includeWhen($desk::HAS_SETTINGS, 'write.settings')
</x-layout>
