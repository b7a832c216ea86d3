<x-layout :title="$q === '' ? __('views/find.find') : __('views/find.find_quoted').$q.'”'">
    <div class="frame">
        <nav class="side is-dense" aria-label="{{ __('views/find.where') }}">
            <h2>{{ __('views/find.where') }}</h2>
            <a href="{{ $more(['item' => null, 'shelf' => null]) }}" @if ($in === null) aria-current="page" @endif><span>{{ __('views/find.all_that_i_may_see') }}</span></a>
            @foreach ($shelves as $shelf)<a href="{{ $more(['item' => null, 'shelf' => $shelf->key]) }}" @if ($in instanceof App\Models\Shelf && $in->is($shelf)) aria-current="page" @endif><span>{{ $shelf->name }}</span></a>@endforeach
            @if ($near !== '')<a href="{{ $more(['item' => $near, 'shelf' => null]) }}" @if ($in instanceof App\Models\Item) aria-current="page" @endif><span>{{ $in instanceof App\Models\Item ? $in->title : __('views/find.the_item_i_came_from') }}</span></a>@endif
            <h2>{{ __('views/find.in') }}</h2>
            <a href="{{ $more(['kind' => null]) }}" @if ($within->kind === '') aria-current="true" @endif><span>{{ __('views/find.every_kind') }}</span></a>
            @foreach ($kinds as $kind => $word)<a href="{{ $more(['kind' => $kind]) }}" @if ($within->kind === $kind) aria-current="true" @endif><span>{{ $word }}</span></a>@endforeach
            <h2>{{ __('views/find.brought_or_taken_out_by') }}</h2>
            <p class="find-people">@foreach ($people as $person)<a href="{{ $more(['by' => $within->by === $person->id ? null : $person->id]) }}" @if ($within->by === $person->id) aria-current="true" @endif><x-monogram :user="$person" /></a>@endforeach</p>
            <h2>{{ __('views/find.between') }}</h2>
            <form class="find-days" method="get" action="{{ route('find') }}">
                @foreach ($hidden as $name => $value)<input type="hidden" name="{{ $name }}" value="{{ $value }}">@endforeach
                <label><span>{{ __('views/find.from') }}</span><input class="input" type="date" name="since" value="{{ $within->since?->format('Y-m-d') }}"></label>
                <label><span>{{ __('views/find.to') }}</span><input class="input" type="date" name="until" value="{{ $within->until?->format('Y-m-d') }}"></label>
                <span><button class="button">{{ __('views/find.show') }}</button>@if ($within->since !== null || $within->until !== null) <a href="{{ $more(['since' => null, 'until' => null]) }}">{{ __('views/find.any_day') }}</a>@endif</span>
            </form>
        </nav>
        <main id="main" class="shelf finds">
            <div class="shelf-head">
                <h1>{{ $q === '' ? __('views/find.find_in_every_version') : "“{$q}”" }}</h1>
                <p role="status">@if ($finds->asked->pieces !== []){{ trans_choice('finding.said', $finds->count, ['count' => App\Words\Numbers::said($finds->count)]) }}@if ($finds->count > 0) {{ trans_choice('finding.in', $finds->items, ['count' => App\Words\Numbers::said($finds->items)]) }}, {{ trans_choice('finding.of_them_gone', $finds->gone, ['count' => App\Words\Numbers::said($finds->gone)]) }}@endif @endif</p>
                @if ($q !== '')<span class="switch" role="group" aria-label="{{ __('views/find.which') }}">@foreach (['any' => __('views/find.gone_first'), 'gone' => __('views/find.only_gone'), 'there' => __('views/find.only_there')] as $which => $said)<a href="{{ $more(['state' => $which === 'any' ? null : $which]) }}" @if ($state === $which) aria-current="true" @endif>{{ $said }}</a>@endforeach</span>@endif
            </div>
            @if ($finds->unread > 0)<p class="notice">{{ __('views/find.whoever_runs_the_place_does_so', ['unread' => trans_choice('views/find.one_item_is_not_read_in', $finds->unread, ['count' => App\Words\Numbers::said($finds->unread)])]) }} <code>{{ __('views/find.php_artisan_attic') }}</code>.</p>@endif
            @if ($finds->isCut)<p class="notice">{{ __('views/find.there_is_more_than_can_be') }}</p>@endif
            @if ($finds->asked->pieces === [])
                <div class="empty"><p>{{ $q === '' ? __('views/find.type_some_words_above') : __('views/find.three_letters_at_least') }}</p><p>{{ __('views/find.text_that_is_there_is_found') }}</p></div>
            @elseif ($finds->finds === [] && $finds->milestones === [])
                <div class="empty"><p>{{ $within->asksWhoOrWhen() || $within->kind !== '' || $in !== null || $state !== 'any' ? __('views/find.no_version_of_what_you_chose') : __('views/find.no_version_of_what_you_may') }}</p></div>
            @endif
            @if ($finds->milestones !== [])
                <ul class="find-milestones" aria-label="{{ __('views/find.milestones') }}">
                    @foreach ($finds->milestones as $milestone)<li><x-glyph name="flag" /> <a href="{{ route('history', [$milestone->version->item->key, 'from' => $milestone->version->item->before($milestone->version->number), 'to' => $milestone->version->number]) }}">{{ $milestone->name }}</a> <span>{{ __('views/find.marked_by', ['title' => $milestone->version->item->title, 'number' => $milestone->version->number, 'who' => $milestone->user->firstName()]) }}@if ($milestone->note): {{ $milestone->note }}@endif</span></li>@endforeach
                </ul>
            @endif
            @if ($finds->finds !== [])
                <table class="finds-table">
                    <thead><tr><th>{{ __('views/find.what_stood_there') }}</th><th><span class="is-sr-only">{{ __('views/find.its_life') }}</span><svg class="life" viewBox="0 0 520 16" aria-hidden="true">@foreach ($finds->months as $month)<text x="{{ $month['x'] + 3 }}" y="12">{{ $month['said'] }}</text>@endforeach</svg></th></tr></thead>
                    <tbody>
                        @foreach ($finds->finds as $find)
                            <tr>
                                <td>
                                    @if ($find->moment() !== null)<x-miniature class="find-seen" :item="$find->item" :version="$find->moment()" />@endif
                                    <p @class(['find-text', 'is-gone' => ! $find->isThere])>{{ $find->text() }}</p>
                                    <p><b>{{ $find->item->title }}</b>@if ($find->place !== '') · {{ $find->place }}@endif <small>{{ $find->item->shelf->name }}</small></p>
                                    <p class="find-do"><a href="{{ $find->look() }}">{{ __('views/find.look') }}</a>@if ($find->history() !== null) <a href="{{ $find->history() }}">{{ __('views/find.its_history') }}</a>@endif @if ($find->back() !== null)<a class="is-first" href="{{ $find->back() }}" @if ($loop->first) autofocus @endif>{{ __('views/find.bring_this_back') }}</a>@endif @if ($find->copy() !== null)<a href="{{ $find->copy() }}">{{ __('views/find.copy_out') }}</a>@endif</p>
                                </td>
                                <td>
                                    <svg class="life" viewBox="0 0 520 24" aria-hidden="true">
                                        @foreach ($finds->months as $month)<path class="life-month" d="M{{ $month['x'] }} 0v24"/>@endforeach
                                        @foreach ($find->stretches as $stretch)
                                            <path class="life-stretch" d="M{{ $finds->x($stretch['came']) }} 12H{{ $finds->end($stretch['came'], $stretch['went']) }}"/><path class="life-came by-{{ $stretch['colour'] }}" d="M{{ $finds->x($stretch['came']) - 2 }} 4h5v16h-5z"/>
                                            @if ($stretch['went'] === null)<path class="life-there" d="M508 6l10 6l-10 6z"/>@else<path class="life-went by-{{ $stretch['outColour'] }}" d="M{{ $finds->end($stretch['came'], $stretch['went']) - 2 }} 4h5v16h-5z"/>@endif
                                        @endforeach
                                    </svg>
                                    <ul class="find-said">@foreach ($find->stretches as $stretch)<li>{{ $stretch['said'] }}</li>@endforeach</ul>
                                </td>
                            </tr>
                        @endforeach
                    </tbody>
                </table>
                @if ($finds->count > App\View\Finding\Finds::SHOWN)<nav class="pages" aria-label="{{ __('views/find.pages') }}">@if ($page > 1)<a class="button" href="{{ $more(['page' => $page - 1]) }}">{{ __('views/find.before') }}</a>@endif <span>{{ __('views/find.shown_of', ['first' => ($page - 1) * App\View\Finding\Finds::SHOWN + 1, 'last' => min($finds->count, $page * App\View\Finding\Finds::SHOWN), 'all' => App\Words\Numbers::said($finds->count)]) }}</span> @if ($page * App\View\Finding\Finds::SHOWN < $finds->count)<a class="button" href="{{ $more(['page' => $page + 1]) }}">{{ __('views/find.next') }}</a>@endif</nav>@endif
            @endif
        </main>
    </div>
</x-layout>
