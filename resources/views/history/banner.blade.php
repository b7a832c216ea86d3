<p class="state-banner">
    @if ($from->number === $item->head)
        {{ __('views/history.banner.this_is_the_newest_version_read', ['number' => $from->number]) }}
    @else
        <b>{{ __('views/history.banner.not_the_present_state') }}</b> {{ __('views/history.banner.this_is_as_it_stood_on', ['number' => $from->number]) }} <x-when :at="$from->saved_at" exact />{{ __('views/history.banner.read_only', ['sheet' => ($sheet ?? null) === null ? '' : __('views/history.banner.with_the_results_of_that_time'), 'number' => $item->sight !== null ? '' : '; '.trans_choice('history.since', $item->head - $from->number)]) }}
    @endif
    @isset($fromLive) <span class="lantern-words">{{ $fromLive }}</span>@endisset
    <a href="{{ route('item', $item) }}">{{ __('views/history.banner.to_the_present_one') }}</a>
    @if (($stood ?? 0) > 0)<a href="{{ route('proposals', ['item' => $item, 'at' => $from->number]) }}">{{ trans_choice('proposing.stood', $stood) }}</a>@endif
</p>
