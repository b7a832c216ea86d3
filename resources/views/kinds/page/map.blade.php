<aside class="page-map" aria-label="{{ __('views/kinds/page.map.layout_before_and_after') }}">
    <h2>{{ __('views/kinds/page.map.layout_before_and_after') }}</h2>
    <svg viewBox="0 0 {{ $map::WIDTH + 34 }} {{ $map->height() }}" width="{{ $map::WIDTH + 34 }}" height="{{ $map->height() }}" role="img" aria-label="{{ __('views/kinds/page.map.the_layout_of_above_the_one', ['from' => $from->number, 'to' => $to->number]) }}{{ $map->arrows === [] ? '' : __('views/kinds/page.map.moved_names', ['names' => collect($map->arrows)->pluck('name')->join(', ')]) }}">
        <defs><marker id="map-head" viewBox="0 0 8 8" refX="1" refY="4" markerWidth="7" markerHeight="7" orient="auto-start-reverse"><path d="M8 0 0 4l8 4z" transform="rotate(180 4 4)"/></marker></defs>
        @foreach ([[0, $from->number], [1, $to->number]] as [$at, $number])
            <g transform="translate(0 {{ $at === 0 ? 0 : $map->second() }})">
                <rect class="map-page" x="0.5" y="0.5" width="{{ $map::WIDTH - 1 }}" height="{{ $map->heights[$at] - 1 }}"/>
                @foreach ($map->boxes[$at] as $box)
                    <g class="map-box is-{{ $box->state }} @if ($box->colour) by-{{ $box->colour }} @endif"><title>{{ $box->name }}</title><rect x="{{ $box->x }}" y="{{ $box->y }}" width="{{ $box->width }}" height="{{ $box->height }}"/>@if ($box->height > 10)<text x="{{ $box->x + 4 }}" y="{{ $box->y + 11 }}">{{ $box->name }}</text>@endif</g>
                @endforeach
                <text class="map-name" x="0" y="{{ $map->heights[$at] + 13 }}">{{ $number }}{{ $item->live?->version->number === $number ? ', live' : ($number === $item->head ? ', newest' : '') }}</text>
            </g>
        @endforeach
        @foreach ($map->arrows as $arrow)<path class="map-arrow @if ($arrow['colour']) by-{{ $arrow['colour'] }} @endif" d="{{ $arrow['path'] }}" marker-end="url(#map-head)"/>@endforeach
    </svg>
</aside>
