<x-layout :title="'Restore '.$item->title.' to '.$version->number" body="is-item">
    <main id="main" class="plan" data-plan>
        <a class="skip" href="#plan-foot">{{ __('history.to_foot') }}</a>
        <h1>Restore “{{ $item->title }}” to {{ $version->number }}</h1>
        <p class="plan-lead">as it stood on <x-when :at="$version->saved_at" exact />@if ($version->milestone), “{{ $version->milestone->name }}”@endif. Nothing is overwritten: this becomes version {{ $item->head + 1 }}, and {{ $item->head }} stays in the history. @if ($plan->sought === []) Untick what shall stay as it is now. @else Ticked is what you came for; tick what else shall come back or go. @endif @if ($waits) <b>It waits for a yes:</b> others go on seeing what was agreed to until then. @endif @if ($live !== null) <b>It becomes a draft:</b> readers go on seeing {{ $live->version->number }} until somebody publishes it.@endif</p>
        <x-problems />
        @if ($item->follows())<p class="notice"><label class="checkbox"><input type="checkbox" name="stop" value="1" form="restore"> Stop following {{ app(App\View\OtherItems::class)->tellsOf($item->source) ? "“{$item->source->title}”" : 'what it follows' }}, and keep what comes back.</label> What it holds comes from there, so that records can’t come back while it follows; calculated fields can.</p>@endif
        @if ($plan->isTheSame())<p class="notice">{{ __('history.chosen_same', ['number' => (string) $version->number]) }}</p>@endif
        @include('restore.line', $plan->line())
        @if ($plan->since->entries === [])
            <p class="notice">{{ __('history.same') }}</p>
        @endif
        <div class="plan-columns">
            <section aria-labelledby="back"><h2 id="back">Comes back <span>{{ count($plan->comesBack) }}</span></h2><p>In {{ $version->number }}, and missing or different now</p>
                <ul data-column="back">@foreach ($plan->comesBack as $at => $entry)<x-plan-line :entry="$entry" :at="$at" :item="$item" :ticked="$plan->ticks($at)" />@endforeach</ul>
                @if ($plan->comesBack === [])<p class="plan-none">Nothing: all that was in {{ $version->number }} is there now.</p>@endif
            </section>
            <section aria-labelledby="away"><h2 id="away">Goes away <span>{{ count($plan->goesAway) }}</span></h2><p>Made since {{ $version->number }}; {{ $item->head }} keeps it</p>
                <ul data-column="away">@foreach ($plan->goesAway as $at => $entry)<x-plan-line :entry="$entry" :at="$at" :item="$item" :ticked="$plan->ticks($at)" />@endforeach</ul>
                @if ($plan->goesAway === [])<p class="plan-none">Nothing was added since.</p>@endif
            </section>
            <section aria-labelledby="stays"><h2 id="stays">Stays as it is</h2><p>The same in both, so it is not touched</p>
                <ul class="plan-stays">
                    @foreach ($plan->stays as $noun => $count)<li>{{ trans_choice("changes.inner.{$noun}", $count) }}</li>@endforeach
                    <li>Everyone’s access</li>
                    <li>All {{ $item->head }} versions @if ($milestones > 0)and {{ trans_choice('{1} one milestone|[2,*] :count milestones', $milestones) }}@endif</li>
                </ul>
            </section>
        </div>
        @if ($hanging !== [])<section class="plan-data" aria-labelledby="hanging"><h2 id="hanging">Drawn from it</h2><p>These show something else once it is restored.</p><ul>@foreach ($hanging as $one)<li>“{{ $one['widget']->string('title') }}” in <a href="{{ route('item', $one['report']) }}">{{ $one['report']->title }}</a></li>@endforeach</ul></section>@endif
        @foreach ($data->plans ?? [] as $key => $one)
            <section class="plan-data" aria-labelledby="data-{{ $key }}">
                <h2 id="data-{{ $key }}">Its data: “{{ $one['item']->title }}” <span>{{ $one['then']->number }} then, {{ $one['now']->number }} now</span></h2>
                <p>@if ($one['item']->follows()) Its records follow another item, and stay as they are there. @endif What is ticked comes back together with the report, or not at all.@if ($one['hanging'] !== []) <b>{{ trans_choice('{1} Another report hangs on it:|[2,*] Other reports hang on it:', count($one['hanging'])) }}</b> {{ implode(', ', $one['hanging']) }}.@endif</p>
                <input type="hidden" name="data_seen[{{ $key }}]" value="{{ $one['now']->number }}" form="restore">
                <ul data-column="data">
                    @foreach ($one['entries'] as $at => $entry)
                        <li class="plan-line"><label><input type="checkbox" name="data[{{ $key }}][]" value="{{ $at }}" form="restore" data-pick-data @checked($one['may'] && in_array($at, $one['needed'], true)) @disabled(! $one['may'])>@foreach ($entry->editors as $editor)<x-monogram :user="$editor" aria-hidden="true" />@endforeach
                            <span class="plan-what">{{ $entry->statement->type === MistyAttic\Core\Compare\Changes\ChangeType::Added ? 'Goes away: ' : 'Comes back: ' }}{{ $entry->plan() }}@if (in_array($at, $one['needed'], true)) <b>the report needs it</b>@endif <small>{{ $entry->planned() }}@if ($entry->at), <x-when :at="$entry->at" />@endif</small></span></label></li>
                    @endforeach
                </ul>
                @if ($one['more'] > 0)<p>and {{ App\Words\Numbers::said($one['more']) }} more, which <a href="{{ route('restore', [$one['item'], $one['then']->number]) }}">a restore of the dataset alone</a> has.</p>@endif
                @if (! $one['may'])<p>You may not restore “{{ $one['item']->title }}”.</p>@endif
            </section>
        @endforeach
        @if ($plan->totals !== [])
            <section class="plan-totals" aria-labelledby="totals">
                <h2 id="totals">Sums of columns, when all of it comes back</h2>
                <table><thead><tr><th scope="col">Column</th><th scope="col">now</th><th scope="col">then</th></tr></thead><tbody>
                    @foreach (array_slice($plan->totals, 0, 12) as $total)<tr><th scope="row">@if ($total->table !== '')<small>{{ $total->table }}</small> @endif{{ $total->column }}</th><td>{{ $total->old }}</td><td>{{ $total->new }}</td></tr>@endforeach
                </tbody></table>
                @if (count($plan->totals) > 12)<p>and {{ count($plan->totals) - 12 }} more</p>@endif
            </section>
        @endif
    </main>
    <footer class="plan-foot" id="plan-foot" tabindex="-1">
        <a class="button" href="{{ route('history', ['item' => $item, 'from' => $version->number, 'to' => $item->head]) }}">Cancel</a>
        <button class="button" type="button" data-tick-all hidden>Tick none</button>
        <span aria-live="polite" data-plan-count>{{ count(array_filter(array_keys($plan->comesBack), $plan->ticks(...))) }} come back, {{ count(array_filter(array_keys($plan->goesAway), $plan->ticks(...))) }} go away</span>
        @if ($item->form_id === null)<a class="button" href="{{ route('copy', [$item, $version->number]) }}">Copy out instead…</a>@endif
        @if (! $plan->since->changes->isEmpty() || ($data->plans ?? []) !== [])
            <form id="restore" method="post" action="{{ route('restore.store', [$item, $version->number]) }}">@csrf<input type="hidden" name="seen" value="{{ $item->head }}">@if ($plan->count() > 0)<input type="hidden" name="lines" value="{{ $plan->count() }}">@endif <button class="button" formaction="{{ route('restore.seen', [$item, $version->number]) }}">How it will be</button>@if ($live !== null) @can('publishNow', [$item, $version->number])<button class="button" name="publish" value="1" data-restore-publish>Restore and publish</button>@endcan @endif<button class="button is-dark" data-restore data-some="Bring these back" @if ($plan->sought !== []) autofocus @endif>Restore {{ $version->number }}</button></form>
        @endif
    </footer>
</x-layout>
