<div class="unusual-do">
    @if ($look)<a href="{{ route('history', ['item' => $version->item, 'from' => $version->item->lookFrom($version->number), 'to' => $version->number]) }}#part-{{ $version->unusual[0]['part'] ?? '' }}">{{ __('views/components.unusual.look') }}</a>@endif
    @can('restore', $version->item)@if ($before !== null)<a href="{{ route('restore', [$version->item, $before]) }}">{{ __('views/components.unusual.restore', ['number' => $before]) }}</a>@endif @endcan
    @can('write', $version->item)<form method="post" action="{{ route('meant', [$version->item, $version->number]) }}">@csrf<button class="link-button">{{ __('views/components.unusual.it_was_meant') }}</button></form>@endcan
</div>
