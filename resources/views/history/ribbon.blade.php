<section class="ribbon" id="ribbon" tabindex="-1" aria-label="The ribbon of versions" data-ribbon>
    <div class="ribbon-bar">
        <b>@if ($item->sight === null){{ trans_choice('{1} one version|[2,*] :count versions', $item->kept()) }}@else{{ trans_choice(($item->form_id !== null ? '{1} one version|[2,*] :count versions, as agreed to' : '{1} one published version|[2,*] :count published versions'), count($item->sight->numbers)) }}@endif</b> <span class="ribbon-since" data-sittings></span>
        <span class="switch" role="group" aria-label="On the ribbon">
            <button type="button" data-only="" aria-pressed="true">All</button>
            <button type="button" data-only="milestones" aria-pressed="false">Milestones</button>
            @if ($item->isPublishable())<button type="button" data-only="published" aria-pressed="false">Published</button>@endif
            @if ($item->sight === null)<button type="button" data-only="restores" aria-pressed="false" hidden>Restores</button><button type="button" data-only="unusual" aria-pressed="false" hidden>Worth a look</button><button type="button" data-only="pins" aria-pressed="false" hidden>Pinned</button>@endif
        </span>
        <span class="switch is-apart" role="group" aria-label="How it is laid">
            <button type="button" data-laid="fold" aria-pressed="false" title="One step for each sitting">Sittings</button>
            <button type="button" data-laid="clock" aria-pressed="false" title="As far apart as they are in time">By the clock</button>
        </span>
        @if ($address->words !== '')<span class="ribbon-found">{{ trans_choice('finding.on_ribbon', count($spots), ['words' => $address->words, 'count' => (string) count($spots)]) }} <a href="{{ $address->with(['words' => '']) }}" aria-label="No marks for it">no marks</a></span>@endif
        <span class="ribbon-hint is-sr-only" data-hint role="status"></span>
        @if ($item->sight === null)<a class="ribbon-mine" href="{{ route('history.at', [$item, 'when' => 'mine'], false) }}" data-since-mine title="{{ __('history.since_mine_how') }} (Alt+Shift+W)">{{ __('history.since_mine') }}</a>@endif
        <form class="ribbon-when" method="get" action="{{ route('history.at', $item, false) }}" data-ribbon-when>
            <input type="hidden" name="zone" value="{{ App\Words\Clock::zone()->getName() }}" data-zone><input type="hidden" name="to" value="{{ $to->number }}"><input type="hidden" name="view" value="{{ $address->view }}">
            <label class="is-sr-only" for="ribbon-when">{{ __('history.go_to') }}</label>
            <input class="input" id="ribbon-when" name="when" maxlength="200" value="{{ old('when') }}" placeholder="{{ __('history.go_to') }}" title="{{ __('history.go_to_how') }}" required>
        </form>
        <span class="bar-do">
            @can('write', $item)
                <details class="menu is-up" data-menu>
                    <summary class="button"><x-glyph name="flag" /> Mark a milestone</summary>
                    <div class="menu-sheet is-right menu-form">
                        @foreach (collect([$to, $from])->unique('number') as $end)
                            <form method="post" action="{{ route('milestone.mark', [$item, $end->number]) }}" class="milestone-form">
                                @csrf @method('put')
                                <label class="label" for="milestone-{{ $end->number }}">{{ __('history.milestone.'.($loop->count === 1 ? 'only' : ($loop->first ? 'later' : 'earlier')), ['number' => (string) $end->number]) }}@if ($end->number === $item->head), {{ __('history.milestone.newest') }}@endif</label>
                                <span class="milestone-line">
                                    <input class="input" id="milestone-{{ $end->number }}" name="name" maxlength="{{ config('attic.title') }}" value="{{ $end->milestone?->name }}" placeholder="{{ __('history.milestone.name') }}" required @if ($loop->first) data-focus @endif>
                                    <button class="button is-dark">{{ $end->milestone ? 'Rename' : 'Save name' }}</button>
                                </span>
                                @if (($suggested = App\View\SuggestedName::for($end, $phrases)) !== null)<button class="button is-quiet milestone-suggested" type="button" data-fill="milestone-{{ $end->number }}" data-with="{{ $suggested }}">{{ __('history.call_it') }} “{{ $suggested }}”</button>@endif
                                <label class="is-sr-only" for="milestone-note-{{ $end->number }}">{{ __('history.milestone.note') }}</label>
                                <input class="input" id="milestone-note-{{ $end->number }}" name="note" maxlength="{{ config('attic.note') }}" value="{{ $end->milestone?->note }}" placeholder="{{ __('history.milestone.note') }}">
                            </form>
                            <form method="post" action="{{ route('version.pin', [$item, $end->number]) }}">@csrf @method('put')<input type="hidden" name="pin" value="{{ $end->pinned_by === null ? '1' : '0' }}"><button class="button is-quiet">{{ $end->pinned_by === null ? "Pin {$end->number}, so that no rule lets it go" : "Take the pin off {$end->number}" }}</button></form>
                            @if ($end->milestone)
                                @foreach (['before', 'after'] as $way)<form method="post" action="{{ route('milestone.move', [$item, $end->number, $way]) }}">@csrf @method('put')<button class="button is-quiet">Give the name to the version {{ $way }} it</button></form>@endforeach
                                <form method="post" action="{{ route('milestone.remove', [$item, $end->number]) }}">@csrf @method('delete')<button class="button is-quiet">Take the name off {{ $end->number }}</button></form>
                            @endif
                        @endforeach
                    </div>
                </details>
            @endcan
            <a class="button" href="{{ route('list', $item) }}">List</a>
        </span>
    </div>
    <div class="ribbon-lanes" data-lanes aria-hidden="true"></div>
    <div class="ribbon-scroll" data-scroll>
        <div class="ribbon-track" data-track>
            <canvas aria-hidden="true"></canvas>
            <div class="ribbon-mist" data-mist="before"></div>
            <div class="ribbon-mist" data-mist="after"></div>
            <div class="ribbon-flags" data-flags></div>
            <button type="button" class="handle" role="slider" data-end="from" aria-label="Earlier" aria-valuemin="1" aria-valuemax="{{ $item->head }}" aria-valuenow="{{ $from->number }}" aria-valuetext="version {{ $from->number }}"><span>Earlier <b>{{ $from->number }}</b></span></button>
            <button type="button" class="handle is-later" role="slider" data-end="to" aria-label="Later" aria-valuemin="1" aria-valuemax="{{ $item->head }}" aria-valuenow="{{ $to->number }}" aria-valuetext="version {{ $to->number }}"><span>Later <b>{{ $to->number }}</b></span></button>
        </div>
    </div>
    <div class="ribbon-card" data-card-box aria-hidden="true" hidden>
        <div class="ribbon-card-head"><span data-card="who"></span><b data-card="sentence"></b><span class="ribbon-card-when" data-card="when"></span><span data-card="note"></span></div>
        <div class="ribbon-card-seen">
            <span><img data-card="before" alt=""><i data-tag="before"></i></span>
            <img class="is-now" data-card="now" alt="">
            <span><img data-card="after" alt=""><i data-tag="after"></i></span>
        </div>
    </div>
    <noscript><p class="notice">The ribbon needs JavaScript; the <a href="{{ route('list', $item) }}">list</a> has the same.</p></noscript>
</section>
