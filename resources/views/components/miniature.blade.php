@props(['item', 'version'])
<img {{ $attributes->class('miniature') }} src="{{ App\View\Miniature::address($item, $version, auth()->user()) }}" alt="" width="72" height="50" loading="lazy" decoding="async">
