@props(['item'])
@if ($item->isPublishable())
    <span class="live-line">
    @if ($item->form_id !== null)
        @if ($item->sight === null && $item->live !== null && $item->live->version->root !== $item->root)<b>{{ $item->head }}</b> waits for a yes, others see <a href="{{ route('history', ['item' => $item, 'from' => $item->live->version->number, 'to' => $item->head]) }}">{{ $item->live->version->number }}</a>@endif
    @elseif ($item->sight !== null)
        published <x-when :at="$item->changed_at" />
    @elseif ($item->live === null)
        draft <b data-head-number>{{ $item->head }}</b>, nothing is live
    @else
        <span data-draft @if ($item->live->version->number === $item->head)hidden @endif>draft <b data-head-number>{{ $item->head }}</b>,</span>
        live is <a href="{{ route('history', ['item' => $item, 'from' => $item->live->version->number, 'to' => $item->head]) }}" title="What has changed since it went live" data-since-live>{{ $item->live->version->number }}</a>
    @endif
    @if ($item->is_public && $item->live !== null) · <a href="{{ route('read', $item->address) }}">public address</a>@endif
    </span>
@endif
