@props(['publishing', 'earlier', 'isLive'])
<footer class="reading-foot">
    <p>@if (config('attic.place') !== ''){{ config('attic.place') }} · @endif Published {{ $publishing->decided_at?->format('j F Y') }}</p>
    @if ($earlier->isNotEmpty())
        <details><summary>{{ $isLive ? 'As it was before' : 'At other times' }}</summary>
            <ul>@foreach ($earlier as $address => $each)<li><a href="{{ $address }}">{{ $each->decided_at?->format('j F Y, H:i') }} UTC</a></li>@endforeach</ul>
        </details>
    @endif
</footer>
