@if (($pieces ?? null) !== null && $pieces->count > 1)
    <nav class="pages" aria-label="{{ __('views/history.pieces.pieces_of_it') }}">
        @if ($pieces->shown > 1)<a class="button" href="{{ $address->with(['piece' => $pieces->shown - 1]) }}" data-swap>{{ __('views/history.pieces.before') }}</a>@endif
        <span>{{ __('views/history.pieces.piece_of', ['shown' => App\Words\Numbers::said($pieces->shown), 'number_of' => App\Words\Numbers::said($pieces->count)]) }}</span>
        @if ($pieces->shown < $pieces->count)<a class="button" href="{{ $address->with(['piece' => $pieces->shown + 1]) }}" data-swap>{{ __('views/history.pieces.next') }}</a>@endif
    </nav>
@endif
