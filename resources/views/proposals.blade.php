<x-layout :kind="$item->kind" :title="__('proposing.title', ['title' => $item->title])" body="is-item is-history">
    <x-item-head :item="$item" at="proposals" />
    <x-proposals-bar :item="$item" :open="$open" :chosen="$chosen" :look="$look" />
    <main id="main" class="past is-publish is-proposed">
        <section class="changes" aria-labelledby="changes-name" data-changes>
            <div class="changes-head">
                <h2 id="changes-name">{{ $look === 'would' ? __('proposing.look.would') : trans_choice($waits ? 'proposing.of_one' : 'proposing.of_one_then', count($lines), ['who' => $chosen->name()]) }}</h2>
                @if ($chosen->said_by !== null)<p>{{ $chosen->whence() }}</p>@endif
                <p>@if ($waits || $open->at !== null){{ __('proposing.of_then', ['number' => (string) $newest->number]) }}@else<b>{{ __("proposing.told.{$chosen->state->value}", ['decider' => (string) $chosen->decider?->firstName(), 'number' => (string) $chosen->version?->number]) }}</b> <x-when :at="$chosen->decided_at" />@if ($chosen->word !== null). “{{ $chosen->word }}”@endif @endif</p>
                @if ($look !== 'would')<span class="stepper" data-stepper hidden><span data-step-count></span> <button type="button" data-step="-1" aria-label="{{ __('views/proposals.change_before_p') }}" title="{{ __('views/proposals.change_before_p') }}">‹</button><button type="button" data-step="1" aria-label="{{ __('views/proposals.next_change_n') }}" title="{{ __('views/proposals.next_change_n') }}">›</button></span>@endif
            </div>
            <x-problems />
            @if ($look !== 'would' && $lines === [] && $waits)<p class="changes-none">{{ __('proposing.empty') }}</p>@endif
            <form method="post" action="{{ route('proposals.answer', [$item, $chosen]) }}" class="proposal-lines" id="proposal-lines">
                @csrf @method('put')
                <input type="hidden" name="seen" value="{{ $newest->number }}"><input type="hidden" name="state" value="{{ $chosen->root }}">
                <ol class="entries" data-entries>
                    @foreach ($lines as $one)
                        <li>
                            <a class="entry" href="{{ $leads[$one->line->part()] ?? '' }}#part-{{ $one->line->part() }}" @if (isset($leads[$one->line->part()])) data-elsewhere @endif data-entry="{{ $one->line->part() }}"><span class="entry-sign" aria-hidden="true">{{ $one->line->sign() }}</span><span class="entry-text">{{ $one->line->sentence }}@if ($one->line->place()) <small>{{ $one->line->place() }}</small>@endif @if ($waits && $one->meets)<small class="is-met">{{ __('proposing.meets') }}</small>@endif</span></a>
                            @if ($mayDecide || $isOwn)
                                <x-answers :keys="$one->keys()" :decides="$mayDecide" :own="$isOwn" :edits="$one->goesOn()" />
                                @if ($one->places !== [])
                                    <details class="entry-places">
                                        <summary>{{ __('proposing.places', ['count' => (string) count($one->places)]) }}</summary>
                                        <ul>
                                            @foreach ($one->places as $place)<li><span>{{ $one->said($place) }}</span><x-answers :keys="$place['key']" :decides="$mayDecide" :own="$isOwn" /></li>@endforeach
                                        </ul>
                                    </details>
                                @endif
                            @endif
                        </li>
                    @endforeach
                </ol>
                @if (($mayDecide || $isOwn) && $look !== 'would')
                    <div class="proposal-do">
                        @if ($lines !== [])
                            <label class="is-sr-only" for="proposal-word">{{ __('proposing.word') }}</label>
                            <input class="input" id="proposal-word" name="word" maxlength="{{ config('attic.note') }}" placeholder="{{ __('proposing.word') }}" value="{{ old('word') }}">
                            @if ($mayDecide)<button class="button is-dark" name="do" value="accepted">{{ __('proposing.accept_all') }}</button>@endif
                            @if ($mayDecide && ! $isOwn)<button class="button" name="do" value="declined">{{ __('proposing.decline_all') }}</button>@endif
                        @endif
                        @if ($isOwn)<button class="button" name="do" value="withdrawn">{{ __($lines === [] ? 'proposing.put_away' : 'proposing.withdraw_all') }}</button>@endif
                    </div>
                @endif
            </form>
            @if ($open->at === null && $lines !== [])
                @foreach ($item->room(App\View\Sources\Files::class)->tracked() as $format => $said)<p class="proposal-out"><a href="{{ route('proposals.file', [$item, $chosen, $format]) }}">{{ __('proposing.take_along', ['as' => $said]) }}</a></p>@endforeach
            @endif
            @if (! $waits && $open->at === null && $chosen->user_id === auth()->id() && Gate::allows('propose', $item))
                <form method="post" action="{{ route('proposals.again', [$item, $chosen]) }}" class="proposal-do">@csrf<button class="button">{{ __('proposing.again') }}</button></form>
            @endif
            @includeWhen($answered !== null, 'proposals-past')
            @includeWhen($copies !== null, 'proposals-copies')
            @includeWhen($copies !== null, 'proposals-links')
        </section>
        <section class="past-state" aria-label="{{ __("proposing.look.{$look}") }}">
            @include($past::VIEW)
        </section>
    </main>
</x-layout>
