<x-layout :title="'Entries of '.$item->title" body="is-item">
    <x-item-head :item="$item" at="entries" />
    <main id="main" class="listing entries-list">
        <div class="bar-row">
            <span class="switch" role="group" aria-label="Shown as"><a href="{{ route('entries', $item) }}" aria-current="true">List</a><a href="{{ route('entries.sums', $item) }}">Summed up</a><a href="{{ route('entries.changes', $item) }}">Changes</a></span>
            <form class="entries-find" method="get" action="{{ route('entries', $item) }}" role="search">
                <input class="input" name="find" value="{{ $list->find }}" maxlength="200" placeholder="Find in the answers" aria-label="Find in the answers">
                <select class="tool-style" name="in" aria-label="In which answers"><option value="">in all answers</option>@foreach ($list->columns + $list->gone as $question => $words)<option value="{{ $question }}" @selected($list->in === $question)>{{ Str::limit($words, 40) }}</option>@endforeach</select>
                <button class="button">Find</button>
                @if ($list->deleted)<input type="hidden" name="gone" value="1">@endif
            </form>
            <span>{{ trans_choice('{0} no entries|{1} one entry|[2,*] :count entries', $list->entries->total()) }}</span>
            <a href="{{ route('entries', ['item' => $item, 'gone' => $list->deleted ? null : 1]) }}">{{ $list->deleted ? 'Those that are there' : 'Taken away' }}</a>
            <a href="{{ route('entries.outbox', $item) }}">Outbox</a>
            <span class="bar-do">
                <details class="menu" data-menu><summary class="button">Download</summary><div class="menu-sheet is-right">@foreach (['csv' => 'CSV', 'xlsx' => 'XLSX', 'json' => 'JSON'] as $format => $name)<a class="menu-line" href="{{ route('entries.download', ['item' => $item, 'format' => $format, 'sort' => $list->sort, 'down' => $list->down ? 1 : 0, 'find' => $list->find, 'in' => $list->in, 'gone' => $list->deleted ? 1 : 0]) }}">{{ $name }}</a>@endforeach</div></details>
            </span>
        </div>
        @if ($list->entries->isEmpty())
            <div class="empty"><p>{{ $list->find !== '' ? 'No entry has that.' : ($list->deleted ? 'Nothing was taken away.' : 'Nobody has answered yet.') }}</p></div>
        @else
            <div class="entries-table" tabindex="0" role="region" aria-label="Entries">
            <table class="versions" data-rows>
                <thead><tr>
                    @foreach (['number' => 'No.', 'changed' => 'Last changed'] + $list->columns + $list->gone as $column => $name)
                        <th scope="col" @if ($list->sort === $column) aria-sort="{{ $list->down ? 'descending' : 'ascending' }}" @endif @class(['is-gone' => isset($list->gone[$column])])><a href="{{ route('entries', ['item' => $item, 'sort' => $column, 'down' => $list->sort === $column && ! $list->down ? 1 : 0, 'find' => $list->find, 'in' => $list->in, 'gone' => $list->deleted ? 1 : 0]) }}">{{ Str::limit($name, 40) }}{{ $list->sort === $column ? ($list->down ? ' ↓' : ' ↑') : '' }}</a>@if (isset($list->gone[$column]))<small>is asked no more</small>@endif</th>
                    @endforeach
                    <th><span class="is-sr-only">History</span></th>
                </tr></thead>
                <tbody>
                    @foreach ($list->entries as $entry)
                        <tr data-row="{{ route('item', $entry) }}">
                            <td class="versions-number"><a href="{{ route('item', $entry) }}">{{ $entry->number }}</a></td>
                            <td class="versions-when"><x-when :at="$entry->changed_at" /><small>{{ $entry->newest?->user->firstName() }}</small></td>
                            @foreach ($list->columns + $list->gone as $question => $name)<td title="{{ $list->answers[$entry->id][$question] ?? '' }}">{{ Str::limit($list->answers[$entry->id][$question] ?? '', 60) }}</td>@endforeach
                            <td class="versions-do"><a href="{{ route('history', $entry) }}" aria-label="History of entry {{ $entry->number }}">History</a></td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
            </div>
            @if ($list->entries->hasPages())<nav class="pages" aria-label="Pages">@if ($list->entries->previousPageUrl())<a class="button" href="{{ $list->entries->previousPageUrl() }}">Before</a>@endif <span>{{ $list->entries->firstItem() }} to {{ $list->entries->lastItem() }} of {{ $list->entries->total() }}</span> @if ($list->entries->nextPageUrl())<a class="button" href="{{ $list->entries->nextPageUrl() }}">Next</a>@endif</nav>@endif
        @endif
    </main>
</x-layout>
