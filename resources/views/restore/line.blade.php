<svg class="plan-arc" viewBox="0 0 1200 84" role="img" aria-label="{{ __('views/restore.line.becomes', ['number' => $version->number, 'next' => $item->head + 1]) }}">
    @foreach ($dots as $dot)
        <circle class="{{ $dot['class'] }}" cx="{{ $dot['x'] }}" cy="52" r="5"/>
        <text x="{{ $dot['x'] }}" y="74" text-anchor="middle">{{ $dot['label'] }}</text>
    @endforeach
    <path class="arc" d="M{{ $arc['from'] }} 44 C{{ $arc['from'] + 40 }} 4 {{ $arc['to'] - 40 }} 4 {{ $arc['to'] }} 42"/>
    <path class="arc-head" d="M{{ $arc['to'] - 5 }} 36 h10 l-5 8z"/>
</svg>
