@php($type = $widget->widget->type)
<article class="widget is-{{ $type }}" id="part-{{ $widget->part->id }}" data-part="{{ $widget->part->id }}" data-x="{{ $widget->part->int('x') }}" data-y="{{ $widget->part->int('y') }}" data-across="{{ $widget->part->int('across') }}" data-down="{{ $widget->part->int('down') }}" @if ($mayWrite) tabindex="0" data-widget data-history-of="{{ route('part', [$item, $widget->part->id], false) }}" aria-describedby="report-keys" @endif aria-label="{{ $widget->title() }}">
    @if ($type === 'text')
        @if ($widget->part->string('title') !== '')<h3>{{ $widget->part->string('title') }}</h3>@endif
        <div class="widget-text">{{ $widget->part->richText()->text() }}</div>
    @elseif ($type === 'picture')
        @if ($widget->part->string('title') !== '')<h3>{{ $widget->part->string('title') }}</h3>@endif
        @if ($widget->part->string('chunk') !== '')<img src="{{ ($pictures ?? fn ($chunk) => route('picture', [$item, $chunk]))($widget->part->string('chunk')) }}" alt="{{ $widget->part->string('alt') }}">@else<p class="widget-broken">No picture yet.</p>@endif
    @else
        <header class="widget-head"><h3>@if (isset($pictures))<a href="#part-{{ $widget->part->id }}">{{ $widget->title() }}</a>@else{{ $widget->title() }}@endif</h3>@if ($widget->broken === null || $widget->broken === 'empty')<p>{{ $widget->words() }}</p>@endif</header>
        @if ($widget->broken !== null && $widget->broken !== 'empty')
            @include('kinds.report.broken')
        @else
            @include('kinds.report.figures')
            @if ($widget->broken === 'empty')@include('kinds.report.empty')@endif
            <footer class="widget-foot">
                @if ($widget->figures->misfits > 0)<span class="data-wrong">{{ trans_choice('{1} one value can’t be read|[2,*] :count values can’t be read', $widget->figures->misfits) }} · </span>@endif
                from @if (($pictures ?? null) === null && Gate::allows('view', $widget->dataset))<a href="{{ route('history', ['item' => $widget->dataset, 'from' => $widget->version->number, 'to' => $widget->version->number, 'view' => 'was']) }}">{{ $widget->dataset->title }} {{ $widget->version->number }}</a>@else{{ $widget->dataset->title }}@endif, <x-when :at="$widget->version->saved_at" />
                @if (($pictures ?? null) === null && ($data ?? null) === null)<span class="widget-files"> · <a href="{{ route('report.figures', [$item, $widget->part->id]) }}" aria-label="Figures of {{ $widget->title() }} as CSV">CSV</a>@if (! in_array($type, ['table', 'figure'], true)) · <button type="button" class="link" data-picture-of="svg" aria-label="{{ $widget->title() }} as SVG">SVG</button> · <button type="button" class="link" data-picture-of="png" aria-label="{{ $widget->title() }} as PNG">PNG</button>@endif</span>@endif
            </footer>
        @endif
    @endif
    @if ($mayWrite)
        <div class="widget-do"><button type="button" class="widget-grip" tabindex="-1" aria-hidden="true" data-grip title="Drag to move">⠿</button><button type="button" class="button is-quiet" data-set aria-label="Set up “{{ $widget->title() }}”">Set up…</button></div>
        <span class="widget-size" data-size aria-hidden="true" title="Drag to size"></span>
    @endif
</article>
