<x-layout :title="$item->title" body="is-item is-writing">
    <x-item-head :item="$item" at="write" :editable="Gate::allows('write', $item)"><x-origin :item="$item" /></x-item-head>
    <main id="main" class="listing data" @can('draft', $item) data-histories="{{ route('item', $item, false) }}/parts" @endcan data-looked>
        <x-problems />
        <div class="bar-row">
            <form class="entries-find" method="get" action="{{ route('item', $item) }}" role="search"><input class="input" name="find" value="{{ $view->find }}" maxlength="200" placeholder="{{ __('views/kinds/dataset.show.find_in_the_records') }}" aria-label="{{ __('views/kinds/dataset.show.find_in_the_records') }}"><input type="hidden" name="sort" value="{{ $view->sort }}"><input type="hidden" name="down" value="{{ $view->down ? 1 : 0 }}"><button class="button">{{ __('views/kinds/dataset.show.find') }}</button></form>
            <span>{{ trans_choice('views/kinds/dataset.show.no_records', $view->records->total(), ['count' => App\Words\Numbers::said($view->records->total())]) }}</span>
            @if ($view->data->has($view->unread))<span>{{ __('views/kinds/dataset.show.in_which_cant_be_read', ['unread' => $view->data->name($view->unread)]) }} <a href="{{ route('item', $item) }}">{{ __('views/kinds/dataset.show.show_all') }}</a></span>@endif
            @if ($item->source !== null)
                <span class="data-source">@if (! $isTold) {{ __($item->follows() ? 'data.follows_elsewhere' : 'data.from_elsewhere') }} @elseif ($item->follows()) {{ __('views/kinds/dataset.show.follows') }} <a href="{{ route('item', $item->source) }}">{{ $item->source->title }}</a> @else {{ __('views/kinds/dataset.show.as') }} <a href="{{ route('item', $item->source) }}">{{ $item->source->title }}</a> {{ __('views/kinds/dataset.show.stood_in', ['source_number' => $item->source_number]) }} @endif</span>
            @endif
            @can('write', $item)
                <span class="bar-do">
                    @if ($item->source !== null)
                        <form method="post" action="{{ route('dataset.follow', $item) }}">@csrf @method('put')<input type="hidden" name="follow" value="{{ $item->follows() ? 0 : 1 }}"><button class="button">{{ $item->follows() ? __('views/kinds/dataset.show.stop_following') : __('views/kinds/dataset.show.follow_it') }}</button></form>
                    @else
                        <a class="button" href="{{ route('item.file', $item) }}">{{ __('views/kinds/dataset.show.a_file_as_the_next_version') }}</a>
                        <a class="button" href="{{ route('record.edit', [$item, 'new']) }}">{{ __('views/kinds/dataset.show.new_record') }}</a>
                    @endif
                </span>
            @endcan
        </div>
        @if ($item->follows())<p class="door-note">{{ __('views/kinds/dataset.show.what_is_in_it_comes_from') }}</p>@endif
        <div class="entries-table" data-state tabindex="0" role="region" aria-label="{{ __('views/kinds/dataset.show.the_records') }}">
            <table class="versions data-table" data-rows>
                <thead><tr>
                    @foreach ($view->data->fields as $id => $field)
                        <th scope="col" data-part="{{ $id }}" @class(['is-number' => in_array($view->data->type($id), ['number', 'money'], true)]) @if ($view->sort === $id) aria-sort="{{ $view->down ? 'descending' : 'ascending' }}" @endif>
                            <a href="{{ route('item', ['item' => $item, 'sort' => $id, 'down' => $view->sort === $id && ! $view->down ? 1 : 0, 'find' => $view->find]) }}">{{ $field->string('name') }}{{ $view->sort === $id ? ($view->down ? ' ↓' : ' ↑') : '' }}</a>
                            <small>{{ $view->data->isCalculated($id) ? '= '.Str::limit($kind->written($tree, $field, $field->string('expression')), 40) : __("data.types.{$field->string('type')}") }}</small>
                            @if ($view->problem($id) !== null)<small class="data-wrong">{{ $view->problem($id) }}</small>@elseif (($view->data->misfits[$id] ?? 0) > 0)<a class="data-wrong" href="{{ route('item', ['item' => $item, 'unread' => $id]) }}">{{ __('views/kinds/dataset.show.cant_be_read_as_that', ['id' => App\Words\Numbers::said($view->data->misfits[$id])]) }}</a>@endif
                            @can('write', $item)<a class="data-change" href="{{ route('field.edit', [$item, $id]) }}" aria-label="{{ __('views/kinds/dataset.show.change_the_field', ['string' => $field->string('name')]) }}">{{ __('views/kinds/dataset.show.change') }}</a>@endcan
                        </th>
                    @endforeach
                    @can('write', $item)<th class="data-new"><a class="data-change" href="{{ route('field.edit', [$item, 'new']) }}">{{ __('views/kinds/dataset.show.new_field') }}</a></th>@endcan
                </tr></thead>
                <tbody>
                    @foreach ($rows as $row => $record)
                        <tr data-part="{{ $record }}">
                            @foreach ($view->data->fields as $id => $field)<td data-cell="{{ $record }}/{{ $id }}" data-th="{{ $field->string('name') }}" @class(['is-number' => in_array($view->data->type($id), ['number', 'money'], true), 'data-wrong' => $view->isUnread($row, $id)])>{{ Str::limit($view->value($row, $id), 80) }}</td>@endforeach
                            @can('write', $item)<td class="versions-do">@unless ($item->follows())<a href="{{ route('record.edit', ['item' => $item, 'record' => $record, 'at' => $row]) }}" aria-label="{{ __('views/kinds/dataset.show.change_record', ['row' => $row + 1]) }}">{{ __('views/kinds/dataset.show.change_button') }}</a>@endunless <a href="{{ route('part', [$item, $record]) }}" aria-label="{{ __('views/kinds/dataset.show.history_of_record', ['row' => $row + 1]) }}">{{ __('views/kinds/dataset.show.history') }}</a></td>@endcan
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
        @if ($view->records->isEmpty())<div class="empty"><p>{{ $view->find === '' && $view->unread === '' ? __('views/kinds/dataset.show.no_records_yet') : __('views/kinds/dataset.show.no_record_has_that') }}</p></div>@endif
        @if ($view->records->hasPages())<nav class="pages" aria-label="{{ __('views/kinds/dataset.show.pages') }}">@if ($view->records->currentPage() > 1)<a class="button" href="{{ route('item', ['item' => $item, 'sort' => $view->sort, 'down' => $view->down ? 1 : 0, 'find' => $view->find, 'unread' => $view->unread, 'page' => $view->records->currentPage() - 1]) }}">{{ __('views/kinds/dataset.show.before') }}</a>@endif <span>{{ __('views/kinds/dataset.show.to_of', ['first_item' => $view->records->firstItem(), 'last_item' => $view->records->lastItem(), 'total' => App\Words\Numbers::said($view->records->total())]) }}</span> @if ($view->records->hasMorePages())<a class="button" href="{{ route('item', ['item' => $item, 'sort' => $view->sort, 'down' => $view->down ? 1 : 0, 'find' => $view->find, 'unread' => $view->unread, 'page' => $view->records->currentPage() + 1]) }}">{{ __('views/kinds/dataset.show.next') }}</a>@endif</nav>@endif
        @if ($hanging !== [])
            <section class="data-hanging" aria-labelledby="hanging"><h2 id="hanging">{{ __('views/kinds/dataset.show.drawn_from_it') }}</h2><ul>@foreach ($hanging as $one)<li>{{ __('views/kinds/dataset.show.in', ['string' => $one['widget']->string('title')]) }} <a href="{{ route('item', $one['report']) }}">{{ $one['report']->title }}</a></li>@endforeach</ul></section>
        @endif
        @includeWhen($slips !== null, 'talk.slips', $slips ?? [])
    </main>
    <footer class="foot">@include('write.foot')</footer>
</x-layout>
