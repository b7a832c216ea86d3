<section class="ribbon" id="ribbon" tabindex="-1" aria-label="{{ __('views/history.ribbon.the_ribbon_of_versions') }}" data-ribbon>
    <div class="ribbon-bar">
        <b>@if ($item->sight === null){{ trans_choice('views/history.ribbon.one_version', $item->kept()) }}@else{{ trans_choice($item->form_id !== null ? 'views/history.ribbon.versions_as_agreed' : 'views/history.ribbon.one_published_version', count($item->sight->numbers)) }}@endif</b> <span class="ribbon-since" data-sittings></span>
        <span class="switch" role="group" aria-label="{{ __('views/history.ribbon.on_the_ribbon') }}">
            <button type="button" data-only="" aria-pressed="true">{{ __('views/history.ribbon.all') }}</button>
            <button type="button" data-only="milestones" aria-pressed="false">{{ __('views/history.ribbon.milestones') }}</button>
            @if ($item->isPublishable())<button type="button" data-only="published" aria-pressed="false">{{ __('views/history.ribbon.published') }}</button>@endif
            @if ($item->sight === null)<button type="button" data-only="restores" aria-pressed="false" hidden>{{ __('views/history.ribbon.restores') }}</button><button type="button" data-only="unusual" aria-pressed="false" hidden>{{ __('views/history.ribbon.worth_a_look') }}</button><button type="button" data-only="pins" aria-pressed="false" hidden>{{ __('views/history.ribbon.pinned') }}</button>@endif
        </span>
        <span class="switch is-apart" role="group" aria-label="{{ __('views/history.ribbon.how_it_is_laid') }}">
            <button type="button" data-laid="fold" aria-pressed="false" title="{{ __('views/history.ribbon.one_step_for_each_sitting') }}">{{ __('views/history.ribbon.sittings') }}</button>
            <button type="button" data-laid="clock" aria-pressed="false" title="{{ __('views/history.ribbon.as_far_apart_as_they_are') }}">{{ __('views/history.ribbon.by_the_clock') }}</button>
        </span>
        @if ($address->words !== '')<span class="ribbon-found">{{ trans_choice('finding.on_ribbon', count($spots), ['words' => $address->words, 'count' => (string) count($spots)]) }} <a href="{{ $address->with(['words' => '']) }}" aria-label="{{ __('views/history.ribbon.no_marks_for_it') }}">{{ __('views/history.ribbon.no_marks') }}</a></span>@endif
        <span class="ribbon-hint is-sr-only" data-hint role="status"></span>
        @if ($item->sight === null)<a class="ribbon-mine" href="{{ route('history.at', [$item, 'when' => 'mine'], false) }}" data-since-mine title="{{ __('views/history.ribbon.alt_shift_w', ['value' => __('history.since_mine_how')]) }}">{{ __('history.since_mine') }}</a>@endif
        <form class="ribbon-when" method="get" action="{{ route('history.at', $item, false) }}" data-ribbon-when>
            <input type="hidden" name="zone" value="{{ App\Words\Clock::zone()->getName() }}" data-zone><input type="hidden" name="to" value="{{ $to->number }}"><input type="hidden" name="view" value="{{ $address->view }}">
            <label class="is-sr-only" for="ribbon-when">{{ __('history.go_to') }}</label>
            <input class="input" id="ribbon-when" name="when" maxlength="200" value="{{ old('when') }}" placeholder="{{ __('history.go_to') }}" title="{{ __('history.go_to_how') }}" required>
        </form>
        <span class="bar-do">
            @can('write', $item)
                <details class="menu is-up" data-menu>
                    <summary class="button"><x-glyph name="flag" /> {{ __('views/history.ribbon.mark_a_milestone') }}</summary>
                    <div class="menu-sheet is-right menu-form">
                        @foreach (collect([$to, $from])->unique('number') as $end)
                            <form method="post" action="{{ route('milestone.mark', [$item, $end->number]) }}" class="milestone-form">
                                @csrf @method('put')
                                <label class="label" for="milestone-{{ $end->number }}">{{ __('history.milestone.'.($loop->count === 1 ? 'only' : ($loop->first ? 'later' : 'earlier')), ['number' => (string) $end->number]) }}@if ($end->number === $item->head), {{ __('history.milestone.newest') }}@endif</label>
                                <span class="milestone-line">
                                    <input class="input" id="milestone-{{ $end->number }}" name="name" maxlength="{{ config('attic.title') }}" value="{{ $end->milestone?->name }}" placeholder="{{ __('history.milestone.name') }}" required @if ($loop->first) data-focus @endif>
                                    <button class="button is-dark">{{ $end->milestone ? __('views/history.ribbon.rename') : __('views/history.ribbon.save_name') }}</button>
                                </span>
                                @if ($suggested[$end->number] !== null)<button class="button is-quiet milestone-suggested" type="button" data-fill="milestone-{{ $end->number }}" data-with="{{ $suggested[$end->number] }}">{{ __('history.call_it') }} “{{ $suggested[$end->number] }}”</button>@endif
                                <label class="is-sr-only" for="milestone-note-{{ $end->number }}">{{ __('history.milestone.note') }}</label>
                                <input class="input" id="milestone-note-{{ $end->number }}" name="note" maxlength="{{ config('attic.note') }}" value="{{ $end->milestone?->note }}" placeholder="{{ __('history.milestone.note') }}">
                            </form>
                            <form method="post" action="{{ route('version.pin', [$item, $end->number]) }}">@csrf @method('put')<input type="hidden" name="pin" value="{{ $end->pinned_by === null ? '1' : '0' }}"><button class="button is-quiet">{{ $end->pinned_by === null ? __('views/history.ribbon.pin_so_that_no_rule_lets', ['number' => $end->number]) : __('views/history.ribbon.take_the_pin_off', ['number' => $end->number]) }}</button></form>
                            @if ($end->milestone)
                                @foreach (['before', 'after'] as $way)<form method="post" action="{{ route('milestone.move', [$item, $end->number, $way]) }}">@csrf @method('put')<button class="button is-quiet">{{ __('views/history.ribbon.give_the_name_to_the_version', ['way' => $way]) }}</button></form>@endforeach
                                <form method="post" action="{{ route('milestone.remove', [$item, $end->number]) }}">@csrf @method('delete')<button class="button is-quiet">{{ __('views/history.ribbon.take_the_name_off', ['number' => $end->number]) }}</button></form>
                            @endif
                        @endforeach
                    </div>
                </details>
            @endcan
            <a class="button" href="{{ route('list', $item) }}">{{ __('views/history.ribbon.list') }}</a>
        </span>
    </div>
    <div class="ribbon-lanes" data-lanes aria-hidden="true"></div>
    <div class="ribbon-scroll" data-scroll>
        <div class="ribbon-track" data-track>
            <canvas aria-hidden="true"></canvas>
            <div class="ribbon-mist" data-mist="before"></div>
            <div class="ribbon-mist" data-mist="after"></div>
            <div class="ribbon-flags" data-flags></div>
            <button type="button" class="handle" role="slider" data-end="from" aria-label="{{ __('views/history.ribbon.earlier') }}" aria-valuemin="1" aria-valuemax="{{ $item->head }}" aria-valuenow="{{ $from->number }}" aria-valuetext="version {{ $from->number }}"><span>{{ __('views/history.ribbon.earlier') }} <b>{{ $from->number }}</b></span></button>
            <button type="button" class="handle is-later" role="slider" data-end="to" aria-label="{{ __('views/history.ribbon.later') }}" aria-valuemin="1" aria-valuemax="{{ $item->head }}" aria-valuenow="{{ $to->number }}" aria-valuetext="version {{ $to->number }}"><span>{{ __('views/history.ribbon.later') }} <b>{{ $to->number }}</b></span></button>
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
    <noscript><p class="notice">{{ __('views/history.ribbon.the_ribbon_needs_javascript_the') }} <a href="{{ route('list', $item) }}">{{ __('views/history.ribbon.list_word') }}</a> {{ __('views/history.ribbon.has_the_same') }}</p></noscript>
</section>
