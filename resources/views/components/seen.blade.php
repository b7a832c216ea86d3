@props(['isPage' => false])
<div class="state @if ($isPage) is-page @endif" tabindex="0" role="region" aria-label="What readers will see" data-state>{{ $slot }}</div>
