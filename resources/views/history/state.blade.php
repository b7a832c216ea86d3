@if ($address->view === 'was')
    <div class="state is-was @if ($from->number === $item->head) is-newest @endif" tabindex="0" role="region" aria-label="{{ __('views/history.state.version_read_only', ['number' => $from->number]) }}" data-state>
        @include('history.banner')
        <article class="paper prose">@include($blockView ?? $past::BLOCKS, ['side' => 'both'])</article>
        @include('history.pieces')
    </div>
@elseif (isset($written))
    @include('history.written')
@elseif (isset($source))
    @include('history.source')
@elseif ($address->layout === 'side')
    <div class="state is-side" tabindex="0" role="region" aria-label="{{ __('views/history.state.versions_side_by_side', ['number' => $from->number, 'later' => $to->number]) }}" data-state>
        <div class="sides">
            <p class="sides-name">{{ __('views/history.state.earlier', ['number' => $from->number]) }} <x-when :at="$from->saved_at" exact /></p>
            <p class="sides-name">{{ __('views/history.state.later', ['number' => $to->number]) }} <x-when :at="$to->saved_at" exact />@if ($to->number === $item->head){{ __('views/history.state.the_newest') }} @endif</p>
            @foreach ($blocks as $block)
                <div class="side-cell prose">@if (! $block->added())@include($blockView ?? $past::BLOCKS, ['blocks' => [$block], 'side' => 'old'])@endif</div>
                <div class="side-cell prose">@if (! $block->removed())@include($blockView ?? $past::BLOCKS, ['blocks' => [$block], 'side' => 'new'])@endif</div>
            @endforeach
        </div>
        @include('history.pieces')
    </div>
@else
    <div class="state" tabindex="0" role="region" aria-label="{{ __('views/history.state.what_changed_between', ['number' => $from->number, 'later' => $to->number]) }}" data-state>
        <article class="paper prose">@include($blockView ?? $past::BLOCKS, ['side' => 'both'])</article>
        @include('history.pieces')
    </div>
@endif
