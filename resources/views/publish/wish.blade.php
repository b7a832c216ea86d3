<div class="note is-wish">
    <b>{{ $wish->user->firstName() }} asks to publish {{ $wish->version->number }}</b>
    @if ($wish->note)<p>“{{ $wish->note }}”</p>@endif
    <div class="wish-do">
        @can('answer', [$item, $wish])
            <a class="button is-dark" href="{{ route('wish', [$item, $wish]) }}">Look and answer…</a>
        @else
            <a class="button" href="{{ route('wish', [$item, $wish]) }}">What it asks for</a>
        @endcan
    </div>
</div>
