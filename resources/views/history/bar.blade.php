<div class="bar-row">
    <span class="switch" role="group" aria-label="{{ __('views/history.bar.view') }}">
        <a href="{{ $address->with(['view' => 'was']) }}" data-swap @if ($address->view === 'was') aria-current="true" @endif>{{ __('views/history.bar.as_it_was') }}</a>
        <a href="{{ $address->with(['view' => 'changed']) }}" data-swap @if ($address->view === 'changed') aria-current="true" @endif>{{ __('views/history.bar.what_changed') }}</a>
        @if ($tellsAuthors)<a href="{{ $address->with(['view' => 'who']) }}" data-swap @if ($address->view === 'who') aria-current="true" @endif>{{ __('views/history.bar.who_wrote_what') }}</a>@endif
    </span>
    @foreach ($switches as $switch)
        <span class="switch" role="group" aria-label="{{ $switch['label'] }}">
            @foreach ($switch['choices'] as [$said, $with, $isSo])<a href="{{ $address->with($with) }}" data-swap @if ($isSo) aria-current="true" @endif>{{ $said }}</a>@endforeach
        </span>
    @endforeach
    @if ($past->canBeUnmarked($address))<a class="bar-tick" role="checkbox" aria-checked="{{ $address->marks ? 'true' : 'false' }}" href="{{ $address->with(['marks' => ! $address->marks]) }}" data-swap>{{ __('views/history.bar.marks') }}</a>@endif
    <span class="bar-do">
        @if ($item->sight === null && in_array($address->view, ['was', 'changed'], true) && $address->layout !== 'source' && ! isset($readOf))<button type="button" class="button" data-choose aria-pressed="false">{{ __('views/history.bar.choose') }}</button>@endif
        <details class="menu" data-menu>
            <summary class="button">{{ __('views/history.bar.download') }}</summary>
            <div class="menu-sheet is-right">
                <p class="menu-note">{{ __('views/history.bar.version_as', ['number' => $from->number]) }}</p>
                @foreach ($formats as $format => $label)<a class="menu-line" href="{{ route('download', [$item, $from->number, $format, ...$of]) }}">{{ $label }}</a>@endforeach
                @if ($to->number !== $from->number)
                    <p class="menu-note">{{ __('views/history.bar.the_comparison_as') }}</p>
                    <a class="menu-line" href="{{ route('comparison', [$item, $from->number, $to->number, 'html']) }}">{{ __('views/history.bar.html_one_page') }}</a>
                    <a class="menu-line" href="{{ route('comparison', [$item, $from->number, $to->number, 'xlsx']) }}">{{ __('views/history.bar.xlsx_a_row_a_change') }}</a>
                    @foreach ($tracked as $format => $label)<a class="menu-line" href="{{ route('comparison', [$item, $from->number, $to->number, $format]) }}">{{ $label }}</a>@endforeach
                    <p class="menu-note">{{ __('views/history.bar.version_as', ['number' => $to->number]) }}</p>
                    @foreach ($formats as $format => $label)<a class="menu-line" href="{{ route('download', [$item, $to->number, $format, ...$of]) }}">{{ $label }}</a>@endforeach
                @endif
                @foreach ($noted as $format => $label)<a class="menu-line" href="{{ route('download', [$item, $to->number, $format, 'said' => 1]) }}">{{ $label }}</a>@endforeach
            </div>
        </details>
        @if ($item->form_id === null)<a class="button" href="{{ route('copy', [$item, $from->number]) }}">{{ __('views/history.bar.copy_out') }}</a>@endif
        @can('restore', $item)
            @if ($to->canBeTakenBack() && $to->number === $item->head)
                <form method="post" action="{{ route('restore.undo', [$item, $to->number]) }}">@csrf<button class="button is-dark">{{ __('views/history.bar.take_it_back') }}</button></form>
            @endif
            @if ($to->canBeTakenBack() && $to->number === $item->head && $item->live !== null && $item->live->version->number < $item->head && Gate::any(['askToPublish', 'publishNow'], $item))
                <a class="button" href="{{ route('publish', [$item, $item->head]) }}">{{ __('views/history.bar.publish', ['head' => $item->head]) }}</a>
            @endif
            @if ($from->root !== $item->root || $from->title !== $item->title)
                <a @class(['button', 'is-dark' => ! $to->canBeTakenBack() || $to->number !== $item->head]) href="{{ route('restore', [$item, $from->number]) }}">{{ __('views/history.bar.restore', ['number' => $from->number]) }}</a>
            @endif
        @endcan
    </span>
</div>
