<div class="past-tabs">
<nav class="tabs is-past" aria-label="{{ __('views/kinds/spreadsheet.past.tabs') }}">
    @foreach ($sheet->tabs as $tab)
        <a class="tab is-{{ $tab['state'] }}" id="part-{{ $tab['id'] }}" href="{{ $address->with(['tab' => $tab['id']]) }}" data-swap @if ($tab['id'] === $sheet->tab) aria-current="true" @endif>@if ($tab['was'] !== null && $address->view === 'changed')<s>{{ $tab['was'] }}</s> @endif{{ $tab['name'] }}@if ($tab['state'] !== 'same' && $address->view === 'changed') <small>{{ __('history.sheet.tab.'.$tab['state']) }}</small>@endif @if ($tab['count'] > 0)<span class="tab-count" title="{{ trans_choice('history.sheet.changes', $tab['count']) }}">{{ $tab['count'] }}</span>@endif</a>
    @endforeach
</nav>
<span class="past-how">
@if ($address->view === 'changed')
    <span class="switch" role="group" aria-label="{{ __('views/kinds/spreadsheet.past.rows') }}">
        <a href="{{ $address->with(['rows' => 'changed']) }}" data-swap @if ($address->rows === 'changed') aria-current="true" @endif>{{ __('views/kinds/spreadsheet.past.changed_rows') }}</a>
        <a href="{{ $address->with(['rows' => 'all']) }}" data-swap @if ($address->rows === 'all') aria-current="true" @endif>{{ __('views/kinds/spreadsheet.past.all_rows') }}</a>
    </span>
@endif
@if ($address->view === 'who')
    <span class="switch" role="group" aria-label="{{ __('views/kinds/spreadsheet.past.coloured_by') }}">
        <a href="{{ $address->with(['show' => 'values']) }}" data-swap @if ($address->show !== 'age') aria-current="true" @endif>{{ __('views/kinds/spreadsheet.past.by_author') }}</a>
        <a href="{{ $address->with(['show' => 'age']) }}" data-swap @if ($address->show === 'age') aria-current="true" @endif>{{ __('views/kinds/spreadsheet.past.by_age') }}</a>
    </span>
@else
    <span class="switch" role="group" aria-label="{{ __('views/kinds/spreadsheet.past.in_the_cells') }}">
        <a href="{{ $address->with(['show' => 'values']) }}" data-swap @if ($address->show !== 'formulas') aria-current="true" @endif>{{ __('views/kinds/spreadsheet.past.values') }}</a>
        <a href="{{ $address->with(['show' => 'formulas']) }}" data-swap @if ($address->show === 'formulas') aria-current="true" @endif>{{ __('views/kinds/spreadsheet.past.formulas') }}</a>
    </span>
@endif
</span>
</div>
<div class="state is-sheet is-{{ $address->view }} @if ($address->view === 'was' && $from->number === $item->head) is-newest @endif" tabindex="0" role="region" aria-label="{{ $address->view === 'changed' ? __('views/kinds/spreadsheet.past.what_changed_between', ['number' => $from->number, 'later' => $to->number]) : ($address->view === 'was' ? __('views/kinds/spreadsheet.past.version_read_only', ['number' => $from->number]) : __('views/kinds/spreadsheet.past.who_wrote_what_in', ['number' => $to->number])) }}" data-state>
    @if ($address->view === 'was')
        @include('history.banner')
    @elseif ($isByAuthor)
        <p class="state-legend">
            {{ __('views/kinds/spreadsheet.past.version_by', ['number' => $to->number]) }}
            @if ($address->show === 'age')
                {{ __('views/kinds/spreadsheet.past.age') }} <span class="age age-0">{{ __('views/kinds/spreadsheet.past.a_day') }}</span> <span class="age age-1">{{ __('views/kinds/spreadsheet.past.a_week') }}</span> <span class="age age-2">{{ __('views/kinds/spreadsheet.past.a_month') }}</span> <span class="age age-3">{{ __('views/kinds/spreadsheet.past.three_months') }}</span> <span class="age age-4">{{ __('views/kinds/spreadsheet.past.older') }}</span>
            @else
                {{ __('views/kinds/spreadsheet.past.who_wrote_each_cell_last') }} @foreach ($writers as [$person, $count])<span class="legend-who"><x-monogram :user="$person" /> {{ $person->firstName() }} @if ($count !== null)<small>{{ trans_choice('history.written_cells', $count, ['count' => App\Words\Numbers::said($count)]) }}</small>@endif</span> @endforeach
            @endif
        </p>
    @endif
    @if ($sheet->sorted() !== null)<p class="state-legend">{{ $sheet->sorted() }}: {{ __('history.sheet.sorted') }}</p>@endif
    @if ($sheet->count() === 0)
        <p class="changes-none">@if ($sheet->sorted() !== null) {{ __('views/kinds/spreadsheet.past.nothing_else_changed_in_this_tab') }} @elseif ($address->view === 'changed') {{ __('views/kinds/spreadsheet.past.nothing_changed_in_this_tab') }} @else {{ __('views/kinds/spreadsheet.past.this_tab_is_empty') }} @endif</p>
    @else
        <table class="lined" data-lined="{{ $address->with([], 'lines') }}" data-cells="{{ route('item', $item) }}" data-ends="from={{ $from->number }}&amp;to={{ $to->number }}">
            <colgroup><col width="64">@foreach ($sheet->columns as $column)<col width="{{ $column['width'] ?: 112 }}">@endforeach</colgroup>
            <thead><tr>
                <th scope="col"><span class="is-sr-only">{{ __('views/kinds/spreadsheet.past.row') }}</span></th>
                @foreach ($sheet->columns as $column)
                    <th scope="col" id="part-{{ $column['id'] }}" class="was-{{ $column['state'] }} @if ($column['editor']) by-{{ $column['editor']->colour }} @endif @if ($column['note']) was-moved @endif">{{ $column['letters'] }}@if ($column['editor']) <x-monogram :user="$column['editor']" />@endif @if ($column['note'])<small>{{ $column['note'] }}</small>@endif</th>
                @endforeach
            </tr></thead>
            <tbody>@include('kinds.spreadsheet.lines', ['start' => 0])</tbody>
        </table>
    @endif
</div>
<p class="cell-card" data-cell-card aria-live="polite" hidden></p>
