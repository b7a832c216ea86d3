<aside class="flow" aria-labelledby="flow-name">
    <h2 id="flow-name">{{ $title }}</h2>
    @if ($flow->boxes === [])
        <p>{{ __('views/kinds/form.flow.nothing_is_asked_yet') }}</p>
    @else
        <svg viewBox="0 0 {{ $flow::WIDTH }} {{ $flow->height() }}" width="{{ $flow::WIDTH }}" height="{{ $flow->height() }}" role="img" aria-label="{{ __('views/kinds/form.flow.questions_from_top_to_bottom') }}">
            <defs><marker id="flow-head" viewBox="0 0 8 8" refX="7" refY="4" markerUnits="userSpaceOnUse" markerWidth="9" markerHeight="9" orient="auto-start-reverse"><path d="M0 0L8 4L0 8z"/></marker></defs>
            @foreach ($flow->arrows as $arrow)
                <path class="flow-arrow was-{{ $arrow['state'] }} @if ($arrow['isRule']) is-rule @endif" d="{{ $arrow['path'] }}" marker-end="url(#flow-head)"/>
                @if ($arrow['name'] !== '')<text class="flow-when was-{{ $arrow['state'] }}" x="{{ $arrow['x'] }}" y="{{ $arrow['y'] }}">{{ $arrow['name'] }}</text>@endif
            @endforeach
            @foreach ($flow->boxes as $box)
                <g class="flow-box was-{{ $box['state'] }} @unless ($box['isReached']) is-unreached @endunless"><rect x="36" y="{{ $box['y'] }}" width="140" height="30" rx="2"/><text x="44" y="{{ $box['y'] + 19 }}">{{ $box['name'] }}</text></g>
            @endforeach
            <g class="flow-box is-end"><text x="106" y="{{ $flow->height() - 14 }}" text-anchor="middle">{{ __('views/kinds/form.flow.sent') }}</text></g>
        </svg>
    @endif
    @if ($flow->problems !== [])
        <ul class="flow-problems">@foreach ($flow->problems as $problem)<li>{{ $problem }}</li>@endforeach</ul>
    @endif
</aside>
