<x-layout :title="__('views/shelf-day.on_a_day', ['name' => $shelf->name])" body="is-day">
    <div class="frame day-frame">
        <x-shelves :current="$shelf" at="day" />
        <main id="main" class="shelf day" data-day="{{ json_encode(['ribbon' => route('day.ribbon', $shelf, false), 'here' => route('day', $shelf, false), 'at' => App\Words\Clock::stamp($day->moment), 'until' => $day->until === null ? null : App\Words\Clock::stamp($day->until)]) }}">
            <div class="shelf-head">
                <h1>{{ $shelf->name }}, <x-when :at="$day->moment" exact /></h1>
                <p>{{ trans_choice('day.items', $day->count) }}</p>
                @can('make', $shelf)
                    <details class="menu" data-menu>
                        <summary class="button"><x-glyph name="flag" /> {{ __('views/shelf-day.mark_this_moment') }}</summary>
                        <form class="menu-sheet is-right menu-form" method="post" action="{{ route('day.mark', $shelf) }}">
                            @csrf<input type="hidden" name="at" value="{{ App\Words\Clock::stamp($day->moment) }}">
                            <label class="label" for="day-name">{{ __('views/shelf-day.a_name_for_the_whole_shelf') }}</label>
                            <span class="milestone-line"><input class="input" id="day-name" name="name" maxlength="{{ config('attic.title') }}" placeholder="{{ __('views/shelf-day.before_the_open_day') }}" required data-focus><button class="button is-dark">{{ __('views/shelf-day.save_name') }}</button></span>
                            <small>{{ __('views/shelf-day.each_item_that_has_none_in') }}</small>
                        </form>
                    </details>
                @endcan
                <details class="menu" data-menu>
                    <summary class="button">{{ __('views/shelf-day.copy_the_shelf_out') }}</summary>
                    <form class="menu-sheet is-right menu-form" method="post" action="{{ route('day.copy', $shelf) }}">
                        @csrf<input type="hidden" name="at" value="{{ App\Words\Clock::stamp($day->moment) }}">
                        <label class="label" for="copy-name">{{ __('views/shelf-day.what_is_the_new_shelf_called') }}</label>
                        <span class="milestone-line"><input class="input" id="copy-name" name="name" maxlength="{{ config('attic.title') }}" value="{{ Str::limit($shelf->name, 180) }}, {{ App\Words\Days::long(App\Words\Clock::at($day->moment)) }}" required data-focus><button class="button is-dark">{{ __('views/shelf-day.copy_it_out') }}</button></span>
                        <small>{{ __('views/shelf-day.it_has_each_item_as_it') }}</small>
                    </form>
                </details>
            </div>
            <x-problems />
            <form class="items-find day-when" method="get" action="{{ route('day', $shelf, false) }}">
                <input type="hidden" name="at" value="{{ App\Words\Clock::stamp($day->moment) }}"><input type="hidden" name="zone" value="{{ App\Words\Clock::zone()->getName() }}" data-zone>
                <label for="when">{{ __('views/shelf-day.as_it_was') }}</label> <input class="input" id="when" name="when" maxlength="200" value="{{ old('when', App\Words\Clock::at($day->moment)->format('j M Y H:i')) }}" data-day-when="{{ old('when') === null ? App\Words\Clock::stamp($day->moment) : '' }}" required aria-describedby="when-how">
                <label for="then">{{ __('views/shelf-day.held_against') }}</label> <input class="input" id="then" name="then" maxlength="200" value="{{ old('then', $day->until === null ? 'now' : App\Words\Clock::at($day->until)->format('j M Y H:i')) }}" data-day-when="{{ old('then') === null && $day->until !== null ? App\Words\Clock::stamp($day->until) : '' }}">
                <button class="button">{{ __('views/shelf-day.show') }}</button> <small id="when-how">{{ __('views/shelf-day.such_as_last_tuesday_3_nov') }}</small>
            </form>
            @if ($return !== null)
                <div class="note day-return"><b>{{ __('views/shelf-day.brought_items_back_to', ['who' => $return->user->firstName()]) }} <x-when :at="$return->moment" exact />, <x-when :at="$return->made_at" /></b>
                    @can('make', $shelf)<form method="post" action="{{ route('day.back.undo', [$shelf, $return]) }}">@csrf @method('delete')<button class="button">{{ __('views/shelf-day.take_all_of_it_back') }}</button></form>@endcan</div>
            @endif
            @if ($day->count === 0 && $day->since === [])
                <div class="empty"><p>{{ __('views/shelf-day.nothing_stood_on_this_shelf_then') }}</p></div>
            @else
                <table class="items day-items">
                    <thead><tr><th><span class="is-sr-only">{{ __('views/shelf-day.tick') }}</span></th><th><span class="is-sr-only">{{ __('views/shelf-day.from_afar') }}</span></th><th>{{ __('views/shelf-day.then') }}</th><th>{{ $day->until === null ? __('views/shelf-day.since_then') : __('views/shelf-day.until') }} @if ($day->until !== null)<x-when :at="$day->until" exact />@endif</th><th>{{ __('views/shelf-day.by') }}</th></tr></thead>
                    <tbody>
                        @foreach ($day->changed as $row)<x-day-row :row="$row" :day="$day" :ticks="$mayTick && $row->item->shelf_id === $shelf->id && ! $row->isSame()" />@endforeach
                        @if ($day->changed === [])<tr><td colspan="5" class="day-none">{{ $day->count === 0 ? __('views/shelf-day.nothing_stood_here_then') : __('views/shelf-day.nothing_that_stood_here_then_is') }}</td></tr>@endif
                        @if ($day->since !== [])
                            <tr><th colspan="5" scope="rowgroup" class="day-group">{{ __('views/shelf-day.came_since') }}</th></tr>
                            @foreach ($day->since as $row)<x-day-row :row="$row" :day="$day" :ticks="$mayTick" />@endforeach
                        @endif
                    </tbody>
                </table>
                @if ($day->pages > 1)<nav class="pages" aria-label="{{ __('views/shelf-day.pages') }}">@for ($page = 1; $page <= $day->pages; $page++)<a class="button" href="{{ route('day', array_filter(['shelf' => $shelf, 'at' => App\Words\Clock::stamp($day->moment), 'until' => $day->until === null ? null : App\Words\Clock::stamp($day->until), 'page' => $page]), false) }}" @if ($page === $day->page) aria-current="page" @endif>{{ $page }}</a>@endfor</nav>@endif
                @if ($day->same !== [])
                    <details class="day-same"><summary>{{ trans_choice('views/shelf-day.one_item_is_the_same_as', count($day->same)) }}</summary>
                        <ul>@foreach ($day->same as $row)<li><a href="{{ route('item', $row->item, false) }}">{{ $row->item->title }}</a> <small>{{ $row->then?->number }}</small></li>@endforeach</ul>
                    </details>
                @endif
            @endif
        </main>
        @if ($mayTick && ($day->changed !== [] || $day->since !== []))
            <form class="day-foot" id="back" method="get" action="{{ route('day.back', $shelf, false) }}">
                <input type="hidden" name="at" value="{{ App\Words\Clock::stamp($day->moment) }}">
                <span role="status" data-day-count>{{ __('views/shelf-day.tick_what_should_be_as_it') }}</span>
                <button class="button is-dark" data-day-back>{{ __('views/shelf-day.bring_back_what_is_ticked') }}</button>
            </form>
        @endif
        <section class="ribbon day-ribbon" aria-label="{{ __('views/shelf-day.the_ribbon_of_the_shelf') }}" data-day-ribbon>
            <div class="ribbon-bar"><b>{{ __('views/shelf-day.all_of_the_shelf') }}</b> <span class="ribbon-since" data-day-sum></span><span class="ribbon-hint" data-hint role="status"></span></div>
            <div class="ribbon-lanes" data-lanes aria-hidden="true"></div>
            <div class="ribbon-scroll" data-scroll>
                <div class="ribbon-track" data-track>
                    <canvas aria-hidden="true"></canvas>
                    <div class="ribbon-mist" data-mist="before"></div>
                    <div class="ribbon-flags" data-flags></div>
                    <button type="button" class="handle" role="slider" data-end="at" aria-label="{{ __('views/shelf-day.as_it_was') }}" aria-valuemin="0" aria-valuemax="0" aria-valuenow="0"><span><b></b></span></button>
                    <button type="button" class="handle is-later" role="slider" data-end="until" aria-label="{{ __('views/shelf-day.held_against_label') }}" aria-valuemin="0" aria-valuemax="0" aria-valuenow="0"><span><b></b></span></button>
                </div>
            </div>
            <noscript><p class="notice">{{ __('views/shelf-day.the_ribbon_needs_javascript_a_day') }}</p></noscript>
        </section>
    </div>
</x-layout>
