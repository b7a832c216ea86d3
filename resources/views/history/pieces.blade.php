@if (($pieces ?? null) !== null && $pieces->count > 1)
    <nav class="pages" aria-label="Pieces of it">
        @if ($pieces->shown > 1)<a class="button" href="{{ $address->with(['piece' => $pieces->shown - 1]) }}" data-swap>Before</a>@endif
        <span>piece {{ number_format($pieces->shown) }} of {{ number_format($pieces->count) }}</span>
        @if ($pieces->shown < $pieces->count)<a class="button" href="{{ $address->with(['piece' => $pieces->shown + 1]) }}" data-swap>Next</a>@endif
    </nav>
@endif
