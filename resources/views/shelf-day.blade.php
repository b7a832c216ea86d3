@php($mayTick = $day->until === null && Gate::allows('make', $shelf))
@php($stamp = fn ($at) => $at->utc()->format('Y-m-d\TH:i:s\Z'))
<x-layout :title="$shelf->name.', on a day'" body="is-day">
    <div class="frame day-frame">
        <x-shelves :current="$shelf" at="day" />
        <main id="main" class="shelf day" data-day="{{ json_encode(['ribbon' => route('day.ribbon', $shelf, false), 'here' => route('day', $shelf, false), 'at' => $stamp($day->moment), 'until' => $day->until === null ? null : $stamp($day->until)]) }}">
            <div class="shelf-head">
                <h1>{{ $shelf->name }}, <x-when :at="$day->moment" exact /></h1>
                <p>{{ trans_choice('day.items', $day->count) }}</p>
                @can('make', $shelf)
                    <details class="menu" data-menu>
                        <summary class="button"><x-glyph name="flag" /> Mark this moment</summary>
                        <form class="menu-sheet is-right menu-form" method="post" action="{{ route('day.mark', $shelf) }}">
                            @csrf<input type="hidden" name="at" value="{{ $stamp($day->moment) }}">
                            <label class="label" for="day-name">A name for the whole shelf as it was then</label>
                            <span class="milestone-line"><input class="input" id="day-name" name="name" maxlength="{{ config('attic.title') }}" placeholder="Before the open day" required data-focus><button class="button is-dark">Save name</button></span>
                            <small>Each item that has none in that version gets it, too.</small>
                        </form>
                    </details>
                @endcan
                <details class="menu" data-menu>
                    <summary class="button">Copy the shelf out…</summary>
                    <form class="menu-sheet is-right menu-form" method="post" action="{{ route('day.copy', $shelf) }}">
                        @csrf<input type="hidden" name="at" value="{{ $stamp($day->moment) }}">
                        <label class="label" for="copy-name">What is the new shelf called?</label>
                        <span class="milestone-line"><input class="input" id="copy-name" name="name" maxlength="{{ config('attic.title') }}" value="{{ Str::limit($shelf->name, 180) }}, {{ App\Words\Days::long(App\Words\Clock::at($day->moment)) }}" required data-focus><button class="button is-dark">Copy it out</button></span>
                        <small>It has each item as it was then, and you alone are on it.</small>
                    </form>
                </details>
            </div>
            <x-problems />
            <form class="items-find day-when" method="get" action="{{ route('day', $shelf, false) }}">
                <input type="hidden" name="at" value="{{ $stamp($day->moment) }}"><input type="hidden" name="zone" value="{{ App\Words\Clock::zone()->getName() }}" data-zone>
                <label for="when">As it was</label> <input class="input" id="when" name="when" maxlength="200" value="{{ old('when', App\Words\Clock::at($day->moment)->format('j M Y H:i')) }}" data-day-when="{{ old('when') === null ? $stamp($day->moment) : '' }}" required aria-describedby="when-how">
                <label for="then">held against</label> <input class="input" id="then" name="then" maxlength="200" value="{{ old('then', $day->until === null ? 'now' : App\Words\Clock::at($day->until)->format('j M Y H:i')) }}" data-day-when="{{ old('then') === null && $day->until !== null ? $stamp($day->until) : '' }}">
                <button class="button">Show</button> <small id="when-how">such as last Tuesday, 3 Nov, 12 Oct 18:00, or a milestone of the shelf</small>
            </form>
            @if ($return !== null)
                <div class="note day-return"><b>{{ $return->user->firstName() }} brought items back to <x-when :at="$return->moment" exact />, <x-when :at="$return->made_at" /></b>
                    @can('make', $shelf)<form method="post" action="{{ route('day.back.undo', [$shelf, $return]) }}">@csrf @method('delete')<button class="button">Take all of it back</button></form>@endcan</div>
            @endif
            @if ($day->count === 0 && $day->since === [])
                <div class="empty"><p>Nothing stood on this shelf then, and nothing does now.</p></div>
            @else
                <table class="items day-items">
                    <thead><tr><th><span class="is-sr-only">Tick</span></th><th><span class="is-sr-only">From afar</span></th><th>Then</th><th>{{ $day->until === null ? 'Since then' : 'Until' }} @if ($day->until !== null)<x-when :at="$day->until" exact />@endif</th><th>By</th></tr></thead>
                    <tbody>
                        @foreach ($day->changed as $row)<x-day-row :row="$row" :day="$day" :ticks="$mayTick && $row->item->shelf_id === $shelf->id && ! $row->isSame()" />@endforeach
                        @if ($day->changed === [])<tr><td colspan="5" class="day-none">{{ $day->count === 0 ? 'Nothing stood here then.' : 'Nothing that stood here then is otherwise.' }}</td></tr>@endif
                        @if ($day->since !== [])
                            <tr><th colspan="5" scope="rowgroup" class="day-group">Came since</th></tr>
                            @foreach ($day->since as $row)<x-day-row :row="$row" :day="$day" :ticks="$mayTick" />@endforeach
                        @endif
                    </tbody>
                </table>
                @if ($day->pages > 1)<nav class="pages" aria-label="Pages">@for ($page = 1; $page <= $day->pages; $page++)<a class="button" href="{{ route('day', array_filter(['shelf' => $shelf, 'at' => $stamp($day->moment), 'until' => $day->until === null ? null : $stamp($day->until), 'page' => $page]), false) }}" @if ($page === $day->page) aria-current="page" @endif>{{ $page }}</a>@endfor</nav>@endif
                @if ($day->same !== [])
                    <details class="day-same"><summary>{{ trans_choice('{1} One item is the same as then|[2,*] :count items are the same as then', count($day->same)) }}</summary>
                        <ul>@foreach ($day->same as $row)<li><a href="{{ route('item', $row->item, false) }}">{{ $row->item->title }}</a> <small>{{ $row->then?->number }}</small></li>@endforeach</ul>
                    </details>
                @endif
            @endif
        </main>
        @if ($mayTick && ($day->changed !== [] || $day->since !== []))
            <form class="day-foot" id="back" method="get" action="{{ route('day.back', $shelf, false) }}">
                <input type="hidden" name="at" value="{{ $stamp($day->moment) }}">
                <span role="status" data-day-count>Tick what shall be as it was then.</span>
                <button class="button is-dark" data-day-back>Bring back what is ticked…</button>
            </form>
        @endif
        <section class="ribbon day-ribbon" aria-label="The ribbon of the shelf" data-day-ribbon>
            <div class="ribbon-bar"><b>All of the shelf</b> <span class="ribbon-since" data-day-sum></span><span class="ribbon-hint" data-hint role="status"></span></div>
            <div class="ribbon-lanes" data-lanes aria-hidden="true"></div>
            <div class="ribbon-scroll" data-scroll>
                <div class="ribbon-track" data-track>
                    <canvas aria-hidden="true"></canvas>
                    <div class="ribbon-mist" data-mist="before"></div>
                    <div class="ribbon-flags" data-flags></div>
                    <button type="button" class="handle" role="slider" data-end="at" aria-label="As it was" aria-valuemin="0" aria-valuemax="0" aria-valuenow="0"><span><b></b></span></button>
                    <button type="button" class="handle is-later" role="slider" data-end="until" aria-label="Held against" aria-valuemin="0" aria-valuemax="0" aria-valuenow="0"><span><b></b></span></button>
                </div>
            </div>
            <noscript><p class="notice">The ribbon needs JavaScript; a day can be written above.</p></noscript>
        </section>
    </div>
</x-layout>
