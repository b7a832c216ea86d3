<svg class="is-sr-only" aria-hidden="true"><symbol id="glyph-history" viewBox="0 0 24 24"><path d="M3 18h18M7 18v-6M12 18V7M17 18v-4"/></symbol></svg>
@if ($address->view === 'was')
    <div class="state is-was @if ($from->number === $item->head) is-newest @endif" tabindex="0" role="region" aria-label="Version {{ $from->number }}, read only" data-state>
        @include('history.banner')
        <div class="page">{{ $page }}</div>
    </div>
@elseif (isset($written))
    @include('history.written')
@elseif ($address->layout === 'source')
    @include('history.source')
@elseif ($address->layout === 'side')
    <div class="state is-side is-page" tabindex="0" role="region" aria-label="Versions {{ $from->number }} and {{ $to->number }} side by side" data-state>
        <div class="page-sides">
            <div><p class="sides-name">Earlier: {{ $from->number }}, <x-when :at="$from->saved_at" exact /></p><div class="page @if (! $address->marks) is-unmarked @endif">@include('kinds.page.compared', ['blocks' => $earlierBlocks, 'side' => 'old', 'named' => false])</div></div>
            <div><p class="sides-name">Later: {{ $to->number }}, <x-when :at="$to->saved_at" exact />@if ($to->number === $item->head), the newest @endif</p><div class="page @if (! $address->marks) is-unmarked @endif">@include('kinds.page.compared', ['side' => 'new', 'named' => true])</div></div>
        </div>
    </div>
@else
    <div class="state is-page" tabindex="0" role="region" aria-label="What changed between {{ $from->number }} and {{ $to->number }}" data-state>
        <div class="page-and-map">
            <div class="page @if (! $address->marks) is-unmarked @endif" data-traced>@include('kinds.page.compared', ['side' => $address->marks ? 'both' : 'new', 'named' => true])</div>
            @include('kinds.page.map')
        </div>
    </div>
@endif
