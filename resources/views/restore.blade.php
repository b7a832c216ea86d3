<x-layout :title="'Restore '.$item->title.' to '.$version->number" body="is-item">
    <main id="main" class="plan" data-plan>
        <h1>Restore “{{ $item->title }}” to {{ $version->number }}</h1>
        <p class="plan-lead">as it stood on <x-when :at="$version->saved_at" exact />@if ($version->milestone), “{{ $version->milestone->name }}”@endif. Nothing is overwritten: this becomes version {{ $item->head + 1 }}, and {{ $item->head }} stays in the history. Untick what shall stay as it is now. @if ($live !== null) <b>It becomes a draft:</b> readers go on seeing {{ $live->version->number }} until somebody publishes it.@endif</p>
        <x-problems />
        @include('restore.line', $plan->line())
        @if ($plan->since->changes->isEmpty())
            <p class="notice">{{ __('history.same') }}</p>
        @endif
        <div class="plan-columns">
            <section aria-labelledby="back"><h2 id="back">Comes back <span>{{ count($plan->comesBack) }}</span></h2><p>In {{ $version->number }}, and missing or other now</p>
                <ul data-column="back">@foreach ($plan->comesBack as $at => $entry)<x-plan-line :entry="$entry" :at="$at" :item="$item" />@endforeach</ul>
                @if ($plan->comesBack === [])<p class="plan-none">Nothing: all that was in {{ $version->number }} is there now.</p>@endif
            </section>
            <section aria-labelledby="away"><h2 id="away">Goes away <span>{{ count($plan->goesAway) }}</span></h2><p>Made since {{ $version->number }}; {{ $item->head }} keeps it</p>
                <ul data-column="away">@foreach ($plan->goesAway as $at => $entry)<x-plan-line :entry="$entry" :at="$at" :item="$item" />@endforeach</ul>
                @if ($plan->goesAway === [])<p class="plan-none">Nothing was added since.</p>@endif
            </section>
            <section aria-labelledby="stays"><h2 id="stays">Stays as it is</h2><p>The same in both, so it is not touched</p>
                <ul class="plan-stays">
                    @foreach ($plan->stays as $noun => $count)<li>{{ trans_choice("history.nouns.{$noun}", $count) }}</li>@endforeach
                    <li>Everyone’s access</li>
                    <li>All {{ $item->head }} versions @if ($milestones > 0)and {{ trans_choice('{1} one milestone|[2,*] :count milestones', $milestones) }}@endif</li>
                </ul>
            </section>
        </div>
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
    <footer class="plan-foot">
        <a class="button" href="{{ route('history', ['item' => $item, 'from' => $version->number, 'to' => $item->head]) }}">Cancel</a>
        <button class="button" type="button" data-tick-all hidden>Tick none</button>
        <span aria-live="polite" data-plan-count>{{ count($plan->comesBack) }} come back, {{ count($plan->goesAway) }} go away</span>
        @if ($item->kind !== 'entry')<a class="button" href="{{ route('copy', [$item, $version->number]) }}">Copy out instead…</a>@endif
        @unless ($plan->since->changes->isEmpty())
            <form id="restore" method="post" action="{{ route('restore.store', [$item, $version->number]) }}">@csrf<input type="hidden" name="seen" value="{{ $item->head }}">@if ($plan->count() > 0)<input type="hidden" name="lines" value="{{ $plan->count() }}">@endif @if ($live !== null) @can('publishNow', $item)<button class="button" name="publish" value="1" data-restore-publish>Restore and publish</button>@endcan @endif<button class="button is-dark" data-restore>Restore {{ $version->number }}</button></form>
        @endunless
    </footer>
</x-layout>
