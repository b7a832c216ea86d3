@props(['row', 'day', 'ticks' => false])
<tr @class(['is-since' => $row->then === null])>
    <td class="day-tick">@if ($ticks)<input type="checkbox" name="items[]" value="{{ $row->item->key }}" form="back" aria-label="{{ $row->title() }}" data-day-tick>@endif</td>
    <td class="day-seen">@if (($seen = $row->then ?? $row->now) !== null)<x-miniature :item="$row->item" :version="$seen" />@endif</td>
    <td class="items-name">
        @if ($row->then !== null)
            <a href="{{ route('history', ['item' => $row->item, 'from' => $row->then->number, 'to' => $row->then->number, 'view' => 'was'], false) }}">{{ $row->title() }}</a>
            <small>{{ __('views/components.day-row.of', ['kind' => ucfirst($row->item->kind), 'number' => $row->then->number, 'head' => $row->item->head]) }}</small>
        @else
            <a href="{{ route('item', $row->item, false) }}">{{ $row->title() }}</a>
            <small>{{ __('views/components.day-row.not_there_then', ['kind' => ucfirst($row->item->kind)]) }}</small>
        @endif
    </td>
    <td class="day-said">
        @if ($row->fate !== null)<p><b>{{ ucfirst($row->fate) }}</b></p>@endif
        @if ($row->isRenamed())<p>{{ __('views/components.day-row.renamed_to') }} <b>{{ $row->now->title }}</b></p>@endif
        @if ($row->then !== null && $row->now !== null && $row->versions > 0)
            <a href="{{ route('history', ['item' => $row->item, 'from' => $row->then->number, 'to' => $row->now->number], false) }}">@if ($row->isSame()){{ __('day.again', ['versions' => trans_choice('day.versions', $row->versions)]) }}@else{{ trans_choice('day.versions', $row->versions) }}@endif</a>@if (! $row->isSame()): @endif
        @elseif ($row->versions > 0)
            {{ trans_choice('day.versions', $row->versions) }}:
        @elseif ($row->then !== null && $row->now !== null && $row->then->number !== $row->now->number)
            <a href="{{ route('history', ['item' => $row->item, 'from' => $row->then->number, 'to' => $row->now->number], false) }}">{{ __('views/components.day-row.published_again') }}</a>
        @endif
        @if (! $row->isSame())
            @foreach ($row->said as [$sentence, $isUnusual])<span @class(['day-unusual' => $isUnusual])>{{ mb_lcfirst($sentence) }}</span>@if (! $loop->last); @endif @endforeach
            @if ($row->versions > count($row->said) && $row->said !== [])<span class="day-more">{{ __('views/components.day-row.and_more') }}</span>@endif
        @endif
    </td>
    <td class="day-by">@foreach ($row->editors as $editor)<x-monogram :user="$editor" />@endforeach</td>
</tr>
