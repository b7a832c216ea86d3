<x-layout :title="__('views/kinds/entry.waiting.changes_to_entries_of_that_wait', ['title' => $item->title])" body="is-item">
    <x-item-head :item="$item" at="entries" />
    <main id="main" class="listing">
        <div class="bar-row"><x-entries-bar :item="$item" at="entries.waiting" /></div>
        <x-problems />
        @foreach ($waiting->declined as $declined)
            <div class="answer-note" role="note"><p><b>{{ __('views/kinds/entry.waiting.said_not_yet_to_your_change', ['who' => $declined->decider?->firstName(), 'number' => $declined->item->number]) }}</b> “{{ $declined->word }}”</p><a class="button" href="{{ route('proposal', [$declined->item, $declined]) }}">{{ __('views/kinds/entry.waiting.look_at_it') }}</a></div>
        @endforeach
        @if ($waiting->proposals->isEmpty())
            <div class="empty"><p>{{ __('views/kinds/entry.waiting.no_change_waits_for_a_yes') }}</p></div>
        @else
            <form method="post" action="{{ route('entries.waiting.yes', $item) }}">
                @csrf
                <table class="versions">
                    <thead><tr><th><span class="is-sr-only">{{ __('views/kinds/entry.waiting.say_yes') }}</span></th><th>{{ __('views/kinds/entry.waiting.entry') }}</th><th>{{ __('views/kinds/entry.waiting.who') }}</th><th>{{ __('views/kinds/entry.waiting.what_others_would_see_change') }}</th><th>{{ __('views/kinds/entry.waiting.when') }}</th><th><span class="is-sr-only">{{ __('views/kinds/entry.waiting.look') }}</span></th></tr></thead>
                    <tbody>@foreach ($waiting->proposals as $proposal)
                        <tr>
                            <td>@can('decide', [$proposal->item, $proposal])<input type="checkbox" name="proposals[]" value="{{ $proposal->id }}" aria-label="{{ __('views/kinds/entry.waiting.say_yes_to_the_change_to', ['number' => $proposal->item->number]) }}">@endcan</td>
                            <td class="versions-number"><a href="{{ route('item', $proposal->item) }}">{{ $proposal->item->number }}</a></td>
                            <td>{{ $proposal->user->firstName() }}</td>
                            <td>@foreach ($waiting->views[$proposal->id]->sentences as $sentence){{ $sentence }}@if (! $loop->last)<br>@endif @endforeach</td>
                            <td class="versions-when"><x-when :at="$proposal->proposed_at" /></td>
                            <td class="versions-do"><a href="{{ route('proposal', [$proposal->item, $proposal]) }}" aria-label="{{ __('views/kinds/entry.waiting.look_at_the_change_to_entry', ['number' => $proposal->item->number]) }}">{{ __('views/kinds/entry.waiting.look') }}</a></td>
                        </tr>
                    @endforeach</tbody>
                </table>
                @if ($item->shelf->letsPublish(auth()->user()))
                    <div class="changes-do"><button class="button is-dark">{{ __('views/kinds/entry.waiting.yes_to_those_ticked') }}</button><button class="button" type="button" data-tick-boxes hidden>{{ __('views/kinds/entry.waiting.tick_all') }}</button><span>{{ __('views/kinds/entry.waiting.everybody_sees_them_then_to_say') }}</span></div>
                @else
                    <p class="form-same">{{ __('views/kinds/entry.waiting.they_wait_for_the_yes_of', ['name' => $item->shelf->name]) }}</p>
                @endif
            </form>
            @if ($waiting->proposals->hasPages())<nav class="pages" aria-label="{{ __('views/kinds/entry.waiting.pages') }}">@if ($waiting->proposals->previousPageUrl())<a class="button" href="{{ $waiting->proposals->previousPageUrl() }}">{{ __('views/kinds/entry.waiting.before') }}</a>@endif <span>{{ __('views/kinds/entry.waiting.to_of', ['first_item' => $waiting->proposals->firstItem(), 'last_item' => $waiting->proposals->lastItem(), 'total' => $waiting->proposals->total()]) }}</span> @if ($waiting->proposals->nextPageUrl())<a class="button" href="{{ $waiting->proposals->nextPageUrl() }}">{{ __('views/kinds/entry.waiting.next') }}</a>@endif</nav>@endif
        @endif
    </main>
</x-layout>
