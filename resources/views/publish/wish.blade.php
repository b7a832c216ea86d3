<div class="note is-wish">
    <b>{{ __('views/publish.wish.asks_to_publish', ['who' => $wish->user->firstName(), 'number' => $wish->version->number]) }}</b>
    @if ($wish->note)<p>“{{ $wish->note }}”</p>@endif
    <div class="wish-do">
        @can('answer', [$item, $wish])
            <a class="button is-dark" href="{{ route('wish', [$item, $wish]) }}">{{ __('views/publish.wish.look_and_answer') }}</a>
        @else
            <a class="button" href="{{ route('wish', [$item, $wish]) }}">{{ __('views/publish.wish.what_it_asks_for') }}</a>
        @endcan
    </div>
</div>
