<x-layout :title="'Changes to entries of '.$item->title.' that wait for a yes'" body="is-item">
    <x-item-head :item="$item" at="entries" />
    <main id="main" class="listing">
        <div class="bar-row"><x-entries-bar :item="$item" at="entries.waiting" /></div>
        <x-problems />
        @foreach ($waiting->declined as $declined)
            <div class="answer-note" role="note"><p><b>{{ $declined->decider?->firstName() }} said not yet to your change to entry {{ $declined->item->number }}.</b> “{{ $declined->word }}”</p><a class="button" href="{{ route('proposal', [$declined->item, $declined]) }}">Look at it</a></div>
        @endforeach
        @if ($waiting->proposals->isEmpty())
            <div class="empty"><p>No change waits for a yes.</p></div>
        @else
            <form method="post" action="{{ route('entries.waiting.yes', $item) }}">
                @csrf
                <table class="versions">
                    <thead><tr><th><span class="is-sr-only">Say yes</span></th><th>Entry</th><th>Who</th><th>What others would see change</th><th>When</th><th><span class="is-sr-only">Look</span></th></tr></thead>
                    <tbody>@foreach ($waiting->proposals as $proposal)
                        <tr>
                            <td>@can('decide', [$proposal->item, $proposal])<input type="checkbox" name="proposals[]" value="{{ $proposal->id }}" aria-label="Say yes to the change to entry {{ $proposal->item->number }}">@endcan</td>
                            <td class="versions-number"><a href="{{ route('item', $proposal->item) }}">{{ $proposal->item->number }}</a></td>
                            <td>{{ $proposal->user->firstName() }}</td>
                            <td>@foreach ($waiting->views[$proposal->id]->sentences as $sentence){{ $sentence }}@if (! $loop->last)<br>@endif @endforeach</td>
                            <td class="versions-when"><x-when :at="$proposal->proposed_at" /></td>
                            <td class="versions-do"><a href="{{ route('proposal', [$proposal->item, $proposal]) }}" aria-label="Look at the change to entry {{ $proposal->item->number }}, and answer">Look</a></td>
                        </tr>
                    @endforeach</tbody>
                </table>
                @if ($item->shelf->letsPublish(auth()->user()))
                    <div class="changes-do"><button class="button is-dark">Yes to those ticked</button><button class="button" type="button" data-tick-boxes hidden>Tick all</button><span>Everybody sees them then. To say not yet, look at it, and say why.</span></div>
                @else
                    <p class="form-same">They wait for the yes of somebody who may give it on “{{ $item->shelf->name }}”.</p>
                @endif
            </form>
            @if ($waiting->proposals->hasPages())<nav class="pages" aria-label="Pages">@if ($waiting->proposals->previousPageUrl())<a class="button" href="{{ $waiting->proposals->previousPageUrl() }}">Before</a>@endif <span>{{ $waiting->proposals->firstItem() }} to {{ $waiting->proposals->lastItem() }} of {{ $waiting->proposals->total() }}</span> @if ($waiting->proposals->nextPageUrl())<a class="button" href="{{ $waiting->proposals->nextPageUrl() }}">Next</a>@endif</nav>@endif
        @endif
    </main>
</x-layout>
