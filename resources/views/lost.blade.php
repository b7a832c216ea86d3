<x-layout :title="$shelf === null ? __('views/lost.lost_found') : __('views/lost.lost_found_of').$shelf->name">
    <div class="frame">
        <x-shelves :current="$shelf" at="lost" />
        <main id="main" class="shelf">
            <div class="shelf-head">
                <h1>{{ __('views/lost.lost_found_name', ['name' => $shelf === null ? '' : __('views/lost.of', ['name' => $shelf->name])]) }}</h1>
                <p>{{ __('views/lost.what_was_deleted_with_its_whole') }} @if ($shelf?->lost_days !== null){{ __('views/lost.goes_for_good_after_days', ['lost_days' => $shelf->lost_days]) }} @elseif ($shelf !== null){{ __('views/lost.stays_until_an_owner_deletes_it') }} @endif</p>
            </div>
            <x-problems />
            @if ($view->items->total() > 0 || $view->find !== '' || $view->kind !== '')
                <form class="items-find" method="get" role="search">
                    <input class="input" type="search" name="find" value="{{ $view->find }}" maxlength="200" placeholder="{{ __('views/lost.find_by_title') }}" aria-label="{{ __('views/lost.find_by_title') }}">
                    <div class="select"><select name="kind" aria-label="{{ __('views/lost.kind') }}"><option value="">{{ __('views/lost.all_kinds') }}</option>@foreach ($kinds as $kind)<option value="{{ $kind }}" @selected($view->kind === $kind)>{{ __("item.kinds.{$kind}") }}</option>@endforeach</select></div>
                    <button class="button">{{ __('views/lost.find') }}</button>
                    <span role="status">{{ trans_choice('item.found', $view->items->total()) }}</span>
                </form>
            @endif
            @if ($view->shelves->isNotEmpty())
                <h2>{{ __('views/lost.shelves') }}</h2>
                <table class="items lost">
                    <thead><tr><th>{{ __('views/lost.shelf') }}</th><th>{{ __('views/lost.deleted') }}</th><th><span class="is-sr-only">{{ __('views/lost.what_to_do') }}</span></th></tr></thead>
                    <tbody>
                        @foreach ($view->shelves as $gone)
                            <tr>
                                <td class="items-name"><b>{{ $gone->name }}</b><small>{{ __('views/lost.on_it', ['items_count' => trans_choice('item.found', $gone->items_count)]) }}</small></td>
                                <td class="items-change">{{ __('views/lost.by', ['who' => $gone->deleter?->firstName()]) }}<small><x-when :at="$gone->deleted_at" /></small></td>
                                <td class="items-do lost-do"><form method="post" action="{{ route('shelf.back', $gone) }}">@csrf @method('put')<button class="button" aria-label="{{ __('views/lost.bring_the_shelf_back', ['name' => $gone->name]) }}">{{ __('views/lost.bring_back') }}</button></form><a class="button is-quiet" href="{{ route('shelf.ask-for-good', $gone) }}" aria-label="{{ __('views/lost.delete_the_shelf_for_good', ['name' => $gone->name]) }}">{{ __('views/lost.delete_for_good') }}</a></td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
                <h2>{{ __('views/lost.items') }}</h2>
            @endif
            @if ($view->items->isEmpty())
                <div class="empty"><p>{{ $view->find === '' && $view->kind === '' ? __('views/lost.nothing_is_lost_here') : __('views/lost.nothing_that_was_deleted_is_called') }}</p>@if ($view->find === '' && $view->kind === '')<p>{{ __('views/lost.what_is_deleted_comes_here_with') }}</p>@endif</div>
            @else
                <table class="items lost" data-rows>
                    <thead><tr><th><span class="is-sr-only">{{ __('views/lost.kind') }}</span></th><th>{{ __('views/lost.item') }}</th><th>{{ __('views/lost.deleted') }}</th><th>{{ __('views/lost.last_change') }}</th><th><span class="is-sr-only">{{ __('views/lost.what_to_do') }}</span></th></tr></thead>
                    <tbody>
                        @foreach ($view->items as $item)
                            <tr data-row>
                                <td>@if ($item->newest)<x-miniature :item="$item" :version="$item->newest" />@else<x-glyph :name="$item->kind" />@endif</td>
                                <td class="items-name"><a href="{{ route('item', $item, false) }}" title="{{ __('views/lost.look_at', ['title' => $item->title]) }}">{{ $item->title }}</a><small>{{ ucfirst($item->kind) }} · {{ trans_choice('views/lost.one_version', $item->kept()) }}@if ($shelf === null) · {{ $item->shelf->name }}@endif</small>@if ($view->words[$item->id] !== '')<p class="lost-words">{{ $view->words[$item->id] }}</p>@endif</td>
                                <td class="items-change">{{ __('views/lost.by', ['who' => $item->deleter?->firstName() ?? 'somebody']) }}<small><x-when :at="$item->deleted_at" /></small></td>
                                <td class="items-change">@if ($item->newest)<a href="{{ route('history', $item, false) }}" title="{{ __('views/lost.look_at_its_history') }}">{{ $view->sentences[$item->id] }}</a><small>{{ $item->newest->user->firstName() }}, <x-when :at="$item->newest->saved_at" /></small>@endif</td>
                                <td class="items-do lost-do">
                                    @can('bringBack', $item)<form method="post" action="{{ route('item.back', $item) }}">@csrf @method('put')<button class="button" aria-label="{{ __('views/lost.bring_back_title', ['title' => $item->title]) }}">{{ __('views/lost.bring_back') }}</button></form>@endcan
                                    @can('deleteForGood', $item)<a class="button is-quiet" href="{{ route('item.ask-for-good', $item) }}" aria-label="{{ __('views/lost.delete_for_good_title', ['title' => $item->title]) }}">{{ __('views/lost.delete_for_good') }}</a>@endcan
                                </td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
                @if ($view->items->hasPages())<nav class="pages" aria-label="{{ __('views/lost.pages') }}">@if ($view->items->previousPageUrl())<a class="button" href="{{ $view->items->previousPageUrl() }}">{{ __('views/lost.before') }}</a>@endif <span>{{ __('views/lost.to_of', ['first_item' => $view->items->firstItem(), 'last_item' => $view->items->lastItem(), 'total' => App\Words\Numbers::said($view->items->total())]) }}</span> @if ($view->items->nextPageUrl())<a class="button" href="{{ $view->items->nextPageUrl() }}">{{ __('views/lost.next') }}</a>@endif</nav>@endif
            @endif
        </main>
    </div>
</x-layout>
