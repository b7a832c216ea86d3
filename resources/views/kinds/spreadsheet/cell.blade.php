<x-layout :kind="$item->kind" :title="__('views/kinds/spreadsheet.cell.history_of_one_cell_of', ['title' => $item->title])" body="is-plain">
    <main id="main" class="plan is-part">
        <p class="part-back"><a href="{{ route('history', $item) }}">{{ __('views/kinds/spreadsheet.cell.all_of_its_history', ['title' => $item->title]) }}</a>@if ($story->place !== '') · <a href="{{ route('item', ['item' => $item, 'at' => "{$row}/{$column}"]) }}">{{ __('views/kinds/spreadsheet.cell.to_the_cell') }}</a>@endif</p>
        <h1>@if ($story->columnName !== ''){{ __('views/kinds/spreadsheet.cell.of', ['column_name' => $story->columnName]) }} @endif “{{ $story->rowName }}”@if ($story->place !== '') <span class="cell-at">{{ $story->place }}</span>@else <span class="cell-at">{{ __('views/kinds/spreadsheet.cell.gone_now') }}</span>@endif</h1>
        <p class="plan-lead">{{ trans_choice('history.cell.count', $story->written() + $story->older) }}@if (($moved = count($story->steps) - $story->written()) > 0){{ trans_choice('history.cell.count_moved', $moved) }}@endif{{ __('views/kinds/spreadsheet.cell.the_newest_first_wherever_its_row') }}</p>
        <x-problems />
        @if ($chart = $story->chart())
            <figure class="cell-chart">
                <svg viewBox="0 0 640 90" width="640" height="90" role="img" aria-label="{{ __('views/kinds/spreadsheet.cell.the_numbers_from_the_oldest', ['least' => $chart['least'], 'most' => $chart['most']]) }}">
                    <polyline points="{{ $chart['line'] }}"/>
                    @foreach ($chart['points'] as $point)<circle @class(["by-{$point['colour']}" => $point['colour'] !== null, 'is-moved' => $point['colour'] === null]) cx="{{ $point['x'] }}" cy="{{ $point['y'] }}" r="{{ $point['colour'] === null ? 2.5 : 4.5 }}"><title>{{ $point['label'] }}</title></circle>@endforeach
                </svg>
                <figcaption>{{ __('views/kinds/spreadsheet.cell.least_to_most_oldest_to_newest', ['least' => $chart['least'], 'most' => $chart['most']]) }}</figcaption>
            </figure>
        @endif
        <ol class="part-steps">
            @foreach ($story->steps as $step)
                <li @class(['part-step', "by-{$step->version->user->colour}" => $step->since === null, 'is-moved' => $step->since !== null])>
                    @if ($step->since === null)<x-monogram :user="$step->version->user" aria-hidden="true" />@else<span class="part-moved" aria-hidden="true">∿</span>@endif
                    <div class="part-what">
                        <p>@if ($step->value !== null)<b class="cell-value">{{ $step->value === '' ? __('history.cell.empty') : $step->value }}</b> @endif @if ($step->formula !== null)<code>{{ $step->formula }}</code>@endif</p>
                        <small>{{ $step->sentence }}@if ($step->since === null): {{ $step->version->user->name }}@endif {{ __('views/kinds/spreadsheet.cell.in') }} <a href="{{ App\View\HistoryAddress::at($item, $item->lookFrom($step->version->number), $step->version->number, $row) }}">{{ $step->version->number }}</a>, <x-when :at="$step->version->saved_at" />@if ($step->version->milestone), “{{ $step->version->milestone->name }}”@endif @if ($step->since !== null)<a data-causes="{{ route('causes', [$item, $row, $column, 'from' => $step->since, 'to' => $step->version->number], false) }}" href="{{ App\View\HistoryAddress::at($item, $step->since, $step->version->number, "{$row}/{$column}") }}">{{ __('history.cell.why') }}</a>@endif</small>
                    </div>
                    @if ($step->isNow)
                        <span class="part-now">{{ $step->value === null ? __('views/kinds/spreadsheet.cell.gone_now') : __('views/kinds/spreadsheet.cell.as_it_is_now') }}</span>
                    @elseif ($step->value !== null && $mayRestore && $step->since === null)
                        <form method="post" action="{{ route('cell.restore', [$item, $row, $column, $step->version->number]) }}">@csrf<input type="hidden" name="seen" value="{{ $item->head }}"><button class="button">{{ __('views/kinds/spreadsheet.cell.bring_this_back') }}<span class="is-sr-only"> {{ __('views/kinds/spreadsheet.cell.as_it_was_in', ['number' => $step->version->number]) }}</span></button></form>
                    @endif
                </li>
            @endforeach
        </ol>
        @if ($story->older > 0)<p class="plan-none">{{ trans_choice('history.part.older', $story->older) }}</p>@endif
        <p class="part-more">{{ __('views/kinds/spreadsheet.cell.the_history_of_its') }} <a href="{{ route('part', [$item, $row]) }}">{{ __('views/kinds/spreadsheet.cell.row') }}</a>@if ($story->tab !== ''){{ __('views/kinds/spreadsheet.cell.its') }} <a href="{{ route('part', [$item, $column]) }}">{{ __('views/kinds/spreadsheet.cell.column') }}</a> {{ __('views/kinds/spreadsheet.cell.or_its') }} <a href="{{ route('part', [$item, $story->tab]) }}">{{ __('views/kinds/spreadsheet.cell.tab') }}</a>@endif</p>
    </main>
</x-layout>
