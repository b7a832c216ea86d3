@if ($item->isLine())
<x-line-head :item="$item">{{ $slot }}</x-line-head>
@else
<section class="head" aria-label="{{ __('views/components.item-head.the_item') }}">
    <x-glyph :name="$item->kind" />
    <div class="head-title">
        <nav class="head-path" aria-label="{{ __('views/components.item-head.where_this_is') }}"><a href="{{ route('shelf', $item->shelf) }}">{{ $item->shelf->name }}</a> / @if ($item->form !== null)<a href="{{ route('entries', $item->form) }}">{{ $item->form->title }}</a>@else{{ ucfirst($item->kind) }}@endif</nav>
        @if ($editable)
            <h1 class="is-sr-only" id="part-title" data-title-heading>{{ $item->title }}</h1>
            <input class="head-name" value="{{ $item->title }}" maxlength="{{ config('attic.title') }}" aria-label="{{ __('views/components.item-head.title') }}" data-title="{{ route('item.rename', $item) }}" data-grow>
        @else
            <h1 class="head-name" id="part-title" title="{{ $item->title }}">{{ $item->title }}</h1>
        @endif
    </div>
    <p class="head-note"><x-live :item="$item" /><x-waits-with :item="$item" />{{ $slot }}</p>
    <nav class="head-tabs" aria-label="{{ __('views/components.item-head.this_item') }}">
        @unless ($item->isAnswered() && $item->sight !== null)<a href="{{ route('item', $item) }}" @if ($at === 'write') aria-current="page" @endif>{{ __('item.tabs.'.$item->room(App\View\Desks\Desk::class)::TAB[Gate::allows('write', $item) ? 0 : 1]) }}</a>@endunless
        <a href="{{ route('history', $item) }}" @if ($at === 'history') aria-current="page" @endif>{{ __('views/components.item-head.history') }}</a>
        @if ($threads !== null)<a href="{{ route('talk', $item) }}" @if ($at === 'talk') aria-current="page" @endif>{{ __('talk.tab') }}@if ($threads > 0) <span class="tab-count" data-talk-count>{{ $threads }}</span>@endif</a>@endif
        @if ($proposed !== null)<a href="{{ route('proposals', $item) }}" @if ($at === 'proposals') aria-current="page" @endif>{{ __('proposing.tab') }}@if ($proposed > 0) <span class="tab-count">{{ $proposed }}</span>@endif</a>@endif
        @can('entries', $item)<a href="{{ route('entries', $item) }}" @if ($at === 'entries') aria-current="page" @endif>{{ __('views/components.item-head.entries') }}</a>@endcan
        @if ($item->isAnswered() && $item->live_id !== null)<a href="{{ route('answer', $item) }}" @if ($at === 'answer') aria-current="page" @endif>{{ __('views/components.item-head.answer') }}</a>@endif
        @if ($publishes)<a href="{{ route('publish', [$item, $item->head]) }}" data-newest="{{ route('publish', [$item, 0]) }}" @if ($at === 'publish') aria-current="page" @endif>{{ __('views/components.item-head.publish') }}</a>@endif
        @if ($item->form_id === null && $item->sight === null)<a href="{{ route('keeping', $item) }}" @if ($at === 'keeping') aria-current="page" @endif>{{ __('views/components.item-head.keeping') }}</a>@endif
        <a href="{{ route('people', $item->shelf) }}">{{ __('views/components.item-head.people') }}</a>
    </nav>
</section>
@if ($lost !== null)
    <aside class="lost-note" aria-label="{{ __('views/components.item-head.it_was_deleted') }}">
        <p>{{ __('views/components.item-head.deleted', ['who' => $lost->deleter?->firstName() ?? __('views/components.item-head.somebody'), 'name' => $lost instanceof App\Models\Shelf ? __('views/components.item-head.the_shelf_with_it', ['name' => $lost->name]) : 'this']) }} <x-when :at="$lost->deleted_at" />{{ __('views/components.item-head.all_of_it_is_kept_and') }}</p>
        @can('bringBack', $item)<form method="post" action="{{ route('item.back', $item) }}">@csrf @method('put')<button class="button is-dark">{{ __('views/components.item-head.bring_it_back') }}</button></form>@endcan
    </aside>
@elseif ($item->shelf->archived_at !== null)
    <aside class="lost-note" aria-label="{{ __('views/components.item-head.its_shelf_is_put_away') }}"><p>{{ __('views/components.item-head.is_put_away_what_is_on', ['name' => $item->shelf->name]) }}</p></aside>
@endif
@unless ($item->keepsHistory())<aside class="lost-note is-unkept" aria-label="{{ __('keeping.kinds.title') }}"><p><b>{{ __('keeping.kinds.off', ['kinds' => __("item.kinds.{$item->kind}")]) }}</b> {{ __('keeping.kinds.off_more') }}</p></aside>@endunless
@if ($at === 'write')<x-proposals-bar :item="$item" />@endif
@endif
