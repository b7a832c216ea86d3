<x-layout :title="'What is kept of '.$item->title" body="is-item">
    <x-item-head :item="$item" at="keeping">{{ trans_choice('{1} one version is kept|[2,*] :count versions are kept', $item->kept()) }}{{ $item->gone > 0 ? ', '.App\Words\Numbers::said($item->gone).' no longer' : '' }}</x-item-head>
    <main id="main" class="keeping">
        <section class="keeping-rules" aria-labelledby="kept">
            <h2 id="kept">What is kept</h2>
            <p class="door-note">@if ($rules->own === []) Like all of “{{ $item->shelf->name }}”. @else It has rules of its own; the rest is like all of “{{ $item->shelf->name }}”. @endif</p>
            <x-problems />
            <x-keeping-form :tried="$tried" :action="route('keeping.say', $item)" :can="Gate::allows('keep', $item)" rehearses :above="'As the shelf has it'" :differs="$rules->own !== []" />
            <h2>Never goes</h2>
            @if ($view->exempt() === [])
                <p class="door-note">No rule lets anything go yet. When one does: the first and the newest, milestones, pins, what was published or copied out, what a restore rests on, and what waits for somebody’s look stays all the same.</p>
            @else
                <table class="items plain-rows">@foreach ($view->exempt() as [$why, $count])<tr><td>{{ $why }}</td><td class="is-number">{{ $count }}</td></tr>@endforeach</table>
            @endif
            <h2>Takes {{ App\Words\Numbers::bytes(array_sum($takes)) }}</h2>
            <table class="items plain-rows"><tr><td>as it is now</td><td class="is-number">{{ App\Words\Numbers::bytes($takes['newest']) }}</td></tr><tr><td>what else its history needs</td><td class="is-number">{{ App\Words\Numbers::bytes($takes['history']) }}</td></tr><tr><td>pictures and files</td><td class="is-number">{{ App\Words\Numbers::bytes($takes['files']) }}</td></tr></table>
            @can('keep', $item)
                <details class="keeping-hand"><summary>Delete versions by hand…</summary>
                    <form method="post" action="{{ route('versions.delete', $item) }}">
                        @csrf @method('delete')
                        <p class="door-note">It can’t be undone. What something rests on stays; the numbers are not given again.</p>
                        <div class="keeping-range"><label>From <input class="input is-short" type="number" name="from" min="1" max="{{ $item->head }}" required></label> <label>to <input class="input is-short" type="number" name="to" min="1" max="{{ $item->head }}" required></label></div>
                        <div class="field"><label class="label" for="reason">Why? It stands in the log.</label><input class="input" id="reason" name="reason" maxlength="300" required></div>
                        <button class="button is-danger">Delete these versions</button>
                    </form>
                </details>
            @endcan
        </section>
        <section class="keeping-rehearsal" aria-labelledby="rehearsed">
            <h2 id="rehearsed">Rehearsed, nothing has gone</h2>
            <dl class="keeping-sums">
                <div><dd>{{ App\Words\Numbers::said(count($rehearsed->go)) }}</dd><dt>would go</dt></div>
                <div><dd>{{ App\Words\Numbers::said($rehearsed->versions->count() - count($rehearsed->go)) }}</dd><dt>stay</dt></div>
                <div><dd>{{ App\Words\Numbers::bytes($freed) }}</dd><dt>really come back</dt></div>
            </dl>
            @if ($rehearsed->go === [])
                <p class="door-note">{{ $tried->thins() ? 'By these rules everything stays for now.' : 'Everything is kept for ever. Choose how long, and see here what would go before anything does.' }}</p>
            @else
                <p>They are {{ implode(', ', array_map(fn ($whose) => trans_choice('{1} one of :who’s|[2,*] :count of :who’s', $whose[1], ['count' => App\Words\Numbers::said($whose[1]), 'who' => $whose[0]->firstName()]), $rehearsed->whose())) }}.</p>
                <table class="items plain-rows">
                    <thead><tr><th>From</th><th class="is-number">would go</th><th class="is-number">stay</th><th>because</th></tr></thead>
                    <tbody>@foreach ($view->months as $month)<tr><td>{{ $month['said'] }}</td><td class="is-number">{{ App\Words\Numbers::said($month['go']) }}</td><td class="is-number">{{ App\Words\Numbers::said($month['stay']) }}</td><td><small>{{ $month['why'] }}</small></td></tr>@endforeach</tbody>
                </table>
                @can('keep', $item)
                    @if ($isTried)
                        <p class="door-note">These rules are tried only. Keep them, and what would go can go.</p>
                    @else
                        <details class="menu" data-menu><summary class="button is-dark">Let {{ count($rehearsed->go) === 1 ? 'this one' : 'these '.App\Words\Numbers::said(count($rehearsed->go)) }} go…</summary>
                            <form class="menu-sheet menu-form" method="post" action="{{ route('keeping.now', $item) }}">@csrf<p>They go for good. It can’t be undone, by anybody.</p><button class="button is-danger">Let them go</button></form>
                        </details>
                        <span class="door-note">{{ __('keeping.night') }}</span>
                    @endif
                @endcan
            @endif
        </section>
        <section class="keeping-line" aria-label="The versions: hollow ones would go">
            @foreach ($view->lanes as $lane)
                <div class="keeping-lane by-{{ $lane['colour'] }}"><span class="keeping-who">{{ $lane['name'] }} <b class="monogram by-{{ $lane['colour'] }}" aria-hidden="true">{{ $lane['monogram'] }}</b></span><svg viewBox="0 0 1168 22" preserveAspectRatio="none" aria-hidden="true"><path class="stays" d="{{ $lane['stay'] }}"/><path class="goes" d="{{ $lane['go'] }}"/></svg></div>
            @endforeach
            <p class="door-note">solid: stays · hollow: would go</p>
        </section>
    </main>
</x-layout>
