<article class="widget is-{{ $widget->widget->type }}" id="part-{{ $widget->part->id }}" data-part="{{ $widget->part->id }}" data-x="{{ $widget->part->int('x') }}" data-y="{{ $widget->part->int('y') }}" data-across="{{ $widget->part->int('across') }}" data-down="{{ $widget->part->int('down') }}" @if ($mayWrite) tabindex="0" data-widget data-history-of="{{ route('part', [$item, $widget->part->id], false) }}" aria-describedby="report-keys" @endif aria-label="{{ $widget->title() }}">
    @if ($widget->widget->type === 'text')
        @if ($widget->part->string('title') !== '')<h3>{{ $widget->part->string('title') }}</h3>@endif
        <div class="widget-text" data-part-text>{{ $widget->part->richText()->text() }}</div>
    @elseif ($widget->widget->type === 'picture')
        @if ($widget->part->string('title') !== '')<h3>{{ $widget->part->string('title') }}</h3>@endif
        @if ($widget->part->string('chunk') !== '')<img src="{{ ($pictures ?? fn ($chunk) => route('picture', [$item, $chunk]))($widget->part->string('chunk')) }}" alt="{{ $widget->part->string('alt') }}">@else<p class="widget-broken">{{ __('views/kinds/report.widget.no_picture_yet') }}</p>@endif
    @else
        <header class="widget-head"><h3>@if (isset($pictures))<a href="#part-{{ $widget->part->id }}">{{ $widget->title() }}</a>@else{{ $widget->title() }}@endif</h3>@if ($widget->broken === null || $widget->broken === 'empty')<p>{{ $widget->words() }}</p>@endif</header>
        @if ($widget->broken !== null && $widget->broken !== 'empty')
            @include('kinds.report.broken', ['mending' => $report->mendings[$widget->part->id]])
        @else
            @include('kinds.report.figures')
            @if ($widget->broken === 'empty')@include('kinds.report.broken', ['mending' => $report->mendings[$widget->part->id]])@endif
            <footer class="widget-foot">
                @if ($widget->figures->misfits > 0)<span class="data-wrong">{{ trans_choice('views/kinds/report.widget.one_value_cant_be_read', $widget->figures->misfits) }} · </span>@endif
                {{ __('views/kinds/report.widget.from') }} @if (($pictures ?? null) === null && Gate::allows('view', $widget->dataset))<a href="{{ route('history', ['item' => $widget->dataset, 'from' => $widget->version->number, 'to' => $widget->version->number, 'view' => 'was']) }}">{{ $widget->dataset->title }} {{ $widget->version->number }}</a>@else{{ $widget->dataset->title }}@endif, <x-when :at="$widget->version->saved_at" />
                @if (($pictures ?? null) === null && ($data ?? null) === null)<span class="widget-files"> · <a href="{{ route('report.figures', [$item, $widget->part->id]) }}" aria-label="{{ __('views/kinds/report.widget.figures_of_as_csv', ['title' => $widget->title()]) }}">{{ __('views/kinds/report.widget.csv') }}</a>@if (! in_array($widget->widget->type, ['table', 'figure'], true)) · <button type="button" class="link" data-picture-of="svg" aria-label="{{ __('views/kinds/report.widget.as_svg', ['title' => $widget->title()]) }}">{{ __('views/kinds/report.widget.svg') }}</button> · <button type="button" class="link" data-picture-of="png" aria-label="{{ __('views/kinds/report.widget.as_png', ['title' => $widget->title()]) }}">{{ __('views/kinds/report.widget.png') }}</button>@endif</span>@endif
            </footer>
        @endif
    @endif
    @if ($mayWrite)
        <div class="widget-do"><button type="button" class="widget-grip" tabindex="-1" aria-hidden="true" data-grip title="{{ __('views/kinds/report.widget.drag_to_move') }}">⠿</button><button type="button" class="button is-quiet" data-set aria-label="{{ __('views/kinds/report.widget.set_up', ['title' => $widget->title()]) }}">{{ __('views/kinds/report.widget.set_up_asks') }}</button></div>
        <span class="widget-size" data-size aria-hidden="true" title="{{ __('views/kinds/report.widget.drag_to_size') }}"></span>
    @endif
</article>
