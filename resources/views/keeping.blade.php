<x-layout :title="__('views/keeping.what_is_kept_of', ['title' => $item->title])" body="is-item">
    <x-item-head :item="$item" at="keeping">{{ trans_choice('views/keeping.one_version_is_kept', $item->kept()) }}{{ $item->gone > 0 ? ', '.App\Words\Numbers::said($item->gone).__('views/keeping.no_longer') : '' }}</x-item-head>
    <main id="main" class="keeping">
        <section class="keeping-rules" aria-labelledby="kept">
            <h2 id="kept">{{ __('views/keeping.what_is_kept') }}</h2>
            <p class="door-note">@if ($rules->own === []) {{ __('views/keeping.like_all_of', ['name' => $item->shelf->name]) }} @else {{ __('views/keeping.it_has_rules_of_its_own', ['name' => $item->shelf->name]) }} @endif</p>
            <x-problems />
            <x-keeping-form :tried="$tried" :action="route('keeping.say', $item)" :can="Gate::allows('keep', $item)" rehearses :above="__('views/keeping.as_the_shelf_has_it')" :differs="$rules->own !== []" />
            <h2>{{ __('views/keeping.never_goes') }}</h2>
            @if ($view->exempt() === [])
                <p class="door-note">{{ __('views/keeping.no_rule_lets_anything_go_yet') }}</p>
            @else
                <table class="items plain-rows">@foreach ($view->exempt() as [$why, $count])<tr><td>{{ $why }}</td><td class="is-number">{{ $count }}</td></tr>@endforeach</table>
            @endif
            <h2>{{ __('views/keeping.takes', ['takes' => App\Words\Numbers::bytes(array_sum($takes))]) }}</h2>
            <table class="items plain-rows"><tr><td>{{ __('views/keeping.as_it_is_now') }}</td><td class="is-number">{{ App\Words\Numbers::bytes($takes['newest']) }}</td></tr><tr><td>{{ __('views/keeping.what_else_its_history_needs') }}</td><td class="is-number">{{ App\Words\Numbers::bytes($takes['history']) }}</td></tr><tr><td>{{ __('views/keeping.pictures_and_files') }}</td><td class="is-number">{{ App\Words\Numbers::bytes($takes['files']) }}</td></tr></table>
            @can('keep', $item)
                <details class="keeping-hand"><summary>{{ __('views/keeping.delete_versions_by_hand') }}</summary>
                    <form method="post" action="{{ route('versions.delete', $item) }}">
                        @csrf @method('delete')
                        <p class="door-note">{{ __('views/keeping.it_cant_be_undone_what_something') }}</p>
                        <div class="keeping-range"><label>{{ __('views/keeping.from') }} <input class="input is-short" type="number" name="from" min="1" max="{{ $item->head }}" required></label> <label>{{ __('views/keeping.to') }} <input class="input is-short" type="number" name="to" min="1" max="{{ $item->head }}" required></label></div>
                        <div class="field"><label class="label" for="reason">{{ __('views/keeping.why_it_is_in_the_log') }}</label><input class="input" id="reason" name="reason" maxlength="300" required></div>
                        <button class="button is-danger">{{ __('views/keeping.delete_these_versions') }}</button>
                    </form>
                </details>
            @endcan
        </section>
        <section class="keeping-rehearsal" aria-labelledby="rehearsed">
            <h2 id="rehearsed">{{ __('views/keeping.rehearsed_nothing_has_gone') }}</h2>
            <dl class="keeping-sums">
                <div><dd>{{ App\Words\Numbers::said(count($rehearsed->go)) }}</dd><dt>{{ __('views/keeping.would_go') }}</dt></div>
                <div><dd>{{ App\Words\Numbers::said($rehearsed->versions->count() - count($rehearsed->go)) }}</dd><dt>{{ __('views/keeping.stay') }}</dt></div>
                <div><dd>{{ App\Words\Numbers::bytes($freed) }}</dd><dt>{{ __('views/keeping.really_come_back') }}</dt></div>
            </dl>
            @if ($rehearsed->go === [])
                <p class="door-note">{{ $tried->thins() ? __('views/keeping.by_these_rules_everything_stays_for') : __('views/keeping.everything_is_kept_for_ever_choose') }}</p>
            @else
                <p>{{ __('views/keeping.they_are', ['whose' => implode(', ', array_map(fn ($whose) => trans_choice('views/keeping.one_of_s', $whose[1], ['count' => App\Words\Numbers::said($whose[1]), 'who' => $whose[0]->firstName()]), $view->whose))]) }}</p>
                <table class="items plain-rows">
                    <thead><tr><th>{{ __('views/keeping.from') }}</th><th class="is-number">{{ __('views/keeping.would_go') }}</th><th class="is-number">{{ __('views/keeping.stay') }}</th><th>{{ __('views/keeping.because') }}</th></tr></thead>
                    <tbody>@foreach ($view->months as $month)<tr><td>{{ $month['said'] }}</td><td class="is-number" data-th="{{ __('views/keeping.would_go') }}">{{ App\Words\Numbers::said($month['go']) }}</td><td class="is-number" data-th="{{ __('views/keeping.stay') }}">{{ App\Words\Numbers::said($month['stay']) }}</td><td><small>{{ $month['why'] }}</small></td></tr>@endforeach</tbody>
                </table>
                @can('keep', $item)
                    @if ($isTried)
                        <p class="door-note">{{ __('views/keeping.these_rules_are_tried_only_keep') }}</p>
                    @else
                        <details class="menu" data-menu><summary class="button is-dark">{{ __('views/keeping.let_go', ['go' => count($rehearsed->go) === 1 ? __('views/keeping.this_one') : __('views/keeping.these').App\Words\Numbers::said(count($rehearsed->go))]) }}</summary>
                            <form class="menu-sheet menu-form" method="post" action="{{ route('keeping.now', $item) }}">@csrf<p>{{ __('views/keeping.they_go_for_good_it_cant') }}</p><button class="button is-danger">{{ __('views/keeping.let_them_go') }}</button></form>
                        </details>
                        <span class="door-note">{{ __('keeping.night') }}</span>
                    @endif
                @endcan
            @endif
        </section>
        <section class="keeping-line" aria-label="{{ __('views/keeping.the_versions_hollow_ones_would_go') }}">
            @foreach ($view->lanes as $lane)
                <div class="keeping-lane by-{{ $lane['colour'] }}"><span class="keeping-who">{{ $lane['name'] }} <b class="monogram by-{{ $lane['colour'] }}" aria-hidden="true">{{ $lane['monogram'] }}</b></span><svg viewBox="0 0 1168 22" preserveAspectRatio="none" aria-hidden="true"><path class="stays" d="{{ $lane['stay'] }}"/><path class="goes" d="{{ $lane['go'] }}"/></svg></div>
            @endforeach
            <p class="door-note">{{ __('views/keeping.solid_stays_hollow_would_go') }}</p>
        </section>
    </main>
</x-layout>
