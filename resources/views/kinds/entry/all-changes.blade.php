<x-layout :title="__('views/kinds/entry.all-changes.changes_in_the_entries_of', ['title' => $item->title])" body="is-item">
    <x-item-head :item="$item" at="entries" />
    <main id="main" class="listing">
        <div class="bar-row">
            <x-entries-bar :item="$item" at="entries.changes" />
        </div>
        <x-problems />
        @if ($editors === [])
            <div class="empty"><p>{{ __('views/kinds/entry.all-changes.nobody_has_changed_an_entry_since') }}</p></div>
        @else
            <form class="changes-ask" method="get" action="{{ route('entries.changes', $item) }}">
                <label for="by">{{ __('views/kinds/entry.all-changes.what_did') }}</label> <select class="tool-style" id="by" name="by">@foreach ($editors as [$editor, $count])<option value="{{ $editor->id }}" @selected($changes?->author->id === $editor->id)>{{ $editor->name }} ({{ $count }})</option>@endforeach</select>
                <label for="since">{{ __('views/kinds/entry.all-changes.change_from') }}</label> <input class="input" id="since" type="datetime-local" name="since" value="{{ $asked['since'] ?? '' }}" data-utc>
                <label for="until">{{ __('views/kinds/entry.all-changes.to') }}</label> <input class="input" id="until" type="datetime-local" name="until" value="{{ $asked['until'] ?? '' }}" data-utc>
                <button class="button">{{ __('views/kinds/entry.all-changes.show') }}</button>
            </form>
            @if (session('going'))
                <form class="answer-note" method="post" action="{{ route('entries.changes.out', $asked) }}" data-goes-on>
                    @csrf
                    <input type="hidden" name="all" value="1"><input type="hidden" name="after" value="{{ session('going')['after'] }}"><input type="hidden" name="done" value="{{ session('going')['done'] }}"><input type="hidden" name="of" value="{{ session('going')['of'] }}">
                    <p role="status"><b>{{ __('views/kinds/entry.all-changes.taken_out_of_entries', ['done' => App\Words\Numbers::said(session('going')['done']), 'all' => App\Words\Numbers::said(session('going')['of'])]) }}</b> {{ __('views/kinds/entry.all-changes.what_is_done_stays_done_if') }}</p>
                    <progress max="{{ session('going')['of'] }}" value="{{ session('going')['done'] }}">{{ session('going')['done'] }}</progress>
                    <button class="button">{{ __('views/kinds/entry.all-changes.go_on') }}</button>
                </form>
            @endif
            @if ((session('stayed') ?? []) !== [] && ! session('going'))
                <div class="answer-note" role="note"><div><p><b>{{ __('views/kinds/entry.all-changes.this_stayed') }}</b></p><ul>@foreach (session('stayed') as [$to, $title, $name, $why])<li><a href="{{ $to }}">{{ $title }}</a>, {{ $name }}: {{ $why }}</li>@endforeach</ul></div></div>
            @endif
            @if ($changes !== null && $changes->lines === [])
                <p class="form-same">{{ __('views/kinds/entry.all-changes.nothing_in_that_time_or_it') }}</p>
            @elseif ($changes !== null)
                <form method="post" action="{{ route('entries.changes.out', $asked) }}">
                    @csrf
                    <table class="versions">
                        <thead><tr>@if ($mayTakeOut)<th><span class="is-sr-only">{{ __('views/kinds/entry.all-changes.take_out') }}</span></th>@endif<th>{{ __('views/kinds/entry.all-changes.entry') }}</th><th>{{ __('views/kinds/entry.all-changes.what_changed', ['who' => $changes->author->firstName()]) }}</th><th>{{ __('views/kinds/entry.all-changes.when') }}</th><th><span class="is-sr-only">{{ __('views/kinds/entry.all-changes.look') }}</span></th></tr></thead>
                        <tbody>@foreach ($changes->lines as $line)
                            <tr>
                                @if ($mayTakeOut)<td><input type="checkbox" name="entries[]" value="{{ $line['entry']->key }}" @checked(! $line['waits']) aria-label="{{ __('views/kinds/entry.all-changes.take_it_out_of_entry', ['number' => $line['entry']->number]) }}"></td>@endif
                                <td class="versions-number"><a href="{{ route('item', $line['entry']) }}">{{ $line['entry']->number }}</a></td>
                                <td>@foreach ($line['sentences'] as $sentence){{ $sentence }}@if (! $loop->last)<br>@endif @endforeach @foreach ($line['stays'] as [$name, $why])<small>{{ __('views/kinds/entry.all-changes.stays', ['name' => $name, 'why' => $why]) }}</small>@endforeach @if ($line['waits'])<small>{{ __('views/kinds/entry.all-changes.a_change_of_yours_to_it') }}</small>@endif</td>
                                <td class="versions-when"><x-when :at="$line['at']" /></td>
                                <td class="versions-do"><a href="{{ route('history', ['item' => $line['entry'], 'from' => $line['from'], 'to' => $line['to']]) }}" aria-label="{{ __('views/kinds/entry.all-changes.look_at_entry', ['number' => $line['entry']->number]) }}">{{ __('views/kinds/entry.all-changes.look') }}</a></td>
                            </tr>
                        @endforeach</tbody>
                    </table>
                    @if ($mayTakeOut)<div class="changes-do"><button class="button is-dark">{{ __('views/kinds/entry.all-changes.take_those_ticked_out') }}</button>@if ($changes->page->hasPages())<button class="button" name="all" value="1">{{ __('views/kinds/entry.all-changes.take_out_all_of_entries', ['total' => App\Words\Numbers::said($changes->page->total())]) }}</button>@endif<span>{{ $item->shelf->asks_entries ? __('views/kinds/entry.all-changes.where_a_change_needs_a_yes') : __('views/kinds/entry.all-changes.later_changes_by_anybody_stay') }}</span></div>@endif
                </form>
                @if ($changes->page->hasPages())<nav class="pages" aria-label="{{ __('views/kinds/entry.all-changes.pages') }}">@if ($changes->page->previousPageUrl())<a class="button" href="{{ $changes->page->previousPageUrl() }}">{{ __('views/kinds/entry.all-changes.before') }}</a>@endif <span>{{ __('views/kinds/entry.all-changes.to_of', ['first_item' => $changes->page->firstItem(), 'last_item' => $changes->page->lastItem(), 'total' => App\Words\Numbers::said($changes->page->total())]) }}</span> @if ($changes->page->nextPageUrl())<a class="button" href="{{ $changes->page->nextPageUrl() }}">{{ __('views/kinds/entry.all-changes.next') }}</a>@endif</nav>@endif
            @endif
        @endif
    </main>
</x-layout>
