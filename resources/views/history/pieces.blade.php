@if (($pieces ?? null) !== null && $pieces->count > 1)
    <nav class="pages" aria-label="Pieces of it">
        @if ($pieces->shown > 1)<a class="button" href="{{ $address->with(['piece' => $pieces->shown - 1]) }}" data-swap>Before</a>@endif
        <span>piece {{ App\Words\Numbers::said($pieces->shown) }} of {{ App\Words\Numbers::said($pieces->count) }}</span>
        @if ($pieces->shown < $pieces->count)<a class="button" href="{{ $address->with(['piece' => $pieces->shown + 1]) }}" data-swap>Next</a>@endif
    </nav>
@endif
