<x-layout :title="$shelf === null ? 'Lost & found' : 'Lost & found of '.$shelf->name">
    <div class="frame">
        <x-shelves :current="$shelf" at="lost" />
        <main id="main" class="shelf">
            <div class="shelf-head">
                <h1>Lost &amp; found{{ $shelf === null ? '' : " of “{$shelf->name}”" }}</h1>
                <p>what was deleted, with its whole history @if ($shelf?->lost_days !== null)· goes for good after {{ $shelf->lost_days }} days @elseif ($shelf !== null)· stays until an owner deletes it for good @endif</p>
            </div>
            <x-problems />
            @if ($view->items->total() > 0 || $view->find !== '' || $view->kind !== '')
                <form class="items-find" method="get" role="search">
                    <input class="input" type="search" name="find" value="{{ $view->find }}" maxlength="200" placeholder="Find by title" aria-label="Find by title">
                    <div class="select"><select name="kind" aria-label="Kind"><option value="">all kinds</option>@foreach ($kinds as $kind)<option value="{{ $kind }}" @selected($view->kind === $kind)>{{ __("item.kinds.{$kind}") }}</option>@endforeach</select></div>
                    <button class="button">Find</button>
                    <span role="status">{{ trans_choice('item.found', $view->items->total()) }}</span>
                </form>
            @endif
            @if ($view->shelves->isNotEmpty())
                <h2>Shelves</h2>
                <table class="items lost">
                    <thead><tr><th>Shelf</th><th>Deleted</th><th><span class="is-sr-only">What to do</span></th></tr></thead>
                    <tbody>
                        @foreach ($view->shelves as $gone)
                            <tr>
                                <td class="items-name"><b>{{ $gone->name }}</b><small>{{ trans_choice('item.found', $gone->items_count) }} on it</small></td>
                                <td class="items-change">by {{ $gone->deleter?->firstName() }}<small><x-when :at="$gone->deleted_at" /></small></td>
                                <td class="items-do lost-do"><form method="post" action="{{ route('shelf.back', $gone) }}">@csrf @method('put')<button class="button" aria-label="Bring the shelf {{ $gone->name }} back">Bring back</button></form><a class="button is-quiet" href="{{ route('shelf.ask-for-good', $gone) }}" aria-label="Delete the shelf {{ $gone->name }} for good">Delete for good…</a></td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
                <h2>Items</h2>
            @endif
            @if ($view->items->isEmpty())
                <div class="empty"><p>{{ $view->find === '' && $view->kind === '' ? 'Nothing is lost here.' : 'Nothing that was deleted is called that.' }}</p>@if ($view->find === '' && $view->kind === '')<p>What is deleted comes here with its whole history, and can be brought back.</p>@endif</div>
            @else
                <table class="items lost" data-rows>
                    <thead><tr><th><span class="is-sr-only">Kind</span></th><th>Item</th>@if ($shelf === null)<th>Shelf</th>@endif<th>Deleted</th><th>Last change</th><th><span class="is-sr-only">What to do</span></th></tr></thead>
                    <tbody>
                        @foreach ($view->items as $item)
                            <tr data-row>
                                <td>@if ($item->newest)<x-miniature :item="$item" :version="$item->newest" />@else<x-glyph :name="$item->kind" />@endif</td>
                                <td class="items-name"><a href="{{ route('item', $item, false) }}" title="Look at {{ $item->title }}">{{ $item->title }}</a><small>{{ ucfirst($item->kind) }} · {{ trans_choice('{1} one version|[2,*] :count versions', $item->kept()) }}</small>@if (($words = $view->words($item)) !== '')<p class="lost-words">{{ $words }}</p>@endif</td>
                                @if ($shelf === null)<td>{{ $item->shelf->name }}</td>@endif
                                <td class="items-change">by {{ $item->deleter?->firstName() ?? 'somebody' }}<small><x-when :at="$item->deleted_at" /></small></td>
                                <td class="items-change">@if ($item->newest)<a href="{{ route('history', $item, false) }}" title="Look at its history">{{ $phrases->version($item->newest) }}</a><small>{{ $item->newest->user->firstName() }}, <x-when :at="$item->newest->saved_at" /></small>@endif</td>
                                <td class="items-do lost-do">
                                    @can('bringBack', $item)<form method="post" action="{{ route('item.back', $item) }}">@csrf @method('put')<button class="button" aria-label="Bring {{ $item->title }} back">Bring back</button></form>@endcan
                                    @can('deleteForGood', $item)<a class="button is-quiet" href="{{ route('item.ask-for-good', $item) }}" aria-label="Delete {{ $item->title }} for good">Delete for good…</a>@endcan
                                </td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
                @if ($view->items->hasPages())<nav class="pages" aria-label="Pages">@if ($view->items->previousPageUrl())<a class="button" href="{{ $view->items->previousPageUrl() }}">Before</a>@endif <span>{{ $view->items->firstItem() }} to {{ $view->items->lastItem() }} of {{ App\Words\Numbers::said($view->items->total()) }}</span> @if ($view->items->nextPageUrl())<a class="button" href="{{ $view->items->nextPageUrl() }}">Next</a>@endif</nav>@endif
            @endif
        </main>
    </div>
</x-layout>
