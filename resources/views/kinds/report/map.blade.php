@php($places = App\Kinds\Report\ReportCompared::places($page))
@php($deep = max(4, ...array_map(fn ($part) => $part->int('y') + $part->int('down'), [...$places['old'], ...$places['new']])))
@php($unit = min(8, 150 / $deep))
<figure class="report-map">
    <svg viewBox="0 0 420 {{ $deep * $unit + 26 }}" role="img" aria-label="{{ __('views/kinds/report.map.the_layout_before_and_after', ['title' => $page['page']->part->string('title')]) }}">
        @foreach (['old' => 0, 'new' => 240] as $side => $left)
            <rect class="map-sheet" x="{{ $left + 0.5 }}" y="0.5" width="179" height="{{ $deep * $unit }}"/>
            @foreach ($page['widgets'] as $one)
                @continue($one[$side] === null)
                @php($part = $one[$side]->part)
                <rect class="map-box is-{{ $one['state'] }}" x="{{ $left + 3 + $part->int('x') * 14.5 }}" y="{{ 3 + $part->int('y') * $unit }}" width="{{ $part->int('across') * 14.5 - 3 }}" height="{{ $part->int('down') * $unit - 3 }}"><title>{{ $one[$side]->title() }}</title></rect>
                <text class="map-name" x="{{ $left + 6 + $part->int('x') * 14.5 }}" y="{{ 13 + $part->int('y') * $unit }}">{{ Str::limit($one[$side]->title(), (int) ($part->int('across') * 14.5 / 5.6) - 1, '…') }}</text>
            @endforeach
            <text class="map-side" x="{{ $left }}" y="{{ $deep * $unit + 18 }}">{{ $side === 'old' ? $from->number : $to->number }}</text>
        @endforeach
        @foreach (array_values(array_filter($page['widgets'], fn ($one) => App\Kinds\Report\ReportCompared::stoodElsewhere($one['old'], $one['new']))) as $at => $one)
            @foreach (['old' => 0, 'new' => 240] as $side => $left)
                @php($part = $one[$side]->part)
                <circle class="map-dot" cx="{{ $left + 3 + ($part->int('x') + $part->int('across')) * 14.5 - 13 }}" cy="{{ 3 + ($part->int('y') + $part->int('down')) * $unit - 13 }}" r="8"/>
                <text class="map-number" x="{{ $left + 3 + ($part->int('x') + $part->int('across')) * 14.5 - 13 }}" y="{{ 3 + ($part->int('y') + $part->int('down')) * $unit - 9 }}">{{ $at + 1 }}</text>
            @endforeach
        @endforeach
    </svg>
</figure>
