<x-layout :title="__('views/take-out.take_out_edits_of', ['title' => $item->title])" body="is-item">
    <main id="main" class="plan" data-plan>
        <h1>{{ __('views/take-out.take_s_edits_out_of', ['who' => $edits->author->firstName(), 'title' => $item->title]) }}</h1>
        <p class="plan-lead">{{ __('views/take-out.what_others_wrote_and_what_wrote', ['to' => trans_choice('history.take_out.versions', count($numbers), ['from' => $edits->from, 'to' => $edits->to]), 'who' => $edits->author->firstName(), 'next' => $item->head + 1, 'head' => $item->head]) }}</p>
        @if ($mixed > 0)<p class="notice">{{ trans_choice('history.take_out.mixed', $mixed, ['count' => (string) $mixed, 'who' => $edits->author->firstName()]) }}</p>@endif
        <x-problems />
        @if (count($tabs) > 1)
            <form class="plan-which" method="get" action="{{ route('take-out', $item) }}">
                <input type="hidden" name="from" value="{{ $edits->from }}"><input type="hidden" name="to" value="{{ $edits->to }}"><input type="hidden" name="by" value="{{ $edits->author->id }}">
                <label class="label" for="which">{{ __('views/take-out.of_which_tab') }}</label>
                <div class="select"><select id="which" name="tab" data-submit><option value="">{{ __('views/take-out.all_of_them') }}</option>@foreach ($tabs as $id => $name)<option value="{{ $id }}" @selected($id === $edits->below)>{{ __('views/take-out.only', ['name' => $name]) }}</option>@endforeach</select></div>
                <button class="button" data-submit-button>{{ __('views/take-out.show') }}</button>
            </form>
        @endif
        @if ($plan === null)
            <p class="notice">{{ __('history.take_out.too_many', ['most' => App\Restoring\TakeOutEdits::MOST_RUNS]) }}</p>
        @else
            <div class="plan-columns">
                <section aria-labelledby="back"><h2 id="back">{{ __('views/take-out.comes_back') }} <span>{{ count($plan->comesBack) }}</span></h2><p>{{ __('views/take-out.as_it_was_before_these_edits') }}</p>
                    <ul data-column="back">@foreach ($plan->comesBack as $at => $entry)<x-plan-line :entry="$entry" :at="$at" :aside="$asides[$at] ?? null" />@endforeach</ul>
                    @if ($plan->comesBack === [])<p class="plan-none">{{ __('views/take-out.nothing_was_taken_away_or_written') }}</p>@endif
                </section>
                <section aria-labelledby="away"><h2 id="away">{{ __('views/take-out.goes_away') }} <span>{{ count($plan->goesAway) }}</span></h2><p>{{ __('views/take-out.keeps_it', ['head' => $item->head]) }}</p>
                    <ul data-column="away">@foreach ($plan->goesAway as $at => $entry)<x-plan-line :entry="$entry" :at="$at" :aside="$asides[$at] ?? null" />@endforeach</ul>
                    @if ($plan->goesAway === [])<p class="plan-none">{{ __('views/take-out.nothing_that_was_added_is_there') }}</p>@endif
                </section>
                <section aria-labelledby="stays"><h2 id="stays">{{ __('views/take-out.stays') }} <span>{{ count($plan->stays) }}</span></h2><p>{{ __('views/take-out.later_work_rests_on_it_so') }}</p>
                    <ul>@foreach ($plan->stays as [$name, $why])<li class="plan-line">{{ $name === '' ? __('views/take-out.a_part_without_words') : "“{$name}”" }} <small>{{ $why }}</small></li>@endforeach</ul>
                    @if ($plan->stays === [])<p class="plan-none">{{ __('views/take-out.all_of_it_can_be_taken') }}</p>@endif
                </section>
            </div>
        @endif
    </main>
    <footer class="plan-foot">
        <a class="button" href="{{ route('history', ['item' => $item, 'from' => max(1, $edits->from), 'to' => min($edits->to, $item->head), 'by' => $edits->author->id]) }}">{{ __('views/take-out.cancel') }}</a>
        @if ($plan !== null)
            <button class="button" type="button" data-tick-all hidden>{{ __('views/take-out.tick_none') }}</button>
            <span aria-live="polite" data-plan-count>{{ __('views/take-out.come_back_go_away', ['comes_back' => count($plan->comesBack), 'goes_away' => count($plan->goesAway)]) }}</span>
            @if ($plan->count() > 0)
                <form id="restore" method="post" action="{{ route('take-out.store', $asked) }}">@csrf<input type="hidden" name="seen" value="{{ $item->head }}"><input type="hidden" name="lines" value="{{ $plan->count() }}"> <button class="button" formaction="{{ route('take-out.seen', $asked) }}">{{ __('views/take-out.how_it_will_be') }}</button><button class="button is-dark" data-restore data-some="{{ __('views/take-out.take_these_out') }}">{{ __('views/take-out.take_them_out') }}</button></form>
            @endif
        @endif
    </footer>
</x-layout>
