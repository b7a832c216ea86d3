@if ($copies->original !== null || $copies->copies->isNotEmpty())
    <section class="proposals-past">
        @if ($copies->original !== null)
            <p>{{ __('copies.from', ['number' => (string) $item->origin->number, 'title' => $copies->original->title]) }}. <a href="{{ route('proposals', $copies->original) }}">{{ $copies->original->title }}</a></p>
            @if ($copies->mayTakeIn)
                <form class="proposal-do" method="post" action="{{ route('proposals.from-copy', $item) }}">@csrf<button class="button">{{ __('copies.take_in') }}</button><small>{{ __('copies.take_in_note') }}</small></form>
            @endif
        @endif
        @if ($copies->copies->isNotEmpty())
            <h3>{{ trans_choice('copies.here', $copies->copies->count()) }}</h3>
            <ol>@foreach ($copies->copies as $copy)<li><a href="{{ route('item', $copy) }}">{{ $copy->title }}</a> <small>{{ $copy->shelf->name }}, {{ __('copies.of', ['number' => (string) $copy->origin->number]) }}</small></li>@endforeach</ol>
        @endif
    </section>
@endif
