@props(['item'])
@if (app(App\View\OtherItems::class)->tellsOf($item->origin?->item)) <span class="head-origin">copied out from <a href="{{ route('history', ['item' => $item->origin->item, 'from' => $item->origin->number, 'to' => $item->origin->number, 'view' => 'was']) }}">{{ $item->origin->number }} of “{{ $item->originTitle() }}”</a></span>@endif
