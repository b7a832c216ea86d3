@if ($face === App\Kinds\File\Face::Picture)
    @include('kinds.file.pictures')
@elseif ($face === App\Kinds\File\Face::Bytes)
    <div class="state is-file @if ($address->view === 'was' && $from->number === $item->head) is-newest @endif" tabindex="0" role="region" aria-label="{{ $address->view === 'was' ? "Version {$from->number}" : __('views/kinds/file.past.what_changed_between', ['number' => $from->number, 'later' => $to->number]) }}" data-state>
        @if ($address->view === 'was')
            @include('history.banner')
            <div class="paper file-bytes" id="part-{{ $old->id }}" data-part="{{ $old->id }}">@include('kinds.file.facts', ['file' => $old])</div>
        @else
            <div class="paper file-bytes" @if (($comparison->entries[0] ?? null) !== null) id="part-{{ $comparison->entries[0]->part() }}" data-part="{{ $comparison->entries[0]->part() }}" @endif>
                @if ($address->show !== 'bytes' && count($old->faces()) > 1 && count($new->faces()) > 1)<p class="state-legend">{{ __('file.unreadable') }}</p>@endif
                <p class="file-share"><b>{{ trans_choice('file.same_share', $new->size === 0 ? ($old->size === 0 ? 100 : 0) : ($old->sha256 === $new->sha256 ? 100 : min(99, (int) round(100 * $common / $new->size))), ['share' => (string) min(99, (int) round(100 * $common / max(1, $new->size)))]) }}</b></p>
                <div class="file-pair"><section><h2>{{ __('views/kinds/file.past.version', ['number' => $from->number]) }}</h2>@include('kinds.file.facts', ['file' => $old])</section><section><h2>{{ __('views/kinds/file.past.version', ['number' => $to->number]) }}</h2>@include('kinds.file.facts', ['file' => $new])</section></div>
            </div>
        @endif
    </div>
@elseif (($sheet ?? null) !== null)
    @include('kinds.spreadsheet.past', ['of' => []])
@else
    <div class="is-file-text @if ($face === App\Kinds\File\Face::Lines) is-lines @endif">@include('history.state')</div>
@endif
