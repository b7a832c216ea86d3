<div class="state is-file is-picture @if ($isOne && $from->number === $item->head) is-newest @endif" tabindex="0" role="region" aria-label="{{ $isOne ? "Version {$from->number}" : __('views/kinds/file.pictures.what_changed_between', ['number' => $from->number, 'later' => $to->number]) }}" data-state>
    @if ($isOne)
        @if ($address->view === 'was') @include('history.banner') @endif
        <figure class="file-picture" id="part-{{ $new->id }}" data-part="{{ $new->id }}"><img src="{{ route('file.content', [$item, $from->number]) }}" data-chunk="{{ $old->chunk }}" alt="{{ __('views/kinds/file.pictures.in', ['name' => $old->name, 'number' => $from->number]) }}"></figure>
    @else
        <p class="state-legend" role="status">
            @if ($pictures === null){{ __('file.not_by_points') }}
            @else{{ trans_choice('file.differ', count($pictures->places), ['count' => (string) count($pictures->places), 'share' => $pictures->share > 0 && $pictures->share < 0.001 ? __('views/kinds/file.pictures.less_than_0_1') : App\Words\Numbers::said(100 * $pictures->share, 1)]) }}.
                @if ($pictures->before !== $pictures->after){{ __('file.resized', ['was' => __('file.points', ['width' => (string) $pictures->before[0], 'height' => (string) $pictures->before[1]]), 'is' => __('file.points', ['width' => (string) $pictures->after[0], 'height' => (string) $pictures->after[1]])]) }}@endif
            @endif
        </p>
        @if ($address->layout === 'side')
            <div class="file-sides" id="part-{{ $new->id }}" data-part="{{ $new->id }}">
                <figure><figcaption>{{ __('views/kinds/file.pictures.earlier', ['number' => $from->number]) }}</figcaption>@include('kinds.file.laid', ['laid' => [[$from->number, $pictures?->before]], 'size' => $pictures?->before])</figure>
                <figure><figcaption>{{ __('views/kinds/file.pictures.later', ['number' => $to->number]) }}</figcaption>@include('kinds.file.laid', ['laid' => [[$to->number, $pictures?->after]], 'size' => $pictures?->after])</figure>
            </div>
        @else
            <figure class="file-over" id="part-{{ $new->id }}" data-part="{{ $new->id }}">
                <label class="file-fade">{{ $from->number }} <input type="range" min="0" max="100" value="50" data-fade aria-label="{{ __('views/kinds/file.pictures.how_much_lies_over', ['number' => $to->number, 'later' => $from->number]) }}"> {{ $to->number }}</label>
                @include('kinds.file.laid', ['laid' => [[$from->number, $pictures?->before], [$to->number, $pictures?->after]], 'size' => $pictures === null ? null : [$pictures->width(), $pictures->height()]])
            </figure>
        @endif
    @endif
</div>
