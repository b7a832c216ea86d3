<x-layout :title="__('views/kinds/entry.all.entries_of', ['title' => $item->title])" body="is-item">
    <x-item-head :item="$item" at="entries" />
    <main id="main" class="listing entries-list">
        <div class="bar-row">
            <x-entries-bar :item="$item" at="entries" />
            <form class="entries-find" method="get" action="{{ route('entries', $item) }}" role="search">
                <input class="input" name="find" value="{{ $list->find }}" maxlength="200" placeholder="{{ __('views/kinds/entry.all.find_in_the_answers') }}" aria-label="{{ __('views/kinds/entry.all.find_in_the_answers') }}">
                <select class="tool-style" name="in" aria-label="{{ __('views/kinds/entry.all.in_which_answers') }}"><option value="">{{ __('views/kinds/entry.all.in_all_answers') }}</option>@foreach ($list->columns + $list->gone as $question => $words)<option value="{{ $question }}" @selected($list->in === $question)>{{ Str::limit($words, 40) }}</option>@endforeach</select>
                <button class="button">{{ __('views/kinds/entry.all.find') }}</button>
                @if ($list->deleted)<input type="hidden" name="gone" value="1">@endif
                @foreach ($list->without as $question)<input type="hidden" name="without[]" value="{{ $question }}">@endforeach
            </form>
            <span>{{ trans_choice('views/kinds/entry.all.no_entries', $list->entries->total()) }}</span>
            <a href="{{ route('entries', $list->address(['gone' => $list->deleted ? null : 1])) }}">{{ $list->deleted ? __('views/kinds/entry.all.those_that_are_there') : __('views/kinds/entry.all.removed_entries') }}</a>
            <a href="{{ route('entries.outbox', $item) }}">{{ __('views/kinds/entry.all.outbox') }}</a>
            <span class="bar-do">
                <details class="menu" data-menu><summary class="button">{{ __('views/kinds/entry.all.columns') }}</summary>
                    <form class="menu-sheet is-right menu-form columns-form" method="get" action="{{ route('entries', $item) }}">
                        @foreach (Arr::except($list->address(), ['item', 'without']) as $name => $value)<input type="hidden" name="{{ $name }}" value="{{ $value }}">@endforeach
                        <input type="hidden" name="chosen" value="1">
                        @foreach ($list->columns + $list->gone as $question => $words)<label class="checkbox"><input type="checkbox" name="with[]" value="{{ $question }}" @checked(! in_array($question, $list->without, true))> {{ Str::limit($words, 60) }}</label>@endforeach
                        <button class="button is-dark">{{ __('views/kinds/entry.all.show_these') }}</button>
                    </form>
                </details>
                @can('keepEntries', $item)
                    <details class="menu" data-menu><summary class="button">{{ $item->keeps_entries ? __('views/kinds/entry.all.history_is_on') : __('views/kinds/entry.all.history_is_off') }}</summary>
                        <form class="menu-sheet is-right menu-form" method="post" action="{{ route('entries.keep', $item) }}">
                            @csrf @method('put')<input type="hidden" name="keep" value="{{ $item->keeps_entries ? 0 : 1 }}">
                            @if ($item->keeps_entries)
                                <p>{{ __('views/kinds/entry.all.every_change_to_an_entry_is') }}</p>
                                <button class="button is-dark">{{ __('views/kinds/entry.all.switch_the_history_off') }}</button>
                            @else
                                <p>{{ __('views/kinds/entry.all.no_change_to_an_entry_is') }}</p>
                                <button class="button is-dark">{{ __('views/kinds/entry.all.switch_the_history_on') }}</button>
                            @endif
                        </form>
                    </details>
                @endcan
                <details class="menu" data-menu><summary class="button">{{ __('views/kinds/entry.all.download') }}</summary><div class="menu-sheet is-right">@foreach (['csv' => 'CSV', 'xlsx' => 'XLSX', 'json' => 'JSON'] as $format => $name)<a class="menu-line" href="{{ route('entries.download', $list->address(['format' => $format])) }}">{{ $name }}</a>@endforeach</div></details>
            </span>
        </div>
        <x-kept-not :form="$item" />
        @if ($list->entries->isEmpty())
            <div class="empty"><p>{{ __(match (true) { $list->find !== '' => 'form.entries.none_found', $list->deleted => 'form.entries.none_removed', $item->live_id === null => 'form.entries.none_unpublished', default => 'form.entries.none' }) }}
                @if ($list->find === '' && ! $list->deleted)
                    @if ($item->live_id === null)<a href="{{ route('publish', [$item, $item->head]) }}">{{ __('form.entries.publish') }}</a>@elseif ($item->is_public){{ __('form.entries.answered_at') }} <a href="{{ route('read', $item->address) }}">{{ route('read', $item->address) }}</a>@else<a href="{{ route('answer', $item) }}">{{ __('form.entries.answer') }}</a>@endif
                @endif</p></div>
        @else
            <div class="entries-table" tabindex="0" role="region" aria-label="{{ __('views/kinds/entry.all.entries') }}">
            <table class="versions" data-rows>
                <thead><tr>
                    @foreach (['number' => __('views/kinds/entry.all.no'), 'from' => __('views/kinds/entry.all.sent_by'), 'changed' => __('views/kinds/entry.all.last_changed')] + $list->shown() as $column => $name)
                        <th scope="col" @if ($list->sort === $column) aria-sort="{{ $list->down ? 'descending' : 'ascending' }}" @endif @class(['is-gone' => isset($list->gone[$column])])><a href="{{ route('entries', $list->address(['sort' => $column, 'down' => $list->sort === $column && ! $list->down ? 1 : 0])) }}">{{ Str::limit($name, 40) }}{{ $list->sort === $column ? ($list->down ? ' ↓' : ' ↑') : '' }}</a>@if (isset($list->gone[$column]))<small>{{ __('views/kinds/entry.all.no_longer_asked') }}</small>@endif</th>
                    @endforeach
                    <th><span class="is-sr-only">{{ __('views/kinds/entry.all.history') }}</span></th>
                </tr></thead>
                <tbody>
                    @foreach ($list->entries as $entry)
                        <tr data-row="{{ route('item', $entry) }}">
                            <td class="versions-number"><a href="{{ route('item', $entry) }}">{{ $entry->number }}</a></td>
                            <td class="versions-who" data-th="{{ __('views/kinds/entry.all.sent_by') }}">{{ $entry->first?->user->firstName() }}</td>
                            <td class="versions-when" data-th="{{ __('views/kinds/entry.all.last_changed') }}"><x-when :at="$entry->changed_at" /><small>{{ $entry->newest?->user->firstName() }}</small>@isset($list->waiting[$entry->id])<small><a href="{{ route('proposal', [$entry, $list->waiting[$entry->id]]) }}">{{ __('views/kinds/entry.all.a_change_waits') }}</a></small>@endisset</td>
                            @foreach ($list->shown() as $question => $name)<td data-th="{{ Str::limit($name, 40) }}" @class(['is-word' => $list->isWord($entry, $question)]) title="{{ $list->answers[$entry->id][$question] ?? '' }}">{{ Str::limit(App\Words\Days::said($list->answers[$entry->id][$question] ?? ''), 60) }}</td>@endforeach
                            <td class="versions-do"><a href="{{ route('history', $entry) }}" aria-label="{{ __('views/kinds/entry.all.history_of_entry', ['number' => $entry->number]) }}">{{ __('views/kinds/entry.all.history') }}</a></td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
            </div>
            @if ($list->entries->hasPages())<nav class="pages" aria-label="{{ __('views/kinds/entry.all.pages') }}">@if ($list->entries->previousPageUrl())<a class="button" href="{{ $list->entries->previousPageUrl() }}">{{ __('views/kinds/entry.all.before') }}</a>@endif <span>{{ __('views/kinds/entry.all.to_of', ['first_item' => $list->entries->firstItem(), 'last_item' => $list->entries->lastItem(), 'total' => $list->entries->total()]) }}</span> @if ($list->entries->nextPageUrl())<a class="button" href="{{ $list->entries->nextPageUrl() }}">{{ __('views/kinds/entry.all.next') }}</a>@endif</nav>@endif
        @endif
    </main>
</x-layout>
