<x-layout :title="__('views/restore.restore_to', ['title' => $item->title, 'number' => $version->number])" body="is-item">
    <main id="main" class="plan" data-plan>
        <a class="skip" href="#plan-foot">{{ __('history.to_foot') }}</a>
        <h1>{{ __('views/restore.restore_title_to', ['title' => $item->title, 'number' => $version->number]) }}</h1>
        <p class="plan-lead">{{ __('views/restore.as_it_was_on') }} <x-when :at="$version->saved_at" exact />@if ($version->milestone), “{{ $version->milestone->name }}”@endif{{ __('views/restore.nothing_is_overwritten_this_becomes', ['next' => $item->head + 1, 'head' => $item->head]) }} @if ($plan->sought === []) {{ __('views/restore.untick_what_should_stay_as_it') }} @else {{ __('views/restore.ticked_is_what_you_came_for') }} @endif @if ($waits) <b>{{ __('views/restore.it_waits_for_a_yes') }}</b> {{ __('views/restore.others_go_on_seeing_what_was') }} @endif @if ($live !== null) <b>{{ __('views/restore.it_becomes_a_draft') }}</b> {{ __('views/restore.readers_go_on_seeing_until_somebody', ['number' => $live->version->number]) }}@endif</p>
        <x-problems />
        @if ($item->follows() && $plan->since->entries !== [])<p class="notice"><label class="checkbox"><input type="checkbox" name="stop" value="1" form="restore"> {{ __('views/restore.stop_following_and_keep_what_comes', ['title' => $source !== null ? "“{$source->title}”" : __('views/restore.what_it_follows')]) }}</label> {{ __('views/restore.what_it_holds_comes_from_there') }}</p>@endif
        @if ($plan->isTheSame())<p class="notice">{{ __('history.chosen_same', ['number' => (string) $version->number]) }}</p>@endif
        @include('restore.line', $plan->line())
        @if ($plan->since->entries === [])
            <p class="notice">{{ __('history.same') }}</p>
        @endif
        <div class="plan-columns">
            <section aria-labelledby="back"><h2 id="back">{{ __('views/restore.comes_back') }} <span>{{ count($plan->comesBack) }}</span></h2><p>{{ __('views/restore.in_and_missing_or_different_now', ['number' => $version->number]) }}</p>
                <ul data-column="back">@foreach ($plan->comesBack as $at => $entry)<x-plan-line :entry="$entry" :at="$at" :aside="$asides[$at] ?? null" :ticked="$plan->ticks($at)" />@endforeach</ul>
                @if ($plan->comesBack === [])<p class="plan-none">{{ __('views/restore.nothing_all_that_was_in_is', ['number' => $version->number]) }}</p>@endif
            </section>
            <section aria-labelledby="away"><h2 id="away">{{ __('views/restore.goes_away') }} <span>{{ count($plan->goesAway) }}</span></h2><p>{{ __('views/restore.made_since_keeps_it', ['number' => $version->number, 'head' => $item->head]) }}</p>
                <ul data-column="away">@foreach ($plan->goesAway as $at => $entry)<x-plan-line :entry="$entry" :at="$at" :aside="$asides[$at] ?? null" :ticked="$plan->ticks($at)" />@endforeach</ul>
                @if ($plan->goesAway === [])<p class="plan-none">{{ __('views/restore.nothing_was_added_since') }}</p>@endif
            </section>
            <section aria-labelledby="stays"><h2 id="stays">{{ __('views/restore.stays_as_it_is') }}</h2><p>{{ __('views/restore.the_same_in_both_so_it') }}</p>
                <ul class="plan-stays">
                    @foreach ($plan->stays as $noun => $count)<li>{{ trans_choice("changes.inner.{$noun}", $count) }}</li>@endforeach
                    <li>{{ __('views/restore.everyones_access') }}</li>
                    <li>{{ __('views/restore.all_versions', ['head' => $item->head]) }} @if ($milestones > 0){{ __('views/restore.and', ['milestones' => trans_choice('views/restore.one_milestone', $milestones)]) }}@endif</li>
                </ul>
            </section>
        </div>
        @if ($hanging !== [])<section class="plan-data" aria-labelledby="hanging"><h2 id="hanging">{{ __('views/restore.drawn_from_it') }}</h2><p>{{ __('views/restore.these_show_something_else_once_it') }}</p><ul>@foreach ($hanging as $one)<li>{{ __('views/restore.in', ['string' => $one['widget']->string('title')]) }} <a href="{{ route('item', $one['report']) }}">{{ $one['report']->title }}</a></li>@endforeach</ul></section>@endif
        @foreach ($data->plans ?? [] as $key => $one)
            <section class="plan-data" aria-labelledby="data-{{ $key }}">
                <h2 id="data-{{ $key }}">{{ __('views/restore.its_data', ['title' => $one['item']->title]) }} <span>{{ __('views/restore.then_and_now', ['number' => $one['then']->number, 'later' => $one['now']->number]) }}</span></h2>
                <p>@if ($one['item']->follows()) {{ __('views/restore.its_records_follow_another_item_and') }} @endif {{ __('views/restore.what_is_ticked_comes_back_together') }}@if ($one['hanging'] !== []) <b>{{ trans_choice('views/restore.another_report_hangs_on_it', count($one['hanging'])) }}</b> {{ implode(', ', $one['hanging']) }}.@endif</p>
                <input type="hidden" name="data_seen[{{ $key }}]" value="{{ $one['now']->number }}" form="restore">
                <ul data-column="data">
                    @foreach ($one['entries'] as $at => $entry)
                        <li class="plan-line"><label><input type="checkbox" name="data[{{ $key }}][]" value="{{ $at }}" form="restore" data-pick-data @checked($one['may'] && in_array($at, $one['needed'], true)) @disabled(! $one['may'])>@foreach ($entry->editors as $editor)<x-monogram :user="$editor" aria-hidden="true" />@endforeach
                            <span class="plan-what">{{ $entry->statement->type === MistyAttic\Core\Compare\Changes\ChangeType::Added ? __('views/restore.goes_away_colon') : __('views/restore.comes_back_colon') }}{{ $entry->plan() }}@if (in_array($at, $one['needed'], true)) <b>{{ __('views/restore.the_report_needs_it') }}</b>@endif <small>{{ $entry->planned() }}@if ($entry->at), <x-when :at="$entry->at" />@endif</small></span></label></li>
                    @endforeach
                </ul>
                @if ($one['more'] > 0)<p>{{ __('views/restore.and_more_which', ['one' => App\Words\Numbers::said($one['more'])]) }} <a href="{{ route('restore', [$one['item'], $one['then']->number]) }}">{{ __('views/restore.a_restore_of_the_dataset_alone') }}</a> {{ __('views/restore.has') }}</p>@endif
                @if (! $one['may'])<p>{{ __('views/restore.you_may_not_restore', ['title' => $one['item']->title]) }}</p>@endif
            </section>
        @endforeach
        @if ($plan->totals !== [])
            <section class="plan-totals" aria-labelledby="totals">
                <h2 id="totals">{{ __('views/restore.sums_of_columns_when_all_of') }}</h2>
                <table><thead><tr><th scope="col">{{ __('views/restore.column') }}</th><th scope="col">{{ __('views/restore.now') }}</th><th scope="col">{{ __('views/restore.then') }}</th></tr></thead><tbody>
                    @foreach (array_slice($plan->totals, 0, 12) as $total)<tr><th scope="row">@if ($total->table !== '')<small>{{ $total->table }}</small> @endif{{ $total->column }}</th><td>{{ $total->old }}</td><td>{{ $total->new }}</td></tr>@endforeach
                </tbody></table>
                @if (count($plan->totals) > 12)<p>{{ __('views/restore.and_more', ['totals' => count($plan->totals) - 12]) }}</p>@endif
            </section>
        @endif
    </main>
    <footer class="plan-foot" id="plan-foot" tabindex="-1">
        <a class="button" href="{{ route('history', ['item' => $item, 'from' => $version->number, 'to' => $item->head]) }}">{{ __('views/restore.cancel') }}</a>
        <button class="button" type="button" data-tick-all hidden>{{ __('views/restore.tick_none') }}</button>
        <span aria-live="polite" data-plan-count>{{ __('views/restore.come_back_go_away', ['back' => count(array_filter(array_keys($plan->comesBack), $plan->ticks(...))), 'away' => count(array_filter(array_keys($plan->goesAway), $plan->ticks(...)))]) }}</span>
        @if ($item->form_id === null)<a class="button" href="{{ route('copy', [$item, $version->number]) }}">{{ __('views/restore.copy_out_instead') }}</a>@endif
        @if ($plan->since->entries !== [] || ($data->plans ?? []) !== [])
            <form id="restore" method="post" action="{{ route('restore.store', [$item, $version->number]) }}">@csrf<input type="hidden" name="seen" value="{{ $item->head }}">@if ($plan->count() > 0)<input type="hidden" name="lines" value="{{ $plan->count() }}">@endif <button class="button" formaction="{{ route('restore.seen', [$item, $version->number]) }}">{{ __('views/restore.how_it_will_be') }}</button>@if ($mayPublish) <button class="button" name="publish" value="1" data-restore-publish>{{ __('views/restore.restore_and_publish') }}</button>@endif<button class="button is-dark" data-restore data-some="{{ __('views/restore.bring_these_back') }}" @if ($plan->sought !== []) autofocus @endif>{{ __('views/restore.restore', ['number' => $version->number]) }}</button></form>
        @endif
    </footer>
</x-layout>
