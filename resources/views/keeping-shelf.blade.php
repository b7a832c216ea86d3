<x-layout :title="__('views/keeping-shelf.what_is_kept_on', ['name' => $shelf->name])">
    <div class="frame">
        <x-shelves :current="$shelf" at="keeping" />
        <main id="main" class="shelf">
            <div class="shelf-head"><h1>{{ __('views/keeping-shelf.what_is_kept_on_name', ['name' => $shelf->name]) }}</h1><p>{{ __('views/keeping-shelf.an_item_may_have_rules_of') }}</p></div>
            <x-problems />
            <x-keeping-form :tried="$tried" :action="route('keeping.shelf.say', $shelf)" :can="Gate::allows('manage', $shelf)" :above="__('views/keeping-shelf.as_the_place_has_it')" :differs="$rules->own !== []" />
            <form class="keeping-kinds" method="post" action="{{ route('keeping.shelf.kinds', $shelf) }}">
                @csrf @method('put')
                <fieldset aria-describedby="kinds-what" @cannot('manage', $shelf) disabled @endcannot>
                    <legend>{{ __('keeping.kinds.title') }}</legend>
                    @foreach (App\Making\Offered::kinds() as $kind)<label class="checkbox"><input type="checkbox" name="kinds[]" value="{{ $kind }}" @checked(! in_array($kind, $shelf->unkept_kinds, true))> {{ __("item.kinds.{$kind}") }}</label>@endforeach
                    @can('manage', $shelf)<button class="button">{{ __('keeping.kinds.save') }}</button>@endcan
                </fieldset>
                <p class="door-note" id="kinds-what">{{ __('keeping.kinds.lead') }} {{ __('keeping.kinds.entries') }}</p>
            </form>
            <p class="door-note">{{ __('views/keeping-shelf.all_on_it_takes_what_items', ['items' => App\Words\Numbers::bytes($rehearsed->takes())]) }}</p>
            <h2>{{ __('views/keeping-shelf.rehearsed_nothing_has_gone') }}</h2>
            @if ($rehearsed->goes() === 0)
                <p class="door-note">{{ $rules->thins() ? __('views/keeping-shelf.by_these_rules_everything_stays_for') : __('views/keeping-shelf.everything_is_kept_for_ever') }}</p>
            @else
                <p>{{ __('views/keeping-shelf.and_really_come_back', ['goes' => trans_choice('views/keeping-shelf.one_version_would_go', $rehearsed->goes(), ['count' => App\Words\Numbers::said($rehearsed->goes())]), 'items' => App\Words\Numbers::bytes($rehearsed->freed())]) }}</p>
                @can('manage', $shelf)
                    <div class="keeping-do">
                        <details class="menu" data-menu><summary class="button is-dark">{{ __('views/keeping-shelf.let_these_go', ['goes' => App\Words\Numbers::said($rehearsed->goes())]) }}</summary>
                            <form class="menu-sheet menu-form" method="post" action="{{ route('keeping.shelf.now', $shelf) }}">@csrf<p>{{ __('views/keeping-shelf.they_go_for_good_on_the') }}</p><button class="button is-danger">{{ __('views/keeping-shelf.let_them_go') }}</button></form>
                        </details>
                        <span class="door-note">{{ __('keeping.night') }}</span>
                    </div>
                @endcan
            @endif
            @if ($rehearsed->items !== [])
                <table class="items plain-rows keeping-items">
                    <thead><tr><th>{{ __('views/keeping-shelf.item') }}</th><th class="is-number">{{ __('views/keeping-shelf.would_go') }}</th><th class="is-number">{{ __('views/keeping-shelf.stay') }}</th><th class="is-number">{{ __('views/keeping-shelf.really_come_back') }}</th><th class="is-number">{{ __('views/keeping-shelf.takes_now') }}</th><th class="is-number">{{ __('views/keeping-shelf.of_it_history') }}</th></tr></thead>
                    <tbody>@foreach ($rehearsed->items as $row)<tr><td>@can('draft', $row['item'])<a href="{{ route('keeping', $row['item']) }}">{{ $row['item']->title }}</a>@else{{ $row['item']->title }}@endcan</td><td class="is-number" data-th="{{ __('views/keeping-shelf.would_go') }}">{{ App\Words\Numbers::said($row['go']) }}</td><td class="is-number" data-th="{{ __('views/keeping-shelf.stay') }}">{{ App\Words\Numbers::said($row['stay']) }}</td><td class="is-number" data-th="{{ __('views/keeping-shelf.really_come_back') }}">{{ App\Words\Numbers::bytes($row['freed']) }}</td><td class="is-number" data-th="{{ __('views/keeping-shelf.takes_now') }}">{{ App\Words\Numbers::bytes(array_sum($row['takes'])) }}</td><td class="is-number" data-th="{{ __('views/keeping-shelf.of_it_history') }}">{{ App\Words\Numbers::bytes($row['takes']['history']) }}</td></tr>@endforeach</tbody>
                </table>
            @endif
        </main>
    </div>
</x-layout>
