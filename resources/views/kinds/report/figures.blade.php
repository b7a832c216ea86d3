@if ($widget->widget->type === 'figure')
    @foreach ([$widget->figure()] as [$is, $was, $before])<p class="widget-figure"><b>{{ $widget->number($is) }}</b>@if ($was !== null && $is !== null) <span>{{ __('views/kinds/report.figures.more_since', ['sign' => $is - $was > 0 ? '+' : '', 'more' => $widget->number($is - $was), 'before' => $before]) }}</span>@endif</p>@endforeach
@else
    @if ($widget->widget->type !== 'table')<div class="chart" role="img" aria-label="{{ __('views/kinds/report.figures.drawn_the_same_figures_are_in', ['title' => $widget->title()]) }}" data-chart="{{ json_encode($widget->chart()) }}"></div>@endif
    @if ($widget->widget->type !== 'table')<details class="widget-table"><summary>{{ __('views/kinds/report.figures.the_figures') }}</summary>@endif
        <div class="widget-scroll" tabindex="0" role="region" aria-label="{{ __('views/kinds/report.figures.figures_of', ['title' => $widget->title()]) }}"><table>
            <thead><tr>@if ($widget->widget->by === '')<td></td>@else<th scope="col">{{ $widget->name($widget->widget->by) }}</th>@endif @foreach ($widget->figures->series as $at => $series)<th scope="col" class="is-number">{{ $widget->seriesName($at) }}</th>@endforeach</tr></thead>
            <tbody>@foreach ($widget->figures->keys as $at => $key)<tr><th scope="row">{{ $widget->key($at) }}</th>@foreach ($widget->figures->series as $series)<td class="is-number">{{ $widget->number($series['values'][$at]) }}</td>@endforeach</tr>@endforeach</tbody>
            @if ($widget->figures->total(0) !== null && (count($widget->figures->keys) > 1 || $widget->leftOut() !== []))<tfoot><tr><th scope="row">{{ __($widget->leftOut() === [] ? 'data.total' : 'data.total_of_all') }}</th>@foreach ($widget->figures->series as $at => $series)<td class="is-number">{{ $widget->number($widget->figures->total($at)) }}</td>@endforeach</tr></tfoot>@endif
        </table></div>
    @if ($widget->widget->type !== 'table')</details>@endif
    @if ($widget->leftOut() !== [])<p class="widget-left">{{ implode(' ', $widget->leftOut()) }}</p>@endif
@endif
