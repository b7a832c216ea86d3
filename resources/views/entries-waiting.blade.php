<x-layout :title="'Changes to entries of '.$item->title.' that wait for a yes'" body="is-item">
    <x-item-head :item="$item" at="entries" />
    <main id="main" class="listing">
        <div class="bar-row"><x-entries-bar :item="$item" at="entries.waiting" /></div>
        <x-problems />
        @foreach ($waiting->refused as $refused)
            <div class="answer-note" role="note"><p><b>{{ $refused->decider?->firstName() }} said not yet to your change to entry {{ $refused->item->number }}.</b> “{{ $refused->answer }}”</p><a class="button" href="{{ route('wish', [$refused->item, $refused]) }}">I have seen it</a></div>
        @endforeach
        @if ($waiting->wishes->isEmpty())
            <div class="empty"><p>No change waits for a yes.</p></div>
        @else
            <form method="post" action="{{ route('entries.waiting.yes', $item) }}">
                @csrf
                <table class="versions">
                    <thead><tr><th><span class="is-sr-only">Say yes</span></th><th>Entry</th><th>Who</th><th>What others would see change</th><th>When</th><th><span class="is-sr-only">Look</span></th></tr></thead>
                    <tbody>@foreach ($waiting->wishes as $wish)
                        <tr>
                            <td>@can('answer', [$wish->item, $wish])<input type="checkbox" name="wishes[]" value="{{ $wish->id }}" aria-label="Say yes to the change to entry {{ $wish->item->number }}">@endcan</td>
                            <td class="versions-number"><a href="{{ route('item', $wish->item) }}">{{ $wish->item->number }}</a></td>
                            <td>{{ $wish->user->firstName() }}</td>
                            <td>@foreach ($waiting->comparisons[$wish->id]->entries ?? [] as $entry){{ $entry->sentence }}@if (! $loop->last)<br>@endif @endforeach</td>
                            <td class="versions-when"><x-when :at="$wish->asked_at" /></td>
                            <td class="versions-do"><a href="{{ route('wish', [$wish->item, $wish]) }}" aria-label="Look at the change to entry {{ $wish->item->number }}, and answer">Look</a></td>
                        </tr>
                    @endforeach</tbody>
                </table>
                @can('publish', $waiting->wishes->first()->item)
                    <div class="changes-do"><button class="button is-dark">Yes to those ticked</button><button class="button" type="button" data-tick-boxes hidden>Tick all</button><span>Everybody sees them then. To say not yet, look at it, and say why.</span></div>
                @else
                    <p class="form-same">They wait for the yes of somebody who may give it on “{{ $item->shelf->name }}”.</p>
                @endcan
            </form>
            @if ($waiting->wishes->hasPages())<nav class="pages" aria-label="Pages">@if ($waiting->wishes->previousPageUrl())<a class="button" href="{{ $waiting->wishes->previousPageUrl() }}">Before</a>@endif <span>{{ $waiting->wishes->firstItem() }} to {{ $waiting->wishes->lastItem() }} of {{ $waiting->wishes->total() }}</span> @if ($waiting->wishes->nextPageUrl())<a class="button" href="{{ $waiting->wishes->nextPageUrl() }}">Next</a>@endif</nav>@endif
        @endif
    </main>
</x-layout>
