<div class="state is-written @if ($item->kind()->beside() !== null) is-page @endif" tabindex="0" role="region" aria-label="{{ __('views/history.written.who_wrote_what_in', ['number' => $to->number]) }}" data-state>
    <p class="state-legend">
        {{ __('views/history.written.version_by_who_wrote_each_word', ['number' => $to->number]) }}
        @forelse ($written->people() as [$person, $count])
            <span class="legend-who @if (! $address->highlights($person->id)) is-quiet @endif"><x-monogram :user="$person" /> {{ $person->firstName() }} <small>{{ trans_choice('history.written_words', $count, ['count' => App\Words\Numbers::said($count)]) }}</small></span>
        @empty
            {{ __('views/history.written.there_are_no_words_in_it') }}
        @endforelse
    </p>
    @if ($written->coarse)<p class="state-legend">{{ __('views/history.written.so_many_versions_made_it_that') }}</p>@endif
    @includeFirst(["kinds.{$item->kind}.written", 'history.written-parts'])
</div>
