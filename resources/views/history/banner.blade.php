<p class="state-banner">
    @if ($from->number === $item->head)
        This is {{ $from->number }}, the newest version, read only.
    @else
        <b>Not the present state.</b> This is {{ $from->number }} as it stood on <x-when :at="$from->saved_at" exact />, read only{{ ($sheet ?? null) === null ? '' : ', with the results of that time' }}{{ $item->sight !== null ? '' : '; '.trans_choice('history.since', $item->head - $from->number) }}.
    @endif
    @isset($fromLive) <span class="lantern-words">{{ $fromLive }}</span>@endisset
    <a href="{{ route('item', $item) }}">To the present one</a>
    @if (($stood ?? 0) > 0)<a href="{{ route('proposals', ['item' => $item, 'at' => $from->number]) }}">{{ trans_choice('proposing.stood', $stood) }}</a>@endif
</p>
