@if ($item->isPublishable())
    <span class="live-line">
    @if ($item->form_id !== null)
        @if ($item->sight === null && $item->live !== null && $item->live->version->root !== $item->root)<b>{{ $item->head }}</b> {{ __('views/components.live.waits_for_a_yes_others_see') }} <a href="{{ route('history', ['item' => $item, 'from' => $item->live->version->number, 'to' => $item->head]) }}">{{ $item->live->version->number }}</a>@endif
    @elseif ($item->sight !== null)
        {{ __('views/components.live.published') }} <x-when :at="$item->changed_at" />
    @elseif ($item->live === null)
        {{ __('views/components.live.draft') }} <b data-head-number>{{ $item->head }}</b>{{ __('views/components.live.nothing_is_live') }}
    @else
        <span data-draft @if ($item->live->version->number === $item->head)hidden @endif>{{ __('views/components.live.draft') }} <b data-head-number>{{ $item->head }}</b>,</span>
        {{ __('views/components.live.live_is') }} <a href="{{ route('history', ['item' => $item, 'from' => $item->live->version->number, 'to' => $item->head]) }}" title="{{ __('views/components.live.what_has_changed_since_it_went') }}" data-since-live>{{ $item->live->version->number }}</a>
    @endif
    @if ($item->is_public && $item->live !== null) · <a href="{{ route('read', $item->address) }}">{{ __('views/components.live.public_address') }}</a>@endif
    </span>
@endif
