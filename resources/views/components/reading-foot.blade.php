@props(['publishing', 'earlier', 'isLive'])
<footer class="reading-foot">
    <p>@if (config('attic.place') !== ''){{ config('attic.place') }} · @endif {{ __('views/components.reading-foot.published', ['decided_at' => App\Words\Days::long($publishing->decided_at)]) }}</p>
    @if ($earlier->isNotEmpty())
        <details><summary>{{ $isLive ? __('views/components.reading-foot.as_it_was_before') : __('views/components.reading-foot.at_other_times') }}</summary>
            <ul>@foreach ($earlier as $address => $each)<li><a href="{{ $address }}">{{ __('views/components.reading-foot.utc', ['decided_at' => App\Words\Days::moment($each->decided_at)]) }}</a></li>@endforeach</ul>
        </details>
    @endif
</footer>
