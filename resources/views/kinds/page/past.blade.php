@if ($address->view === 'was')
    <div class="state is-was @if ($from->number === $item->head) is-newest @endif" tabindex="0" role="region" aria-label="{{ __('views/kinds/page.past.version_read_only', ['number' => $from->number]) }}" data-state>
        @include('history.banner')
        <div class="page">{{ $page }}</div>
    </div>
@elseif (isset($written))
    @include('history.written')
@elseif ($address->layout === 'source')
    @include('history.source')
@elseif ($address->layout === 'side')
    <div class="state is-side is-page" tabindex="0" role="region" aria-label="{{ __('views/kinds/page.past.versions_side_by_side', ['number' => $from->number, 'later' => $to->number]) }}" data-state>
        <div class="page-sides">
            <div><p class="sides-name">{{ __('views/kinds/page.past.earlier', ['number' => $from->number]) }} <x-when :at="$from->saved_at" exact /></p><div class="page @if (! $address->marks) is-unmarked @endif">@include('kinds.page.compared', ['blocks' => $earlierBlocks, 'side' => 'old', 'named' => false])</div></div>
            <div><p class="sides-name">{{ __('views/kinds/page.past.later', ['number' => $to->number]) }} <x-when :at="$to->saved_at" exact />@if ($to->number === $item->head){{ __('views/kinds/page.past.the_newest') }} @endif</p><div class="page @if (! $address->marks) is-unmarked @endif">@include('kinds.page.compared', ['side' => 'new', 'named' => true])</div></div>
        </div>
    </div>
@else
    <div class="state is-page" tabindex="0" role="region" aria-label="{{ __('views/kinds/page.past.what_changed_between', ['number' => $from->number, 'later' => $to->number]) }}" data-state>
        <div class="page-and-map">
            <div class="page @if (! $address->marks) is-unmarked @endif" data-traced>@include('kinds.page.compared', ['side' => $address->marks ? 'both' : 'new', 'named' => true])</div>
            @include('kinds.page.map')
        </div>
    </div>
@endif
