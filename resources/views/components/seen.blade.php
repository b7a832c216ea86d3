@props(['isPage' => false])
<div class="state @if ($isPage) is-page @endif" tabindex="0" role="region" aria-label="{{ __('views/components.seen.what_readers_will_see') }}" data-state>{{ $slot }}</div>
