@php($known = $damaged !== null && $damaged->damaged !== [])
<x-error code="damaged" :note="$known ? trans_choice('errors.damaged.versions', count($damaged->damaged), ['title' => $damaged->item->title, 'numbers' => implode(', ', array_slice($damaged->damaged, 0, 8))]).' '.__('errors.damaged.after') : null">
    @if ($known && $damaged->whole !== [])<p>{{ __('errors.damaged.whole') }} @foreach (array_slice($damaged->whole, 0, 5) as $number)<a href="{{ route('history', ['item' => $damaged->item, 'from' => $number, 'to' => $number, 'view' => 'was']) }}">{{ __('errors.damaged.as_it_was', ['number' => (string) $number]) }}</a>@if (! $loop->last), @endif @endforeach</p>@endif
</x-error>
