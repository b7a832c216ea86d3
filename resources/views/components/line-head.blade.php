<section class="head" aria-label="{{ __('views/components.line-head.the_item') }}">
    <x-glyph :name="$item->kind" />
    <div class="head-title">
        <nav class="head-path" aria-label="{{ __('views/components.line-head.where_this_is') }}"><a href="{{ route('shelf', $item->shelf) }}">{{ $item->shelf->name }}</a> / <a href="{{ route('item', $item->main) }}">{{ $item->main->title }}</a></nav>
        <h1 class="head-name" id="part-title" title="{{ $item->main->title }}">{{ $item->main->title }}</h1>
    </div>
    <p class="head-note">{{ $slot }}</p>
    <nav class="head-tabs" aria-label="{{ __('views/components.line-head.this_item') }}">
        <a href="{{ route('item', $item->main) }}">{{ __('proposing.desk_back') }}</a>
        <a href="{{ route('item', $item) }}" aria-current="page">{{ __('proposing.desk_tab') }}</a>
    </nav>
</section>
<aside class="line-strip" aria-label="{{ __('proposing.tab') }}">
    <p>
        @if ($proposal === null)<b>{{ __('proposing.desk_done') }}</b>
        @else<x-proposer :proposal="$proposal" /> <b>{{ __(Gate::allows('write', $item) ? 'proposing.desk' : 'proposing.desk_theirs', ['title' => $item->main->title, 'who' => $proposal->name()]) }}</b> @can('write', $item){{ __('proposing.desk_note') }}@endcan
        @endif
    </p>
    <a class="button" href="{{ route('proposals', ['item' => $item->main, ...($proposal === null ? [] : ['of' => $proposal->id])]) }}">{{ __('proposing.desk_look') }}</a>
</aside>
