@props(['publishing', 'earlier', 'isLive'])
<footer class="reading-foot">
    <p>@if (config('attic.place') !== ''){{ config('attic.place') }} · @endif Published {{ App\Words\Days::long($publishing->decided_at) }}</p>
    @if ($earlier->isNotEmpty())
        <details><summary>{{ $isLive ? 'As it was before' : 'At other times' }}</summary>
            <ul>@foreach ($earlier as $address => $each)<li><a href="{{ $address }}">{{ App\Words\Days::moment($each->decided_at) }} UTC</a></li>@endforeach</ul>
        </details>
    @endif
</footer>
