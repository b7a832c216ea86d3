@php($places = App\View\ReportCompared::places($page))
@php($deep = max(4, ...array_map(fn ($part) => $part->int('y') + $part->int('down'), [...$places['old'], ...$places['new']])))
@php($unit = min(8, 150 / $deep))
<figure class="report-map">
    <svg viewBox="0 0 420 {{ $deep * $unit + 26 }}" role="img" aria-label="The layout of “{{ $page['page']->part->string('title') }}” before and after">
        <defs><marker id="to-{{ $page['page']->part->id }}" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" orient="auto"><path class="map-head" d="M0 0 8 4 0 8z"/></marker></defs>
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
        @foreach ($page['widgets'] as $one)
            @if (App\View\ReportCompared::stoodElsewhere($one['old'], $one['new']))
                @php([$a, $b] = [$one['old']->part, $one['new']->part])
                @php([$ax, $ay, $bx, $by] = [3 + ($a->int('x') + $a->int('across')) * 14.5 - 3, $a->int('y') * $unit + $a->int('down') * $unit / 2, 240 + 3 + $b->int('x') * 14.5, $b->int('y') * $unit + $b->int('down') * $unit / 2])
                <path class="map-way" d="M{{ $ax }} {{ $ay }}C{{ $ax + 40 }} {{ $ay }} {{ $bx - 40 }} {{ $by }} {{ $bx - 2 }} {{ $by }}" marker-end="url(#to-{{ $page['page']->part->id }})"/>
            @endif
        @endforeach
    </svg>
</figure>
