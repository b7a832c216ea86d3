<div class="state is-written @if ($item->kind()->beside() !== null) is-page @endif" tabindex="0" role="region" aria-label="Who wrote what in {{ $to->number }}" data-state>
    <p class="state-legend">
        Version {{ $to->number }}, by who wrote each word last:
        @forelse ($written->people() as [$person, $count])
            <span class="legend-who @if (! $address->highlights($person->id)) is-quiet @endif"><x-monogram :user="$person" /> {{ $person->firstName() }} <small>{{ trans_choice('history.written_words', $count, ['count' => App\Words\Numbers::said($count)]) }}</small></span>
        @empty
            there are no words in it.
        @endforelse
    </p>
    @if ($written->coarse)<p class="state-legend">So many versions made it that some paragraphs are told as a whole, by who wrote in them last.</p>@endif
    @includeFirst(["kinds.{$item->kind}.written", 'history.written-parts'])
</div>
