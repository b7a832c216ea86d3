<figure class="report-map">
    <svg viewBox="0 0 420 {{ $page->deep() * $page->unit() + 26 }}" role="img" aria-label="{{ __('views/kinds/report.map.the_layout_before_and_after', ['title' => $page->page->part->string('title')]) }}">
        @foreach (['old' => 0, 'new' => 240] as $side => $left)
            <rect class="map-sheet" x="{{ $left + 0.5 }}" y="0.5" width="179" height="{{ $page->deep() * $page->unit() }}"/>
            @foreach ($page->widgets as $one)
                @continue(($part = $one->parts()[$side]) === null)
                <rect class="map-box is-{{ $one->state }}" x="{{ $left + 3 + $part->int('x') * 14.5 }}" y="{{ 3 + $part->int('y') * $page->unit() }}" width="{{ $part->int('across') * 14.5 - 3 }}" height="{{ $part->int('down') * $page->unit() - 3 }}"><title>{{ $one->{$side}->title() }}</title></rect>
                <text class="map-name" x="{{ $left + 6 + $part->int('x') * 14.5 }}" y="{{ 13 + $part->int('y') * $page->unit() }}">{{ Str::limit($one->{$side}->title(), (int) ($part->int('across') * 14.5 / 5.6) - 1, '…') }}</text>
            @endforeach
            <text class="map-side" x="{{ $left }}" y="{{ $page->deep() * $page->unit() + 18 }}">{{ $side === 'old' ? $from->number : $to->number }}</text>
        @endforeach
        @foreach ($page->moved() as $at => $one)
            @foreach (['old' => 0, 'new' => 240] as $side => $left)
                @continue(($part = $one->parts()[$side]) === null)
                <circle class="map-dot" cx="{{ $left + 3 + ($part->int('x') + $part->int('across')) * 14.5 - 13 }}" cy="{{ 3 + ($part->int('y') + $part->int('down')) * $page->unit() - 13 }}" r="8"/>
                <text class="map-number" x="{{ $left + 3 + ($part->int('x') + $part->int('across')) * 14.5 - 13 }}" y="{{ 3 + ($part->int('y') + $part->int('down')) * $page->unit() - 9 }}">{{ $at + 1 }}</text>
            @endforeach
        @endforeach
    </svg>
</figure>
