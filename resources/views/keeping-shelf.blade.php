<x-layout :title="'What is kept on '.$shelf->name">
    <div class="frame">
        <x-shelves :current="$shelf" at="keeping" />
        <main id="main" class="shelf">
            <div class="shelf-head"><h1>What is kept on “{{ $shelf->name }}”</h1><p>an item may have rules of its own</p></div>
            <x-problems />
            <x-keeping-form :tried="$tried" :action="route('keeping.shelf.say', $shelf)" :can="Gate::allows('manage', $shelf)" :above="'As the place has it'" :differs="$rules->own !== []" />
            <form class="keeping-kinds" method="post" action="{{ route('keeping.shelf.kinds', $shelf) }}">
                @csrf @method('put')
                <fieldset aria-describedby="kinds-what" @cannot('manage', $shelf) disabled @endcannot>
                    <legend>{{ __('keeping.kinds.title') }}</legend>
                    @foreach (App\Making\Offered::kinds() as $kind)<label class="checkbox"><input type="checkbox" name="kinds[]" value="{{ $kind }}" @checked(! in_array($kind, $shelf->unkept_kinds, true))> {{ __("item.kinds.{$kind}") }}</label>@endforeach
                    @can('manage', $shelf)<button class="button">{{ __('keeping.kinds.save') }}</button>@endcan
                </fieldset>
                <p class="door-note" id="kinds-what">{{ __('keeping.kinds.lead') }} {{ __('keeping.kinds.entries') }}</p>
            </form>
            <p class="door-note">All on it takes {{ App\Words\Numbers::bytes(array_sum(array_map(fn ($row) => array_sum($row['takes']), $items))) }}; what items share counts once.</p>
            <h2>Rehearsed, nothing has gone</h2>
            @php($goes = array_sum(array_column($items, 'go')))
            @if ($goes === 0)
                <p class="door-note">{{ $rules->thins() ? 'By these rules everything stays for now.' : 'Everything is kept for ever.' }}</p>
            @else
                <p>{{ trans_choice('{1} One version would go|[2,*] :count versions would go', $goes, ['count' => App\Words\Numbers::said($goes)]) }}, and {{ App\Words\Numbers::bytes(array_sum(array_column($items, 'freed'))) }} really come back.</p>
                @can('manage', $shelf)
                    <details class="menu" data-menu><summary class="button is-dark">Let these {{ App\Words\Numbers::said($goes) }} go…</summary>
                        <form class="menu-sheet menu-form" method="post" action="{{ route('keeping.shelf.now', $shelf) }}">@csrf<p>They go for good, on the whole shelf. It can’t be undone, by anybody.</p><button class="button is-danger">Let them go</button></form>
                    </details>
                    <span class="door-note">{{ __('keeping.night') }}</span>
                @endcan
            @endif
            @if ($items !== [])
                <table class="items plain-rows keeping-items">
                    <thead><tr><th>Item</th><th class="is-number">would go</th><th class="is-number">stay</th><th class="is-number">really come back</th><th class="is-number">takes now</th><th class="is-number">of it history</th></tr></thead>
                    <tbody>@foreach ($items as $row)<tr><td><a href="{{ route('keeping', $row['item']) }}">{{ $row['item']->title }}</a></td><td class="is-number">{{ App\Words\Numbers::said($row['go']) }}</td><td class="is-number">{{ App\Words\Numbers::said($row['stay']) }}</td><td class="is-number">{{ App\Words\Numbers::bytes($row['freed']) }}</td><td class="is-number">{{ App\Words\Numbers::bytes(array_sum($row['takes'])) }}</td><td class="is-number">{{ App\Words\Numbers::bytes($row['takes']['history']) }}</td></tr>@endforeach</tbody>
                </table>
            @endif
        </main>
    </div>
</x-layout>
