<div class="unusual-do">
    @if ($look)<a href="{{ App\View\HistoryAddress::at($version->item, $version->item->lookFrom($version->number), $version->number, $version->unusual[0]['part'] ?? '') }}">{{ __('views/components.unusual.look') }}</a>@endif
    @can('restore', $version->item)@if ($before !== null)<a href="{{ route('restore', [$version->item, $before]) }}">{{ __('views/components.unusual.restore', ['number' => $before]) }}</a>@endif @endcan
    @can('write', $version->item)<form method="post" action="{{ route('meant', [$version->item, $version->number]) }}">@csrf<button class="link-button">{{ __('views/components.unusual.it_was_meant') }}</button></form>@endcan
</div>
